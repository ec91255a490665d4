package kite.core.bake;

import java.util.List;
import kite.core.command.Refusal;
import kite.core.curve.Channel;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rig.Base;
import kite.core.rig.Head;
import kite.core.rig.RigPart;

/**
 * A camera's rig baked to a plain camera beside it: position and angles in the world, and its lens,
 * as keys. The rig stays as it was.
 *
 * @param camera the plain one, not yet in the sequence
 * @param keys how many keys it has in all
 * @param placeM largest distance between the two, metres, looked for at every half frame
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
              places[i], b.curve(t.metres() / 2, r -> b.world()[r * Matrix.SIZE + 12 + axis]));
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
            rig.filmBack(),
            rig.fit(),
            rig.iconSize(),
            null,
            rig.guides(),
            rig.surround(),
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
    Plan plan = new Plan(s, models);
    int a = plan.slot(rig.id()), b = plan.slot(plain.id());
    double place = 0, degrees = 0, focal = 0;
    for (double f = first; f <= last; f += MATCH_STEP) {
      plan.evaluateOnly(rig.id(), f);
      plan.evaluateOnly(plain.id(), f);
      double[] w = plan.world();
      Vec3 gap = Matrix.newOrigin(w, a * Matrix.SIZE).minus(Matrix.newOrigin(w, b * Matrix.SIZE));
      place = Math.max(place, gap.length());
      for (int axis : new int[] {4, 8}) {
        double sum = 0;
        for (int i = 0; i < 3; i++) {
          double d = w[a * Matrix.SIZE + axis + i] - w[b * Matrix.SIZE + axis + i];
          sum += d * d;
        }
        degrees = Math.max(degrees, Math.toDegrees(2 * Math.asin(Math.min(1, Math.sqrt(sum) / 2))));
      }
      focal = Math.max(focal, Math.abs(plan.lens()[a * Plan.LENS] - plan.lens()[b * Plan.LENS]));
    }
    int keys = 0;
    for (String address : plain.channelSpecs().keySet())
      if (plain.channel(address) instanceof Channel.Curve c) keys += c.keys().size();
    return new PlainCamera(plain, keys, place, degrees, focal);
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
      lens = lens.with(spec.name(), b.curve(tolerance, r -> b.lens()[r * Plan.LENS + at]));
    }
    return lens;
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
      least = Math.min(least, b.lens()[r * Plan.LENS + lens]);
    return least;
  }
}
