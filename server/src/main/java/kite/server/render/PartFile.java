package kite.server.render;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import kite.render.Layer;
import kite.render.Matte;
import kite.render.Picture;
import kite.render.Rendered;

/**
 * A part of a rendered picture as workers hand it to the one that joins them: every number as it is
 * in memory. Nobody else reads it, and it goes when the picture is there.
 */
final class PartFile {
  /** Numbers that are written at a time. */
  private static final int CHUNK = 1 << 14;

  private PartFile() {}

  static String name(int number, int part, int parts) {
    return String.format("%05d.part-%d-of-%d", number, part + 1, parts);
  }

  /**
   * A part.
   *
   * @param seconds that it took
   */
  record Part(Rendered rows, double seconds) {}

  static void write(Part part, Path file) throws IOException {
    Rendered r = part.rows;
    try (DataOutputStream out =
        new DataOutputStream(new BufferedOutputStream(Files.newOutputStream(file)))) {
      out.writeDouble(part.seconds);
      out.writeInt(r.picture().width());
      out.writeInt(r.picture().height());
      write(out, r.picture().argb());
      out.writeInt(r.layers().size());
      for (Layer l : r.layers()) {
        out.writeUTF(l.name());
        write(out, l.channels());
        for (float[] plane : l.planes()) write(out, bits(plane));
      }
      out.writeInt(r.mattes().size());
      for (Matte m : r.mattes()) {
        out.writeUTF(m.name());
        write(out, m.names());
        write(out, m.which());
        write(out, bits(m.covers()));
      }
      write(out, r.without());
    }
  }

  static Part read(InputStream from) throws IOException {
    try (DataInputStream in = new DataInputStream(new BufferedInputStream(from))) {
      double seconds = in.readDouble();
      int width = in.readInt(), height = in.readInt(), pixels = width * height;
      Picture picture = new Picture(width, height, ints(in, pixels));
      List<Layer> layers = new ArrayList<>();
      for (int n = in.readInt(); n > 0; n--) {
        String name = in.readUTF();
        List<String> channels = strings(in);
        float[][] planes = new float[channels.size()][];
        for (int c = 0; c < planes.length; c++) planes[c] = floats(in, pixels);
        layers.add(new Layer(name, channels, planes));
      }
      List<Matte> mattes = new ArrayList<>();
      for (int n = in.readInt(); n > 0; n--) {
        String name = in.readUTF();
        List<String> names = strings(in);
        int[] which = ints(in, pixels * Matte.RANKS);
        mattes.add(new Matte(name, names, which, floats(in, pixels * Matte.RANKS)));
      }
      return new Part(new Rendered(picture, layers, mattes, strings(in)), seconds);
    }
  }

  private static int[] bits(float[] v) {
    int[] all = new int[v.length];
    for (int i = 0; i < v.length; i++) all[i] = Float.floatToRawIntBits(v[i]);
    return all;
  }

  private static void write(DataOutputStream out, int[] v) throws IOException {
    ByteBuffer some = ByteBuffer.allocate(CHUNK * Integer.BYTES);
    for (int from = 0; from < v.length; from += CHUNK) {
      int n = Math.min(CHUNK, v.length - from);
      some.asIntBuffer().put(v, from, n);
      out.write(some.array(), 0, n * Integer.BYTES);
    }
  }

  private static int[] ints(DataInputStream in, int count) throws IOException {
    int[] v = new int[count];
    ByteBuffer some = ByteBuffer.allocate(CHUNK * Integer.BYTES);
    for (int from = 0; from < count; from += CHUNK) {
      int n = Math.min(CHUNK, count - from);
      in.readFully(some.array(), 0, n * Integer.BYTES);
      some.asIntBuffer().get(v, from, n);
    }
    return v;
  }

  private static float[] floats(DataInputStream in, int count) throws IOException {
    int[] bits = ints(in, count);
    float[] v = new float[count];
    for (int i = 0; i < count; i++) v[i] = Float.intBitsToFloat(bits[i]);
    return v;
  }

  private static void write(DataOutputStream out, List<String> all) throws IOException {
    out.writeInt(all.size());
    for (String s : all) out.writeUTF(s);
  }

  private static List<String> strings(DataInputStream in) throws IOException {
    List<String> all = new ArrayList<>();
    for (int n = in.readInt(); n > 0; n--) all.add(in.readUTF());
    return all;
  }
}
