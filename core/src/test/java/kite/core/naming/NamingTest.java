package kite.core.naming;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Rename;
import kite.core.command.SequenceCommand;
import kite.core.document.Beginning;
import kite.core.document.CameraPackage;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Naming;
import kite.core.document.Own;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Standards;
import kite.core.document.StandardsChange;
import kite.core.form.StandardsJson;
import kite.core.number.Rate;
import kite.core.optics.FilmBack;
import kite.core.optics.Fit;
import kite.core.optics.Lens;
import kite.core.optics.LensKit;
import kite.core.rules.Refusal;
import kite.core.rules.StandardsRules;
import org.junit.jupiter.api.Test;

class NamingTest {
  private static Sequence following(Naming n) {
    Sequence s = RandomDocuments.of(3);
    Standards a = s.header().standards();
    Standards b =
        new Standards(
            a.rate(), a.cameraPackage(), a.nearClipM(), a.farClipM(), a.kits(), n, a.beginning());
    return Edit.apply(s, List.of(new SequenceCommand.Follow(b)));
  }

  @Test
  void everyBreachIsMendedByTheNameProposed() {
    for (Naming.Style style : Naming.Style.values()) {
      Sequence s = following(new Naming("{sequence}_####", style, style));
      s =
          Edit.apply(
              s, List.of(new Rename("cut1", "the second one"), new Rename("mark", "old gate")));
      List<NamingRules.Breach> breaches = NamingRules.breaches(s);
      assertTrue(breaches.stream().anyMatch(b -> b.id().equals("cut1")));
      List<Command> fix =
          breaches.stream()
              .map(b -> (Command) new Rename(b.id(), b.better()))
              .collect(Collectors.toList());
      assertEquals(List.of(), NamingRules.breaches(Edit.apply(s, fix)));
    }
  }

  @Test
  void aNameThatIsTakenIsABreachThatItsBetterNameMends() {
    for (Naming.Style style : Naming.Style.values()) {
      Sequence s = following(new Naming("", style, style));
      s =
          Edit.apply(
              s,
              List.of(
                  new Rename("piece1", "stone post"),
                  new Rename("piece2", "stone post"),
                  new Rename("piece3", "Stone post 2"),
                  new Rename("cam1", "stone post"),
                  new Rename("cut1", "SW0010"),
                  new Rename("cut0", "SW0010")));
      List<Command> fix = new ArrayList<>();
      for (NamingRules.Breach b : NamingRules.breaches(s)) fix.add(new Rename(b.id(), b.better()));
      assertTrue(fix.size() >= 3, style + ": " + fix);
      assertEquals(List.of(), NamingRules.breaches(Edit.apply(s, fix)), style.toString());
      Set<String> names = new HashSet<>();
      for (Entity e : Edit.apply(s, fix).entities().values())
        assertTrue(names.add((e instanceof Shot) + e.name()), e.name());
    }
  }

  @Test
  void everyFaultOfStandardsIsFoundAtItsField() {
    Standards a = RandomDocuments.header().standards();
    CameraPackage p = new CameraPackage(new FilmBack(0, 18, -1), 8, 1080, Fit.WIDTH, 40);
    LensKit kit =
        new LensKit("Primes", 1, List.of(new Lens(50, 35, 2, 0.5), new Lens(85, 85, 0.1, 0.01)));
    Standards bad = new Standards(a.rate(), p, 5, 2, List.of(kit), a.naming(), a.beginning());
    List<String> fields = new ArrayList<>();
    for (Refusal r : StandardsRules.faults(bad)) fields.add(r.field());
    assertEquals(
        List.of(
            "filmBack.widthMm",
            "filmBack.squeeze",
            "deliveryWidth",
            "circleOfConfusionMm",
            "farClipM",
            "kits/0/lenses/0/longestMm",
            "kits/0/lenses/1/widestStop",
            "kits/0/lenses/1/closestFocusM"),
        fields);
    assertEquals(List.of(), StandardsRules.faults(a));
    Standards lost = a.withBeginning(new Beginning("yd", 0, 2_000_000, -1));
    assertEquals(
        List.of(
            "beginning/gridM",
            "beginning/firstFrame",
            "beginning/handleFrames",
            "beginning/displayUnit"),
        StandardsRules.faults(lost).stream().map(Refusal::field).collect(Collectors.toList()));
    LensKit longer = new LensKit("Long", 1, List.of(new Lens(5001, 5001, 8, 20)));
    String said =
        StandardsRules.faults(
                new Standards(
                    a.rate(), a.cameraPackage(), 1, 2, List.of(longer), a.naming(), a.beginning()))
            .get(0)
            .getMessage();
    assertTrue(said.endsWith("is 1 to 5000 mm."), said);
  }

  @Test
  void newHandlesAreSaidBeforeTheyAreAgreedOn() {
    Sequence s = RandomDocuments.of(3);
    Standards next = s.header().standards().withBeginning(new Beginning("m", 1, 1001, 12));
    assertEquals(List.of("Handles 8 frames → 12 frames"), StandardsChange.sentences(s, next));
  }

  @Test
  void standardsOfEarlierBuildsHaveTheUsualHandles() {
    Standards a = RandomDocuments.header().standards();
    Standards long12 = a.withBeginning(new Beginning("m", 1, 1001, 12));
    String kept = StandardsJson.write(long12).toString();
    assertEquals(long12, StandardsJson.read(kept));
    String earlier = kept.replace(",\"handleFrames\":12", "");
    assertEquals(8, StandardsJson.read(earlier).beginning().handleFrames());
  }

  private static Sequence cut(String pattern, Object... codesAndFrames) {
    Sequence s = new Sequence(RandomDocuments.header(), Map.of());
    Standards a = s.header().standards();
    Naming n = new Naming(pattern, Naming.Style.AS_TYPED, Naming.Style.AS_TYPED);
    s =
        Edit.apply(
            s,
            List.of(
                new SequenceCommand.Follow(
                    new Standards(
                        a.rate(),
                        a.cameraPackage(),
                        a.nearClipM(),
                        a.farClipM(),
                        a.kits(),
                        n,
                        a.beginning()))));
    for (int i = 0; i < codesAndFrames.length; i += 2)
      s =
          s.with(
              new CutEntry(
                  "cut" + i, (String) codesAndFrames[i], null, (int) codesAndFrames[i + 1]));
    return s;
  }

  @Test
  void aNewShotHasAFreeCodeInItsPlace() {
    String usual = "{sequence}_####";
    String code = RandomDocuments.header().code();
    Object[] three = {code + "_0010", 1001, code + "_0030", 1040, code + "_0040", 1080};
    assertEquals(code + "_0050", ShotCodes.next(cut(usual, three), 3));
    assertEquals(code + "_0010", ShotCodes.next(cut(usual), 0));
    assertEquals(code + "_0035", ShotCodes.next(cut(usual, three), 2));
    assertEquals(code + "_0020", ShotCodes.next(cut(usual, three), 1));
    Object[] four = {
      code + "_0010", 1001, code + "_0030", 1040, code + "_0035", 1060, code + "_0040", 1080
    };
    assertEquals(code + "_0033", ShotCodes.next(cut(usual, four), 2));
    Object[] tight = {code + "_0001", 1, code + "_0002", 9};
    assertEquals(code + "_0010", ShotCodes.next(cut(usual, tight), 1));
    // as the production writes them, and as usual where it has no rule
    assertEquals("sh" + code + ".035", ShotCodes.next(cut("sh{sequence}.###", three), 2));
    assertEquals(code + "_0050", ShotCodes.next(cut("", three), 3));
    assertEquals(code + "_0010", ShotCodes.next(cut(usual, "the last one", 1001), 1));
  }

  @Test
  void stylesWriteNamesAsTheySay() {
    assertEquals("runaway_kite", NamingRules.styled("Runaway kite", Naming.Style.UNDERSCORES));
    assertEquals("RunawayKite", NamingRules.styled("runaway_kite", Naming.Style.JOINED));
    assertEquals("Runaway kite", NamingRules.styled("runaway kite", Naming.Style.SENTENCE));
  }

  @Test
  void newStandardsReachWhoFollowsAndLeaveWhoDecides() {
    Sequence s = RandomDocuments.of(3);
    Header h = s.header();
    Own own = new Own(new Rate(25, 1), null, null, null, null);
    Header keepsRate =
        new Header(
            h.code(),
            h.title(),
            h.firstFrame(),
            h.lastFrame(),
            h.displayUnit(),
            h.gridM(),
            h.gridLines(),
            h.standards(),
            own);
    s = Edit.apply(s, List.of(new SequenceCommand.SetHeader(keepsRate)));
    Standards next =
        Standards.of(
            new Rate(30, 1),
            new CameraPackage(new FilmBack(21.95, 18.59, 2), 2048, 858, Fit.HEIGHT, 0));
    List<String> says = StandardsChange.sentences(s, next);
    assertTrue(says.stream().noneMatch(t -> t.contains("rate")), "its own rate stays: " + says);
    assertTrue(says.contains("Delivery 1280 × 720 → 2048 × 858"), says.toString());
    assertTrue(
        says.stream().anyMatch(t -> t.startsWith("Film back Super 35, 4-perf → Anamorphic 2×")),
        says.toString());
    Sequence followed = Edit.apply(s, List.of(new SequenceCommand.Follow(next)));
    assertEquals(25, followed.header().rate().perSecond());
    assertEquals(2048, followed.header().cameraPackage().deliveryWidth());
    assertEquals(List.of(), StandardsChange.sentences(followed, next));
  }
}
