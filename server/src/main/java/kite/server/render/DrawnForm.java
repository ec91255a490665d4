package kite.server.render;

import kite.exchange.BadFile;
import kite.exchange.PictureFile;
import kite.server.Problem;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;

/** In what form a page brings what it draws. */
enum DrawnForm {
  /** Encoded by the browser. */
  H264("h264", MediaType.parseMediaType("video/h264")),
  /** One picture a frame, which the server encodes. */
  JPEG("jpg", MediaType.IMAGE_JPEG),
  /** One picture, as it is. */
  PNG("png", MediaType.IMAGE_PNG);

  final String ending;
  private final MediaType type;

  DrawnForm(String ending, MediaType type) {
    this.ending = ending;
    this.type = type;
  }

  static DrawnForm of(MediaType type) {
    for (DrawnForm f : values()) if (f.type.equalsTypeAndSubtype(type)) return f;
    throw new Problem(
        HttpStatus.UNSUPPORTED_MEDIA_TYPE,
        "type",
        "A film is brought as H.264, JPEG or PNG, not as " + type + ".");
  }

  /** Refuses what cannot be what it is said to be. */
  void check(byte[] b, int width, int height) {
    if (this == H264) {
      boolean starts =
          b.length > 4 && b[0] == 0 && b[1] == 0 && (b[2] == 1 || b[2] == 0 && b[3] == 1);
      if (!starts) throw bad("That is no stretch of H.264 with start codes (Annex B).");
      return;
    }
    int[] size = size(b);
    if (size[0] != width || size[1] != height)
      throw bad("A frame of this film is " + width + " × " + height + " pixels.");
  }

  private static int[] size(byte[] picture) {
    try {
      return PictureFile.open(
          picture, "That picture", r -> new int[] {r.getWidth(0), r.getHeight(0)});
    } catch (BadFile e) {
      throw bad(e.getMessage());
    }
  }

  private static Problem bad(String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "range", text);
  }
}
