package kite.core.frame;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import kite.core.RandomDocuments;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.RigCommand;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Path;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.path.PathTable;
import kite.core.rig.RigPart;
import kite.core.rig.arm.Arm;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;
import kite.core.rig.rail.Rail;
import kite.core.rig.slide.Slide;
import org.junit.jupiter.api.Test;

class RigHandlesTest {
  private static final Path WAY =
      new Path(
          "way",
          "Way",
          PathStyle.THROUGH,
          false,
          List.of(PathPoint.of(0, 1, 0), PathPoint.of(4, 1, -1), PathPoint.of(8, 2, 3)));

  private static Sequence on(RigPart... parts) {
    Sequence s = Edit.apply(RandomDocuments.of(1), List.of(new EntityCommand.Add(WAY)));
    return Edit.apply(s, List.of(new RigCommand.SetRig("cam2", List.of(parts))));
  }

  private static final Base TURNED =
      new Base(
          "base",
          true,
          null,
          Base.Takes.POSITION,
          Channels.NONE.with("x", 2).with("y", 1).with("pan", 40));
  private static final Head HEAD = new Head("head", true, Channels.NONE.with("tilt", -10));

  private static RigHandles handles(Sequence s) {
    return new RigHandles(new Plan(s, Models.NONE), "cam2", 7);
  }

  private static Vec3 dragged(Sequence s, String part, Vec3 to) {
    RigPart p = ((Camera) s.get("cam2")).part(part);
    Sequence now = Edit.apply(s, handles(s).move(p, to, false));
    return handles(now).all().stream()
        .filter(h -> h.part().equals(part))
        .findFirst()
        .orElseThrow()
        .at();
  }

  @Test
  void anArmAndASlideGoWhereTheirHandleIsDragged() {
    Random r = new Random(5);
    Arm arm = new Arm("arm", true, false, Channels.NONE.with("length", 3).with("swing", 350));
    Slide slide = new Slide("slide", true, Channels.NONE);
    for (int i = 0; i < 20; i++) {
      Vec3 to = new Vec3(r.nextDouble() * 5, r.nextDouble() * 4, r.nextDouble() * 5);
      assertEquals(0, dragged(on(TURNED, arm, HEAD), "arm", to).distance(to), 1e-9);
      assertEquals(0, dragged(on(TURNED, slide, HEAD), "slide", to).distance(to), 1e-9);
    }
    Sequence s = on(TURNED, arm, HEAD);
    Vec3 foot = handles(s).all().get(0).from();
    assertEquals(0, foot.distance(new Vec3(2, 1, 0)), 1e-9);
    Vec3 tip = handles(s).all().get(0).at();
    Sequence still =
        Edit.apply(s, handles(s).move(((Camera) s.get("cam2")).part("arm"), tip, false));
    assertEquals(350, ((Camera) still.get("cam2")).channel("arm/swing").at(7), 1e-9);
  }

  @Test
  void aCarriageGoesToTheNearestPlaceOfItsRail() {
    Rail rail = new Rail("rail", true, "way", Rail.Facing.KEEP, null, true, Channels.NONE);
    Sequence s = on(TURNED, rail, HEAD);
    PathTable t = new PathTable(WAY.points(), WAY.style(), false);
    for (double m = 0; m <= t.length(); m += 0.37) {
      Vec3 on = t.newPlace(t.parameter(m));
      assertEquals(m, t.metres(t.nearest(on)), 1e-5);
      Sequence now =
          Edit.apply(s, handles(s).move(((Camera) s.get("cam2")).part("rail"), on, false));
      double progress = ((Camera) now.get("cam2")).channel("rail/progress").at(7);
      assertEquals(100 * m / t.length(), progress, 1e-4);
    }
    assertEquals(0, t.metres(t.nearest(new Vec3(-9, 0, 0))), 1e-6, "before its start");
    assertTrue(handles(on(TURNED, HEAD)).all().isEmpty(), "nothing to drag on a tripod");
  }
}
