package kite.exchange.archive;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.security.DigestOutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/**
 * Writes a sequence as one file, part by part as they are given: nothing of it is held in memory.
 * The manifest comes last, when all checksums are known.
 */
public final class SequenceFileWriter implements AutoCloseable {
  private final ZipOutputStream zip;
  private final List<Manifest.Part> parts = new ArrayList<>();

  public SequenceFileWriter(OutputStream out) {
    zip = new ZipOutputStream(out, StandardCharsets.UTF_8);
  }

  /** The document, as the codec writes it. */
  public void document(String json) throws IOException {
    part(Manifest.Kind.DOCUMENT, "document.json", json.getBytes(StandardCharsets.UTF_8), "", null);
  }

  /** A kept version, as the codec writes its document. */
  public void version(Manifest.Kept kept, String json) throws IOException {
    part(
        Manifest.Kind.VERSION,
        "versions/" + kept.number() + ".json",
        json.getBytes(StandardCharsets.UTF_8),
        "",
        kept);
  }

  /**
   * A model, image or recording; its path is the SHA-256 of its bytes.
   *
   * @param ending of the path, as .glb
   */
  public void asset(Manifest.Kind kind, String sha256, String ending, String name, byte[] bytes)
      throws IOException {
    part(kind, "assets/" + sha256 + ending, bytes, name, null);
  }

  private void part(Manifest.Kind kind, String path, byte[] bytes, String name, Manifest.Kept kept)
      throws IOException {
    // pictures and sounds are packed already, or do not get smaller
    zip.setLevel(
        kind == Manifest.Kind.IMAGE || kind == Manifest.Kind.SOUND
            ? Deflater.NO_COMPRESSION
            : Deflater.BEST_SPEED);
    zip.putNextEntry(new ZipEntry(path));
    MessageDigest digest = sha256();
    DigestOutputStream out = new DigestOutputStream(zip, digest);
    out.write(bytes);
    zip.closeEntry();
    String sha = HexFormat.of().formatHex(digest.digest());
    parts.add(new Manifest.Part(kind, path, sha, bytes.length, name, kept));
  }

  /** The manifest, after everything else. */
  public void manifest(String code, String title, String production, String by, String madeAt)
      throws IOException {
    zip.putNextEntry(new ZipEntry(Manifest.PATH));
    zip.write(
        new Manifest(Manifest.FORMAT, Manifest.VERSION, code, title, production, by, madeAt, parts)
            .write());
    zip.closeEntry();
  }

  static MessageDigest sha256() {
    try {
      return MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("Every Java has SHA-256", e);
    }
  }

  @Override
  public void close() throws IOException {
    zip.close();
  }
}
