package kite.core.evaluate;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.DoubleUnaryOperator;
import kite.core.RandomDocuments;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.curve.Channel;
import kite.core.curve.CompiledCurve;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.core.model.Models;
import kite.core.number.Rate;
import kite.core.rig.base.Base;
import kite.core.rig.spring.Spring;
import org.joml.Matrix3d;
import org.joml.Quaterniond;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

/** A spring against a fine integration of its equation that has nothing of ours in it. */
class SpringTest {
  private static final double FINE_SECONDS = 1 / 12000.0;

  private static Plan plan(int last, double fps, Channels base, double hz, double damping) {
    Header h = RandomDocuments.header();
    h = new Header("T", "T", 1, last, new Rate((int) fps, 1), "m", 1, h.cameraPackage());
    Channels spring =
        Channels.NONE
            .with("positionHz", hz)
            .with("positionDamping", damping)
            .with("rotationHz", hz)
            .with("rotationDamping", damping);
    Camera c =
        new Camera(
            "cam",
            "cam",
            "C",
            "#f0785a",
            false,
            false,
            Channels.NONE,
            List.of(
                new Base("base", true, null, Base.Takes.POSITION, base),
                new Spring("spring", true, spring)));
    return new Plan(
        Edit.apply(new Sequence(h, Map.of()), List.of(new EntityCommand.Add(c))), Models.NONE);
  }

  /** Keys of 24 frames a second, for another rate. */
  private static Channel at(double fps, Channel c) {
    if (!(c instanceof Channel.Curve k)) return c;
    List<Key> keys = new ArrayList<>();
    for (Key x : k.keys()) keys.add(Key.of(1 + (x.frame() - 1) * fps / 24, x.value(), x.shape()));
    return new Channel.Curve(keys, k.before(), k.after());
  }

  /** Place and turning of a spring on a base, at the seconds asked for: {x, then a rotation}. */
  private static List<Object[]> integrated(
      Channel xs, Channel pans, Channel tilts, double hz, double damping, double[] seconds) {
    double w = 2 * Math.PI * hz, h = FINE_SECONDS;
    CompiledCurve x = CompiledCurve.of(xs), pan = CompiledCurve.of(pans);
    CompiledCurve tilt = CompiledCurve.of(tilts);
    DoubleUnaryOperator u = t -> x.value(1 + t * 24);
    double p = u.applyAsDouble(0), v = 0;
    Quaterniond q = turn(pan, tilt, 0);
    Vector3d spin = new Vector3d();
    List<Object[]> found = new ArrayList<>();
    double t = 0;
    int next = 0;
    while (next < seconds.length) {
      double mid = t + h / 2;
      // half a step of speed, a step of place, half a step of speed (leapfrog, damping centred)
      double a = w * w * (u.applyAsDouble(mid) - p);
      double p1 = p + v * h / 2;
      a = w * w * (u.applyAsDouble(mid) - p1);
      double v1 = (v * (1 - damping * w * h) + a * h) / (1 + damping * w * h);
      p += (v + v1) / 2 * h;
      v = v1;
      Quaterniond half =
          new Quaterniond().fromAxisAngleRad(axis(spin), spin.length() * h / 2).mul(q);
      Quaterniond gap = turn(pan, tilt, mid).mul(half.conjugate(new Quaterniond()));
      if (gap.w < 0) gap.set(-gap.x, -gap.y, -gap.z, -gap.w);
      Vector3d pull = new Vector3d(gap.x, gap.y, gap.z);
      double s = pull.length();
      pull.mul(s < 1e-12 ? 2 : 2 * Math.atan2(s, gap.w) / s).mul(w * w * h);
      Vector3d after =
          new Vector3d(spin).mul(1 - damping * w * h).add(pull).div(1 + damping * w * h);
      Vector3d mean = new Vector3d(spin).add(after).div(2);
      q = new Quaterniond().fromAxisAngleRad(axis(mean), mean.length() * h).mul(q);
      spin = after;
      t += h;
      if (t >= seconds[next] - h / 2) {
        found.add(new Object[] {p, new Quaterniond(q)});
        next++;
      }
    }
    return found;
  }

  private static Vector3d axis(Vector3d v) {
    return v.length() < 1e-15 ? new Vector3d(0, 1, 0) : new Vector3d(v).normalize();
  }

  private static Quaterniond turn(CompiledCurve pan, CompiledCurve tilt, double seconds) {
    double f = 1 + seconds * 24;
    return new Quaterniond()
        .rotateY(Math.toRadians(pan.value(f)))
        .rotateX(Math.toRadians(tilt.value(f)));
  }

  @Test
  void placeAndTurningAreThoseOfAFineIntegrationAtAnyRateAndBetweenFrames() {
    Channel x =
        Channel.curve(
            Key.smooth(1, 0),
            Key.smooth(14, 1.2),
            Key.of(30, 0.4, KeyShape.STRAIGHT),
            Key.of(41, 1.6, KeyShape.HOLD),
            Key.smooth(55, -1),
            Key.smooth(80, 0.7));
    Channel pan =
        Channel.curve(
            Key.smooth(1, 0), Key.smooth(30, 70), Key.smooth(50, -20), Key.smooth(80, 10));
    Channel tilt =
        Channel.curve(Key.smooth(1, 0), Key.smooth(20, -30), Key.smooth(45, 25), Key.smooth(80, 0));
    double[] frames = {3, 9.4, 14.5, 22, 31.2, 40.9, 47, 54.99, 55.4, 57, 63.3, 79};
    double[] seconds = new double[frames.length];
    for (int i = 0; i < frames.length; i++) seconds[i] = (frames[i] - 1) / 24;
    for (double[] k : new double[][] {{0.5, 0.7}, {2, 0.7}, {3, 1}, {8, 0.3}, {30, 0.7}, {1, 2}}) {
      List<Object[]> want = integrated(x, pan, tilt, k[0], k[1], seconds);
      for (double fps : new double[] {24, 120, 10}) {
        Channels base =
            Channels.NONE
                .with("x", at(fps, x))
                .with("pan", at(fps, pan))
                .with("tilt", at(fps, tilt));
        Plan plan = plan((int) (90 * fps / 24), fps, base, k[0], k[1]);
        for (int i = 0; i < frames.length; i++) {
          plan.evaluate(1 + seconds[i] * fps);
          double[] m = Placement.matrix(plan, "cam");
          String where = k[0] + " Hz, " + fps + " a second, frame " + frames[i];
          assertEquals((double) want.get(i)[0], m[12], 1e-4, where);
          Quaterniond q =
              new Matrix3d(m[0], m[1], m[2], m[4], m[5], m[6], m[8], m[9], m[10])
                  .getNormalizedRotation(new Quaterniond());
          Quaterniond gap = q.mul(((Quaterniond) want.get(i)[1]).conjugate(new Quaterniond()));
          double off =
              2
                  * Math.toDegrees(
                      Math.asin(
                          Math.min(1, Math.sqrt(gap.x * gap.x + gap.y * gap.y + gap.z * gap.z))));
          assertTrue(off < 0.01, where + ": " + off + "°");
        }
      }
    }
  }

  @Test
  void nothingMovesBeforeAJumpAndItDoesNotMatterHowOneComesThere() {
    Random r = new Random(2);
    for (double hz : new double[] {2, 8, 30})
      for (double at : new double[] {20, 20.37}) {
        Channel x = Channel.curve(Key.of(1, 0, KeyShape.HOLD), Key.of(at, 1, KeyShape.HOLD));
        Plan plan = plan(100, 24, Channels.NONE.with("x", x), hz, 0.7);
        for (int i = 0; i < 200; i++) {
          double f = i < 3 ? at - i * 1e-6 : 1 + r.nextDouble() * 60;
          plan.evaluate(f);
          double there = Placement.matrix(plan, "cam")[12];
          if (f <= at) assertEquals(0, there, 1e-9, hz + " Hz, frame " + f);
          double w = 2 * Math.PI * hz, t = Math.max(0, f - at) / 24, d = 0.7 * w;
          double s = w * Math.sqrt(1 - 0.49);
          double want = 1 - Math.exp(-d * t) * (Math.cos(s * t) + d / s * Math.sin(s * t));
          assertEquals(want, there, 1e-6, hz + " Hz, frame " + f);
        }
      }
  }
}
