package kite.core.evaluate;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import kite.core.RandomDocuments;
import kite.core.command.ChannelCommand;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.RigCommand;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Mark;
import kite.core.document.Sequence;
import kite.core.frame.Eye;
import kite.core.frame.HoldSize;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.dollyzoom.DollyZoom;
import kite.core.rig.head.Head;
import kite.core.rig.slide.Slide;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class DollyZoomTest {
  private static final DollyZoom PART =
      new DollyZoom("zoom", true, Subject.of("her"), DollyZoom.Gives.LENS, 5, Channels.NONE);

  private static Channel push() {
    return Channel.curve(Key.smooth(0, 0), Key.smooth(48, 6));
  }

  /** A camera that pushes in on a mark ten metres off, which it holds at a place in the frame. */
  private static Sequence scene(DollyZoom zoom, double across, Channel dolly, Channel focal) {
    Sequence s = RandomDocuments.of(1);
    for (Mark m : List.of(mark("her", 0, 1.6, -10), mark("head", 0.2, 1.9, -10)))
      s = Edit.apply(s, List.of(new EntityCommand.Add(m)));
    Attention looks =
        new Attention(
            "attention",
            true,
            Attention.Up.WORLD,
            null,
            Attention.Blend.DIRECTIONS,
            List.of(Subject.of("her")),
            List.of(new Cue(0, 0, Ease.SLOW_BOTH, Map.of("her", 1.0))),
            Channels.NONE.with("across", across));
    List<RigPart> rig =
        List.of(
            new Base("base", true, null, Base.Takes.POSITION, Channels.NONE.with("y", 1.2)),
            new Slide("slide", true, Channels.NONE.with("dolly", dolly)),
            new Head("head", true, Channels.NONE),
            looks,
            zoom);
    return Edit.apply(
        s,
        List.of(
            new RigCommand.SetRig("cam2", rig),
            new ChannelCommand.SetChannel("cam2", "focalLength", focal)));
  }

  private static Mark mark(String id, double x, double y, double z) {
    return new Mark(id, id, null, null, Channels.NONE.with("x", x).with("y", y).with("z", z));
  }

  private static Sequence held(Sequence s) {
    Plan p = new Plan(s, Models.NONE);
    p.evaluate(0);
    Camera c = (Camera) s.get("cam2");
    return Edit.apply(s, HoldSize.of(p, c, c.first(DollyZoom.class), Subject.of("her")));
  }

  /** Height between two marks in the picture, as a share of its height; and where the lower is. */
  private static double[] size(Plan p) {
    Eye eye = Eye.of(p, "cam2");
    double[] at = new double[3];
    p.anchor("her", null, at);
    Vec3 low = eye.seen(new Vec3(at[0], at[1], at[2]));
    double f = p.lens()[p.slot("cam2") * LensRow.SIZE + LensRow.FOCAL];
    return new double[] {
      f / -low.z(), eye.window().across(low.x(), low.z()), eye.window().down(low.y(), low.z()), f
    };
  }

  @Test
  void sizeIsHeldWhateverGivesWay() {
    for (double across : new double[] {0.5, 0.25})
      for (DollyZoom.Gives gives : DollyZoom.Gives.values()) {
        boolean lens = gives == DollyZoom.Gives.LENS;
        Channel still = Channel.fixed(0), zooms = Channel.curve(key(0, 50), key(48, 22));
        DollyZoom part = new DollyZoom("zoom", true, null, gives, 5, Channels.NONE);
        Sequence s =
            held(scene(part, across, lens ? push() : still, lens ? Channel.fixed(50) : zooms));
        Plan p = new Plan(s, Models.NONE);
        p.evaluate(0);
        double[] first = size(p);
        assertEquals(50, first[3], 1e-9, "the picture it was taken from stays");
        double nearest = 1e9;
        for (double f = 0; f <= 48; f += 0.5) {
          p.evaluate(f);
          double[] now = size(p);
          assertEquals(1, now[0] / first[0], 1e-6, gives + " at " + f);
          assertEquals(first[1], now[1], 1e-6, "place across, " + gives + " at " + f);
          if (gives == DollyZoom.Gives.PLACE)
            assertEquals(first[2], now[2], 1e-6, "place down at " + f);
          nearest = Math.min(nearest, now[3]);
        }
        assertTrue(nearest < 30, "the lens went to " + nearest + " mm");
      }
  }

  @Test
  void aLevelCameraGoesStraightBackWhileItsLensGrows() {
    DollyZoom part = new DollyZoom("zoom", true, null, DollyZoom.Gives.PLACE, 5, Channels.NONE);
    Sequence s = held(scene(part, 0.5, Channel.fixed(0), Channel.curve(key(0, 35), key(48, 85))));
    Plan p = new Plan(s, Models.NONE);
    p.evaluate(0);
    double[] first = Placement.matrix(p, "cam2");
    for (double f = 0; f <= 48; f += 4) {
      p.evaluate(f);
      double[] m = Placement.matrix(p, "cam2");
      // along its own axis, and nowhere else
      double x = m[12] - first[12], y = m[13] - first[13], z = m[14] - first[14];
      double along = x * m[8] + y * m[9] + z * m[10];
      assertEquals(along * along, x * x + y * y + z * z, 1e-12);
      assertEquals(Math.signum(f), Math.signum(along));
    }
  }

  private static Key key(double frame, double value) {
    return Key.of(frame, value, kite.core.curve.KeyShape.STRAIGHT);
  }

  @Test
  void halfTheDistanceIsHalfTheFocalLength() {
    Sequence s =
        held(
            scene(
                PART.withHeld(null, 5),
                0.5,
                Channel.curve(key(0, 0), key(48, 5)),
                Channel.fixed(50)));
    Plan p = new Plan(s, Models.NONE);
    p.evaluate(0);
    double far = ahead(p);
    p.evaluate(48);
    assertEquals(50 * ahead(p) / far, size(p)[3], 1e-9);
    assertEquals(0.5, ahead(p) / far, 0.01);
  }

  private static double ahead(Plan p) {
    double[] at = new double[3];
    p.anchor("her", null, at);
    return -Eye.of(p, "cam2").seen(new Vec3(at[0], at[1], at[2])).z();
  }

  @Test
  void atTheLensOrBehindItNothingIsHeld() {
    Sequence s = scene(PART, 0.5, Channel.curve(key(0, 0), key(48, 14)), Channel.fixed(50));
    List<RigPart> rig = new java.util.ArrayList<>(((Camera) s.get("cam2")).rig());
    rig.removeIf(r -> r instanceof Attention);
    Sequence past = Edit.apply(s, List.of(new RigCommand.SetRig("cam2", rig)));
    Plan p = new Plan(past, Models.NONE);
    p.evaluate(48);
    assertEquals(50, size(p)[3], 1e-9);
    Camera c = (Camera) past.get("cam2");
    Refusal r = assertThrows(Refusal.class, () -> HoldSize.of(p, c, PART, Subject.of("her")));
    assertTrue(r.getMessage().contains("is not ahead of camera"), r.getMessage());
  }

  @Test
  void strengthNothingIsAsWithoutThePart() {
    DollyZoom weak =
        new DollyZoom(
            "zoom",
            true,
            Subject.of("her"),
            DollyZoom.Gives.PLACE,
            2,
            Channels.NONE.with("strength", 0));
    Sequence s = scene(weak, 0.3, push(), Channel.fixed(50));
    Sequence without = Edit.apply(s, List.<Command>of(new RigCommand.RemovePart("cam2", "zoom")));
    Plan a = new Plan(s, Models.NONE), b = new Plan(without, Models.NONE);
    for (double f : new double[] {0, 17.3, 48}) {
      a.evaluate(f);
      b.evaluate(f);
      for (int i = 0; i < 16; i++)
        assertEquals(Eye.of(b, "cam2").world()[i], Eye.of(a, "cam2").world()[i], 0);
    }
  }

  @Test
  void aSubjectThatGoesIsLetGo() {
    Sequence s = scene(PART, 0.5, push(), Channel.fixed(50));
    Sequence gone = Edit.apply(s, List.of(new EntityCommand.Remove(List.of("her"), true)));
    assertEquals(null, ((Camera) gone.get("cam2")).first(DollyZoom.class).subject());
  }
}
