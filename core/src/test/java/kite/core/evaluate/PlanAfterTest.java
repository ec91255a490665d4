package kite.core.evaluate;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import kite.core.RandomDocuments;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.command.EntityCommand.Remove;
import kite.core.command.EntityCommand.Reroute;
import kite.core.command.EntityCommand.Reshape;
import kite.core.command.RigCommand.MovePart;
import kite.core.command.RigCommand.SwitchPart;
import kite.core.command.SequenceCommand.SetHeader;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.math.AxisOrder;
import kite.core.math.Matrix;
import kite.core.model.Models;
import kite.core.number.Rate;
import kite.core.path.PathPoint;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.spring.Spring;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class PlanAfterTest {
  private static final int EDITS = 40;
  private static final double[] FRAMES = {31, 7.5};

  /** Edit upon edit, each plan made from the one before: as if each had been compiled anew. */
  @Test
  void aPlanMadeFromAnEarlierOneIsAsGoodAsANewOne() {
    for (int seed = 0; seed < 5; seed++) {
      Random r = new Random(seed);
      Sequence s = RandomDocuments.of(seed);
      Plan plan = new Plan(s, Models.NONE);
      int taken = 0;
      for (int i = 0; i < EDITS; i++) {
        for (double f : FRAMES) plan.evaluate(f);
        Edit.Made made;
        Command c = some(s, r);
        try {
          made = Edit.make(s, List.of(c));
        } catch (Refusal locked) {
          continue;
        }
        taken++;
        plan = plan.after(made.sequence(), made.change());
        s = made.sequence();
        same(new Plan(s, Models.NONE), plan, "seed " + seed + ", " + c);
      }
      assertTrue(taken > EDITS / 2, "only " + taken + " edits were taken");
    }
  }

  /** The spring's camera leans on the boat only through the child that stands in it. */
  @Test
  void aSpringSeesThatWhatCarriesItsSubjectGoesElsewhere() {
    Sequence s =
        Edit.apply(
            new Sequence(RandomDocuments.header(), Map.of()),
            List.of(new Add(box("boat", null)), new Add(box("child", "boat")), new Add(sprung())));
    Plan plan = new Plan(s, Models.NONE);
    plan.evaluate(31);
    for (double z = 1; z < 4; z++) {
      Edit.Made made = Edit.make(s, List.of(new SetValue("boat", "z", 0, z, false)));
      plan = plan.after(made.sequence(), made.change());
      s = made.sequence();
      same(new Plan(s, Models.NONE), plan, "boat at " + z);
    }
  }

  private static Piece box(String id, String parent) {
    return new Piece(
        id,
        id,
        parent,
        new Shape.StandIn(StandInKind.BOX, 1, 1, 1),
        "#ffffff",
        true,
        false,
        AxisOrder.PAN_TILT_ROLL,
        Channels.NONE.with("x", Channel.curve(Key.smooth(1, 0), Key.smooth(40, 9))));
  }

  private static Camera sprung() {
    List<Cue> always = List.of(new Cue(1, 0, Ease.SLOW_BOTH, Map.of("child", 1.0)));
    return new Camera(
        "a",
        "A",
        "A",
        "#f0785a",
        false,
        true,
        Channels.NONE,
        List.of(
            new Base("base", true, null, Base.Takes.POSITION, Channels.NONE.with("z", 6)),
            new Attention(
                "look",
                true,
                Attention.Up.WORLD,
                null,
                Attention.Blend.POINTS,
                List.of(Subject.of("child")),
                always,
                Channels.NONE),
            new Spring("spring", true, Channels.NONE)));
  }

  private static void same(Plan fresh, Plan kept, String where) {
    for (double f : FRAMES) {
      fresh.evaluate(f);
      kept.evaluate(f);
      for (Entity e : fresh.sequence().entities().values()) {
        int a = fresh.slot(e.id()), b = kept.slot(e.id());
        assertTrue(a < 0 == b < 0, where);
        if (a < 0) continue;
        assertArrayEquals(
            row(fresh.world(), a, Matrix.SIZE), row(kept.world(), b, Matrix.SIZE), e.id() + where);
        assertArrayEquals(
            row(fresh.lens(), a, LensRow.SIZE), row(kept.lens(), b, LensRow.SIZE), e.id() + where);
      }
    }
  }

  private static double[] row(double[] all, int slot, int size) {
    return java.util.Arrays.copyOfRange(all, slot * size, (slot + 1) * size);
  }

  private static Command some(Sequence s, Random r) {
    List<Entity> all = new ArrayList<>(s.entities().values());
    Entity e = all.get(r.nextInt(all.size()));
    int kind = r.nextInt(8);
    if (kind == 0)
      return new SetHeader(
          new Header(
              "RND",
              "Chance",
              1,
              40,
              new Rate(24 + r.nextInt(3), 1),
              "m",
              1,
              s.header().cameraPackage()));
    if (kind == 1 && r.nextInt(4) == 0) return new Remove(List.of(e.id()), true);
    if (e instanceof Path p && kind < 6) return new Reroute(p.id(), p.style(), false, moved(p, r));
    if (e instanceof Piece p && kind < 4 && p.shape() instanceof Shape.StandIn)
      return new Reshape(
          p.id(), new Shape.StandIn(StandInKind.ADULT, 1, 1 + r.nextDouble(), 1), "#ffffff");
    if (e instanceof Camera c && kind < 4 && !c.rig().isEmpty()) {
      RigPart part = c.rig().get(r.nextInt(c.rig().size()));
      return kind < 3
          ? new SwitchPart(c.id(), part.id(), !part.on())
          : new MovePart(c.id(), part.id(), r.nextInt(c.rig().size()));
    }
    List<String> channels = new ArrayList<>(e.channelSpecs().keySet());
    if (channels.isEmpty()) return some(s, r);
    String channel = channels.get(r.nextInt(channels.size()));
    double value = e.channelSpec(channel).within(0.3 + 2 * r.nextDouble());
    return new SetValue(e.id(), channel, r.nextInt(40), value, r.nextBoolean());
  }

  private static List<PathPoint> moved(Path p, Random r) {
    List<PathPoint> points = new ArrayList<>();
    for (int i = 0; i < 4; i++)
      points.add(PathPoint.of(i * 2 + r.nextDouble(), r.nextDouble(), r.nextDouble() * 3));
    return points;
  }
}
