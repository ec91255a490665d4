package kite.core.evaluate;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Mark;
import kite.core.document.Sequence;
import kite.core.model.Models;
import kite.core.number.Rate;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import org.joml.Vector3d;
import org.junit.jupiter.api.Test;

/** An aimed camera turns by a bounded amount, wherever its subjects pass. */
class SteadyAimTest {
  private static final int FIRST = 1001;
  private static final int LAST = 1101;

  private static Sequence with(Entity... all) {
    Header h = RandomDocuments.header();
    h = new Header("T", "T", FIRST, LAST, new Rate(24, 1), "m", 1, h.cameraPackage());
    List<Command> adds = new ArrayList<>();
    for (Entity e : all) adds.add(new EntityCommand.Add(e));
    return Edit.apply(new Sequence(h, Map.of()), adds);
  }

  private static Channel line(double a, double b) {
    return Channel.curve(Key.of(FIRST, a, KeyShape.STRAIGHT), Key.of(LAST, b, KeyShape.STRAIGHT));
  }

  private static Mark mark(String id, double... fromTo) {
    String[] axes = {"x", "y", "z"};
    Channels c = Channels.NONE;
    for (int i = 0; i < 3; i++)
      c =
          fromTo.length == 3
              ? c.with(axes[i], fromTo[i])
              : c.with(axes[i], line(fromTo[i], fromTo[3 + i]));
    return new Mark(id, id, null, null, c);
  }

  private static Cue cue(double frame, double travel, Ease ease, Object... mix) {
    Map<String, Double> m = new java.util.TreeMap<>();
    for (int i = 0; i < mix.length; i += 2) m.put((String) mix[i], (Double) mix[i + 1]);
    return new Cue(frame, travel, ease, m);
  }

  private static Attention aim(
      Attention.Up up, Attention.Blend blend, Channels c, List<String> subjects, Cue... cues) {
    return new Attention(
        "aim",
        true,
        up,
        null,
        blend,
        subjects.stream().map(Subject::of).toList(),
        List.of(cues),
        c);
  }

  private static Attention lookingAtM(Channels c) {
    return aim(
        Attention.Up.WORLD,
        Attention.Blend.POINTS,
        c,
        List.of("m"),
        cue(FIRST, 0, Ease.EVEN, "m", 1.0));
  }

  private static Camera camera(Channels base, Attention... aims) {
    List<kite.core.rig.RigPart> rig = new ArrayList<>();
    rig.add(new Base("base", true, null, Base.Takes.POSITION, base));
    rig.addAll(List.of(aims));
    return new Camera("cam", "cam", "C", "#f0785a", false, false, Channels.NONE, rig);
  }

  /** The angle between two orientations, degrees. */
  private static double turn(double[] a, double[] b) {
    double trace = 0;
    for (int i = 0; i < 3; i++) for (int k = 0; k < 3; k++) trace += a[4 * i + k] * b[4 * i + k];
    double s = 0;
    for (int i = 0; i < 11; i++) s += (a[i] - b[i]) * (a[i] - b[i]);
    // for small angles the difference is exact where the trace is not
    return trace > 2.9
        ? Math.toDegrees(Math.sqrt(s / 2))
        : Math.toDegrees(Math.acos(Math.max(-1, Math.min(1, (trace - 1) / 2))));
  }

  /** The fastest turning of a camera or light, degrees a frame, looked at every so many frames. */
  private static double fastest(Sequence s, String id, double step) {
    Plan p = new Plan(s, Models.NONE);
    double most = 0;
    double[] last = null;
    for (double f = FIRST; f <= LAST; f += step) {
      p.evaluate(f);
      double[] m = Placement.matrix(p, id);
      if (last != null) most = Math.max(most, turn(last, m) / step);
      last = m;
    }
    return most;
  }

  private static double offTheMark(Sequence s, String id, String subject, double f) {
    Plan p = new Plan(s, Models.NONE);
    p.evaluate(f);
    double[] m = Placement.matrix(p, id), at = Placement.matrix(p, subject);
    double x = at[12] - m[12], y = at[13] - m[13], z = at[14] - m[14];
    Vector3d looks = new Vector3d(-m[8], -m[9], -m[10]), to = new Vector3d(x, y, z);
    return Math.atan2(looks.cross(to, new Vector3d()).length(), looks.dot(to));
  }

  @Test
  void overheadNothingRollsAtOnce() {
    for (double aside : new double[] {1, 0.3, 1e-3, 1e-9, 0, -0.2}) {
      Sequence s =
          with(
              mark("m", -6, 5, aside, 6, 5, aside),
              camera(Channels.NONE, lookingAtM(Channels.NONE)));
      assertTrue(fastest(s, "cam", 0.05) < 15, aside + " aside: " + fastest(s, "cam", 0.05));
      for (double f = FIRST; f <= LAST; f += 0.5)
        assertEquals(0, offTheMark(s, "cam", "m", f), 1e-7, "the subject stays on its place");
      Plan p = new Plan(s, Models.NONE);
      p.evaluate(1051 - 5e-10);
      double[] before = Placement.matrix(p, "cam");
      p.evaluate(1051 + 5e-10);
      assertEquals(0, turn(before, Placement.matrix(p, "cam")), 1e-6);
    }
  }

  @Test
  void chancePassesNearTheAxisTurnABoundedMultipleOfTheSubject() {
    Random r = new Random(4);
    for (int i = 0; i < 250; i++) {
      double up = r.nextBoolean() ? 5 : -5, aside = Math.tan(Math.toRadians(13)) * 5;
      double way = r.nextDouble() * 2 * Math.PI, off = (r.nextDouble() * 2 - 1) * aside;
      double reach = 2 + 6 * r.nextDouble();
      double c = Math.cos(way), n = Math.sin(way);
      boolean free = i % 3 == 0;
      Channels place =
          Channels.NONE.with("across", 0.5 + 0.2 * r.nextGaussian()).with("down", r.nextDouble());
      Sequence s =
          with(
              mark(
                  "m",
                  c * -reach - n * off,
                  up,
                  n * -reach + c * off,
                  c * reach - n * off,
                  up,
                  n * reach + c * off),
              camera(
                  free ? Channels.NONE.with("tilt", up > 0 ? -90.0 : 90.0) : Channels.NONE,
                  aim(
                      free ? Attention.Up.FREE : Attention.Up.WORLD,
                      Attention.Blend.POINTS,
                      i % 2 == 0 ? Channels.NONE : clamped(place),
                      List.of("m"),
                      cue(FIRST, 0, Ease.EVEN, "m", 1.0))));
      double subject = Math.toDegrees(2 * reach / 100 / 5); // a frame, at its nearest
      double most = fastest(s, "cam", 0.1);
      assertTrue(most < 12 * subject, i + ": " + most + " for " + subject);
    }
  }

  private static Channels clamped(Channels c) {
    return c.with("across", Math.max(0, Math.min(1, c.get(Attention.ACROSS).at(0))));
  }

  @Test
  void anAimThatStaysOverheadOrCirclesThereIsSteadyAndUprightAtTheEnds() {
    // round the zenith twice at 10°, an upright camera turns evenly with it
    Key[] x = new Key[LAST - FIRST + 1], z = new Key[x.length];
    for (int i = 0; i < x.length; i++) {
      double a = 4 * Math.PI * i / (x.length - 1);
      x[i] = Key.of(FIRST + i, Math.tan(Math.toRadians(10)) * 5 * Math.sin(a), KeyShape.STRAIGHT);
      z[i] = Key.of(FIRST + i, -Math.tan(Math.toRadians(10)) * 5 * Math.cos(a), KeyShape.STRAIGHT);
    }
    Channels c = Channels.NONE.with("x", Channel.curve(x)).with("y", 5).with("z", Channel.curve(z));
    Sequence s =
        with(new Mark("m", "m", null, null, c), camera(Channels.NONE, lookingAtM(Channels.NONE)));
    assertTrue(fastest(s, "cam", 0.25) < 8.5, "" + fastest(s, "cam", 0.25));
    // and still ones need no looking along
    assertEquals(0, fastest(with(mark("m", 0.3, 5, 0.2), s.get("cam")), "cam", 1), 1e-9);
  }

  @Test
  void aTurnBetweenOppositeDirectionsGoesAtThePaceOfItsEase() {
    for (double apart : new double[] {30, 90, 165, 179, 180, 181, 195})
      for (Attention.Blend blend : Attention.Blend.values())
        for (double far : new double[] {1, 4}) {
          double a = Math.toRadians(apart);
          Sequence s =
              with(
                  mark("a", 0, 0, -3),
                  mark("b", -far * Math.sin(a), 0, -far * Math.cos(a)),
                  camera(
                      Channels.NONE,
                      aim(
                          Attention.Up.WORLD,
                          blend,
                          Channels.NONE,
                          List.of("a", "b"),
                          cue(FIRST, 0, Ease.EVEN, "a", 1.0),
                          cue(1020, 24, Ease.SLOW_BOTH, "b", 1.0))));
          double way = Math.min(apart, 360 - apart);
          double most = fastest(s, "cam", 0.1);
          assertEquals(1.5 * way / 24, most, 0.01 * way, apart + " " + blend);
          for (double f = 1020; f <= 1044; f += 0.75) {
            double done = Math.toDegrees(offTheMark(s, "cam", "a", f));
            assertEquals(way * Ease.SLOW_BOTH.at((f - 1020) / 24), done, 1e-6);
          }
          if (apart == 180) {
            Plan p = new Plan(s, Models.NONE);
            p.evaluate(1032);
            assertEquals(1, Placement.matrix(p, "cam")[8], 1e-9, "half-way it looks to the left");
          }
        }
  }

  @Test
  void turnsAmongMovingSubjectsAreSteadyWhateverTheMixes() {
    Random r = new Random(11);
    for (int i = 0; i < 150; i++) {
      List<Entity> all = new ArrayList<>();
      List<String> ids = List.of("a", "b", "c");
      for (String id : ids) {
        // each goes by at a distance of 2 m or more, at most some 2.3° a frame
        double way = r.nextDouble() * 2 * Math.PI, near = 2 + 3 * r.nextDouble();
        double c = Math.cos(way), n = Math.sin(way), h = 3 * (r.nextDouble() - 0.5), l = 4;
        all.add(
            mark(
                id,
                c * near - n * l,
                h,
                n * near + c * l,
                c * near + n * l,
                h + r.nextGaussian() / 2,
                n * near - c * l));
      }
      List<Cue> cues = new ArrayList<>();
      cues.add(cue(FIRST, 0, Ease.EVEN, "a", 1.0));
      double at = FIRST + 4;
      while (at < LAST) {
        double share = r.nextDouble();
        String one = ids.get(r.nextInt(3)), other = ids.get(r.nextInt(3));
        double travel = 20 + r.nextInt(20);
        cues.add(
            one.equals(other) || i % 2 == 0
                ? cue(at, travel, Ease.SLOW_BOTH, one, 1.0)
                : cue(at, travel, Ease.SLOW_BOTH, one, share, other, 1 - share));
        at += 8 + r.nextInt(30);
      }
      Channels strength =
          i % 5 == 0 ? Channels.NONE.with("strength", 0.2 + 0.7 * r.nextDouble()) : Channels.NONE;
      all.add(
          camera(
              Channels.NONE,
              aim(
                  Attention.Up.WORLD,
                  i % 4 < 2 ? Attention.Blend.DIRECTIONS : Attention.Blend.POINTS,
                  strength,
                  ids,
                  cues.toArray(new Cue[0]))));
      Sequence s = with(all.toArray(new Entity[0]));
      double coarse = fastest(s, "cam", 0.1), fine = fastest(s, "cam", 0.02);
      assertTrue(fine < 1.5 * coarse + 1, i + ": jumps, " + coarse + " against " + fine);
      assertTrue(fine < 100, i + ": " + fine + "° a frame");
    }
  }

  @Test
  void aSubjectThatPassesBehindNeverFlipsAPartlyAimedCamera() {
    for (double strength : new double[] {0.1, 0.35, 0.5, 0.65, 0.95})
      for (double aside : new double[] {0, 1e-9, 0.4, -0.3}) {
        Sequence s =
            with(
                mark("m", -5, aside, 3, 5, aside, 3),
                camera(Channels.NONE, lookingAtM(Channels.NONE.with("strength", strength))));
        double most = fastest(s, "cam", 0.1);
        assertTrue(most < 11, strength + " " + aside + ": " + most);
        Plan p = new Plan(s, Models.NONE);
        for (double f : new double[] {FIRST, LAST}) {
          p.evaluate(f);
          double[] m = Placement.matrix(p, "cam");
          double pan = Math.atan2(5, -3) * (f == FIRST ? 1 : -1);
          assertEquals(
              Math.toDegrees(pan) * strength,
              Math.toDegrees(Math.atan2(m[8], m[10])),
              aside == 0 ? 1e-6 : 15);
        }
      }
  }

  @Test
  void strengthThatRisesWhileItsSubjectIsBehindTakesOneWay() {
    Sequence s =
        with(
            mark("m", -1, 0, 3, 1, 0, 3),
            camera(
                Channels.NONE,
                aim(
                    Attention.Up.WORLD,
                    Attention.Blend.POINTS,
                    Channels.NONE,
                    List.of("m"),
                    cue(FIRST, 0, Ease.EVEN),
                    cue(FIRST + 30, 40, Ease.SLOW_BOTH, "m", 1.0))));
    assertTrue(fastest(s, "cam", 0.05) < 8, "" + fastest(s, "cam", 0.05));
    assertEquals(0, offTheMark(s, "cam", "m", FIRST + 71), 1e-9);
  }

  @Test
  void howOneComesToAFrameNeverMatters() {
    Random r = new Random(3);
    Sequence s =
        with(
            mark("a", -6, 5, 0.4, 6, 5, 0.4),
            mark("b", 3, 0, -4, -3, 1, 4),
            camera(
                line3(),
                aim(
                    Attention.Up.WORLD,
                    Attention.Blend.POINTS,
                    Channels.NONE.with("strength", 0.9),
                    List.of("a", "b"),
                    cue(FIRST, 0, Ease.EVEN, "a", 1.0),
                    cue(1040.5, 20, Ease.SLOW_BOTH, "b", 1.0),
                    cue(1050, 30, Ease.SLOW_STOP, "a", 0.5, "b", 0.5))));
    Plan scrubbed = new Plan(s, Models.NONE);
    for (int i = 0; i < 300; i++) {
      double f = i % 3 == 0 ? FIRST + r.nextInt(100) : FIRST + 100 * r.nextDouble();
      scrubbed.evaluate(f);
      double[] there = Placement.matrix(scrubbed, "cam");
      Plan fresh = new Plan(s, Models.NONE);
      fresh.evaluate(f);
      assertArrayEquals(Placement.matrix(fresh, "cam"), there, 1e-12, "frame " + f);
    }
  }

  private static Channels line3() {
    return Channels.NONE.with("x", line(0, 1)).with("y", line(0, 0.5)).with("z", line(1, -1));
  }
}
