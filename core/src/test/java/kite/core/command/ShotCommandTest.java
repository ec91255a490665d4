package kite.core.command;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import kite.core.RandomDocuments;
import kite.core.codec.CommandJson;
import kite.core.command.ShotCommand.ChooseTake;
import kite.core.command.ShotCommand.InsertShot;
import kite.core.command.ShotCommand.JoinShots;
import kite.core.command.ShotCommand.LiftShot;
import kite.core.command.ShotCommand.MoveShots;
import kite.core.command.ShotCommand.OverwriteShot;
import kite.core.command.ShotCommand.PutTake;
import kite.core.command.ShotCommand.RemoveTake;
import kite.core.command.ShotCommand.RetimeShot;
import kite.core.command.ShotCommand.RollCut;
import kite.core.command.ShotCommand.SlideShot;
import kite.core.command.ShotCommand.SlipShot;
import kite.core.command.ShotCommand.SplitShot;
import kite.core.command.ShotCommand.SwapCamera;
import kite.core.command.ShotCommand.TrimShot;
import kite.core.cut.Programme;
import kite.core.delta.Delta;
import kite.core.document.AssetsUsed;
import kite.core.document.Board;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Marker;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;
import kite.core.evaluate.Plan;
import kite.core.math.Matrix;
import kite.core.model.Models;
import kite.core.rig.RigPart;
import kite.core.rig.trim.Trim;
import kite.core.rules.Change;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

/** Edits of the programme against what they are to do to a film of single frames. */
class ShotCommandTest {
  private static final String[] CAMERAS = {"cam0", "cam1", "cam2", null};

  private final Random r = new Random(7);
  private int made;

  /** What is seen on every frame of the programme. */
  private static List<String> film(Sequence s) {
    Programme p = Programme.of(s);
    List<String> all = new ArrayList<>();
    for (int f = p.firstFrame(); f <= p.lastFrame(); f++)
      all.add(p.at(f).camera() + "@" + Math.round(p.scene(f) * 1e6) / 1e6);
    return all;
  }

  private static List<String> film(Take t) {
    List<String> all = new ArrayList<>();
    for (int i = 0; i < t.frames(); i++)
      all.add(t.camera() + "@" + Math.round(t.scene(i) * 1e6) / 1e6);
    return all;
  }

  private Shot someShot() {
    made++;
    Speed speed = r.nextInt(3) == 0 ? new Speed.Steady(1, 2) : Speed.AS_IT_IS;
    return Shot.of(
        "s" + made,
        "S_" + made,
        new Take("t", "1", CAMERAS[r.nextInt(4)], r.nextInt(90), 1 + r.nextInt(20), speed));
  }

  private Sequence someReel(int shots) {
    Sequence s = RandomDocuments.of(5);
    List<Command> all = new ArrayList<>();
    for (int i = 0; i < shots; i++) all.add(new InsertShot(someShot(), null));
    return Edit.apply(s, all);
  }

  /** An edit, and the film it is to give. */
  private record Wanted(Command command, List<String> film) {}

  private Wanted some(Sequence s) {
    Programme p = Programme.of(s);
    List<String> film = film(s);
    int i = r.nextInt(p.placed().size());
    Programme.Placed at = p.placed().get(i);
    Take take = p.shots().get(i).take();
    int first = at.first() - p.firstFrame(), n = at.frames();
    List<String> before = film.subList(0, first), own = film.subList(first, first + n);
    List<String> after = film.subList(first + n, film.size());
    switch (r.nextInt(11)) {
      case 0 -> {
        Shot x = someShot();
        return new Wanted(new InsertShot(x, at.id()), joined(before, film(x.take()), own, after));
      }
      case 1 -> {
        Shot x = someShot();
        int into = r.nextInt(n), to = first + into + x.take().frames();
        List<String> rest = film.subList(Math.min(film.size(), to), film.size());
        return new Wanted(
            new OverwriteShot(x, at.id(), into, "rest" + made, "R_" + made),
            joined(film.subList(0, first + into), film(x.take()), rest));
      }
      case 2 -> {
        if (n == 1) return null;
        made++;
        return new Wanted(
            new SplitShot(at.id(), 1 + r.nextInt(n - 1), "half" + made, "H_" + made), film);
      }
      case 3 -> {
        return p.placed().size() == 1
            ? null
            : new Wanted(new EntityCommand.Remove(List.of(at.id()), false), joined(before, after));
      }
      case 4 -> {
        made++;
        return new Wanted(
            new LiftShot(at.id(), "gap" + made),
            joined(before, film(take.withCamera(null)), after));
      }
      case 5 -> {
        if (i == 0) return null;
        int by = r.nextInt(n);
        Take prior = p.shots().get(i - 1).take();
        List<String> kept = film.subList(0, first - prior.frames());
        return new Wanted(
            new RollCut(at.id(), by),
            joined(kept, film(prior.trimmed(0, -by)), own.subList(by, n), after));
      }
      case 6 -> {
        int head = r.nextInt(n) - 3, tail = -r.nextInt(4);
        if (n - head - tail < 1) return null;
        return new Wanted(
            new TrimShot(at.id(), head, tail),
            joined(before, film(take.trimmed(head, tail)), after));
      }
      case 7 -> {
        double by = r.nextInt(9) - 4;
        return new Wanted(
            new SlipShot(at.id(), by),
            joined(before, film(take.withFirst(take.first() + by)), after));
      }
      case 8 -> {
        if (i == 0 || i + 1 == p.placed().size()) return null;
        Take prior = p.shots().get(i - 1).take(), next = p.shots().get(i + 1).take();
        int by = r.nextInt(next.frames());
        return new Wanted(
            new SlideShot(at.id(), by),
            joined(
                film.subList(0, first - prior.frames()),
                film(prior.trimmed(0, -by)),
                own,
                after.subList(by, after.size())));
      }
      case 9 -> {
        int to = r.nextInt(p.placed().size() + 1);
        if (to == i) return null;
        String target = to == p.placed().size() ? null : p.placed().get(to).id();
        int cut = target == null ? film.size() : p.placed().get(to).first() - p.firstFrame();
        List<String> want =
            to > i
                ? joined(before, film.subList(first + n, cut), own, film.subList(cut, film.size()))
                : joined(film.subList(0, cut), own, film.subList(cut, first), after);
        return new Wanted(new MoveShots(List.of(at.id()), target), want);
      }
      default -> {
        String camera = CAMERAS[r.nextInt(4)];
        return new Wanted(
            new SwapCamera(at.id(), camera), joined(before, film(take.withCamera(camera)), after));
      }
    }
  }

  @SafeVarargs
  private static List<String> joined(List<String>... parts) {
    List<String> all = new ArrayList<>();
    for (List<String> p : parts) all.addAll(p);
    return all;
  }

  @Test
  void everyEditDoesToTheFilmWhatItSays() {
    for (int round = 0; round < 12; round++) {
      Sequence s = someReel(4 + r.nextInt(5));
      for (int k = 0; k < 60; k++) {
        Wanted w = some(s);
        if (w == null) continue;
        Edit.Made done =
            Edit.make(s, CommandJson.readAll(CommandJson.writeAll(List.of(w.command()))));
        assertEquals(w.film(), film(done.sequence()), w.command().toString());
        Delta delta = Delta.of(done.change());
        assertEquals(done.sequence(), delta.after(s));
        assertEquals(s, delta.turned().after(done.sequence()), "undo: " + w.command());
        s = done.sequence();
      }
    }
  }

  @Test
  void anInsertTouchesNothingElse() {
    Sequence s = someReel(5);
    String before = Programme.of(s).placed().get(3).id();
    Sequence now = Edit.apply(s, List.of(new InsertShot(someShot(), before)));
    assertEquals(1, Change.between(s, now).touched().size());
  }

  @Test
  void twoInsertsInOnePlaceGiveOneOrderWhoeverIsFirst() {
    Sequence s = someReel(3);
    String before = Programme.of(s).placed().get(1).id();
    Change a = Change.between(s, Edit.apply(s, List.of(new InsertShot(someShot(), before))));
    Change b = Change.between(s, Edit.apply(s, List.of(new InsertShot(someShot(), before))));
    Sequence ab = Delta.of(b).after(Delta.of(a).after(s));
    assertEquals(ab, Delta.of(a).after(Delta.of(b).after(s)));
    assertEquals(8, Programme.of(ab).placed().size(), "neither is lost");
    // between two in one place the order is made anew
    List<Programme.Placed> placed = Programme.of(ab).placed();
    Sequence more = Edit.apply(ab, List.of(new InsertShot(someShot(), placed.get(2).id())));
    assertEquals("s" + made, Programme.of(more).placed().get(2).id());
  }

  @Test
  void whatWasSplitIsJoinedAgainWithAllItsTakes() {
    Sequence s = RandomDocuments.of(3);
    Sequence split = Edit.apply(s, List.of(new SplitShot("cut2", 5, "half", "RND_0035")));
    assertEquals(2, ((Shot) split.get("half")).takes().size());
    assertEquals(film(s), film(split));
    // also the other take shows what it showed, by its curve
    Sequence other =
        Edit.apply(
            split, List.of(new ChooseTake("cut2", "take2"), new ChooseTake("half", "take2")));
    Sequence was = Edit.apply(s, List.of(new ChooseTake("cut2", "take2")));
    assertEquals(film(was), film(other));
    assertEquals(film(s), film(Edit.apply(split, List.of(new JoinShots("cut2")))));
    assertTrue(
        refused(split, new JoinShots("cut0")).contains("does not go on where"),
        "other cameras are no one shot");
    assertTrue(refused(s, new JoinShots("cut2")).contains("is the last shot"));
  }

  @Test
  void takesComeAndGo() {
    Sequence s = someReel(1);
    Take longer = new Take("t2", "Longer", "cam1", 3, 30, Speed.AS_IT_IS);
    Sequence two = Edit.apply(s, List.of(new PutTake("s1", longer, false)));
    assertEquals(film(s), film(two), "it is there, and not chosen");
    Sequence chosen = Edit.apply(two, List.of(new ChooseTake("s1", "t2")));
    assertTrue(film(chosen).containsAll(film(longer)));
    assertTrue(refused(chosen, new RemoveTake("s1", "t2")).contains("Choose another first"));
    assertEquals(two, Edit.apply(chosen, List.of(new ChooseTake("s1", "t"))));
    assertTrue(refused(two, new ChooseTake("s1", "gone")).contains("no such take any more"));
    assertEquals(s, Edit.apply(two, List.of(new RemoveTake("s1", "t2"))));
  }

  @Test
  void aRemovedCameraLeavesGaps() {
    Sequence s =
        Edit.apply(
            RandomDocuments.of(2),
            List.of(new InsertShot(Shot.of("x", "X", "travel", 3, 9), null)));
    assertTrue(refused(s, new EntityCommand.Remove(List.of("travel"), false)).contains("cuts to"));
    Sequence without = Edit.apply(s, List.of(new EntityCommand.Remove(List.of("travel"), true)));
    Programme.Placed x = Programme.of(without).of("x");
    assertEquals(null, x.camera());
    assertEquals(9, x.frames(), "nothing moves");
  }

  @Test
  void whatCannotBeIsASentence() {
    Sequence s = someReel(2);
    assertTrue(
        refused(s, new InsertShot(Shot.of("n", "N", "cam0", 1, 0), null)).contains("would last 0"));
    assertTrue(
        refused(s, new InsertShot(Shot.of("n", "N", "cam0", 1, -5), null))
            .contains("would last -5 frames. A shot has 1 to"));
    for (Speed bad : List.of(new Speed.Steady(0, 1), new Speed.Steady(1000, 1)))
      assertTrue(refused(s, new RetimeShot("s1", bad, 9)).contains("between a 50th"), "" + bad);
    assertTrue(refused(s, new TrimShot("s1", 300, 0)).contains("Remove it instead"));
    assertTrue(refused(s, new SplitShot("s1", 0, "n", "N")).contains("split inside itself"));
    assertTrue(refused(s, new SlideShot("s2", 1)).contains("no shot on both sides"));
    assertTrue(refused(s, new SwapCamera("s1", "mark")).contains("is not a camera"));
    assertTrue(
        refused(s, new InsertShot(Shot.of("n", "N", "cam0", 1, 5), "gone")).contains("no shot"));
  }

  @Test
  void aBoardIsSeenWhereThereIsNoCameraOrItIsAskedFor() {
    Sequence s = someReel(1);
    String picture = "ab".repeat(32);
    Sequence aside =
        Edit.apply(
            s,
            List.of(
                new SwapCamera("s1", "cam0"),
                new ShotCommand.SetBoard("s1", new Board(picture, false))));
    assertEquals(null, Programme.of(aside).of("s1").board());
    Sequence gap = Edit.apply(aside, List.of(new SwapCamera("s1", null)));
    assertEquals(picture, Programme.of(gap).of("s1").board());
    Sequence shown =
        Edit.apply(aside, List.of(new ShotCommand.SetBoard("s1", new Board(picture, true))));
    assertEquals(picture, Programme.of(shown).of("s1").board());
    assertTrue(AssetsUsed.of(aside).contains(picture), "it is kept as long as the shot");
    assertTrue(
        refused(s, new ShotCommand.SetBoard("s1", new Board("../x", true)))
            .contains("no image of this studio"));
  }

  @Test
  void twoMarkersOnOneFrameAreASentence() {
    Sequence s = RandomDocuments.of(1);
    Marker second = new Marker("second", "again", 12, "#f2b441");
    assertTrue(refused(s, new EntityCommand.Add(second)).contains("“the kite goes” stands on"));
    Sequence beside =
        Edit.apply(s, List.of(new EntityCommand.Add(new Marker("second", "again", 13, "#f2b441"))));
    assertTrue(refused(beside, new EntityCommand.Replace(second)).contains("beside it"));
  }

  private static String refused(Sequence s, Command c) {
    return assertThrows(Refusal.class, () -> Edit.apply(s, List.of(c))).getMessage();
  }

  /** Where the camera stands on every frame of the programme, in the take that is seen there. */
  private static List<List<Double>> stands(Sequence s) {
    Programme p = Programme.of(s);
    Plan plan = new Plan(s, Models.NONE);
    List<List<Double>> all = new ArrayList<>();
    for (int f = p.firstFrame(); f <= p.lastFrame(); f++) {
      plan.inTake(p.at(f).inTake()).evaluate(p.scene(f));
      List<Double> row = new ArrayList<>();
      int o = plan.slot("cam0") * Matrix.SIZE;
      for (int k = 0; k < Matrix.SIZE; k++) row.add(plan.world()[o + k]);
      all.add(row);
    }
    return all;
  }

  @Test
  void whatIsLaidOverATakeAloneStaysOverBothPartsOfItsShot() {
    Sequence s = RandomDocuments.of(5);
    Camera c = (Camera) s.get("cam0");
    Trim push = new Trim("push", true, "", null, List.of("x/t"), Channels.NONE.with("dolly", 0.5));
    List<RigPart> rig = new ArrayList<>(c.rig());
    rig.add(push);
    s = s.with(c.withRig(rig));
    for (String shot : List.of("x", "y")) {
      Take take = new Take("t", "1", "cam0", 3, 12, Speed.AS_IT_IS);
      s = Edit.apply(s, List.of(new InsertShot(Shot.of(shot, "S_" + shot, take), null)));
    }
    Sequence split = Edit.apply(s, List.of(new SplitShot("x", 5, "z", "S_z")));
    assertEquals(stands(s), stands(split));
    Trim now = (Trim) ((Camera) split.get("cam0")).part("push");
    assertEquals(List.of("x/t", "z/t"), now.takes());
    Sequence joined = Edit.apply(split, List.of(new JoinShots("x")));
    assertEquals(stands(s), stands(joined));
    // what shows in one of them alone would be lost, or seen where it was not
    for (String alone : List.of("x/t", "z/t")) {
      Camera one = ((Camera) split.get("cam0")).withPart(now.withTakes(List.of(alone)));
      assertTrue(
          refused(split.with(one), new JoinShots("x")).contains("Take it off"), "only in " + alone);
    }
  }
}
