package kite.server.sound;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/** Forms of sound files that are read, told by how a file begins. */
public enum SoundForm {
  WAV("wav"),
  FLAC("flac"),
  MP3("mp3"),
  OGG("ogg");

  /** Bytes that tell. */
  private static final int HEAD = 12;

  /** The first eleven bits of a frame of MPEG audio are set; the next two say which MPEG it is. */
  private static final int SYNC = 0xE0;

  /** What ffmpeg calls it, which is its ending as well. */
  final String reader;

  SoundForm(String reader) {
    this.reader = reader;
  }

  /** The form of a file, or null when it is none of these. */
  static SoundForm of(Path file) throws IOException {
    try (InputStream in = Files.newInputStream(file)) {
      return of(in.readNBytes(HEAD));
    }
  }

  static SoundForm of(byte[] head) {
    String text = new String(head, StandardCharsets.ISO_8859_1);
    if (text.startsWith("RIFF") && text.startsWith("WAVE", 8)) return WAV;
    if (text.startsWith("RF64") && text.startsWith("WAVE", 8)) return WAV;
    if (text.startsWith("fLaC")) return FLAC;
    if (text.startsWith("OggS")) return OGG;
    if (text.startsWith("ID3")) return MP3;
    return head.length > 1 && (head[0] & 0xFF) == 0xFF && (head[1] & SYNC) == SYNC ? MP3 : null;
  }
}
