package kite.core.evaluate;

import java.util.Arrays;
import java.util.List;
import kite.core.curve.CompiledCurve;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.ChannelSpec;
import kite.core.document.Header;
import kite.core.math.Matrix;
import kite.core.optics.DeliveryWindow;
import kite.core.optics.DepthOfField;
import kite.core.rig.RigPart;

/** A camera: its lens first, then its stack from the ground up. */
final class CameraNode extends Node {
  private static final ChannelSpec[] LENS = Camera.LENS.toArray(new ChannelSpec[0]);
  private final CompiledCurve[] lens;

  /** The lens's values where none of them moves, else null. */
  private final double[] still;

  /** Whether the lens, and so what it sees, is the same on every frame. */
  private final boolean lensStays;

  private final List<PartStep> parts;
  private final Step[] steps;

  /** Those that change the lens. */
  private final Step[] ofLens;

  private final double unitLeft;
  private final double unitRight;
  private final double unitBottom;
  private final double unitTop;
  private final double squeeze;
  private final double[] m = Matrix.newIdentity();
  private final double[] standing = Matrix.newIdentity();

  /** Each pass shrinks what is left by the tangent of how far off the axis the aim is. */
  private static final int ZOOM_PASSES = 12;

  private static final double ZOOM_SETTLED = 1e-12;

  private final Sight sight = new Sight();
  private final FocusStep focus;

  /**
   * @param focus null when focus follows nothing
   */
  CameraNode(
      Camera c,
      int slot,
      Header header,
      List<PartStep> parts,
      FocusStep focus,
      Object... madeFrom) {
    super(c, slot, madeFrom);
    lens = new CompiledCurve[LENS.length];
    for (int i = 0; i < LENS.length; i++) lens[i] = CompiledCurve.of(header.channel(c, LENS[i]));
    still = Arrays.stream(lens).allMatch(CompiledCurve::isFixed) ? new double[lens.length] : null;
    for (int i = 0; still != null && i < lens.length; i++)
      still[i] = LENS[i].within(lens[i].value(0));
    this.focus = focus;
    CameraPackage pack = header.packageOf(c);
    this.parts = parts;
    steps = new Step[parts.size()];
    for (int i = 0; i < steps.length; i++) {
      steps[i] = parts.get(i).step();
      steps[i].standsOn(new Below(i));
    }
    ofLens = Arrays.stream(steps).filter(Step::changesLens).toArray(Step[]::new);
    lensStays = still != null && ofLens.length == 0;
    DeliveryWindow unit = DeliveryWindow.of(1, pack.filmBack(), pack.aspect(), pack.fit(), 0, 0);
    unitLeft = unit.left();
    unitRight = unit.right();
    unitBottom = unit.bottom();
    unitTop = unit.top();
    squeeze = pack.filmBack().squeeze();
  }

  /** A part's step, or null where it does nothing. */
  PartStep stepOf(RigPart part) {
    for (PartStep p : parts) if (p.isOf(part)) return p;
    return null;
  }

  /** How many steps there are below a part. */
  int stepsBelow(RigPart part) {
    int count = 0;
    for (RigPart p : ((Camera) entity).rig()) {
      if (p == part) return count;
      if (count < parts.size() && parts.get(count).isOf(p)) count++;
    }
    return count;
  }

  @Override
  void evaluate(double frame, Plan plan) {
    lens(frame, plan);
    below(steps.length, frame, plan, m);
    int o = slot * LensRow.SIZE;
    if (focus != null)
      focusAt(plan, o, focus.distance(frame, plan, m, plan.lens[o + LensRow.FOCUS]));
    System.arraycopy(m, 0, plan.world, slot * Matrix.SIZE, Matrix.SIZE);
  }

  /** The lens and what it sees, before focus follows anything. */
  void lens(double frame, Plan plan) {
    int o = slot * LensRow.SIZE;
    for (int i = 0; i < lens.length; i++)
      plan.lens[o + i] = still != null ? still[i] : LENS[i].within(lens[i].value(frame));
    for (Step s : ofLens) {
      s.lens(frame, plan, o);
      if (s.solvesLens()) zoomed(s, frame, plan, o);
    }
    focusAt(plan, o, plan.lens[o + LensRow.FOCUS]);
    look(plan, o);
    plan.lens[o + LensRow.LEFT] = sight.left;
    plan.lens[o + LensRow.RIGHT] = sight.right;
    plan.lens[o + LensRow.BOTTOM] = sight.bottom;
    plan.lens[o + LensRow.TOP] = sight.top;
  }

  /**
   * Solves the focal length that holds a size. The distance is measured below the part, and below
   * one that lags under it. Where an aim puts its subject off the axis, the lens turns the camera a
   * little, and the distance with it: a few passes settle that.
   */
  private void zoomed(Step zoom, double frame, Plan plan, int o) {
    int count = 0;
    while (steps[count] != zoom && !steps[count].lags()) count++;
    double own = plan.lens[o + LensRow.FOCAL];
    for (int pass = 0; pass < ZOOM_PASSES; pass++) {
      look(plan, o);
      below(count, frame, plan, standing);
      double f = Camera.FOCAL_LENGTH.within(zoom.focal(frame, plan, standing, own));
      boolean settled = Math.abs(f - plan.lens[o + LensRow.FOCAL]) <= ZOOM_SETTLED * f;
      plan.lens[o + LensRow.FOCAL] = f;
      if (settled) return;
    }
  }

  /** Focus no nearer than a lens of this length can form a picture at all. */
  private static void focusAt(Plan plan, int o, double metres) {
    double nearest = DepthOfField.nearestFocusM(plan.lens[o + LensRow.FOCAL]);
    plan.lens[o + LensRow.FOCUS] = Camera.FOCUS.within(Math.max(nearest, metres));
  }

  private void look(Plan plan, int o) {
    double f = plan.lens[o + LensRow.FOCAL],
        sx = plan.lens[o + LensRow.SHIFT_X] * squeeze,
        sy = plan.lens[o + LensRow.SHIFT_Y];
    sight.left = (unitLeft + sx) / f;
    sight.right = (unitRight + sx) / f;
    sight.bottom = (unitBottom + sy) / f;
    sight.top = (unitTop + sy) / f;
  }

  /** The transform above the first so many steps, after {@link #lens}. */
  void below(int count, double frame, Plan plan, double[] out) {
    Matrix.identity(out, 0);
    for (int i = 0; i < count; i++) steps[i].apply(frame, plan, sight, out);
  }

  /** What one of the steps stands on. */
  private final class Below implements Elsewhere {
    private final int count;

    Below(int count) {
      this.count = count;
    }

    @Override
    public Node owner() {
      return CameraNode.this;
    }

    @Override
    public Sight sight() {
      return sight;
    }

    @Override
    public void lens(double frame, Plan plan) {
      if (!lensStays) CameraNode.this.lens(frame, plan);
    }

    @Override
    public boolean solvesLens() {
      for (Step s : ofLens) if (s.solvesLens()) return true;
      return false;
    }

    @Override
    public void standing(double frame, Plan plan, double[] out) {
      lens(frame, plan);
      below(count, frame, plan, out);
    }
  }
}
