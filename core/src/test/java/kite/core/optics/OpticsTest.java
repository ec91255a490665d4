package kite.core.optics;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

class OpticsTest {
  private static final FilmBack FULL_FRAME = new FilmBack(36, 24, 1);

  @Test
  void anglesOfViewOfFullFrameLensesAreThoseOfThePrintedTables() {
    // published to a tenth of a degree: 24 mm 73.7°, 35 mm 54.4°, 50 mm 39.6°, 85 mm 23.9°, 135 mm
    // 15.2°
    double[][] table = {{24, 73.7}, {35, 54.4}, {50, 39.6}, {85, 23.9}, {135, 15.2}};
    for (double[] row : table) assertEquals(row[1], AngleOfView.degrees(36, row[0]), 0.05);
    assertEquals(50, AngleOfView.focalLengthMm(36, AngleOfView.degrees(36, 50)), 1e-12);
  }

  @Test
  void hyperfocalAndLimitsOfFiftyMillimetresAtFEight() {
    // f 50 mm, N 8, c 0.03 mm: H = 2500/0.24 + 50 = 10466.7 mm; at 5 m from 3.389 m to 9.528 m
    DepthOfField d = new DepthOfField(50, 8, 0.03, 5);
    assertEquals(10.4667, d.hyperfocalM(), 1e-4);
    assertEquals(3.389, d.nearLimitM(), 1e-3);
    assertEquals(9.528, d.farLimitM(), 1e-3);
  }

  @Test
  void focusedAtOrBeyondTheHyperfocalTheFarLimitIsInfinite() {
    double h = new DepthOfField(50, 8, 0.03, 5).hyperfocalM();
    DepthOfField d = new DepthOfField(50, 8, 0.03, h);
    assertEquals(Double.POSITIVE_INFINITY, d.farLimitM());
    assertEquals(h / 2, d.nearLimitM(), 1e-9);
    assertEquals(Double.POSITIVE_INFINITY, new DepthOfField(50, 8, 0.03, 100).farLimitM());
  }

  @Test
  void atTheLimitsTheBlurIsTheCircleOfConfusion() {
    DepthOfField d = new DepthOfField(65, 2.8, 0.019, 3);
    assertEquals(0.019, d.blurMm(d.nearLimitM()), 1e-9);
    assertEquals(0.019, d.blurMm(d.farLimitM()), 1e-9);
    assertEquals(0, d.blurMm(3));
    assertEquals(0, d.blurMm(0), "a subject at the lens has no blur disc");
  }

  @Test
  void theLensOpeningBlursAsTheFormulaSays() {
    // similar triangles through the opening, projected at the focal length
    DepthOfField d = new DepthOfField(50, 2, 0.03, 2);
    for (double depth : new double[] {0.7, 1.5, 4, 30}) {
      double onPlane = 2 * d.pupilRadiusM() * Math.abs(depth - 2) / 2;
      assertEquals(d.blurMm(depth), onPlane / depth * 50, 1e-12);
    }
  }

  @Test
  void wantedLimitsGiveBackFocusAndStop() {
    DepthOfField d = new DepthOfField(40, 4, 0.02, 3.7);
    double[] solved = DepthOfField.forLimits(40, 0.02, d.nearLimitM(), d.farLimitM());
    assertEquals(3.7, solved[0], 1e-9);
    assertEquals(4, solved[1], 1e-9);
    DepthOfField endless = new DepthOfField(40, 4, 0.02, d.hyperfocalM());
    double[] open =
        DepthOfField.forLimits(40, 0.02, endless.nearLimitM(), Double.POSITIVE_INFINITY);
    assertEquals(endless.focusM(), open[0], 1e-9);
    assertEquals(4, open[1], 1e-9);
  }

  @Test
  void theUsualCircleOfConfusionIsADiagonalOverFifteenHundred() {
    assertEquals(0.02884, FULL_FRAME.usualCircleOfConfusionMm(), 1e-5);
  }

  @Test
  void theWindowFitsTheDeliveryOnTheFilmBack() {
    double wide = 2.39;
    DeliveryWindow width = DeliveryWindow.of(50, FULL_FRAME, wide, Fit.WIDTH, 0, 0);
    assertEquals(36 / 50.0, width.width(), 1e-12);
    assertEquals(width.width() / wide, width.height(), 1e-12);
    assertEquals(
        24 / 50.0, DeliveryWindow.of(50, FULL_FRAME, wide, Fit.HEIGHT, 0, 0).height(), 1e-12);
    DeliveryWindow fill = DeliveryWindow.of(50, FULL_FRAME, wide, Fit.FILL, 0, 0),
        all = DeliveryWindow.of(50, FULL_FRAME, wide, Fit.SHOW_ALL, 0, 0);
    assertTrue(fill.width() <= 0.72 + 1e-12 && fill.height() <= 0.48 + 1e-12);
    assertTrue(all.width() >= 0.72 - 1e-12 && all.height() >= 0.48 - 1e-12);
    DeliveryWindow squeezed =
        DeliveryWindow.of(50, new FilmBack(21.95, 18.6, 2), wide, Fit.WIDTH, 0, 0);
    assertEquals(43.9 / 50, squeezed.width(), 1e-12);
  }

  @Test
  void shiftMovesTheWindowAndProjectionIsItsShare() {
    DeliveryWindow w = DeliveryWindow.of(50, FULL_FRAME, 1.5, Fit.WIDTH, 6, -3);
    assertEquals((6 - 18) / 50.0, w.left(), 1e-12);
    assertEquals((-3 + 12) / 50.0, w.top(), 1e-12);
    assertEquals(0.5, w.across(0.12 * 7, -7), 1e-12);
    assertEquals(0, w.down(w.top() * 4, -4), 1e-12);
    assertEquals(1, w.across(w.right() * 4, -4), 1e-12);
  }

  /** The lens view draws blur as a line over the inverse of depth: that is what it is. */
  @Test
  void blurIsEvenOverTheInverseOfDepth() {
    DepthOfField d = new DepthOfField(85, 2, 0.02, 3.5);
    for (double depth : new double[] {0.01, 0.3, 1, 3.5, 7, 40, 1e6})
      assertEquals(
          d.blurMm(depth), d.endlessBlurMm() * Math.abs(1 - 3.5 / depth), 1e-9 * (1 + 1 / depth));
  }
}
