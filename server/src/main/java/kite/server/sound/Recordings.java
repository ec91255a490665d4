package kite.server.sound;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.RemovalCause;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.channels.SeekableByteChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import kite.exchange.BadFile;
import kite.exchange.Json;
import kite.server.asset.AssetKind;
import kite.server.asset.AssetStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/**
 * Recordings as samples. Files are kept as they came; the samples of those in use lie in a folder
 * of this process and are made again when they are asked for after they went.
 */
@Component
public class Recordings implements DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(Recordings.class);

  /** Bytes of samples that lie about: two hours are 1.4 GB. */
  private static final long MOST_BYTES = 4L << 30;

  private static final int KB = 1024;

  /**
   * What is said of a recording.
   *
   * @param seconds of it
   * @param warnings sentences
   */
  public record Report(
      String asset, String name, double seconds, int channels, int rate, List<String> warnings) {}

  private final AssetStore assets;
  private final Decoder decoder;
  private final Cache<String, Path> samples;
  private Path folder;

  Recordings(AssetStore assets, Decoder decoder) {
    this.assets = assets;
    this.decoder = decoder;
    samples =
        Caffeine.newBuilder()
            .maximumWeight(MOST_BYTES / KB)
            .weigher((String sha, Path p) -> (int) Math.max(1, size(p) / KB))
            .executor(Runnable::run)
            .removalListener((String sha, Path p, RemovalCause why) -> remove(p))
            .build();
  }

  /**
   * Reads a sound file and keeps it.
   *
   * @throws BadFile when it cannot be taken; nothing is kept then
   */
  public AssetStore.Kept keep(String name, Path file) throws BadFile, IOException {
    Decoder.Said said = decoder.look(name, file);
    Path to = Files.createTempFile(folder(), "new", ".pcm");
    try {
      Decoder.Decoded decoded = decoder.decode(name, file, said, to);
      String shortened = Decoder.cutShort(said, decoded);
      List<String> warnings = shortened == null ? List.of() : List.of(shortened);
      return assets.keepSound(
          name,
          Files.readAllBytes(file),
          decoded.peaks(),
          sha ->
              Json.MAPPER.writeValueAsString(
                  new Report(
                      sha, name, decoded.seconds(), said.channels(), said.rate(), warnings)));
    } finally {
      Files.deleteIfExists(to);
    }
  }

  /** What a sound file's name ends with. */
  public static String ending(byte[] file) {
    SoundForm form = SoundForm.of(file);
    return form == null ? "" : "." + form.reader;
  }

  /**
   * Samples of a recording, as {@link Decoder} makes them; fewer where it ends, none behind it.
   *
   * @param first sample of each channel, from 0
   * @throws IOException where they cannot be made
   */
  byte[] read(String sha, long first, int count) throws IOException {
    try (SeekableByteChannel in = Files.newByteChannel(samples(sha))) {
      long from = Math.min(in.size(), first * Decoder.SAMPLE_BYTES);
      long most = Math.min(in.size() - from, (long) count * Decoder.SAMPLE_BYTES);
      ByteBuffer all = ByteBuffer.allocate((int) most);
      in.position(from);
      while (all.hasRemaining() && in.read(all) >= 0) continue;
      return all.array();
    }
  }

  private Path samples(String sha) throws IOException {
    try {
      return samples.get(sha, this::decode);
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
  }

  private Path decode(String sha) {
    AssetStore.Stored a = assets.stored(sha);
    try {
      if (a == null || a.kind() != AssetKind.SOUND)
        throw new IOException("there is no recording " + sha);
      Path file = Files.createTempFile(folder(), "file", "");
      try {
        Files.write(file, a.bytes());
        // of a name of its own: one that went for want of room may only now be removed
        Path to = Files.createTempFile(folder(), sha, ".pcm");
        decoder.decode(a.name(), file, decoder.look(a.name(), file), to);
        return to;
      } catch (BadFile e) {
        throw new IOException("a kept recording cannot be read again: " + e.getMessage(), e);
      } finally {
        Files.deleteIfExists(file);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private synchronized Path folder() throws IOException {
    if (folder == null) folder = Files.createTempDirectory("kite-sound");
    return folder;
  }

  private static long size(Path p) {
    try {
      return Files.size(p);
    } catch (IOException e) {
      LOG.warn("The samples {} are gone", p, e);
      return 0;
    }
  }

  private static void remove(Path p) {
    try {
      Files.deleteIfExists(p);
    } catch (IOException e) {
      LOG.warn("The samples {} could not be removed", p, e);
    }
  }

  @Override
  public synchronized void destroy() throws IOException {
    if (folder != null) FileSystemUtils.deleteRecursively(folder);
  }
}
