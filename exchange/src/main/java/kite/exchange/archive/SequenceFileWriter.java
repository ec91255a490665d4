package kite.exchange.archive;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/**
 * Writes a sequence as one file, part by part as they are given: nothing of it is held in memory.
 * The manifest comes last, when all checksums are known.
 */
public final class SequenceFileWriter implements AutoCloseable {
  private final SummedZip zip;
  private final List<Manifest.Part> parts = new ArrayList<>();

  public SequenceFileWriter(OutputStream out) {
    zip = new SummedZip(out);
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
    boolean packed = kind == Manifest.Kind.IMAGE || kind == Manifest.Kind.SOUND;
    SummedZip.Sum sum = zip.put(path, packed, out -> out.write(bytes));
    parts.add(new Manifest.Part(kind, path, sum.sha256(), sum.bytes(), name, kept));
  }

  /** The manifest, after everything else. */
  public void manifest(String code, String title, String production, String by, String madeAt)
      throws IOException {
    byte[] manifest =
        new Manifest(Manifest.FORMAT, Manifest.VERSION, code, title, production, by, madeAt, parts)
            .write();
    zip.put(Manifest.PATH, false, out -> out.write(manifest));
  }

  @Override
  public void close() throws IOException {
    zip.close();
  }
}
