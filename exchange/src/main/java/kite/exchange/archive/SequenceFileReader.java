package kite.exchange.archive;

import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import kite.exchange.BadFile;

/**
 * Reads a sequence from one file. All of it is looked through when it is opened, before anything is
 * taken: what is missing or damaged is named part by part. Only what the manifest names is read, no
 * further than the size it gives, and never under the name it has in the file.
 */
public final class SequenceFileReader implements AutoCloseable {
  /** All parts of one file together. */
  public static final long MOST_BYTES = 8L << 30;

  /** Faults that one sentence names; the others are counted. */
  private static final int MOST_NAMED = 12;

  private final ZipFile zip;
  private final Manifest manifest;

  private SequenceFileReader(ZipFile zip, Manifest manifest) {
    this.zip = zip;
    this.manifest = manifest;
  }

  /**
   * @throws BadFile when it is no such file, not whole, or damaged
   */
  public static SequenceFileReader open(Path file) throws BadFile, IOException {
    ZipFile zip;
    try {
      zip = new ZipFile(file.toFile(), StandardCharsets.UTF_8);
    } catch (ZipException | EOFException e) {
      throw new BadFile(
          "This is no zip file, or its end is missing: it did not arrive whole. Get it again.");
    }
    try {
      SequenceFileReader r = new SequenceFileReader(zip, manifest(zip));
      r.lookThrough();
      return r;
    } catch (BadFile | IOException | RuntimeException e) {
      zip.close();
      throw e;
    }
  }

  private static Manifest manifest(ZipFile zip) throws BadFile, IOException {
    ZipEntry entry = zip.getEntry(Manifest.PATH);
    if (entry == null)
      throw new BadFile("This zip file is no sequence of Jolly Kite. Choose a .kite.zip file.");
    try (InputStream in = zip.getInputStream(entry)) {
      byte[] json = in.readNBytes(Manifest.LARGEST + 1);
      if (json.length > Manifest.LARGEST)
        throw new BadFile("The manifest of this file is larger than is read.");
      return Manifest.read(json);
    } catch (ZipException | EOFException e) {
      throw new BadFile("The manifest of this file is damaged. Get the file again.");
    }
  }

  public Manifest manifest() {
    return manifest;
  }

  private void lookThrough() throws BadFile, IOException {
    long all = 0;
    Set<String> paths = new HashSet<>();
    List<String> faults = new ArrayList<>();
    for (Manifest.Part p : manifest.parts()) {
      all += p.bytes();
      if (all > MOST_BYTES)
        throw new BadFile("This file holds more than " + (MOST_BYTES >> 30) + " GB.");
      if (!paths.add(p.path())) faults.add(p.words() + " is there twice");
      else {
        String fault = fault(p);
        if (fault != null) faults.add(p.words() + " is " + fault);
      }
    }
    if (faults.isEmpty()) return;
    String named = String.join("; ", faults.subList(0, Math.min(MOST_NAMED, faults.size())));
    int more = faults.size() - MOST_NAMED;
    throw new BadFile(
        "This file is not whole: "
            + named
            + (more > 0 ? "; and " + more + " more" : "")
            + ". Nothing was taken from it; get it again.");
  }

  private String fault(Manifest.Part p) throws IOException {
    ZipEntry entry = zip.getEntry(p.path());
    if (entry == null || entry.isDirectory()) return "missing";
    MessageDigest digest = SummedZip.sha256();
    byte[] some = new byte[1 << 16];
    long read = 0;
    try (InputStream in = zip.getInputStream(entry)) {
      for (int n = in.read(some); n >= 0; n = in.read(some)) {
        read += n;
        if (read > p.bytes()) return "longer than the manifest says";
        digest.update(some, 0, n);
      }
    } catch (ZipException e) {
      return "damaged";
    } catch (EOFException e) {
      return "cut off";
    }
    if (read < p.bytes()) return "cut off";
    return HexFormat.of().formatHex(digest.digest()).equals(p.sha256()) ? null : "damaged";
  }

  /** The bytes of a part, which was whole when the file was opened. */
  public byte[] bytes(Manifest.Part p) throws IOException {
    try (InputStream in = zip.getInputStream(zip.getEntry(p.path()))) {
      return in.readNBytes((int) p.bytes());
    }
  }

  /** A document's text. */
  public String text(Manifest.Part p) throws IOException {
    return new String(bytes(p), StandardCharsets.UTF_8);
  }

  /** The document of the sequence itself. */
  public Manifest.Part document() {
    return manifest.parts().stream()
        .filter(p -> p.kind() == Manifest.Kind.DOCUMENT)
        .findFirst()
        .orElseThrow();
  }

  @Override
  public void close() throws IOException {
    zip.close();
  }
}
