package kite.browser;

import java.util.List;
import kite.bridge.Answers;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.frame.Arranging;
import kite.core.frame.Eye;
import kite.core.frame.FreeGround;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.model.ModelPose;
import org.teavm.jso.typedarrays.Float64Array;

/** Where everything is at a frame, by the thousand: typed arrays that are filled. */
@Answers
final class PlaceAnswers {
  private PlaceAnswers() {}

  /** The slot of an entity in {@link #evaluate}'s arrays, or −1 when it has no place in space. */
  public static int slot(String id) {
    return Opened.plan().slot(id);
  }

  public static int slots() {
    return Opened.plan().slots();
  }

  /**
   * Evaluates a frame.
   *
   * @param world gets {@link Matrix#SIZE} numbers per slot: world transforms, column by column,
   *     metres
   * @param lens gets {@link LensRow#SIZE} numbers per slot, for cameras, as {@link LensRow} says
   * @param take the one that is looked at ({@code Take.inShot}), until the next time; empty for
   *     none
   */
  public static void evaluate(double frame, String take, Float64Array world, Float64Array lens) {
    Opened.plan().inTake(take.isEmpty() ? null : take).evaluate(frame);
    world.set(Opened.plan().world(), 0);
    copyLenses(lens, 0);
  }

  /** Evaluates a run of frames; row after row of what {@link #evaluate} gives. */
  public static void evaluateRange(double first, int count, Float64Array world, Float64Array lens) {
    Plan plan = Opened.plan();
    int slots = plan.slots();
    for (int i = 0; i < count; i++) {
      plan.evaluate(first + i);
      world.set(plan.world(), i * slots * Matrix.SIZE);
      copyLenses(lens, i * slots * LensRow.SIZE);
    }
  }

  private static void copyLenses(Float64Array lens, int at) {
    Plan plan = Opened.plan();
    double[] from = plan.lens();
    for (int slot : plan.cameraSlots()) {
      for (int k = 0; k < LensRow.SIZE; k++)
        lens.set(at + slot * LensRow.SIZE + k, from[slot * LensRow.SIZE + k]);
    }
  }

  /**
   * A model's node transforms to their parents at the frame last evaluated, {@link Matrix#SIZE}
   * numbers a node.
   */
  public static void modelPose(String id, Float64Array out) {
    ModelPose pose = Opened.plan().pose(id);
    if (pose != null) out.set(pose.local(), 0);
  }

  /** A node's morph weights at the frame last evaluated; gives how many there are. */
  public static int modelWeights(String id, int node, Float64Array out) {
    ModelPose pose = Opened.plan().pose(id);
    if (pose == null) return 0;
    double[] w = pose.weights(node);
    int n = Math.min(w.length, out.getLength());
    for (int i = 0; i < n; i++) out.set(i, w[i]);
    return n;
  }

  /** Where a world point falls: share across, share down (0–1 inside the frame), metres ahead. */
  public static void project(String camera, double x, double y, double z, Float64Array out) {
    Eye eye = Eye.of(Opened.plan(), camera);
    Vec3 seen = eye.seen(new Vec3(x, y, z));
    out.set(0, eye.window().across(seen.x(), seen.z()));
    out.set(1, eye.window().down(seen.y(), seen.z()));
    out.set(2, -seen.z());
  }

  /** Pan, tilt and roll in degrees of a rigid transform of {@link Matrix#SIZE} numbers. */
  public static void angles(Float64Array transform, Float64Array out) {
    double[] m = matrix(transform);
    Matrix.makeRigid(m, 0);
    double[] a = Rotation.newPanTiltRoll(m, 0);
    for (int i = 0; i < a.length; i++) out.set(i, Trig.degrees(a[i]));
  }

  static double[] matrix(Float64Array transform) {
    double[] m = new double[Matrix.SIZE];
    for (int i = 0; i < m.length; i++) m[i] = transform.get(i);
    return m;
  }

  /** Width, height and depth in metres of pieces together. */
  public static void size(List<String> ids, Float64Array out) {
    out.set(measuring().size(ids), 0);
  }

  /** Bounds of a thing in the world: least x, y, z, most x, y, z. False when it has no place. */
  public static boolean bounds(String id, Float64Array out) {
    double[] b = measuring().bounds(id);
    if (b != null) out.set(b, 0);
    return b != null;
  }

  private static Arranging measuring() {
    return new Arranging(Opened.shown(), Opened.plan(), Opened.plan().frame(), false);
  }

  /** Where a thing is at {@code first}, {@code first + step} …: three numbers a row. */
  public static void route(String id, double first, double step, Float64Array out) {
    Plan p = Opened.apart();
    int slot = p.slot(id);
    if (slot < 0) return;
    for (int i = 0; i < out.getLength() / 3; i++) {
      p.evaluateOnly(id, first + i * step);
      Vec3 at = Matrix.newOrigin(p.world(), slot * Matrix.SIZE);
      out.set(i * 3, at.x());
      out.set(i * 3 + 1, at.y());
      out.set(i * 3 + 2, at.z());
    }
  }

  /** A thing's transforms on some frames, {@link Matrix#SIZE} numbers a row. */
  public static void poses(String id, List<Double> frames, Float64Array out) {
    Plan p = Opened.apart();
    int slot = p.slot(id), row = 0;
    if (slot < 0) return;
    for (double f : frames) {
      p.evaluateOnly(id, f);
      for (int k = 0; k < Matrix.SIZE; k++)
        out.set(row * Matrix.SIZE + k, p.world()[slot * Matrix.SIZE + k]);
      row++;
    }
  }

  /** Where from a place on the ground to the right a footprint stands free: x in metres. */
  public static double freeGround(double x, double z, double widthM, double depthM) {
    return FreeGround.x(Opened.shown(), Opened.plan(), x, z, widthM, depthM);
  }
}
