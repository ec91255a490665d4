package kite.browser;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;

import com.eclipsesource.json.JsonObject;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import kite.core.RandomDocuments;
import kite.core.codec.CommandJson;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.command.EntityCommand.Remove;
import kite.core.command.EntityCommand.Rename;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.Plan;
import kite.core.form.EntityJson;
import kite.core.math.AxisOrder;
import kite.core.math.Matrix;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

/** Many commands laid piece by piece, shown together or taken away. */
class LaidTest {
  private static final double FRAME = 17.5;

  private static Command box(int i, String parent) {
    return new Add(
        new Piece(
            "box" + i,
            "Box " + i,
            parent,
            new Shape.StandIn(StandInKind.BOX, 1, 1, 1),
            "#a0b0c0",
            true,
            false,
            AxisOrder.PAN_TILT_ROLL,
            Channels.NONE.with("x", i).with("pan", 10 * i)));
  }

  /** As the page has it laid: said as text. */
  private static SessionAnswers.Laid laid(List<Command> commands) {
    return SessionAnswers.layMore(CommandJson.said(CommandJson.writeAll(commands)));
  }

  private static double[] place(Plan plan, String id) {
    int o = plan.slot(id) * Matrix.SIZE;
    return Arrays.copyOfRange(plan.world(), o, o + Matrix.SIZE);
  }

  @Test
  void piecesLaidOneAfterTheOtherAreWhatTheyAreTogether() {
    Sequence base = RandomDocuments.of(5);
    Opened.open(base);
    Opened.plan().evaluate(FRAME);
    List<Command> all = new ArrayList<>();
    for (int i = 0; i < 12; i++) all.add(box(i, i == 0 ? null : "box" + (i - 1)));
    for (int i = 0; i < 12; i += 4) assertEquals(4, laid(all.subList(i, i + 4)).asSaid().size());
    Sequence whole = Edit.apply(base, all);
    assertThrows(Refusal.class, () -> laid(List.of(box(20, "nobody"))), "refused");
    SessionAnswers.showLaid();
    assertEquals(whole, Opened.shown(), "with what was laid before");
    Plan plan = new Plan(whole, Opened::rig);
    plan.evaluate(FRAME);
    for (int i = 0; i < 12; i++)
      assertArrayEquals(place(plan, "box" + i), place(Opened.plan(), "box" + i), 1e-12);
    SessionAnswers.endPreview();
    assertEquals(base, Opened.shown());
  }

  @Test
  void aHandleInSomebodysHandIsLeftAlone() {
    Opened.open(RandomDocuments.of(5));
    SessionAnswers.preview(List.of(box(1, null)));
    laid(List.of(box(2, null)));
    SessionAnswers.dropLaid();
    assertNotNull(Opened.shown().get("box1"));
    assertNull(Opened.shown().get("box2"));
  }

  /** The page asks of a camera that it shows while a recipe has taken it away already. */
  @Test
  void untilItIsShownAllIsAnsweredAsBefore() {
    Sequence base = RandomDocuments.of(5);
    Opened.open(base);
    Opened.plan().evaluate(FRAME);
    String camera = base.all(Camera.class).get(0).id();
    var warned = RigAnswers.warnings(camera, 1, 20);
    laid(List.of(new Remove(List.of(camera), true)));
    SessionAnswers.planLaid();
    assertEquals(base, Opened.shown());
    assertEquals(warned, RigAnswers.warnings(camera, 1, 20));
    SessionAnswers.dropLaid();
    SessionAnswers.showLaid();
    assertEquals(base, Opened.shown(), "nothing is laid any more");
  }

  /** Only what whoever said it would write just so is left out of the answer. */
  @Test
  void whatCameOtherwiseThanItWasSaidIsAnswered() {
    Opened.open(RandomDocuments.of(5));
    Piece box = (Piece) ((Add) box(1, null)).entity();
    JsonObject short_ = EntityJson.write(box);
    short_.remove("finish");
    String add = "{\"kind\":\"add\",\"entity\":%s}";
    String commands =
        "[%s,%s,{\"kind\":\"rename\",\"id\":\"box3\",\"name\":\"Renamed\"},%s]"
            .formatted(
                add.formatted(short_),
                add.formatted(EntityJson.write(((Add) box(2, null)).entity())),
                add.formatted(EntityJson.write(((Add) box(4, null)).entity())));
    laid(List.of(box(3, null)));
    SessionAnswers.Laid laid = SessionAnswers.layMore(CommandJson.said(commands));
    assertEquals(List.of("box2", "box4"), laid.asSaid());
    assertEquals(Set.of("box1", "box3"), laid.change().after().keySet());
    assertEquals(Set.of("box3"), laid.change().before().keySet());
    assertEquals("Renamed", laid.change().after().get("box3").name());
  }

  /** A thing that is added and changed by what follows is not as the first command says. */
  @Test
  void whatIsAddedAndThenChangedIsAnswered() {
    Opened.open(RandomDocuments.of(5));
    SessionAnswers.Laid laid =
        laid(
            List.of(
                box(1, null),
                new Rename("box1", "Renamed"),
                box(2, null),
                new Remove(List.of("box2"), false)));
    assertEquals(List.of(), laid.asSaid());
    assertEquals(Set.of("box1"), laid.change().after().keySet());
  }
}
