package kite.exchange.picture;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** Attributes of an OpenEXR header under the names that the standard has for them, as bytes. */
final class ExrAttributes {
  /** An attribute: its type is one of the standard's. */
  record Attribute(String name, String type, byte[] value) {
    String text() {
      return new String(value, StandardCharsets.UTF_8);
    }
  }

  private static final int MATRIX = 16;

  private final List<Attribute> all = new ArrayList<>();

  List<Attribute> all() {
    return all;
  }

  static ExrAttributes of(ExrFacts f) {
    ExrAttributes a = new ExrAttributes();
    a.text("comments", f.sequence() + " " + f.shot() + " " + f.version());
    if (!f.shot().isEmpty()) a.text("reelName", f.shot());
    a.text("software", "Jolly Kite");
    a.text("version", f.version());
    a.whole("imageCounter", f.frame());
    a.fraction("framesPerSecond", f.rate()[0], f.rate()[1]);
    a.put("timeCode", "timecode", buffer(8).putInt(packed(f.timecode())).putInt(0));
    if (f.worldToCamera() == null) return a;
    a.text("cameraLabel", f.camera());
    a.number("nominalFocalLength", f.focalMm());
    a.number("aperture", f.fStop());
    a.number("focus", f.focusM());
    a.number("shutterAngle", f.shutterDegrees());
    a.number("expTime", f.shutterDegrees() / 360 * f.rate()[1] / f.rate()[0]);
    a.matrix("worldToCamera", f.worldToCamera());
    a.matrix("worldToNDC", f.worldToFrame());
    return a;
  }

  void text(String name, String value) {
    all.add(new Attribute(name, "string", value.getBytes(StandardCharsets.UTF_8)));
  }

  private void whole(String name, int value) {
    put(name, "int", buffer(4).putInt(value));
  }

  private void number(String name, double value) {
    put(name, "float", buffer(4).putFloat((float) value));
  }

  private void fraction(String name, int numerator, int denominator) {
    put(name, "rational", buffer(8).putInt(numerator).putInt(denominator));
  }

  /** Our columns are the standard's rows: it writes points as rows. */
  private void matrix(String name, double[] m) {
    ByteBuffer b = buffer(4 * MATRIX);
    for (int i = 0; i < MATRIX; i++) b.putFloat((float) m[i]);
    put(name, "m44f", b);
  }

  private void put(String name, String type, ByteBuffer value) {
    all.add(new Attribute(name, type, value.array()));
  }

  private static ByteBuffer buffer(int bytes) {
    return ByteBuffer.allocate(bytes).order(ByteOrder.LITTLE_ENDIAN);
  }

  /** A timecode in the bits that the standard has for it (SMPTE ST 12-1, as of film and 60 Hz). */
  static int packed(String timecode) {
    int dropped = timecode.indexOf(';') >= 0 ? 1 << 6 : 0;
    String[] t = timecode.replace("-", "").replace(';', ':').split(":");
    return decimal(t[3]) | dropped | decimal(t[2]) << 8 | decimal(t[1]) << 16 | decimal(t[0]) << 24;
  }

  /** Two digits of four bits each. */
  private static int decimal(String two) {
    int n = Integer.parseInt(two);
    return n / 10 % 10 << 4 | n % 10;
  }
}
