package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.document.Air;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Light;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.document.StandInKind;
import kite.core.evaluate.Plan;
import kite.core.math.AxisOrder;
import kite.core.optics.DepthOfField;
import kite.core.rig.RigPart;
import kite.core.rig.base.Base;
import kite.demo.SaltWind;
import kite.exchange.gltf.GlbReader;
import kite.render.Exposed;
import kite.render.FrameRenderer;
import kite.render.ModelGeometry;
import kite.render.Picture;
import kite.render.Quality;
import kite.render.SceneBuilder;
import org.junit.jupiter.api.Test;

/** Standards, plates, tracks; and the lens view held against the renderer. */
class PackageTest extends Desk {
  @Override
  double pixelRatio() {
    return 1;
  }

  @Override
  Sequence document() {
    return new SaltWind().sw010();
  }

  @Test
  void standardsReachEverySequenceThatFollowsAndLeaveWhatDecidesForItself() throws Exception {
    application.resetProduction(new SaltWind().sw020());
    desk("Frame");
    choose("Lantern to Pim");
    double[] before = project(0.4, 1.1, -12.6);
    button("Standards").click();
    page.locator("[role=dialog] [aria-label='Film back']").selectOption("Anamorphic 2×");
    page.locator("[role=dialog] [aria-label=Delivery]").selectOption("2048×858");
    button("See what will change").click();
    String effects = page.getByTestId("effects").textContent();
    assertTrue(effects.contains("→ Anamorphic 2× on 7 cameras"), effects);
    assertEquals(before[0], project(0.4, 1.1, -12.6)[0], "only looked at so far");
    button("Change all that follow").click();
    page.waitForFunction(
        "() => Math.abs(jollyKite.project(0.4, 1.1, -12.6)[0] - " + before[0] + ") > 0.001");
    // 21.95 mm squeezed twofold instead of 24.89 mm
    assertEquals((before[0] - 0.5) * 24.89 / (2 * 21.95), project(0.4, 1.1, -12.6)[0] - 0.5, 1e-9);
    assertEquals(2048, application.stored("SW010").header().cameraPackage().deliveryWidth());
    Sequence other = application.stored("SW020");
    assertEquals(2048, other.header().cameraPackage().deliveryWidth());
    assertEquals(36, other.header().cameraPackage().filmBack().widthMm(), "its own film back");
    // bad values are refused where they are typed
    button("Standards").click();
    type("Usual near clip", "5000");
    page.getByText("The usual far clip must be farther than the near clip.").waitFor();
    assertTrue(button("1 thing to mend first").isDisabled());
    button("Leave them as they were").click();
    application.resetProduction(new SaltWind().sw020());
  }

  @Test
  void aPlateLiesInTheFrameTheSameInViewAndRender() throws Exception {
    SaltWind salt = new SaltWind();
    String id = application.resetProduction(salt.sw020());
    page.navigate(application.address() + "#" + id);
    page.reload();
    ready(page);
    desk("Frame");
    goTo(1024);
    settled();
    BufferedImage seen = lens();
    Map<String, BufferedImage> images = new HashMap<>();
    for (SaltWind.Asset a : salt.plate())
      images.put(a.sha256(), ImageIO.read(new ByteArrayInputStream(a.bytes())));
    BufferedImage rendered =
        rendered(
            salt.sw020(), "camA", 1024, seen.getWidth(), seen.getHeight(), 4, models(), images);
    BufferedImage plate =
        Pictures.scaled(
            images.get(salt.plate().get(23).sha256()), seen.getWidth(), seen.getHeight());
    // compared coarsely: the two draw the edges of a smaller picture each in its own way
    BufferedImage a = Pictures.scaled(seen, 96, 54), b = Pictures.scaled(rendered, 96, 54);
    BufferedImage behind = Pictures.scaled(plate, 96, 54);
    int plateInBoth = 0, whaleInBoth = 0, apart = 0;
    for (int y = 0; y < 54; y++) {
      for (int x = 0; x < 96; x++) {
        boolean whaleSeen = apart(a.getRGB(x, y), behind.getRGB(x, y)) > 60;
        boolean whaleMade = apart(b.getRGB(x, y), behind.getRGB(x, y)) > 60;
        if (whaleSeen && whaleMade) whaleInBoth++;
        else if (whaleSeen || whaleMade) apart++;
        else plateInBoth++;
      }
    }
    assertTrue(plateInBoth > 0.8 * 96 * 54, "the plate: " + plateInBoth);
    assertTrue(whaleInBoth > 150, "the whale: " + whaleInBoth);
    assertTrue(apart < whaleInBoth * 0.2, "only its edge differs: " + apart + " of " + whaleInBoth);
    int w = seen.getWidth(), h = seen.getHeight();
    for (double[] p : new double[][] {{0.2, 0.9}, {0.9, 0.9}, {0.55, 0.95}})
      assertTrue(
          apart(
                  seen.getRGB((int) (p[0] * w), (int) (p[1] * h)),
                  plate.getRGB((int) (p[0] * w), (int) (p[1] * h)))
              < 40,
          "the plate's own picture at the foot of the frame");
  }

  private static Map<String, ModelGeometry> models() throws Exception {
    Map<String, ModelGeometry> all = new HashMap<>();
    for (SaltWind.Asset a : new SaltWind().assets())
      all.put(a.sha256(), GlbReader.read(a.bytes()).geometry());
    return all;
  }

  private static BufferedImage rendered(
      Sequence s,
      String camera,
      int frame,
      int w,
      int h,
      int samples,
      Map<String, ModelGeometry> models,
      Map<String, BufferedImage> images) {
    Plan plan = new Plan(s, a -> models.get(a) == null ? null : models.get(a).rig());
    Camera c = (Camera) s.get(camera);
    Picture p =
        new FrameRenderer(
                Exposed.sharp(s, plan, c, frame, new SceneBuilder(models::get), images::get))
            .render(w, h, Quality.exact(samples), 2, () -> false);
    BufferedImage b = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
    b.setRGB(0, 0, w, h, p.argb(), 0, w);
    return b;
  }

  private static Piece piece(
      String id, StandInKind kind, double size, String colour, double x, double y, double z) {
    return new Piece(
        id,
        id,
        null,
        new Shape.StandIn(kind, size, kind == StandInKind.PLANE ? 0 : size, size),
        colour,
        true,
        false,
        AxisOrder.PAN_TILT_ROLL,
        Channels.NONE.with("x", x).with("y", y).with("z", z));
  }

  private static Camera camera(boolean blur, Channels lens, double y, double tilt) {
    List<RigPart> rig =
        List.of(
            new Base(
                "base",
                true,
                null,
                Base.Takes.POSITION,
                Channels.NONE.with("y", y).with("tilt", tilt)));
    return new Camera("cam", "Camera", "A", "#f0785a", false, blur, lens, rig);
  }

  private Sequence only(List<Command> all) {
    return Edit.apply(new Sequence(new SaltWind().sw010().header(), Map.of()), all);
  }

  private void open(Sequence s) throws Exception {
    application.reset(s);
    page.navigate(application.address() + "?view=lens#" + sequence);
    page.reload();
    ready(page);
  }

  /** Small bright balls out of focus: the discs they make, by the spread of their light. */
  @Test
  void theLensViewBlursAsTheRendererAtFiveDepths() throws Exception {
    double[] depths = {3.1, 3.7, 8, 12, 30};
    double mm = 85, stop = 1.8, focus = 5;
    List<Command> all = new ArrayList<>();
    for (int i = 0; i < depths.length; i++) {
      double size = depths[i] * 0.0011;
      all.add(
          new Add(
              piece(
                  "ball" + i,
                  StandInKind.SPHERE,
                  size,
                  "#ffffff",
                  (i - 2) * 0.05 * depths[i],
                  1.5 - size / 2,
                  -depths[i])));
    }
    all.add(
        new Add(
            new Light(
                "sun",
                "Sun",
                "#ffffff",
                "#000000",
                "#000000",
                Channels.NONE.with("elevation", 2).with("intensity", 100).with("softness", 0))));
    Channels lens =
        Channels.NONE.with("focalLength", mm).with("fStop", stop).with("focusDistance", focus);
    all.add(new Add(camera(true, lens, 1.5, 0)));
    Sequence s = only(all);
    open(s);
    page.setViewportSize(1280, 760);
    page.evaluate(NEXT_FRAMES);
    BufferedImage seen = lens();
    BufferedImage made = rendered(s, "cam", 1001, 640, 360, 300, Map.of(), Map.of());
    DepthOfField d = new DepthOfField(mm, stop, 0.02, focus);
    for (int i = 0; i < depths.length; i++) {
      double[] at = project((i - 2) * 0.05 * depths[i], 1.5, -depths[i]);
      double reach = d.blurMm(depths[i]) / 14 * 0.75 + 0.012;
      double inPage = disc(seen, at, reach), inRender = disc(made, at, reach);
      assertEquals(1, inPage / inRender, 0.1, depths[i] + " m: " + inPage + " and " + inRender);
      double ball = 0.0011 * mm / 14;
      double told = Math.hypot(d.blurMm(depths[i]) / 14, ball);
      assertEquals(1, inRender / told, 0.12, "and as the core says: " + told);
    }
  }

  /**
   * The diameter, as a share of the picture's height, of the even disc whose light is spread as
   * that around a place: a disc of diameter D has a variance of D²/16 along each axis.
   */
  private static double disc(BufferedImage a, double[] at, double reach) {
    int h = a.getHeight(), r = (int) Math.ceil(reach * h);
    int cx = (int) (at[0] * a.getWidth()), cy = (int) (at[1] * h);
    double sum = 0, sx = 0, sy = 0, sxx = 0, syy = 0;
    for (int y = cy - r; y <= cy + r; y++) {
      for (int x = cx - r; x <= cx + r; x++) {
        if (x < 0 || y < 0 || x >= a.getWidth() || y >= h) continue;
        double v = Math.pow((a.getRGB(x, y) >> 8 & 255) / 255.0, 2.2);
        sum += v;
        sx += v * x;
        sy += v * y;
        sxx += v * x * x;
        syy += v * y * y;
      }
    }
    double var = (sxx + syy - (sx * sx + sy * sy) / sum) / sum / 2;
    return 4 * Math.sqrt(var) / h;
  }

  @Test
  void lightsAndHazeAreAsBrightInTheLensViewAsInTheRender() throws Exception {
    List<Command> all = new ArrayList<>();
    all.add(new Add(piece("ground", StandInKind.PLANE, 30, "#b0b0b0", 0, 0, -12)));
    all.add(new Add(piece("box", StandInKind.BOX, 1, "#b05030", -1.2, 0, -8)));
    all.add(new Add(lamp("bulb", Light.Form.POINT, "#000000", 1.5, 1.8, -6, 0, 6)));
    all.add(new Add(lamp("cone", Light.Form.SPOT, "#404040", -1.5, 3.5, -7, -70, 14)));
    all.add(
        new Add(
            new Air(
                "air",
                "Air",
                "#6080a0",
                "#203040",
                Channels.NONE.with("density", 0.03).with("height", 8))));
    all.add(new Add(camera(false, Channels.NONE.with("focalLength", 24), 1.6, -8)));
    Sequence s = only(all);
    open(s);
    BufferedImage seen = lens();
    int w = seen.getWidth(), h = seen.getHeight();
    BufferedImage made = rendered(s, "cam", 1001, w, h, 36, Map.of(), Map.of());
    double[][] places = {{1, 0, -6}, {2.5, 0, -8}, {0.4, 0, -11}, {-1.2, 0.5, -7.45}, {2, 0, -20}};
    for (double[] p : places) {
      double[] at = project(p);
      double[] a = mean(seen, at), b = mean(made, at);
      for (int i = 0; i < 3; i++)
        assertEquals(
            b[i], a[i], 9 + b[i] * 0.1, "at " + java.util.Arrays.toString(p) + " channel " + i);
    }
    double[] sky = mean(seen, new double[] {0.5, 0.1}),
        skyMade = mean(made, new double[] {0.5, 0.1});
    for (int i = 0; i < 3; i++) assertEquals(skyMade[i], sky[i], 6, "behind everything");
  }

  private static Light lamp(
      String id,
      Light.Form form,
      String tint,
      double x,
      double y,
      double z,
      double tilt,
      double power) {
    Channels c =
        Channels.NONE.with("x", x).with("y", y).with("z", z).with("power", power).with("radius", 0);
    if (form == Light.Form.SPOT) c = c.with("tilt", tilt);
    return new Light(
        id,
        id,
        form,
        null,
        null,
        "#ffffff",
        form == Light.Form.SPOT ? 3200 : 0,
        false,
        tint,
        true,
        "#000000",
        "#000000",
        true,
        null,
        c);
  }

  /** Mean screen values of 7 × 7 pixels about a place. */
  private static double[] mean(BufferedImage a, double[] at) {
    double[] sum = new double[3];
    int cx = (int) (at[0] * a.getWidth()), cy = (int) (at[1] * a.getHeight());
    for (int y = cy - 3; y <= cy + 3; y++)
      for (int x = cx - 3; x <= cx + 3; x++)
        for (int i = 0; i < 3; i++) sum[i] += (a.getRGB(x, y) >> (16 - 8 * i) & 255) / 49.0;
    return sum;
  }

  @Test
  void ourOwnHandOverComesBackAsTheSameMotion() throws Exception {
    byte[] usda = fetch("api/sequences/" + sequence + "/hand-over/cameras/camB.usda");
    choose("Along the stalls");
    goTo(1100);
    double[] world = numbers("() => jollyKite.camera().world");
    page.getByText("+ Add", new Page.GetByTextOptions().setExact(true)).click();
    var chooser =
        page.waitForFileChooser(
            () ->
                page.getByRole(
                        com.microsoft.playwright.options.AriaRole.MENUITEM,
                        new Page.GetByRoleOptions().setName("Camera track from a file…"))
                    .click());
    chooser.setFiles(new FilePayload("camB.usda", "text/plain", usda));
    page.getByTestId("track-span").waitFor();
    button("Bring it in").click();
    page.getByText("240 frames from 1001 on").waitFor();
    goTo(1100);
    assertArrayEquals(world, numbers("() => jollyKite.camera().world"), 1e-6);
    assertEquals(32, numbers("() => jollyKite.camera().lens")[0], 1e-6);
  }
}
