package kite.core.evaluate;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kite.core.curve.CompiledCurve;
import kite.core.document.ChannelSpec;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Piece;
import kite.core.document.Place;
import kite.core.document.Shape;
import kite.core.math.AxisOrder;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.model.ModelPose;
import kite.core.model.ModelRig;
import kite.core.shape.StandIns;

/** Pieces, marks and lights: a placement under a parent. */
final class PlaceNode extends Node implements Elsewhere {
  /** The channels of a sun, which has no place … */
  private static final List<ChannelSpec> SUN = List.of(Light.HEADING, Light.ELEVATION);

  /** … in their order. */
  private static final int HEADING = 0;

  private static final int ELEVATION = 1;

  /** The axes of what is neither turned nor scaled; never written to. */
  private static final double[] UNTURNED = Matrix.newIdentity();

  /** The first channels of {@link Place#FULL}, or those of a sun. */
  private final CompiledCurve[] c;

  private final AxisOrder order;
  private final int parent;
  private final boolean posed;

  /** The axes where turn and scale are the same on every frame, else null. */
  private double[] still;

  /** Whether those are the parent's own. */
  private boolean unturned;

  private final boolean scaled;
  private final boolean pivoted;
  private final double perSecond;
  private final ModelPose pose;
  private double posedAt = Double.NaN;

  /** On the parent's axes; null without one. */
  private final double[] local;

  /** Null where nothing is aimed. */
  private final double[] aimed;

  private final Shape shape;

  /** Anchors of a stand-in by name, null is its usual one; none where none was asked for. */
  private Map<String, Vec3> anchors;

  private final PlaceNode ridden;
  private final Step aim;
  private final Sight sight;
  private final double[] from;

  /** Where it was at whole frames, once it was looked at elsewhere than at the plan's frame. */
  private KeptPlaces kept;

  PlaceNode(
      Piece p,
      Shape shape,
      int slot,
      int parent,
      ModelRig rig,
      double perSecond,
      Object... madeFrom) {
    super(p, slot, madeFrom);
    this.shape = shape;
    c = p.channels().compiled(Place.FULL);
    order = p.order();
    this.parent = parent;
    local = parent < 0 ? null : Matrix.newIdentity();
    posed = scaled = true;
    pivoted =
        p.channels().set().containsKey("pivotX")
            || p.channels().set().containsKey("pivotY")
            || p.channels().set().containsKey("pivotZ");
    pose = rig == null ? null : new ModelPose(rig);
    this.perSecond = perSecond;
    ridden = null;
    from = null;
    aim = null;
    aimed = null;
    sight = null;
    boolean turns = false;
    for (int i = Place.TURN; i < Place.PIVOT; i++) turns |= !c[i].isFixed();
    if (turns) return;
    axes(0, still = Matrix.newIdentity(), 0);
    unturned = Arrays.equals(still, UNTURNED);
    if (unturned) still = UNTURNED;
  }

  PlaceNode(Mark m, int slot, int parent, PlaceNode ridden, Object... madeFrom) {
    super(m, slot, madeFrom);
    c = m.channels().compiled(Place.POSITION);
    order = AxisOrder.PAN_TILT_ROLL;
    this.parent = parent;
    local = parent < 0 ? null : Matrix.newIdentity();
    posed = scaled = pivoted = false;
    pose = null;
    shape = null;
    perSecond = 0;
    this.ridden = m.anchor() == null ? null : ridden;
    from = new double[3];
    aim = null;
    aimed = null;
    sight = null;
  }

  /**
   * A light's transform points its −Z the way the light travels.
   *
   * @param aim what keeps a spot aimed, or null
   */
  PlaceNode(Light l, int slot, int parent, Step aim, Object... madeFrom) {
    super(l, slot, madeFrom);
    boolean sun = l.form() == Light.Form.SUN;
    c = l.channels().compiled(sun ? SUN : Place.POSE);
    order = AxisOrder.PAN_TILT_ROLL;
    this.parent = parent;
    local = parent < 0 ? null : Matrix.newIdentity();
    posed = !sun;
    scaled = pivoted = false;
    pose = null;
    shape = null;
    perSecond = 0;
    ridden = null;
    from = null;
    this.aim = aim;
    aimed = aim == null ? null : Matrix.newIdentity();
    sight = new Sight();
    if (aim != null) aim.standsOn(this);
  }

  @Override
  public Node owner() {
    return this;
  }

  @Override
  public Sight sight() {
    return sight;
  }

  @Override
  public void standing(double frame, Plan plan, double[] out) {
    placed(frame, plan, out, 0);
    Matrix.makeRigid(out, 0);
  }

  @Override
  public void lens(double frame, Plan plan) {}

  @Override
  public boolean solvesLens() {
    return false;
  }

  @Override
  void evaluate(double frame, Plan plan) {
    int at = slot * Matrix.SIZE;
    if (kept != null && kept.read(frame, plan, plan.world, at)) return;
    placed(frame, plan, plan.world, at);
    if (kept != null) kept.keep(frame, plan.world, at);
    if (aim == null || !posed) return;
    System.arraycopy(plan.world, at, aimed, 0, Matrix.SIZE);
    Matrix.makeRigid(aimed, 0);
    aim.apply(frame, plan, sight, aimed);
    System.arraycopy(aimed, 0, plan.world, at, Matrix.SIZE);
  }

  @Override
  boolean isStill() {
    for (CompiledCurve curve : c) if (!curve.isFixed()) return false;
    return aim == null && ridden == null;
  }

  @Override
  void evaluateElsewhere(double frame, Plan plan) {
    if (kept == null && aim == null) kept = new KeptPlaces(this);
    evaluate(frame, plan);
  }

  /** Writes the transform before anything is aimed. */
  private void placed(double frame, Plan plan, double[] out, int at) {
    if (entity instanceof Light && !posed) {
      Matrix.identity(out, at);
      Rotation.panTiltRoll(
          Trig.radians(c[HEADING].value(frame)),
          -Trig.radians(c[ELEVATION].value(frame)),
          0,
          out,
          at);
      return;
    }
    if (unturned && parent >= 0 && !pivoted) {
      int up = parent * Matrix.SIZE;
      double x = c[Place.AT].value(frame),
          y = c[Place.AT + 1].value(frame),
          z = c[Place.AT + 2].value(frame);
      Matrix.moved(plan.world, up, x, y, z, out, at);
      return;
    }
    double[] m = parent < 0 ? out : local;
    int o = parent < 0 ? at : 0;
    m[o + Matrix.XW] = m[o + Matrix.YW] = m[o + Matrix.ZW] = 0;
    m[o + Matrix.OW] = 1;
    if (still != null) System.arraycopy(still, 0, m, o, 12);
    else axes(frame, m, o);
    for (int i = 0; i < 3; i++) m[o + Matrix.OX + i] = c[Place.AT + i].value(frame);
    if (pivoted) aboutPivot(frame, m, o);
    if (ridden != null) {
      ridden.anchor(((Mark) entity).anchor(), frame, from);
      for (int i = 0; i < 3; i++) m[o + Matrix.OX + i] += from[i];
    }
    if (parent >= 0) Matrix.multiply(plan.world, parent * Matrix.SIZE, m, 0, out, at);
  }

  /** Writes the turned and scaled axes. */
  private void axes(double frame, double[] m, int o) {
    if (!posed) {
      Matrix.identity(m, o);
      return;
    }
    Rotation.angles(
        order,
        Trig.radians(c[Place.TURN].value(frame)),
        Trig.radians(c[Place.TURN + 1].value(frame)),
        Trig.radians(c[Place.TURN + 2].value(frame)),
        m,
        o);
    for (int axis = 0; scaled && axis < 3; axis++) {
      double s = Place.SCALE_X.within(c[Place.SCALE + axis].value(frame));
      m[o + axis * 4] *= s;
      m[o + axis * 4 + 1] *= s;
      m[o + axis * 4 + 2] *= s;
    }
  }

  private void aboutPivot(double frame, double[] m, int o) {
    double x = c[Place.PIVOT].value(frame),
        y = c[Place.PIVOT + 1].value(frame),
        z = c[Place.PIVOT + 2].value(frame);
    double dx = m[o] * x + m[o + Matrix.YX] * y + m[o + Matrix.ZX] * z;
    double dy = m[o + Matrix.XY] * x + m[o + Matrix.YY] * y + m[o + Matrix.ZY] * z;
    double dz = m[o + Matrix.XZ] * x + m[o + Matrix.YZ] * y + m[o + Matrix.ZZ] * z;
    m[o + Matrix.OX] = x - dx + m[o + Matrix.OX];
    m[o + Matrix.OY] = y - dy + m[o + Matrix.OY];
    m[o + Matrix.OZ] = z - dz + m[o + Matrix.OZ];
  }

  /** The model's pose at a frame, or null for what is not a model. */
  ModelPose pose(double frame) {
    if (pose == null || frame == posedAt) return pose;
    Shape.Model m = (Shape.Model) shape;
    int clip = m.clip() == null ? -1 : pose.rig().clip(m.clip());
    pose.pose(clip, (frame - m.clipStart()) / perSecond * m.clipSpeed(), m.loops());
    posedAt = frame;
    return pose;
  }

  /** Writes an anchor's place on the piece's own axes. */
  void anchor(String name, double frame, double[] out) {
    ModelPose now = pose(frame);
    out[0] = out[1] = out[2] = 0;
    if (now != null) {
      int node = name == null ? -1 : now.rig().node(name);
      if (node < 0) {
        now.centre(out);
      } else {
        Matrix.point(now.world(), node * Matrix.SIZE, 0, 0, 0, out, 0);
      }
      fromFile(out);
    } else if (shape instanceof Shape.StandIn s) {
      if (anchors == null) anchors = new HashMap<>();
      Vec3 a = anchors.get(name);
      if (a == null) anchors.put(name, a = StandIns.anchor(s, name));
      out[0] = a.x();
      out[1] = a.y();
      out[2] = a.z();
    }
  }

  /** A point of a model's file, in place, on the piece's axes in metres. */
  private void fromFile(double[] p) {
    Shape.Model m = (Shape.Model) shape;
    if (m.zUp()) {
      double y = p[1];
      p[1] = p[2];
      p[2] = -y;
    }
    for (int i = 0; i < 3; i++) p[i] *= m.unitM();
  }

  void corners(double frame, double[] world, int at, Plan.Corners sink) {
    double[] p = new double[3];
    if (shape instanceof Shape.StandIn s) {
      for (int k = 0; k < 8; k++) {
        double x = (k & 1) == 0 ? -s.width() / 2 : s.width() / 2,
            y = (k & 2) == 0 ? 0 : s.height(),
            z = (k & 4) == 0 ? -s.depth() / 2 : s.depth() / 2;
        Matrix.point(world, at, x, y, z, p, 0);
        sink.at(p[0], p[1], p[2]);
      }
    }
    ModelPose now = pose(frame);
    if (now == null) return;
    for (ModelRig.Node n : now.rig().nodes()) {
      double[] b = n.bounds();
      if (b == null) continue;
      for (int k = 0; k < 8; k++) {
        double x = b[(k & 1) * 3], y = b[(k >> 1 & 1) * 3 + 1], z = b[(k >> 2 & 1) * 3 + 2];
        Matrix.point(now.world(), n.follows() * Matrix.SIZE, x, y, z, p, 0);
        fromFile(p);
        Matrix.point(world, at, p[0], p[1], p[2], p, 0);
        sink.at(p[0], p[1], p[2]);
      }
    }
  }
}
