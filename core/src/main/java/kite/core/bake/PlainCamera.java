package kite.core.bake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import kite.core.curve.Channel;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;
import kite.core.evaluate.Plan;
import kite.core.math.ArcTrig;
import kite.core.math.Matrix;
import kite.core.math.Trig;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rig.RigPart;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;
import kite.core.rules.Refusal;

/**
 * A camera's rig baked to a plain camera beside it: position and angles in the world, and its lens,
 * as keys. The rig stays as it was.
 *
 * @param camera the plain one, not yet in the sequence
 * @param keys how many keys it has in all
 * @param placeM largest distance between the two, metres: looked for at every quarter of a frame
 *     and just before each, and at 64 places of a frame around the largest
 * @param degrees largest angle between their axes and uprights
 * @param focalMm largest difference of focal length
 */
public record PlainCamera(Camera camera, int keys, double placeM, double degrees, double focalMm) {

  /** How much may be lost: 0 everywhere keeps a key on every frame. */
  public record Tolerance(double metres, double degrees, double millimetres) {
    public static final Tolerance NONE = new Tolerance(0, 0, 0);

    public Tolerance {
      notNegative(metres);
      notNegative(degrees);
      notNegative(millimetres);
    }

    static void notNegative(double v) {
      if (!(v >= 0))
        throw new Refusal("range", "", "tolerance", "What may be lost is 0 or more. Say how much.");
    }
  }

  /** Frames between the looks for the largest error … */
  private static final double LOOK_STEP = 0.25;

  /** … and between those that look closer around … */
  private static final double CLOSE_STEP = 1.0 / 64;

  /** … so many of the largest. */
  private static final int CLOSER = 8;

  private static final double JUST_BEFORE = 1e-6;

  private static final double MATCH_STEP = 0.5;

  /** Focus and clips may be off by no more than this share of their nearest. */
  private static final double SHARE_OF_NEAREST = 0.02;

  /**
   * Bakes whole frames.
   *
   * @param id of the plain camera
   */
  public static PlainCamera of(
      Sequence s, Models models, Camera rig, int first, int last, Tolerance t, String id) {
    Plan plan = new Plan(s, models);
    Bake b = Bake.of(plan, rig, first, last, 1);
    Channels base = Channels.NONE;
    String[] places = {"x", "y", "z"}, turns = {"pan", "tilt", "roll"};
    for (int i = 0; i < 3; i++) {
      int axis = i;
      base =
          base.with(
              places[i],
              b.curve(t.metres() / 2, r -> b.world()[r * Matrix.SIZE + Matrix.OX + axis]));
      base = base.with(turns[i], b.curve(t.degrees() / 3, r -> b.angles()[r * 3 + axis]));
    }
    Channels lens = lens(b, t);
    if (!focuses(b, lens)) lens = lens(b, Tolerance.NONE); // what was close is now too close
    Camera plain =
        new Camera(
            id,
            s.freeName(rig.name() + " baked"),
            s.freeLetter(),
            rig.colour(),
            false,
            List.of(),
            rig.depthOfField(),
            rig.motionBlur(),
            rig.filmBack(),
            rig.fit(),
            rig.iconSize(),
            null,
            rig.guides(),
            rig.surround(),
            rig.layer(),
            true,
            lens,
            List.of(
                new Base("base", true, null, Base.Takes.POSITION, base),
                new Head("head", true, Channels.NONE)));
    return measured(s.with(plain), models, rig, plain, first, last);
  }

  /** Whether a camera is one already: a base in the world and nothing that moves on it. */
  public static boolean is(Camera c) {
    if (c.focus() != null && !c.focus().subjects().isEmpty()) return false;
    for (RigPart p : c.rig()) {
      boolean stands = p instanceof Base b && b.rides() == null;
      boolean rests = p instanceof Head && p.channels().equals(Channels.NONE);
      if (p.on() && !stands && !rests) return false;
    }
    return true;
  }

  private static PlainCamera measured(
      Sequence s, Models models, Camera rig, Camera plain, int first, int last) {
    Gap gap = new Gap(new Plan(s, models), rig.id(), plain.id());
    List<double[]> looks = new ArrayList<>();
    for (double f = first; f <= last; f += LOOK_STEP) {
      looks.add(gap.at(f));
      // what is held jumps on its frame: just before it the two may be farthest apart
      if (f > first) looks.add(gap.at(f - JUST_BEFORE));
    }
    double[] most = new double[3];
    for (int k = 0; k < 3; k++) {
      int by = k;
      looks.sort(Comparator.comparingDouble(l -> -l[by]));
      most[k] = looks.get(0)[k];
      if (most[k] == 0) continue;
      for (double[] l : looks.subList(0, Math.min(CLOSER, looks.size())))
        for (double f = l[3] - LOOK_STEP; f <= l[3] + LOOK_STEP; f += CLOSE_STEP)
          if (f >= first && f <= last) most[k] = Math.max(most[k], gap.at(f)[k]);
    }
    int keys = 0;
    for (String address : plain.channelSpecs().keySet())
      if (plain.channel(address) instanceof Channel.Curve c) keys += c.keys().size();
    return new PlainCamera(plain, keys, most[0], most[1], most[2]);
  }

  /** How far two cameras are apart at a frame. */
  private record Gap(Plan plan, String one, String other) {
    /** Metres, degrees, millimetres of focal length, and the frame. */
    double[] at(double f) {
      int a = plan.slot(one), b = plan.slot(other);
      plan.evaluateOnly(one, f);
      plan.evaluateOnly(other, f);
      double[] w = plan.world();
      Vec3 gap = Matrix.newOrigin(w, a * Matrix.SIZE).minus(Matrix.newOrigin(w, b * Matrix.SIZE));
      double degrees = 0;
      for (int axis : new int[] {4, 8}) {
        double sum = 0;
        for (int i = 0; i < 3; i++) {
          double d = w[a * Matrix.SIZE + axis + i] - w[b * Matrix.SIZE + axis + i];
          sum += d * d;
        }
        degrees =
            Math.max(degrees, Trig.degrees(2 * ArcTrig.asin(Math.min(1, Math.sqrt(sum) / 2))));
      }
      double focal =
          Math.abs(
              plan.lens()[a * LensRow.SIZE + LensRow.FOCAL]
                  - plan.lens()[b * LensRow.SIZE + LensRow.FOCAL]);
      return new double[] {gap.length(), degrees, focal, f};
    }
  }

  private static Channels lens(Bake b, Tolerance t) {
    Channels lens = Channels.NONE;
    for (int i = 0; i < Camera.LENS.size(); i++) {
      ChannelSpec spec = Camera.LENS.get(i);
      int at = i;
      double tolerance =
          switch (spec.unit()) {
            case MILLIMETRES -> t.millimetres();
            case METRES -> Math.min(t.metres(), SHARE_OF_NEAREST * least(b, at));
            default -> t.degrees();
          };
      lens = lens.with(spec.name(), b.curve(tolerance, r -> b.lens()[r * LensRow.SIZE + at]));
    }
    String offset = Camera.SHUTTER_OFFSET.name(); // no part of a rig changes it
    Channel own = b.camera().channels().set().get(offset);
    return own == null ? lens : lens.with(offset, own);
  }

  /** Whether the lens focuses farther than its own length everywhere, also between the frames. */
  private static boolean focuses(Bake b, Channels lens) {
    Channel focus = lens.get(Camera.FOCUS), focal = lens.get(Camera.FOCAL_LENGTH);
    for (double f = b.frames()[0]; f <= b.frames()[b.frames().length - 1]; f += MATCH_STEP)
      if (focus.at(f) <= focal.at(f) / 1000) return false;
    return true;
  }

  private static double least(Bake b, int lens) {
    double least = Double.POSITIVE_INFINITY;
    for (int r = 0; r < b.frames().length; r++)
      least = Math.min(least, b.lens()[r * LensRow.SIZE + lens]);
    return least;
  }
}
