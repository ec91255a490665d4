package kite.render.trace;

/** A ray through a mesh, lane by lane. */
final class PlainTracer extends MeshTracer {

  @Override
  boolean trace(MeshTree m, Probe p, boolean any) {
    if (m.isEmpty()) return false;
    boolean met = false;
    int top = 0, link = 0;
    while (true) {
      if (link >= 0) {
        top = open(m.box, m.link, link, p, p.stack, p.entry, top, !any);
      } else if (meets(m, p, WideTree.from(link))) {
        met = true;
        if (any) return true;
      }
      do {
        if (top == 0) return met;
        link = p.stack[--top];
      } while (p.entry[top] > p.far);
    }
  }

  @Override
  int open(float[] box, int[] links, int node, Probe p, int[] stack, float[] entry, int top) {
    return open(box, links, node, p, stack, entry, top, true);
  }

  /** As above, the nearest on top only where that is asked for. */
  private static int open(
      float[] box,
      int[] links,
      int node,
      Probe p,
      int[] stack,
      float[] entry,
      int top,
      boolean inOrder) {
    int o = node * WideTree.BOXES, first = top;
    for (int c = 0; c < WideTree.WIDTH; c++) {
      int b = o + c;
      float in = Math.max((box[b + p.nearX] - p.ox) * p.ix, (box[b + p.nearY] - p.oy) * p.iy);
      in = Math.max(Math.max(in, (box[b + p.nearZ] - p.oz) * p.iz), p.near);
      float out = Math.min((box[b + p.farX] - p.ox) * p.ix, (box[b + p.farY] - p.oy) * p.iy);
      out = Math.min(Math.min(out, (box[b + p.farZ] - p.oz) * p.iz), p.far) * FARTHER;
      if (!(in <= out)) continue;
      int at = top++;
      for (; inOrder && at > first && entry[at - 1] < in; at--) {
        entry[at] = entry[at - 1];
        stack[at] = stack[at - 1];
      }
      entry[at] = in;
      stack[at] = links[node * WideTree.WIDTH + c];
    }
    return top;
  }

  @Override
  boolean meets(MeshTree m, Probe p, int block) {
    int o = block * MeshTree.BLOCK, l = MeshTree.LANES;
    float[] c = m.corner;
    boolean met = false;
    for (int i = 0; i < l; i++) {
      int a = o + i, b = a + 3 * l, d = a + 6 * l;
      float az = c[a + p.along] - p.oAlong,
          bz = c[b + p.along] - p.oAlong,
          dz = c[d + p.along] - p.oAlong;
      float ax = (c[a + p.across] - p.oAcross) - p.leanAcross * az;
      float ay = (c[a + p.up] - p.oUp) - p.leanUp * az;
      float bx = (c[b + p.across] - p.oAcross) - p.leanAcross * bz;
      float by = (c[b + p.up] - p.oUp) - p.leanUp * bz;
      float dx = (c[d + p.across] - p.oAcross) - p.leanAcross * dz;
      float dy = (c[d + p.up] - p.oUp) - p.leanUp * dz;
      float u = dx * by - dy * bx, v = ax * dy - ay * dx, w = bx * ay - by * ax;
      if (!(u >= 0 && v >= 0 && w >= 0 || u <= 0 && v <= 0 && w <= 0)) continue;
      float det = u + v + w;
      float t = ((u * az + v * bz) + w * dz) * p.scale / det;
      if (!(t > p.near && t < p.far)) continue; // none where the triangle is seen from the side
      p.far = t;
      p.hit = block * l + i;
      p.u = v / det;
      p.v = w / det;
      met = true;
    }
    return met;
  }
}
