package kite.core.readyrig;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import kite.core.RandomDocuments;
import kite.core.command.ChannelCommand;
import kite.core.command.Edit;
import kite.core.curve.Channel;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rig.arm.Arm;
import kite.core.rig.framings.Framings;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class ReadyRigsTest {
  private static Eye eye(Sequence s, double frame) {
    Plan p = new Plan(s, Models.NONE);
    p.evaluate(frame);
    return Eye.of(p, "cam2");
  }

  @Test
  void everyReadyMadeRigLeavesTheCameraWhereItIs() {
    int made = 0;
    for (int seed = 0; seed < 15; seed++) {
      Sequence s = RandomDocuments.of(seed);
      for (ReadyRig kind : ReadyRig.values()) {
        ReadyRigs rigs = new ReadyRigs(s, Models.NONE, (Camera) s.get("cam2"), 9);
        Sequence next;
        try {
          next =
              Edit.apply(
                  s, rigs.make(kind, kind.needsSubject() ? "mark" : null, "newPath", List.of()));
        } catch (Refusal r) {
          assertEquals(ReadyRig.FOLLOWING, kind, r.getMessage()); // the mark is out of frame
          assertTrue(r.getMessage().contains("is not in frame"), r.getMessage());
          continue;
        }
        made++;
        double[] was = eye(s, 9).world(), is = eye(next, 9).world();
        for (int i = 0; i < 16; i++) assertEquals(was[i], is[i], 1e-7, kind + " " + seed);
      }
    }
    assertTrue(made >= 15 * 9, made + " made");
  }

  @Test
  void anOrbitGoesRoundItsSubject() {
    Sequence s = RandomDocuments.of(4);
    s = Edit.apply(s, List.of(new ChannelCommand.SetChannel("mark", "x", Channel.fixed(1))));
    Sequence orbit =
        Edit.apply(
            s,
            new ReadyRigs(s, Models.NONE, (Camera) s.get("cam2"), 9)
                .make(ReadyRig.ORBIT, "mark", "", List.of()));
    Plan p = new Plan(orbit, Models.NONE);
    p.evaluate(9);
    double[] m = new double[3];
    p.anchor("mark", null, m);
    Vec3 mark = new Vec3(m[0], m[1], m[2]);
    double before = Eye.of(p, "cam2").place().distance(mark);
    Arm arm = ((Camera) orbit.get("cam2")).first(Arm.class);
    double swing = arm.channels().get(Arm.SWING).at(9);
    Sequence on =
        Edit.apply(
            orbit,
            List.of(new ChannelCommand.SetChannel("cam2", "arm/swing", Channel.fixed(swing + 75))));
    assertEquals(before, eye(on, 9).place().distance(mark), 1e-6);
    assertTrue(eye(on, 9).place().distance(eye(orbit, 9).place()) > before * 0.5);
  }

  @Test
  void aTravellingRigOffersWhatMakesNoLoop() {
    Sequence s = RandomDocuments.of(1); // “travel” leans on cam2, so cam2 cannot travel to it
    Sequence next =
        Edit.apply(
            s,
            new ReadyRigs(s, Models.NONE, (Camera) s.get("cam2"), 9)
                .make(ReadyRig.TRAVELLING, null, "", List.of()));
    Framings f = ((Camera) next.get("cam2")).first(Framings.class);
    assertTrue(f.cameras().contains("cam0") && !f.cameras().contains("travel"), "" + f.cameras());
    Refusal none =
        assertThrows(
            Refusal.class,
            () ->
                new ReadyRigs(s, Models.NONE, (Camera) s.get("cam2"), 9)
                    .make(ReadyRig.RIDING, null, "", List.of()));
    assertTrue(none.getMessage().startsWith("Choose the subject first"), none.getMessage());
  }
}
