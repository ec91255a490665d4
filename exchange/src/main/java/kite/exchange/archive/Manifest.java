package kite.exchange.archive;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import kite.exchange.BadFile;
import kite.exchange.Names;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * What stands in {@code manifest.json}.
 *
 * @param format {@link #FORMAT}
 * @param version of the format
 * @param title of the sequence, as its code and production; for people who look into the file
 * @param by who made the file
 * @param madeAt ISO 8601
 * @param parts everything else in the file
 */
public record Manifest(
    String format,
    int version,
    String code,
    String title,
    String production,
    String by,
    String madeAt,
    List<Part> parts) {
  public static final String FORMAT = "jolly-kite sequence", PATH = "manifest.json";
  public static final int VERSION = 1;

  /** What a manifest of the most parts comes to, and more. */
  static final int LARGEST = 32 << 20;

  static final int MOST_PARTS = 50_000, DEEPEST = 20;

  /** What a part is. */
  public enum Kind {
    @JsonProperty("document")
    DOCUMENT(64L << 20),
    @JsonProperty("version")
    VERSION(64L << 20),
    @JsonProperty("model")
    MODEL(200L << 20),
    @JsonProperty("image")
    IMAGE(200L << 20),
    @JsonProperty("sound")
    SOUND(200L << 20);

    private final long largest;

    Kind(long largest) {
      this.largest = largest;
    }

    /** Bytes that one may have. */
    long largest() {
      return largest;
    }
  }

  /** How a version was kept; the author's words and the moment. */
  public record Kept(
      int number, String name, String note, String author, String keptAt, long revision) {}

  /**
   * One part.
   *
   * @param path within the file
   * @param sha256 of its bytes, lower-case hex
   * @param name of a model's, image's or recording's file; "" for others
   * @param kept of a version; null for others
   */
  public record Part(Kind kind, String path, String sha256, long bytes, String name, Kept kept) {
    /** As a sentence names it. */
    String words() {
      return switch (kind) {
        case DOCUMENT -> "the document";
        case VERSION -> "version " + (kept == null ? "?" : kept.number());
        case MODEL -> "the model “" + Names.shown(name) + "”";
        case IMAGE -> "the image “" + Names.shown(name) + "”";
        case SOUND -> "the recording “" + Names.shown(name) + "”";
      };
    }
  }

  private static final JsonMapper JSON =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(DEEPEST)
                          .maxStringLength(100_000)
                          .maxDocumentLength(LARGEST)
                          .build())
                  .build())
          .enable(SerializationFeature.INDENT_OUTPUT)
          .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
          .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
          .build();

  byte[] write() {
    return JSON.writeValueAsBytes(this);
  }

  /**
   * @throws BadFile when it is none, or of a newer build
   */
  static Manifest read(byte[] json) throws BadFile {
    try {
      JsonNode tree = JSON.readTree(json);
      JsonNode version = tree.get("version");
      if (!FORMAT.equals(tree.path("format").asString("")) || version == null || !version.isInt())
        throw new BadFile("This zip file is no sequence of Jolly Kite. Choose a .kite.zip file.");
      if (version.intValue() > VERSION)
        throw new BadFile(
            "This file was made by a newer Jolly Kite (format "
                + version.intValue()
                + "; this one reads up to "
                + VERSION
                + "). Bring this Jolly Kite up to date first.");
      return checked(JSON.treeToValue(tree, Manifest.class));
    } catch (JacksonException e) {
      throw new BadFile("The manifest of this file is damaged. Get the file again.");
    }
  }

  private static Manifest checked(Manifest m) throws BadFile {
    if (m.parts == null || m.parts.size() > MOST_PARTS)
      throw new BadFile("The manifest of this file lists no parts, or too many.");
    int documents = 0;
    Set<Integer> numbers = new HashSet<>();
    for (Part p : m.parts) {
      if (p == null || p.kind == null || p.path == null || p.sha256 == null || p.name == null)
        throw new BadFile("The manifest of this file is damaged. Get the file again.");
      if (!p.sha256.matches("[0-9a-f]{64}") || (p.kind == Kind.VERSION) != (p.kept != null))
        throw new BadFile("The manifest of this file is damaged. Get the file again.");
      if (p.bytes < 0 || p.bytes > p.kind.largest())
        throw new BadFile("In this file, " + p.words() + " is larger than is read.");
      if (p.kind == Kind.DOCUMENT) documents++;
      if (p.kept != null && (p.kept.number() < 1 || !numbers.add(p.kept.number())))
        throw new BadFile("Two versions in this file have one number, or one has none.");
    }
    if (documents != 1) throw new BadFile("This file holds no document, or more than one.");
    return m;
  }
}
