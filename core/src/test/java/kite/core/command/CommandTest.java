package kite.core.command;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import kite.core.RandomDocuments;
import kite.core.codec.CommandJson;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.delta.Delta;
import kite.core.document.Board;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Finish;
import kite.core.document.Focus;
import kite.core.document.Layer;
import kite.core.document.Mark;
import kite.core.document.Path;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.StandInKind;
import kite.core.document.Standards;
import kite.core.document.Take;
import kite.core.form.SequenceJson;
import kite.core.math.Vec3;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.path.PathPoint;
import kite.core.path.PathStyle;
import kite.core.rig.Subject;
import kite.core.rig.base.Base;
import kite.core.rig.head.Head;
import kite.core.rules.Change;
import kite.core.rules.References;
import kite.core.rules.Refusal;
import kite.core.rules.Rules;
import org.junit.jupiter.api.Test;

public class CommandTest {
  private static final Sequence S = RandomDocuments.of(8);

  /** One of every command, fitting {@link #S}. */
  public static List<Command> oneOfEach() {
    return List.of(
        new EntityCommand.Add(new Mark("new", "New", null, Channels.NONE)),
        new EntityCommand.Rename("mark", "Gate"),
        new EntityCommand.Show(List.of("piece1"), false),
        new EntityCommand.Lock(List.of("piece1", "cam2"), true),
        new EntityCommand.SetFinish(List.of("piece1"), new Finish(0.3, 1, 2, "0a".repeat(32))),
        new EntityCommand.SetFinish(List.of("piece1"), null),
        new EntityCommand.Reshape(
            "piece2", new Shape.StandIn(StandInKind.CONE, 2, 3, 4), "#112233"),
        new EntityCommand.Nest("sun", null, true, 3),
        new EntityCommand.Attach("mark", "piece3", "head", 4),
        new EntityCommand.LockChannels("cam1", List.of("base/x"), true),
        new EntityCommand.Replace(new Layer("layer", "Layer", "#112233", false, true, false)),
        new EntityCommand.Lay(List.of("piece1", "spot"), "layer"),
        new EntityCommand.Duplicate(List.of("piece5", "cam2"), List.of("copy1", "copy2"), false),
        new EntityCommand.Duplicate(List.of("piece5"), List.of("copy3"), true),
        new EntityCommand.Substitute(
            "copy1",
            List.of(
                new EntityCommand.Stood(
                    new Mark("there", "There", null, Channels.NONE),
                    new Subject("copy1", "top", new Vec3(0, 1, 0)))),
            3),
        new EntityCommand.Reroute(
            "path",
            PathStyle.THROUGH,
            true,
            List.of(PathPoint.of(0, 0, 0), PathPoint.of(1, 0, 0), PathPoint.of(1, 0, 1))),
        new ChannelCommand.SetChannel(
            "piece0", "x", Channel.curve(Key.smooth(1, 2), Key.smooth(9, 3))),
        new ChannelCommand.SetValue("piece0", "x", 5, 2.5, true),
        new ChannelCommand.InsertKey("piece0", "x", 3),
        new ChannelCommand.MoveKeys("piece0", "x", List.of(9.0), 2, 1),
        new ChannelCommand.ShapeKeys("piece0", "x", List.of(5.0), KeyShape.STRAIGHT),
        new ChannelCommand.DragHandle("piece0", "x", 5, true, 2, 1),
        new ChannelCommand.RemoveKeys("piece0", "x", List.of(3.0)),
        new RigCommand.AddPart("cam0", new Head("head2", true, Channels.NONE), 1),
        new RigCommand.MovePart("cam0", "head2", 0),
        new RigCommand.SwitchPart("cam0", "head2", false),
        new RigCommand.SetPart("cam0", new Head("head2", true, Channels.NONE.with("pan", 4))),
        new RigCommand.RemovePart("cam0", "head2"),
        new RigCommand.SetCues("cam0", "look", List.of(new Cue(5, 2, Ease.EVEN, Map.of()))),
        new CutCommand.Ripple("cut1", 24),
        new RigCommand.SetRig("cam0", ((Camera) S.get("cam0")).rig()),
        new RigCommand.Ride("cam0", "base", "piece4", Base.Takes.HEADING, 6),
        new RigCommand.PutCue("cam0", "look", new Cue(37, 3, Ease.EVEN, Map.of("mark", 1.0))),
        new RigCommand.MoveCue("cam0", "look", 37, 38, 1),
        new RigCommand.RemoveCue("cam0", "look", 38),
        new RigCommand.Walk("cam0", 3, 1, 0.5, -1, 4, 5, 6, false),
        new RigCommand.SetDepthOfField("cam0", true),
        new RigCommand.SetMotionBlur("cam0", true),
        new RigCommand.PlaceCamera("cam0", 3, new Vec3(1, 2, 3), 10, 20, 5, false),
        new RigCommand.Orbit("cam0", 3, new Vec3(0, 1, 0), 20, 10, false),
        new RigCommand.Level("cam0", 3, false),
        new EntityCommand.LockChannels("cam1", List.of("fStop", "focusDistance"), false),
        new RigCommand.SetLimits("cam1", 3, 2, 8, false),
        new RigCommand.SetBack("cam0", new FilmBack(36, 24, 1), Fit.FILL),
        new RigCommand.SetFocus(
            "cam0",
            new Focus(
                List.of(Subject.of("piece0")),
                List.of(new Cue(1, 0, Ease.EVEN, Map.of("piece0", 1.0))))),
        new RigCommand.PutCue("cam0", "focus", new Cue(9, 3, Ease.EVEN, Map.of())),
        new SequenceCommand.Follow(Standards.starting()),
        new CutCommand.Roll("cut1", 15),
        new CutCommand.Swap("cut1", "cam2"),
        new CutCommand.ToShots(),
        new ShotCommand.InsertShot(Shot.of("shot1", "RND_0005", "cam0", 3, 12), "cut0"),
        new ShotCommand.OverwriteShot(
            Shot.of("shot2", "RND_0007", "cam1", 9, 4), "shot1", 3, "shot3", "RND_0008"),
        new ShotCommand.SplitShot("cut1", 4, "shot4", "RND_0025"),
        new ShotCommand.JoinShots("cut1"),
        new ShotCommand.RollCut("cut1", 2),
        new ShotCommand.TrimShot("cut1", -3, 1),
        new ShotCommand.SlipShot("cut1", 1.5),
        new ShotCommand.SlideShot("cut1", -1),
        new ShotCommand.SwapCamera("cut1", null),
        new ShotCommand.MoveShots(List.of("cut2", "cut0"), "shot1"),
        new ShotCommand.RetimeShot("cut0", new Speed.Steady(2, 1), 9),
        new ShotCommand.PutTake(
            "cut0", new Take("take9", "Longer lens", "cam1", 2, 9, Speed.AS_IT_IS), true),
        new ShotCommand.ChooseTake("cut0", "take1"),
        new ShotCommand.RemoveTake("cut0", "take9"),
        new ShotCommand.SetStatus(List.of("cut0", "cut1"), Shot.Status.DONE),
        new ShotCommand.SetNotes("cut0", "hold it longer"),
        new ShotCommand.SetBoard("cut0", new Board("3c".repeat(32), true)),
        new ShotCommand.AcceptNote("cut0", "short", "a beat"),
        new ShotCommand.SetShotRules(List.of("cut0"), "#112233", 12),
        new ShotCommand.LiftShot("cut0", "shot5"),
        new SequenceCommand.SetHeader(RandomDocuments.header()),
        new EntityCommand.LetGo(List.of("mark"), 7),
        new EntityCommand.Remove(List.of("new"), false));
  }

  @Test
  void whatACommandDidIsWrittenReadAndMadeAgain() {
    Sequence now = S;
    for (Command c : oneOfEach()) {
      Sequence next = Edit.apply(now, List.of(c));
      Change change = Change.between(now, next);
      assertEquals(
          next, Edit.apply(now, List.of(SequenceCommand.Restore.to(change))), c.toString());
      assertEquals(change, SequenceJson.change(SequenceJson.write(change)));
      assertEquals(next, SequenceJson.read(SequenceJson.write(next)), "whole check: " + c);
      now = next;
    }
  }

  private static Stream<Class<?>> leaves(Class<?> c) {
    return c.isSealed()
        ? Arrays.stream(c.getPermittedSubclasses()).flatMap(CommandTest::leaves)
        : Stream.of(c);
  }

  @Test
  void everyCommandIsReadAsItWasWritten() {
    List<Command> all = new ArrayList<>(oneOfEach());
    Change change = Change.between(S, Edit.apply(S, all));
    all.add(SequenceCommand.Restore.to(change));
    all.add(new SequenceCommand.Amend(Delta.of(change)));
    Set<String> there = leaves(Command.class).map(Class::getSimpleName).collect(Collectors.toSet());
    Set<String> here = new HashSet<>();
    for (Command c : all) here.add(c.getClass().getSimpleName());
    there.removeAll(here);
    assertEquals(Set.of(), there, "without an example");
    List<Command> read = CommandJson.readAll(CommandJson.writeAll(all));
    assertEquals(all.size(), read.size());
    for (int i = 0; i < all.size(); i++) assertEquals(all.get(i), read.get(i));
  }

  @Test
  void documentsReadBackAsWritten() {
    for (int seed = 0; seed < 60; seed++)
      assertEquals(
          RandomDocuments.of(seed),
          SequenceJson.read(SequenceJson.write(RandomDocuments.of(seed))));
  }

  @Test
  void hostileDocumentsAreRefusedWithThePathToTheFault() {
    String good = SequenceJson.write(S);
    for (String[] bad :
        new String[][] {
          {good.substring(0, 200), "$"},
          {good.replaceFirst("\"format\":1", "\"format\":99"), "$.format"},
          {good.replaceFirst("\"title\":\"Chance\"", "\"title\":5"), "$.header.title"},
          {good.replaceFirst("\"gridM\":1", "\"gridM\":1,\"extra\":2"), "$.header.extra"},
          {"[".repeat(3000), "$"}
        }) {
      Refusal r = assertThrows(Refusal.class, () -> SequenceJson.read(bad[0]));
      assertEquals(bad[1], r.field());
    }
    Random r = new Random(5);
    for (int n = 0; n < 400; n++) { // whatever is broken, it is a refusal and nothing else
      char[] c = good.toCharArray();
      for (int k = 0; k < 3; k++) c[r.nextInt(c.length)] = "{}[]\",:09eE-x\0".charAt(r.nextInt(14));
      try {
        SequenceJson.read(new String(c));
      } catch (Refusal expected) {
        assertTrue(expected.getMessage().length() > 5);
      }
    }
  }

  private static String refused(Command... commands) {
    return assertThrows(Refusal.class, () -> Edit.apply(S, List.of(commands))).getMessage();
  }

  @Test
  void whatWouldBreakARuleIsRefusedInWords() {
    assertTrue(
        refused(new ChannelCommand.SetValue("cam0", "focalLength", 1, -5, false))
            .contains("Focal length of “Camera 0” must be 1 to 5000 mm; -5 mm is not"));
    assertTrue(
        refused(new ChannelCommand.SetChannel("cam0", "nearClip", Channel.fixed(2000)))
            .contains("nearer than its far clip"));
    assertEquals(
        "Focus distance of camera A must be more than its focal length.",
        refused(new ChannelCommand.SetChannel("cam0", "focusDistance", Channel.fixed(0.02))));
    assertTrue(
        refused(new ChannelCommand.SetValue("piece0", "scaleX", 1, Double.NaN, false))
            .contains("must be a number"));
    assertTrue(
        refused(new ChannelCommand.SetValue("piece0", "x", 1, Double.NaN, true))
            .contains("not finite"));
    assertTrue(
        refused(new ChannelCommand.SetValue("piece0", "wobble", 1, 1, false))
            .contains("no channel"));
    assertTrue(refused(new EntityCommand.Nest("piece0", "piece0", false, 1)).contains("loop"));
    assertTrue(refused(new EntityCommand.Remove(List.of("mark"), false)).contains("attends to"));
    assertTrue(refused(new CutCommand.Roll("cut1", 1)).contains("cannot be 19 shorter"));
    assertTrue(refused(new CutCommand.Roll("cut1", 900)).contains("cannot be 880 shorter"));
    assertTrue(refused(new CutCommand.Swap("cut1", "path")).contains("is not a camera"));
    assertTrue(
        refused(new EntityCommand.Add(new Path("p", "P", PathStyle.THROUGH, false, List.of())))
            .contains("1 to 10000 points"));
    assertTrue(
        refused(
                new EntityCommand.Add(
                    new Path(
                        "p",
                        "P",
                        PathStyle.THROUGH,
                        false,
                        List.of(PathPoint.of(1, 1, 1), PathPoint.of(1, 1, 1)))))
            .contains("at one place"));
    assertTrue(
        refused(
                new RigCommand.PutCue(
                    "cam0", "look", new Cue(3, 1, Ease.EVEN, Map.of("nobody", 1.0))))
            .contains("not among its subjects"));
    assertTrue(
        refused(
                new RigCommand.PutCue(
                    "cam0", "look", new Cue(3, 1, Ease.EVEN, Map.of("mark", 0.8, "piece0", 0.8))))
            .contains("more than 1"));
    List<PathPoint> one = List.of(PathPoint.of(1, 2, 3));
    assertTrue(
        refused(new EntityCommand.Add(new Path("p", "P", PathStyle.THROUGH, false, one)))
            .contains("has one point"));
    assertTrue(
        refused(new EntityCommand.Reroute("path", PathStyle.THROUGH, false, one))
            .contains("has one point"));
    assertTrue(refused(new EntityCommand.Rename("nothing", "X")).contains("any more"));
  }

  @Test
  void aNestDeeperThanAnythingCanCarryIsRefused() {
    Piece like = (Piece) S.get("piece0");
    List<Command> chain = new ArrayList<>();
    for (int i = 0; i < 12_000; i++)
      chain.add(
          new EntityCommand.Add(
              new Piece(
                  String.format("n%05d", i),
                  "Box " + i,
                  i == 0 ? null : String.format("n%05d", i - 1),
                  like.shape(),
                  "#808080",
                  true,
                  false,
                  like.order(),
                  Channels.NONE)));
    Sequence fits = Edit.apply(S, chain.subList(0, Rules.MOST_DEEP));
    Refusal deep =
        assertThrows(Refusal.class, () -> Edit.apply(S, chain.subList(0, Rules.MOST_DEEP + 1)));
    assertTrue(deep.getMessage().contains("more than 500 deep"), deep.getMessage());
    assertThrows(Refusal.class, () -> Edit.apply(S, chain.subList(0, 4999)));
    assertThrows(
        Refusal.class,
        () ->
            Edit.apply(
                fits,
                List.of(
                    new EntityCommand.Attach("mark", "n00499", null, 1),
                    new EntityCommand.Nest("piece5", "n00499", false, 1))));
  }

  @Test
  void loopsAreSpelledOut() {
    Sequence s =
        Edit.apply(
            S,
            List.of(
                new EntityCommand.Nest("piece0", null, false, 1),
                new EntityCommand.Nest("piece1", "piece0", false, 1),
                new EntityCommand.Nest("piece2", "piece1", false, 1)));
    Refusal r =
        assertThrows(
            Refusal.class,
            () -> Edit.apply(s, List.of(new EntityCommand.Nest("piece0", "piece2", false, 1))));
    assertEquals("That would make a loop: Piece 0 → Piece 2 → Piece 1 → Piece 0.", r.getMessage());
  }

  @Test
  void whatOthersReferToStaysOfAFittingKind() {
    Mark mark = new Mark("piece1", "A mark now", null, Channels.NONE); // piece 3 is nested in it
    List<Command> edit =
        List.of(new EntityCommand.Remove(List.of("piece1"), true), new EntityCommand.Add(mark));
    assertEquals(null, ((Piece) Edit.apply(S, edit).get("piece3")).parent());
    assertEquals(
        "“Mark” cannot be what “A mark now” serves: it rides it, and it is of the wrong kind.",
        refused(new SequenceCommand.Restore(List.of(mark), List.of(), null)));
    Sequence copied =
        Edit.apply(
            S, List.of(new EntityCommand.Duplicate(List.of("piece5"), List.of("copy"), true)));
    assertThrows(
        Refusal.class,
        () ->
            Edit.apply(
                copied,
                List.of(
                    new EntityCommand.Reshape("piece5", new Shape.Instance("piece1"), "#112233"))));
  }

  @Test
  void sixtyCamerasHaveSixtyLettersAndSixtyNames() {
    Sequence s = S;
    while (s.all(Camera.class).size() < 60)
      s =
          Edit.apply(
              s,
              List.of(
                  new EntityCommand.Duplicate(
                      List.of("cam0"), List.of("copy" + s.entities().size()), false)));
    assertEquals(60, s.all(Camera.class).stream().map(Camera::letter).distinct().count());
    assertEquals(60, s.all(Camera.class).stream().map(Camera::name).distinct().count());
    assertEquals("Crane", s.freeName("Crane"));
  }

  @Test
  void severalCommandsAreTakenTogetherOrNotAtAll() {
    assertThrows(
        Refusal.class,
        () ->
            Edit.apply(
                S,
                List.of(
                    new EntityCommand.Rename("mark", "Gate"),
                    new EntityCommand.Rename("nothing", "X"))));
    assertEquals("Mark", S.get("mark").name());
  }

  @Test
  void whateverReferredToARemovedThingLetsGo() {
    Sequence s =
        Edit.apply(
            S, List.of(new EntityCommand.Remove(List.of("piece0", "path", "mark", "cam0"), true)));
    for (var e : s.entities().values())
      for (String id : References.ids(e)) assertTrue(s.get(id) != null);
    assertTrue(
        ((Camera) s.get("cam1")).first(kite.core.rig.attention.Attention.class).subjects().size()
            == 1);
  }

  @Test
  void aChangeSharesWhatDidNotChange() {
    Sequence next = Edit.apply(S, List.of(new EntityCommand.Rename("mark", "Gate")));
    for (String id : S.entities().keySet())
      if (!id.equals("mark")) assertTrue(S.get(id) == next.get(id));
    assertEquals(java.util.Set.of("mark"), Change.between(S, next).touched());
  }

  @Test
  void everyUseOfAThingIsCheckedNotOneOfThem() {
    // the mark is attended to, which is fine, and taken for a camera, which is not
    kite.core.document.Camera c = (kite.core.document.Camera) S.get("cam1");
    kite.core.rig.framings.Framings wrong =
        new kite.core.rig.framings.Framings(
            "wrong",
            true,
            kite.core.rig.framings.Framings.Route.STRAIGHT,
            true,
            List.of("mark"),
            List.of(new Cue(1, 0, kite.core.cue.Ease.EVEN, java.util.Map.of("mark", 1.0))),
            Channels.NONE);
    kite.core.rig.attention.Attention looks =
        new kite.core.rig.attention.Attention(
            "looks",
            true,
            kite.core.rig.attention.Attention.Up.WORLD,
            null,
            kite.core.rig.attention.Attention.Blend.POINTS,
            List.of(kite.core.rig.Subject.of("mark")),
            List.of(),
            Channels.NONE);
    for (List<kite.core.rig.RigPart> rig :
        List.of(
            List.<kite.core.rig.RigPart>of(wrong, looks),
            List.<kite.core.rig.RigPart>of(looks, wrong)))
      assertTrue(
          refused(new RigCommand.SetRig(c.id(), rig)).contains("wrong kind")
              || refused(new RigCommand.SetRig(c.id(), rig)).contains("stand first"));
    assertTrue(
        refused(new RigCommand.SetRig(c.id(), List.of(wrong, looks))).contains("wrong kind"));
  }

  @Test
  void aCueIsNeverMovedOntoAnother() {
    kite.core.document.Camera c = (kite.core.document.Camera) S.get("cam1");
    var looks = c.first(kite.core.rig.attention.Attention.class);
    List<Cue> cues =
        List.of(
            new Cue(1, 0, kite.core.cue.Ease.EVEN, java.util.Map.of()),
            new Cue(9, 0, kite.core.cue.Ease.EVEN, java.util.Map.of()));
    Sequence two = Edit.apply(S, List.of(new RigCommand.SetCues(c.id(), looks.id(), cues)));
    Refusal r =
        assertThrows(
            Refusal.class,
            () -> Edit.apply(two, List.of(new RigCommand.MoveCue(c.id(), looks.id(), 9, 1, 0))));
    assertTrue(r.getMessage().contains("frame 1"), r.getMessage());
    assertEquals(
        List.of(1.0, 10.0),
        ((kite.core.document.Camera)
                Edit.apply(two, List.of(new RigCommand.MoveCue(c.id(), looks.id(), 9, 10, 0)))
                    .get(c.id()))
            .first(kite.core.rig.attention.Attention.class).cues().stream()
                .map(Cue::frame)
                .toList());
  }
}
