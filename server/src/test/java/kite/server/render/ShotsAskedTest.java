package kite.server.render;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import kite.core.cut.Programme;
import kite.core.document.Air;
import kite.core.document.Camera;
import kite.core.document.Plate;
import kite.core.document.Sequence;
import kite.demo.SaltWind;
import kite.server.Problem;
import org.junit.jupiter.api.Test;

class ShotsAskedTest {
  private static final Shot STRAIGHT = new Shot("a", 1001, 1012, "0010", null);
  private static final Shot SLOW =
      new Shot("b", 1013, 1016, "0020", List.of(20.0, 20.5, 21.0, 21.5), null, 1013, "s/t", null);
  private static final ShotsAsked ASKED = new ShotsAsked("Cut", List.of(STRAIGHT, SLOW));

  /** Frames with what they show and how fast. */
  private static List<String> seen(ShotsAsked asked) {
    List<String> all = new ArrayList<>();
    // as workers have them: out of the database
    List<Shot> shots = Shot.read(Shot.write(asked.shots()));
    for (int n = 1; n <= asked.frames(); n++) {
      Shot.At at = Shot.at(shots, n);
      all.add(at.camera() + at.frame() + " " + at.scene() + " " + at.rate());
    }
    return all;
  }

  @Test
  void oneOfSomeFramesKeepsItsNumberAndItsMotion() {
    ShotsAsked fifth = ASKED.thinned(5);
    assertEquals("Cut, one of 5 frames", fifth.label());
    assertEquals(
        List.of("a1001 1001.0 1.0", "a1006 1006.0 1.0", "a1011 1011.0 1.0", "b1013 20.0 0.5"),
        seen(fifth));
    assertEquals(Double.NaN, Shot.heard(fifth.shots()).get(1).first());
  }

  @Test
  void theFirstMiddleAndLastOfEachShot() {
    assertEquals(
        List.of(
            "a1001 1001.0 1.0",
            "a1006 1006.0 1.0",
            "a1012 1012.0 1.0",
            "b1013 20.0 0.5",
            "b1014 20.5 0.5",
            "b1016 21.5 0.5"),
        seen(ASKED.thinned(0)));
    ShotsAsked one = new ShotsAsked("f", List.of(new Shot("a", 7, 7, null, null)));
    assertEquals(1, one.thinned(0).frames());
  }

  @Test
  void howFarTheyAreApartIsTold() {
    assertEquals(1, STRAIGHT.every());
    assertEquals(5, ASKED.thinned(5).shots().get(0).every());
    assertEquals(0, ASKED.thinned(0).shots().get(0).every(), "1001, 1006, 1012");
  }

  private static ShotsAsked range(Sequence s, int first, int last) {
    return ShotsAsked.of(
        s, new ShotsAsked.Asked("range", null, List.of(first, last), null, 0, false));
  }

  @Test
  void aRangeOfTheProgrammeShowsWhatTheCutShowsThere() {
    for (Sequence s : List.of(new SaltWind().sw010(), new SaltWind().sw030())) {
      List<Shot> cut =
          ShotsAsked.of(s, new ShotsAsked.Asked("cut", null, null, null, 0, false)).shots();
      int first = Programme.of(s).firstFrame();
      List<Shot> some = range(s, first + 50, first + 150).shots();
      for (int n = 1; n <= 100; n++) {
        Shot.At whole = Shot.at(cut, 50 + n), part = Shot.at(some, n);
        assertEquals(whole, part);
      }
      assertEquals(first + 50, Shot.heard(some).get(0).first(), "and is heard from there");
      assertEquals(101, some.stream().mapToInt(Shot::frames).sum());
      assertThrows(Problem.class, () -> range(s, first - 1, first + 3));
      assertThrows(Problem.class, () -> range(s, first + 3, first + 2));
      assertThrows(Problem.class, () -> range(s, first, 99999));
    }
  }

  @Test
  void whatIsNotToBeSeenIsTakenOutOfIt() {
    Sequence s = new SaltWind().sw020();
    Sequence bare = new Look(false, false, false, false, false, false).seen(s);
    assertTrue(s.all(Plate.class).stream().anyMatch(Plate::shown));
    assertTrue(bare.all(Plate.class).stream().noneMatch(Plate::shown));
    assertTrue(bare.all(Camera.class).stream().noneMatch(Camera::depthOfField));
    assertTrue(bare.all(Air.class).isEmpty());
    assertEquals(s, new Look(true, false, true, true, false, false).seen(s));
  }

  @Test
  void allOfThemAreAsTheyWere() {
    assertSame(ASKED, ASKED.thinned(1));
    assertThrows(Problem.class, () -> ASKED.thinned(-2));
    assertThrows(Problem.class, () -> ASKED.thinned(5000));
  }
}
