package kite.core.document;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import kite.core.RandomDocuments;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.command.EntityCommand.Lay;
import kite.core.command.EntityCommand.Replace;
import kite.core.command.RigCommand.SetBack;
import kite.core.command.SequenceCommand.SetHeader;
import kite.core.frame.PlatePlace;
import kite.core.math.AxisOrder;
import kite.core.number.NumberText;
import kite.core.number.Rate;
import kite.core.number.Unit;
import kite.core.optics.FilmBack;
import kite.core.optics.FilmBacks;
import kite.core.optics.Fit;
import kite.core.optics.Lens;
import kite.core.optics.LensKit;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

/** What follows what: production, sequence, camera; and what lies on a layer. */
class HeaderTest {
  private static final Sequence S = RandomDocuments.of(5);

  private static Camera plain() {
    return new Camera("plain", "Plain", "Q", "#f0785a", false, false, Channels.NONE, List.of());
  }

  @Test
  void aCameraFollowsUntilItDecidesForItself() {
    Sequence s = Edit.apply(S, List.of(new Add(plain())));
    Header h = s.header();
    assertEquals(h.cameraPackage(), h.packageOf((Camera) s.get("plain")));
    FilmBack full = new FilmBack(36, 24, 1);
    s = Edit.apply(s, List.of(new SetBack("plain", full, null)));
    assertEquals(full, s.header().packageOf((Camera) s.get("plain")).filmBack());
    assertEquals(Fit.WIDTH, s.header().packageOf((Camera) s.get("plain")).fit());
    // what it does not decide still follows
    Own own = new Own(null, new Delivery(640, 480), null, Fit.HEIGHT, 0.03);
    s = Edit.apply(s, List.of(new SetHeader(with(h, own))));
    CameraPackage p = s.header().packageOf((Camera) s.get("plain"));
    assertEquals(640, p.deliveryWidth());
    assertEquals(Fit.HEIGHT, p.fit());
    assertEquals(0.03, p.circleMm());
    s = Edit.apply(s, List.of(new SetBack("plain", null, null)));
    assertEquals(24.89, s.header().packageOf((Camera) s.get("plain")).filmBack().widthMm());
  }

  private static Header with(Header h, Own own) {
    return new Header(
        h.code(),
        h.title(),
        h.firstFrame(),
        h.lastFrame(),
        h.displayUnit(),
        h.gridM(),
        h.gridLines(),
        h.standards(),
        own);
  }

  @Test
  void clipsThatWereNeverSetAreTheProductions() {
    Sequence s = Edit.apply(S, List.of(new Add(plain())));
    Camera c = (Camera) s.get("plain");
    assertEquals(0.1, s.header().channel(c, Camera.NEAR_CLIP).at(1));
    Standards a = s.header().standards();
    Standards b =
        new Standards(a.rate(), a.cameraPackage(), 0.5, 70, a.kits(), a.naming(), a.beginning());
    Sequence next = s.with(s.header().withStandards(b));
    assertEquals(70, next.header().channel(c, Camera.FAR_CLIP).at(1));
    next = Edit.apply(next, List.of(new SetValue("plain", "farClip", 1, 90, false)));
    assertEquals(90, next.header().channel((Camera) next.get("plain"), Camera.FAR_CLIP).at(1));
    Sequence t = next;
    assertThrows(
        Refusal.class,
        () -> Edit.apply(t, List.of(new SetValue("plain", "farClip", 1, 0.4, false))),
        "a far clip before the production's near clip");
  }

  @Test
  void badPackagesAreRefusedInWords() {
    Header h = S.header();
    String[][] bad = {
      {
        "The film back must be wider",
        say(with(h, new Own(null, null, new FilmBack(0, 18, 1), null, null)))
      },
      {"16 to 16384", say(with(h, new Own(null, new Delivery(4, 4), null, null, null)))},
      {"frame rate", say(with(h, new Own(new Rate(0, 1), null, null, null, null)))},
      {"circle of confusion", say(with(h, new Own(null, null, null, null, -1.0)))}
    };
    for (String[] b : bad) assertTrue(b[1].contains(b[0]), b[1]);
    LensKit odd = new LensKit("Odd", 1, List.of(new Lens(50, 35, 2, 0.5)));
    Standards a = h.standards();
    Standards kits =
        new Standards(
            a.rate(), a.cameraPackage(), 0.1, 100, List.of(odd), a.naming(), a.beginning());
    assertTrue(say(h.withStandards(kits)).contains("longest focal length of a lens of “Odd”"));
  }

  private static String say(Header h) {
    return assertThrows(Refusal.class, () -> Edit.apply(S, List.of(new SetHeader(h)))).getMessage();
  }

  @Test
  void aLayerHidesAndALayerIsLeftOutOfRenders() {
    Piece p = (Piece) S.get("piece0");
    assertTrue(S.isShown(p) && S.isRendered(p));
    Layer l = new Layer("extra", "Extra", "#112233", true, false, false);
    Sequence s = Edit.apply(S, List.of(new Add(l), new Lay(List.of("piece0"), "extra")));
    assertTrue(s.isShown((Piece) s.get("piece0")));
    assertTrue(!s.isRendered((Piece) s.get("piece0")), "seen while working, not rendered");
    s =
        Edit.apply(
            s, List.of(new Replace(new Layer("extra", "Extra", "#112233", false, true, false))));
    assertTrue(!s.isShown((Piece) s.get("piece0")) && !s.isRendered((Piece) s.get("piece0")));
  }

  @Test
  void platesMeetTheFrameAsTheyAreTold() {
    double wide = 16 / 9.0, square = 1;
    assertEquals(new PlatePlace(0, 0, 1, 1), place(Plate.PlateFit.STRETCH, square, wide));
    PlatePlace fill = place(Plate.PlateFit.FILL, square, wide);
    assertEquals(1, fill.width(), 1e-12);
    assertEquals(wide, fill.height(), 1e-12);
    assertEquals(
        (1 - wide) / 2, fill.top(), 1e-12, "what is over is cut off alike above and below");
    PlatePlace inside = place(Plate.PlateFit.INSIDE, square, wide);
    assertEquals(1, inside.height(), 1e-12);
    assertEquals(1 / wide, inside.width(), 1e-12);
    assertEquals(inside, place(Plate.PlateFit.HEIGHT, square, wide));
    assertEquals(fill, place(Plate.PlateFit.WIDTH, square, wide));
    assertEquals(new PlatePlace(0, 0, 1, 1), place(Plate.PlateFit.FILL, wide, wide));
  }

  private static PlatePlace place(Plate.PlateFit fit, double image, double delivery) {
    return PlatePlace.of(plate(fit, Plate.After.HOLD), 1, image, delivery);
  }

  private static Plate plate(Plate.PlateFit fit, Plate.After after) {
    return new Plate(
        "p", "P", null, List.of("a", "b", "c"), fit, false, true, 10, after, Channels.NONE);
  }

  @Test
  void aPlateHoldsItsEndsOrGoesRound() {
    Plate hold = plate(Plate.PlateFit.FILL, Plate.After.HOLD);
    Plate loop = plate(Plate.PlateFit.FILL, Plate.After.LOOP);
    String held = "", looped = "";
    for (int f = 8; f < 16; f++) {
      held += hold.at(f);
      looped += loop.at(f);
    }
    assertEquals("aaabcccc", held);
    assertEquals("aaabcabc", looped);
    assertEquals("b", hold.at(11.7), "the image of the frame, not of the half after it");
  }

  @Test
  void onlyOneAirAndNoOddLights() {
    Air air = new Air("second", "Second", "#ffffff", null, Channels.NONE);
    assertTrue(
        assertThrows(Refusal.class, () -> Edit.apply(S, List.of(new Add(air))))
            .getMessage()
            .contains("one air"));
    Light sun = new Light("s2", "S2", "#ffffff", "#ffffff", "#ffffff", Channels.NONE);
    assertTrue(
        assertThrows(Refusal.class, () -> Edit.apply(S, List.of(new Add(sun.withParent("piece0")))))
            .getMessage()
            .contains("sun is not carried"));
    Piece twice =
        new Piece(
            "again",
            "Again",
            null,
            new Shape.Instance("repeat"),
            "#ffffff",
            true,
            false,
            AxisOrder.PAN_TILT_ROLL,
            Channels.NONE);
    assertThrows(Refusal.class, () -> Edit.apply(S, List.of(new Add(twice))), "no instance of one");
  }

  @Test
  void feetAndInchesAreShownAndRead() {
    assertEquals("6 ft 2 in", NumberText.length(6 * 0.3048 + 2 * 0.0254, "ft+in"));
    assertEquals("-1 ft", NumberText.length(-0.3048, "ft+in"));
    assertEquals("0 in", NumberText.length(0, "ft+in"));
    assertEquals("11.99 in", NumberText.length(11.99 * 0.0254, "ft+in"));
    assertEquals("1 ft", NumberText.length(11.999 * 0.0254, "ft+in"), "twelve inches are a foot");
    for (double m : new double[] {0.001, 0.3, 1.83, 12.7, 250})
      assertEquals(
          m, NumberText.read(NumberText.length(m, "ft+in"), Unit.METRES, 0, "ft+in"), 0.00013);
  }

  @Test
  void filmBacksAreNamedAndKitsFindTheirLens() {
    assertEquals("Full frame", FilmBacks.nameOf(new FilmBack(36, 24, 1)));
    assertEquals("25.0 × 15.0 mm", FilmBacks.nameOf(new FilmBack(25, 15, 1)));
    // diagonals against the trade's image circles
    assertEquals(43.27, FilmBacks.ALL.get(0).back().diagonalMm(), 0.01);
    assertEquals(11.0, FilmBacks.ALL.get(11).back().diagonalMm(), 0.01, "2/3-inch: 11 mm");
    LensKit primes = LensKit.STARTING.get(0), zoom = LensKit.STARTING.get(1);
    assertEquals(50, primes.lensFor(50).longestMm());
    assertEquals(null, primes.lensFor(47));
    assertEquals(290, zoom.lensFor(47).longestMm());
    assertEquals("wide", LensKit.reach(70));
    assertEquals("normal", LensKit.reach(40));
    assertEquals("long", LensKit.reach(12));
    assertEquals(Map.of(), Map.copyOf(new Channels(Map.of()).set()));
  }
}
