package kite.core.cut;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.core.RandomDocuments;
import kite.core.curve.Channel;
import kite.core.curve.Extrapolation;
import kite.core.curve.Key;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Speed;
import kite.core.document.Take;
import org.junit.jupiter.api.Test;

class ProgrammeTest {
  private static Sequence of(Shot... shots) {
    Map<String, Entity> all = new TreeMap<>();
    List<String> places = Ranks.spread(shots.length);
    for (int i = 0; i < shots.length; i++)
      all.put(shots[i].id(), shots[i].withPlace(places.get(i)));
    return new Sequence(RandomDocuments.header(), all);
  }

  private static Shot timed(String id, double first, int frames, Speed speed) {
    return Shot.of(id, id, new Take("t", "1", "cam0", first, frames, speed));
  }

  @Test
  void framesGoToShotsAndFromThereToTheScene() {
    Programme p =
        Programme.of(
            of(
                Shot.of("b", "B", "cam0", 10, 5),
                Shot.of("a", "A", "cam1", 8, 3),
                timed("c", 20, 4, new Speed.Steady(1, 2))));
    assertEquals(List.of("b", "a", "c"), p.placed().stream().map(Programme.Placed::id).toList());
    assertEquals(1, p.firstFrame());
    assertEquals(12, p.lastFrame());
    double[] scene = {10, 11, 12, 13, 14, 8, 9, 10, 20, 20.5, 21, 21.5};
    for (int i = 0; i < scene.length; i++) assertEquals(scene[i], p.scene(1 + i), 1e-12, "" + i);
    assertEquals(20.25, p.scene(9.5), 1e-12, "sub-frames too");
    assertEquals("a", p.at(8.99).id());
    assertEquals("c", p.at(9).id());
    assertNull(p.at(0.5));
    assertNull(p.at(13));
    assertTrue(Double.isNaN(p.scene(13)));
  }

  @Test
  void aCurveOfItsOwnIsFollowedAndFound() {
    Channel.Curve ramp =
        new Channel.Curve(
            List.of(Key.smooth(0, 0), Key.smooth(10, 4), Key.smooth(20, 20)),
            Extrapolation.STRAIGHT,
            Extrapolation.STRAIGHT);
    Programme p =
        Programme.of(
            of(timed("a", 100, 7, Speed.AS_IT_IS), timed("r", 50, 21, new Speed.Curved(ramp))));
    for (int i = 0; i <= 20; i++)
      assertEquals(50 + ramp.at(i), p.scene(8 + i), 1e-9, "on frame " + i);
    for (double scene : new double[] {50.5, 54, 61.3, 69.9}) {
      List<Programme.Seen> seen = p.showing(scene);
      assertEquals(1, seen.size());
      assertEquals(scene, p.scene(seen.get(0).frame()), 1e-7);
    }
  }

  @Test
  void aFrameOfTheSceneIsFoundWhereverItIsSeen() {
    Programme p =
        Programme.of(
            of(
                Shot.of("a", "A", "cam0", 10, 5),
                Shot.of("b", "B", "cam1", 12, 5),
                Shot.of("c", "C", "cam0", 30, 5)));
    assertEquals(
        List.of(new Programme.Seen("a", 4), new Programme.Seen("b", 7)),
        p.showing(13).stream()
            .map(s -> new Programme.Seen(s.id(), Math.round(s.frame())))
            .toList());
    assertEquals(List.of(), p.showing(25));
    assertEquals(1, p.showing(34.9).size(), "the last frame lasts until the next");
    assertEquals(0, p.showing(35).size());
  }

  @Test
  void anEarlierCutIsShotsThatShowWhatItShowed() {
    Map<String, Entity> all = new TreeMap<>();
    all.put("e2", new CutEntry("e2", "S_0020", null, 20));
    all.put("e1", new CutEntry("e1", "S_0010", "cam0", 5));
    all.put("e3", new CutEntry("e3", "S_0030", "cam1", 31));
    Sequence before = new Sequence(RandomDocuments.header(), all);
    Sequence after = EarlierCut.asShots(before);
    assertFalse(EarlierCut.isIn(after));
    assertEquals(Programme.of(before).placed(), Programme.of(after).placed());
    List<Programme.Placed> placed = Programme.of(after).placed();
    assertEquals(List.of("e1", "e2", "e3"), placed.stream().map(Programme.Placed::id).toList());
    assertEquals(List.of(15, 11, 10), placed.stream().map(Programme.Placed::frames).toList());
    assertEquals(
        List.of(5.0, 20.0, 31.0), placed.stream().map(Programme.Placed::sceneFirst).toList());
    assertEquals(40, placed.get(2).sceneLast(), "the last runs to the sequence's end");
    assertNull(placed.get(1).camera());
    assertEquals(after, EarlierCut.asShots(after), "done once");
  }

  @Test
  void anEmptyProgrammeHasNoFrame() {
    Programme p = Programme.of(of());
    assertTrue(p.isEmpty());
    assertEquals(0, p.lastFrame());
    assertNull(p.at(1));
  }
}
