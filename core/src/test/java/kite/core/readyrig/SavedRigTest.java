package kite.core.readyrig;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import kite.core.RandomDocuments;
import kite.core.codec.SavedRigJson;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.RigCommand;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.frame.Eye;
import kite.core.math.Vec3;
import kite.core.model.Models;
import kite.core.rig.attention.Attention;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;
import kite.core.rig.slide.Slide;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class SavedRigTest {
  private static Eye eye(Sequence s, String camera, double frame) {
    Plan p = new Plan(s, Models.NONE);
    p.evaluate(frame);
    return Eye.of(p, camera);
  }

  @Test
  void whatIsWrittenIsReadAgain() {
    for (int seed = 0; seed < 20; seed++) {
      Sequence s = RandomDocuments.of(seed);
      SavedRig kept = SavedRig.of(s, (Camera) s.get("cam1"));
      assertEquals(kept, SavedRigJson.read(SavedRigJson.write(kept)));
    }
  }

  @Test
  void onAnotherCameraItKeepsItsMotionAndThePlace() {
    Sequence s = RandomDocuments.of(3);
    Channel rise = Channel.curve(Key.smooth(0, 1), Key.smooth(40, 3));
    Channel push = Channel.curve(Key.smooth(0, 0), Key.smooth(40, 2));
    Camera from =
        ((Camera) s.get("cam1"))
            .withRig(
                List.of(
                    new Base(
                        "base",
                        true,
                        null,
                        Base.Takes.POSITION,
                        Channels.NONE.with("y", rise).with("pan", 12)),
                    new Slide("slide", true, Channels.NONE.with("dolly", push)),
                    new Head("head", true, Channels.NONE)));
    SavedRig kept = SavedRig.of(s, from);
    Camera to = (Camera) s.get("cam2");
    SavedRig.Loaded loaded = kept.onto(s, Models.NONE, to, 10);
    Sequence now = Edit.apply(s, loaded.commands());
    double[] was = eye(s, "cam2", 10).world(), is = eye(now, "cam2", 10).world();
    for (int i = 0; i < 16; i++) assertEquals(was[i], is[i], 1e-7);
    // the base rises by two metres as it did, and the slide pushes two metres the way it looks
    Vec3 before = eye(now, "cam2", 0).place(), after = eye(now, "cam2", 40).place();
    Channel y = ((Camera) now.get("cam2")).channel("base/y");
    assertEquals(2, y.at(40) - y.at(0), 1e-9);
    assertTrue(after.distance(before) > 2);
    assertEquals(List.of(), loaded.missing());
  }

  @Test
  void whatIsNotThereIsFoundByItsNameOrLetGo() {
    Sequence s = RandomDocuments.of(2);
    Camera c = (Camera) s.get("cam1");
    SavedRig kept = SavedRig.of(s, c);
    Attention looks = c.first(Attention.class);
    String subject = looks.subjects().get(0).entity();
    String name = s.get(subject).name();
    Sequence other = Edit.apply(s, List.of(new EntityCommand.Remove(List.of(subject), true)));
    SavedRig.Loaded loaded = kept.onto(other, Models.NONE, (Camera) other.get("cam1"), 5);
    assertEquals(List.of(name), loaded.missing());
    Camera without = (Camera) Edit.apply(other, loaded.commands()).get("cam1");
    assertEquals(looks.subjects().size() - 1, without.first(Attention.class).subjects().size());
    if (!(s.get(subject) instanceof Piece p)) return;
    Sequence named =
        Edit.apply(
            s,
            List.of(
                new EntityCommand.Duplicate(List.of(subject), List.of("twin"), false),
                new EntityCommand.Remove(List.of(subject), true),
                new EntityCommand.Rename("twin", name)));
    SavedRig.Loaded again = kept.onto(named, Models.NONE, (Camera) named.get("cam1"), 5);
    assertEquals(List.of(), again.missing());
    Camera with = (Camera) Edit.apply(named, again.commands()).get("cam1");
    assertTrue(
        with.first(Attention.class).subjects().stream().anyMatch(x -> x.entity().equals("twin")));
    assertEquals(p.name(), name);
  }

  @Test
  void aFileThatIsNoRigIsRefusedInWords() {
    for (String bad :
        List.of("{}", "[]", "{\"rig\":[],\"names\":{}}", "{\"rig\":[{}],\"names\":{}}"))
      assertThrows(Refusal.class, () -> SavedRigJson.read(bad), bad);
    assertThrows(
        Refusal.class,
        () ->
            Edit.apply(RandomDocuments.of(1), List.of(new RigCommand.SetRig("nobody", List.of()))));
  }
}
