package kite.core.evaluate;

import kite.core.curve.CompiledCurve;
import kite.core.document.Light;
import kite.core.document.Mark;
import kite.core.document.Piece;
import kite.core.document.Place;
import kite.core.document.Shape;
import kite.core.math.AxisOrder;
import kite.core.math.Matrix;
import kite.core.math.Rotation;
import kite.core.math.Vec3;
import kite.core.model.ModelPose;
import kite.core.model.ModelRig;
import kite.core.shape.StandIns;

/** Pieces, marks and lights: a placement under a parent. */
final class PlaceNode extends Node {
  private final CompiledCurve[] c;
  private final AxisOrder order;
  private final int parent;
  private final boolean full;
  private final boolean pivoted;
  private final double perSecond;
  private final ModelPose pose;
  private double posedAt = Double.NaN;
  private final double[] local = Matrix.newIdentity();

  PlaceNode(Piece p, int slot, int parent, ModelRig rig, double perSecond, Object... madeFrom) {
    super(p, slot, madeFrom);
    c = compile(p.channels(), Place.FULL);
    order = p.order();
    this.parent = parent;
    full = true;
    pivoted =
        p.channels().set().containsKey("pivotX")
            || p.channels().set().containsKey("pivotY")
            || p.channels().set().containsKey("pivotZ");
    pose = rig == null ? null : new ModelPose(rig);
    this.perSecond = perSecond;
  }

  PlaceNode(Mark m, int slot, int parent, Object... madeFrom) {
    super(m, slot, madeFrom);
    c = compile(m.channels(), Place.POSITION);
    order = AxisOrder.PAN_TILT_ROLL;
    this.parent = parent;
    full = pivoted = false;
    pose = null;
    perSecond = 0;
  }

  /** A light's transform points its −Z the way the light travels. */
  PlaceNode(Light l, int slot, Object... madeFrom) {
    super(l, slot, madeFrom);
    c = compile(l.channels(), java.util.List.of(Light.HEADING, Light.ELEVATION));
    order = AxisOrder.PAN_TILT_ROLL;
    parent = -1;
    full = pivoted = false;
    pose = null;
    perSecond = 0;
  }

  @Override
  void evaluate(double frame, Plan plan) {
    double[] out = plan.world;
    int at = slot * Matrix.SIZE;
    if (entity instanceof Light) {
      Matrix.identity(out, at);
      Rotation.panTiltRoll(
          Math.toRadians(c[0].value(frame)), -Math.toRadians(c[1].value(frame)), 0, out, at);
      return;
    }
    double[] m = parent < 0 ? out : local;
    int o = parent < 0 ? at : 0;
    m[o + 3] = m[o + 7] = m[o + 11] = 0;
    m[o + 15] = 1;
    if (full) {
      Rotation.angles(
          order,
          Math.toRadians(c[3].value(frame)),
          Math.toRadians(c[4].value(frame)),
          Math.toRadians(c[5].value(frame)),
          m,
          o);
      for (int axis = 0; axis < 3; axis++) {
        double s = within(Place.SCALE_X, c[6 + axis].value(frame));
        m[o + axis * 4] *= s;
        m[o + axis * 4 + 1] *= s;
        m[o + axis * 4 + 2] *= s;
      }
    } else {
      Matrix.identity(m, o);
    }
    m[o + 12] = c[0].value(frame);
    m[o + 13] = c[1].value(frame);
    m[o + 14] = c[2].value(frame);
    if (pivoted) aboutPivot(frame, m, o);
    if (parent >= 0) Matrix.multiply(out, parent * Matrix.SIZE, m, 0, out, at);
  }

  private void aboutPivot(double frame, double[] m, int o) {
    double x = c[9].value(frame), y = c[10].value(frame), z = c[11].value(frame);
    m[o + 12] += x - (m[o] * x + m[o + 4] * y + m[o + 8] * z);
    m[o + 13] += y - (m[o + 1] * x + m[o + 5] * y + m[o + 9] * z);
    m[o + 14] += z - (m[o + 2] * x + m[o + 6] * y + m[o + 10] * z);
  }

  /** The model's pose at a frame, or null for what is not a model. */
  ModelPose pose(double frame) {
    if (pose == null || frame == posedAt) return pose;
    Shape.Model m = (Shape.Model) ((Piece) entity).shape();
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
      double unit = ((Shape.Model) ((Piece) entity).shape()).unitM();
      for (int i = 0; i < 3; i++) out[i] *= unit;
    } else if (entity instanceof Piece p && p.shape() instanceof Shape.StandIn s) {
      Vec3 a = StandIns.anchor(s, name);
      out[0] = a.x();
      out[1] = a.y();
      out[2] = a.z();
    }
  }
}
