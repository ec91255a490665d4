package kite.render.trace;

import jdk.incubator.vector.FloatVector;
import jdk.incubator.vector.IntVector;
import jdk.incubator.vector.VectorOperators;
import jdk.incubator.vector.VectorSpecies;

/**
 * A ray through a mesh, eight boxes or triangles at once, by the JDK's vector module. It does what
 * {@link PlainTracer} does, in the same order and with the same rounding. Its methods are long on
 * purpose: what the compiler puts into others it no longer does with vectors.
 */
final class VectorTracer extends MeshTracer {
  private static final VectorSpecies<Float> EIGHT = FloatVector.SPECIES_256;

  private static final VectorSpecies<Integer> INTS = IntVector.SPECIES_256;

  /** By how much the sign of each lane goes to the right, so that it becomes the lane's own bit. */
  private static final IntVector TO_BIT =
      IntVector.fromArray(INTS, new int[] {31, 30, 29, 28, 27, 26, 25, 24}, 0);

  private static final IntVector BIT =
      IntVector.fromArray(INTS, new int[] {1, 2, 4, 8, 16, 32, 64, 128}, 0);

  private static final int ALL = 255;

  @Override
  boolean trace(MeshTree m, Probe p, boolean any) {
    if (m.isEmpty()) return false;
    float[] box = m.box, entry = p.entry, lanes = p.lanes;
    int[] links = m.link, stack = p.stack;
    FloatVector ox = FloatVector.broadcast(EIGHT, p.ox),
        oy = FloatVector.broadcast(EIGHT, p.oy),
        oz = FloatVector.broadcast(EIGHT, p.oz),
        ix = FloatVector.broadcast(EIGHT, p.ix),
        iy = FloatVector.broadcast(EIGHT, p.iy),
        iz = FloatVector.broadcast(EIGHT, p.iz),
        near = FloatVector.broadcast(EIGHT, p.near),
        farther = FloatVector.broadcast(EIGHT, FARTHER);
    int nearX = p.nearX, nearY = p.nearY, nearZ = p.nearZ;
    int farX = p.farX, farY = p.farY, farZ = p.farZ;
    boolean met = false;
    int top = 0, link = 0;
    while (true) {
      if (link >= 0) {
        int o = link * WideTree.BOXES;
        FloatVector x = FloatVector.fromArray(EIGHT, box, o + nearX).sub(ox).mul(ix);
        FloatVector y = FloatVector.fromArray(EIGHT, box, o + nearY).sub(oy).mul(iy);
        FloatVector z = FloatVector.fromArray(EIGHT, box, o + nearZ).sub(oz).mul(iz);
        FloatVector u = FloatVector.fromArray(EIGHT, box, o + farX).sub(ox).mul(ix);
        FloatVector v = FloatVector.fromArray(EIGHT, box, o + farY).sub(oy).mul(iy);
        FloatVector w = FloatVector.fromArray(EIGHT, box, o + farZ).sub(oz).mul(iz);
        FloatVector in = greater(greater(greater(x, y), z), near);
        FloatVector out =
            lesser(lesser(lesser(u, v), w), FloatVector.broadcast(EIGHT, p.far)).mul(farther);
        int entered = ~bits(out.sub(in).reinterpretAsInts()) & ALL;
        int first = top, children = link * WideTree.WIDTH;
        if (entered != 0 && (entered & entered - 1) == 0) { // one: straight on
          link = links[children + Integer.numberOfTrailingZeros(entered)];
          continue;
        }
        if (entered != 0) in.intoArray(lanes, 0);
        for (; entered != 0; entered &= entered - 1) {
          int c = Integer.numberOfTrailingZeros(entered), at = top++;
          float t = lanes[c];
          for (; !any && at > first && entry[at - 1] < t; at--) {
            entry[at] = entry[at - 1];
            stack[at] = stack[at - 1];
          }
          entry[at] = t;
          stack[at] = links[children + c];
        }
      } else if (meets(m, p, WideTree.from(link))) {
        met = true;
        if (any) return true;
      }
      do {
        if (top == 0) return met;
        link = stack[--top];
      } while (entry[top] > p.far);
    }
  }

  @Override
  int open(float[] box, int[] links, int node, Probe p, int[] stack, float[] entry, int top) {
    int o = node * WideTree.BOXES;
    FloatVector x = FloatVector.fromArray(EIGHT, box, o + p.nearX).sub(p.ox).mul(p.ix);
    FloatVector y = FloatVector.fromArray(EIGHT, box, o + p.nearY).sub(p.oy).mul(p.iy);
    FloatVector z = FloatVector.fromArray(EIGHT, box, o + p.nearZ).sub(p.oz).mul(p.iz);
    FloatVector u = FloatVector.fromArray(EIGHT, box, o + p.farX).sub(p.ox).mul(p.ix);
    FloatVector v = FloatVector.fromArray(EIGHT, box, o + p.farY).sub(p.oy).mul(p.iy);
    FloatVector w = FloatVector.fromArray(EIGHT, box, o + p.farZ).sub(p.oz).mul(p.iz);
    FloatVector in = greater(greater(greater(x, y), z), FloatVector.broadcast(EIGHT, p.near));
    FloatVector out =
        lesser(lesser(lesser(u, v), w), FloatVector.broadcast(EIGHT, p.far)).mul(FARTHER);
    int entered = ~bits(out.sub(in).reinterpretAsInts()) & ALL;
    if (entered == 0) return top;
    in.intoArray(p.lanes, 0);
    int first = top;
    for (; entered != 0; entered &= entered - 1) {
      int c = Integer.numberOfTrailingZeros(entered), at = top++;
      float t = p.lanes[c];
      for (; at > first && entry[at - 1] < t; at--) {
        entry[at] = entry[at - 1];
        stack[at] = stack[at - 1];
      }
      entry[at] = t;
      stack[at] = links[node * WideTree.WIDTH + c];
    }
    return top;
  }

  /** The sign, in each lane, of whatever is less than zero. */
  private static IntVector signs(FloatVector a, FloatVector b, FloatVector c) {
    return a.reinterpretAsInts().or(b.reinterpretAsInts()).or(c.reinterpretAsInts());
  }

  /** A bit for each lane that has the sign of what is less than zero. */
  private static int bits(IntVector signs) {
    return signs.lanewise(VectorOperators.LSHR, TO_BIT).and(BIT).reduceLanes(VectorOperators.OR);
  }

  /** The greater of each two; which of two zeros, or of what is not a number, does not matter. */
  private static FloatVector greater(FloatVector a, FloatVector b) {
    return a.blend(b, a.compare(VectorOperators.LT, b));
  }

  private static FloatVector lesser(FloatVector a, FloatVector b) {
    return a.blend(b, a.compare(VectorOperators.GT, b));
  }

  @Override
  boolean meets(MeshTree m, Probe p, int block) {
    float[] lanes = p.lanes;
    int l = MeshTree.LANES;
    lean(m.corner, p, block * MeshTree.BLOCK, lanes);
    FloatVector ax = FloatVector.fromArray(EIGHT, lanes, 3 * l);
    FloatVector ay = FloatVector.fromArray(EIGHT, lanes, 4 * l);
    FloatVector bx = FloatVector.fromArray(EIGHT, lanes, 5 * l);
    FloatVector by = FloatVector.fromArray(EIGHT, lanes, 6 * l);
    FloatVector cx = FloatVector.fromArray(EIGHT, lanes, 7 * l);
    FloatVector cy = FloatVector.fromArray(EIGHT, lanes, 8 * l);
    FloatVector u = cx.mul(by).sub(cy.mul(bx));
    FloatVector v = ax.mul(cy).sub(ay.mul(cx));
    FloatVector w = bx.mul(ay).sub(by.mul(ax));
    // all of one sign: none less than zero, or none more; zero, whatever its sign, is neither
    FloatVector zero = FloatVector.zero(EIGHT);
    IntVector less = signs(u.add(zero), v.add(zero), w.add(zero));
    IntVector more = signs(zero.sub(u), zero.sub(v), zero.sub(w));
    int which = ~bits(less.and(more)) & ALL;
    if (which == 0) return false;
    u.intoArray(lanes, 3 * l);
    v.intoArray(lanes, 4 * l);
    w.intoArray(lanes, 5 * l);
    boolean met = false;
    for (; which != 0; which &= which - 1) {
      int i = Integer.numberOfTrailingZeros(which);
      float first = lanes[3 * l + i], second = lanes[4 * l + i], third = lanes[5 * l + i];
      float det = first + second + third;
      float at =
          ((first * lanes[i] + second * lanes[l + i]) + third * lanes[2 * l + i]) * p.scale / det;
      if (!(at > p.near && at < p.far)) continue;
      met = true;
      p.far = at;
      p.hit = block * l + i;
      p.u = second / det;
      p.v = third / det;
    }
    return met;
  }

  /**
   * The corners of a block's triangles as the ray sees them, along it, then across and up, in which
   * it stands still (Woop, Benthin and Wald, Watertight Ray/Triangle Intersection, JCGT 2(1),
   * 2013).
   */
  private static void lean(float[] corner, Probe p, int o, float[] lanes) {
    int l = MeshTree.LANES, along = o + p.along, across = o + p.across, up = o + p.up;
    FloatVector oAlong = FloatVector.broadcast(EIGHT, p.oAlong),
        oAcross = FloatVector.broadcast(EIGHT, p.oAcross),
        oUp = FloatVector.broadcast(EIGHT, p.oUp),
        leanAcross = FloatVector.broadcast(EIGHT, p.leanAcross),
        leanUp = FloatVector.broadcast(EIGHT, p.leanUp);
    FloatVector a = FloatVector.fromArray(EIGHT, corner, along).sub(oAlong);
    FloatVector b = FloatVector.fromArray(EIGHT, corner, along + 3 * l).sub(oAlong);
    FloatVector c = FloatVector.fromArray(EIGHT, corner, along + 6 * l).sub(oAlong);
    a.intoArray(lanes, 0);
    b.intoArray(lanes, l);
    c.intoArray(lanes, 2 * l);
    FloatVector.fromArray(EIGHT, corner, across)
        .sub(oAcross)
        .sub(leanAcross.mul(a))
        .intoArray(lanes, 3 * l);
    FloatVector.fromArray(EIGHT, corner, up).sub(oUp).sub(leanUp.mul(a)).intoArray(lanes, 4 * l);
    FloatVector.fromArray(EIGHT, corner, across + 3 * l)
        .sub(oAcross)
        .sub(leanAcross.mul(b))
        .intoArray(lanes, 5 * l);
    FloatVector.fromArray(EIGHT, corner, up + 3 * l)
        .sub(oUp)
        .sub(leanUp.mul(b))
        .intoArray(lanes, 6 * l);
    FloatVector.fromArray(EIGHT, corner, across + 6 * l)
        .sub(oAcross)
        .sub(leanAcross.mul(c))
        .intoArray(lanes, 7 * l);
    FloatVector.fromArray(EIGHT, corner, up + 6 * l)
        .sub(oUp)
        .sub(leanUp.mul(c))
        .intoArray(lanes, 8 * l);
  }
}
