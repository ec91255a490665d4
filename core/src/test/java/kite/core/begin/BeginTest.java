package kite.core.begin;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import kite.core.RandomDocuments;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.evaluate.Plan;
import kite.core.form.SequenceJson;
import kite.core.frame.Extent;
import kite.core.frame.Eye;
import kite.core.model.Models;
import kite.core.rules.Refusal;
import kite.core.rules.StandardsRules;
import org.junit.jupiter.api.Test;

class BeginTest {
  private static final Header HEADER =
      NewSequence.header("AB010", "A beginning", StartingPoint.ALL.get(0).standards());

  @Test
  void startingPointsHoldAndAreToldApart() {
    Set<String> ids = new HashSet<>(), names = new HashSet<>();
    for (StartingPoint p : StartingPoint.ALL) {
      StandardsRules.check(p.standards());
      assertTrue(ids.add(p.id()) && names.add(p.name()), p.name());
    }
    assertEquals(
        "23.976 frames a second, film back 24.89 × 14 mm, delivery 3840 × 2160 (1.78 : 1)",
        StartingPoint.ALL.stream()
            .filter(p -> p.id().equals("uhd-23976"))
            .findFirst()
            .get()
            .says());
    assertTrue(StartingPoint.ALL.get(1).says().contains("squeeze 2"));
  }

  @Test
  void theNextCodeGoesOnAsTheOnesBefore() {
    assertEquals("SW010", NextCode.after("SW", List.of()));
    assertEquals("SW040", NextCode.after("SW", List.of("SW010", "SW030", "SW020")));
    assertEquals("SW031", NextCode.after("SW", List.of("SW010", "SW030", "SW025")));
    assertEquals("reel_100b", NextCode.after("SW", List.of("reel_90b", "intro")));
    assertEquals("SQ1000", NextCode.after("SW", List.of("SQ990")));
    assertEquals("SW010", NextCode.after("SW", List.of("intro", "x99999999999999999999")));
  }

  @Test
  void aFirstSetIsSeenByItsCameraAndCut() {
    Sequence s = NewSequence.withFirstSet(HEADER);
    assertEquals(1240, s.header().lastFrame(), "ten seconds");
    assertEquals(
        List.of("cameraA"),
        Programme.of(s).placed().stream().map(Programme.Placed::camera).toList());
    assertEquals(s, SequenceJson.read(SequenceJson.write(s)));
    for (StartingPoint p : StartingPoint.ALL) {
      Sequence at = NewSequence.withFirstSet(NewSequence.header("A", "", p.standards()));
      Plan plan = new Plan(at, Models.NONE);
      plan.evaluate(1001);
      Extent figure = Extent.of(plan, Eye.of(plan, "cameraA"), "adult");
      assertTrue(figure.left() > 0 && figure.right() < 1, p.name());
      assertTrue(figure.top() > 0 && figure.bottom() < 1, p.name() + ": " + figure);
      assertTrue(Math.abs(figure.bottom() - figure.top()) > 0.5, "and large enough: " + figure);
    }
    assertTrue(NewSequence.empty(HEADER).entities().isEmpty());
  }

  private static Sequence from(Sequence other, NewSequence.Taken taken) {
    return NewSequence.from(other, "AB010", "A beginning", HEADER.standards(), taken);
  }

  @Test
  void whatIsTakenFromAnotherStandsByItself() {
    for (int seed = 0; seed < 40; seed++) {
      Sequence other = RandomDocuments.of(seed);
      for (boolean set : new boolean[] {true, false})
        for (boolean cameras : new boolean[] {true, false})
          for (boolean cut : new boolean[] {true, false}) {
            Sequence s = from(other, new NewSequence.Taken(set, cameras, cut));
            assertEquals("AB010", s.header().code());
            assertEquals(HEADER.standards(), s.header().standards());
            assertEquals(other.header().lastFrame(), s.header().lastFrame());
            assertEquals(set ? other.all(Piece.class).size() : 0, s.all(Piece.class).size());
            assertEquals(cameras ? other.all(Camera.class).size() : 0, s.all(Camera.class).size());
            assertEquals(
                cut && cameras ? other.all(Shot.class).size() : 0, s.all(Shot.class).size());
            assertEquals(s, SequenceJson.read(SequenceJson.write(s)), "and is a document");
            new Plan(s, Models.NONE).evaluate(1001);
          }
    }
  }

  @Test
  void everythingIsTakenWhenAllIs() {
    Sequence other = RandomDocuments.of(3);
    Sequence s = from(other, new NewSequence.Taken(true, true, true));
    assertEquals(
        other.entities().values().stream().map(Entity::id).collect(Collectors.toSet()),
        s.entities().keySet());
  }

  @Test
  void codesArePlainAndTitlesInAnyScript() {
    assertEquals("SW010", GivenNames.code("code", " SW010 "));
    for (String bad :
        List.of("", " ", "-a", "a-", "a b", "a/../b", "SW０１０", "ЅW010", "x".repeat(25)))
      assertThrows(Refusal.class, () -> GivenNames.code("code", bad), bad);
    assertEquals("רוח מלח", GivenNames.title("title", "רוח מלח"));
    assertEquals("", GivenNames.title("title", null));
    for (String bad : List.of("a\u202eb", "a\nb", "a\u0000", "x".repeat(10_000)))
      assertThrows(Refusal.class, () -> GivenNames.title("title", bad));
    assertThrows(Refusal.class, () -> GivenNames.name("name", "  "));
    assertEquals("code", assertThrows(Refusal.class, () -> GivenNames.code("code", "")).field());
  }
}
