package kite.core.cutting;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.ShotCommand;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;
import org.junit.jupiter.api.Test;

class CutBroughtTest {
  private static final List<String> NEW_IDS =
      IntStream.range(0, 50).mapToObj(i -> "brought" + i).toList();

  private final Random r = new Random(3);

  private static Sequence reel(Shot... shots) {
    Sequence before = RandomDocuments.of(5);
    List<Command> all = new ArrayList<>();
    for (Shot s : shots) all.add(new ShotCommand.InsertShot(s, null));
    List<String> there = Programme.of(before).placed().stream().map(Programme.Placed::id).toList();
    all.add(new EntityCommand.Remove(there, true));
    return Edit.apply(before, all);
  }

  private static Shot shot(String id, String camera, double first, int frames) {
    return Shot.of(id, "S_" + id, new Take("t", "1", camera, first, frames, Speed.AS_IT_IS));
  }

  /** What an editor's file says of a cut. */
  private static List<BroughtShot> told(Sequence s) {
    Programme p = Programme.of(s);
    List<BroughtShot> all = new ArrayList<>();
    for (int i = 0; i < p.placed().size(); i++) {
      Take t = p.shots().get(i).take();
      boolean isGap = t.camera() == null;
      Speed.Steady speed = (Speed.Steady) t.speed();
      all.add(
          new BroughtShot(
              p.placed().get(i).shot(),
              isGap ? "" : ((Camera) s.get(t.camera())).letter(),
              isGap,
              isGap ? null : t.first(),
              t.frames(),
              isGap ? 1 : speed.scene(),
              isGap ? 1 : speed.programme(),
              i + 1));
    }
    return all;
  }

  /** What is seen: shot by shot what, of what action, for how long, how fast. */
  private static List<String> film(Sequence s) {
    List<String> all = new ArrayList<>();
    for (Shot x : Programme.order(s)) {
      Take t = x.take();
      boolean isGap = t.camera() == null;
      all.add((isGap ? "gap" : t.camera() + " " + t.first() + " " + rate(t)) + " " + t.frames());
    }
    return all;
  }

  private static double rate(Take t) {
    return ((Speed.Steady) t.speed()).rate();
  }

  private static Sequence taken(Sequence s, List<BroughtShot> brought, boolean keep) {
    CutBrought.CutAnswer a = CutBrought.of(s, brought, List.of(), NEW_IDS, keep);
    return a.commands().isEmpty() ? s : Edit.apply(s, a.commands());
  }

  private Shot some(int n) {
    String camera = new String[] {"cam0", "cam1", null}[r.nextInt(3)];
    Speed speed = r.nextInt(3) == 0 ? new Speed.Steady(1, 1 + r.nextInt(4)) : Speed.AS_IT_IS;
    Take t = new Take("t", "1", camera, r.nextInt(90), 1 + r.nextInt(30), speed);
    return Shot.of("s" + n, "S_" + n, t);
  }

  @Test
  void whateverAnEditorDidTheCutIsAsItCameBack() {
    for (int round = 0; round < 60; round++) {
      List<Shot> ours = new ArrayList<>(), theirs = new ArrayList<>();
      for (int i = 0; i < 3 + r.nextInt(6); i++) ours.add(some(i));
      for (Shot s : ours) {
        if (r.nextInt(5) == 0) continue; // left out
        Take t = s.take();
        if (r.nextInt(2) == 0) t = t.withFrames(1 + r.nextInt(40));
        if (r.nextInt(2) == 0) t = t.withFirst(r.nextInt(90));
        if (r.nextInt(3) == 0) t = t.withSpeed(new Speed.Steady(1 + r.nextInt(2) * 2, 2));
        theirs.add(s.withTakes(List.of(t), "t"));
      }
      for (int i = 0; i < r.nextInt(3); i++) theirs.add(some(100 + i));
      Collections.shuffle(theirs, r);
      if (theirs.isEmpty()) continue;
      Sequence mine = reel(ours.toArray(Shot[]::new)), edited = reel(theirs.toArray(Shot[]::new));
      Sequence is = taken(mine, told(edited), false);
      assertEquals(film(edited), film(is), "round " + round);
      assertEquals(List.of(), CutBrought.of(is, told(is), List.of(), NEW_IDS, false).commands());
      // what was left out is still there where somebody wants it so
      Sequence kept = taken(mine, told(edited), true);
      assertEquals(film(edited), film(kept).subList(0, theirs.size()), "round " + round);
      assertTrue(film(kept).size() >= ours.size(), "round " + round);
    }
  }

  @Test
  void aShotIsKnownByItsCodeThenByItsActionThenByWhoeverSaysSo() {
    Sequence s = reel(shot("a", "cam0", 10, 20), shot("b", "cam1", 10, 20), shot("c", null, 0, 5));
    String letter = ((Camera) s.get("cam1")).letter();
    List<BroughtShot> come =
        List.of(
            new BroughtShot("s_A ", "", false, 10.0, 20, 1, 1, 1),
            new BroughtShot("Reel 7", letter.toLowerCase(), false, 15.0, 20, 1, 1, 2),
            new BroughtShot("", "", true, null, 5, 1, 1, 3),
            new BroughtShot("Insert", "Q", false, 4.0, 8, 1, 1, 4));
    CutBrought.CutAnswer a = CutBrought.of(s, come, List.of(), NEW_IDS, false);
    assertEquals("a", a.rows().get(0).id());
    assertEquals(CutBrought.KnownBy.CODE, a.rows().get(0).known());
    assertEquals(List.of(), a.rows().get(0).changes());
    assertEquals("b", a.rows().get(1).id());
    assertEquals(CutBrought.KnownBy.ACTION, a.rows().get(1).known());
    assertEquals(List.of("action 5 f later"), a.rows().get(1).changes());
    assertEquals("c", a.rows().get(2).id());
    assertNull(a.rows().get(3).id());
    assertEquals(List.of("new, with no camera yet"), a.rows().get(3).changes());
    // said by hand: the insert is b, and what was b is nothing of ours
    List<CutBrought.SaidWhich> said =
        List.of(new CutBrought.SaidWhich(3, "b"), new CutBrought.SaidWhich(1, CutBrought.NEW));
    a = CutBrought.of(s, come, said, NEW_IDS, false);
    assertNull(a.rows().get(1).id());
    assertEquals("b", a.rows().get(3).id());
    Sequence is = Edit.apply(s, a.commands());
    List<String> ids = Programme.of(is).placed().stream().map(Programme.Placed::id).toList();
    assertEquals(List.of("a", "brought1", "c", "b"), ids);
    assertEquals("Reel 7", Programme.of(is).of("brought1").shot());
  }

  @Test
  void whatChangesIsSaid() {
    Sequence s =
        reel(shot("a", "cam0", 10, 20), shot("b", "cam1", 10, 20), shot("c", "cam0", 50, 9));
    List<BroughtShot> come =
        List.of(
            new BroughtShot("S_b", "", false, 8.0, 32, 1, 2, 1),
            new BroughtShot("S_a", "", false, 10.0, 20, 1, 1, 2));
    CutBrought.CutAnswer a = CutBrought.of(s, come, List.of(), NEW_IDS, false);
    assertEquals(
        List.of("place 2 → 1", "12 f longer", "at 50 %", "action 2 f earlier"),
        a.rows().get(0).changes());
    assertEquals(List.of("place 1 → 2"), a.rows().get(1).changes());
    assertEquals(List.of(new CutBrought.NotInCut("c", "S_c")), a.missing());
  }

  @Test
  void aBoardStaysOneWhereItsCameraIsNotKnownAndLongNamesAreNotTaken() {
    Sequence s = reel(shot("a", null, 0, 12));
    BroughtShot clip = new BroughtShot("S_a", "", false, null, 12, 1, 1, 1);
    CutBrought.CutAnswer a = CutBrought.of(s, List.of(clip), List.of(), NEW_IDS, false);
    assertEquals(List.of(), a.rows().get(0).changes());
    assertEquals(List.of(), a.commands());
    BroughtShot path = new BroughtShot("/films/".repeat(30), "", false, 4.0, 12, 1, 1, 2);
    a = CutBrought.of(s, List.of(clip, path), List.of(), NEW_IDS, false);
    Sequence is = Edit.apply(s, a.commands());
    assertEquals(2, Programme.of(is).placed().size());
    assertTrue(Programme.of(is).placed().get(1).shot().length() < 40);
  }

  @Test
  void aSpeedOfItsOwnStaysWhereItsMeanIsTold() {
    Speed curved =
        new Speed.Curved(
            new kite.core.curve.Channel.Curve(
                List.of(kite.core.curve.Key.smooth(0, 0), kite.core.curve.Key.smooth(20, 10))));
    Shot x = Shot.of("a", "S_a", new Take("t", "1", "cam0", 10, 20, curved));
    Sequence s = reel(x);
    BroughtShot mean = new BroughtShot("S_a", "", false, 10.0, 24, 1, 2, 1);
    Sequence is = taken(s, List.of(mean), false);
    assertEquals(curved, ((Shot) is.get("a")).take().speed());
    assertEquals(24, ((Shot) is.get("a")).take().frames());
  }
}
