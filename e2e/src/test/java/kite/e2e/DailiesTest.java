package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import javax.imageio.ImageIO;
import kite.core.command.ChannelCommand;
import kite.core.curve.Channel;
import kite.core.document.CameraPackage;
import kite.core.document.Sequence;
import kite.demo.SaltWind;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Looking at what was rendered: two versions of a shot of six frames. */
class DailiesTest extends Desk {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private Person pim;

  @Override
  Sequence document() {
    Sequence s = new SaltWind().sw010();
    CameraPackage p = s.header().cameraPackage();
    return delivered(
        s, new CameraPackage(p.filmBack(), 960, 540, p.fit(), p.circleOfConfusionMm()));
  }

  /** Has the last shot rendered with depth and names; gives the render's id. */
  private String rendered(int version) throws Exception {
    if (pim == null) pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    Map<String, Object> kept =
        Map.of(
            "form",
            "EXR",
            "passes",
            List.of("depth", "pieces"),
            "lights",
            List.of(),
            "surroundings",
            true,
            "bounce",
            false);
    String id =
        Person.json(
                pim.post(
                    "api/sequences/" + sequence + "/renders",
                    Map.of(
                        "what", "shot", "span", "cut4", "frame", 0, "percent", 25, "samples", 4,
                        "kept", kept)))
            .path("id")
            .asString();
    desk("Hand over");
    page.locator("[data-job=DONE]", new Page.LocatorOptions().setHasText("v" + version)).waitFor();
    return id;
  }

  private void seen(String render, int frame) {
    page.waitForFunction(
        "s => document.querySelector('[data-testid=dailies] canvas')?.dataset.seen === s",
        render + " " + frame);
  }

  private BufferedImage screen() throws IOException {
    page.evaluate(NEXT_FRAMES);
    String url =
        (String)
            page.evaluate(
                "() => document.querySelector('[data-testid=dailies] canvas').toDataURL('image/png')");
    return ImageIO.read(
        new ByteArrayInputStream(Base64.getDecoder().decode(url.substring(url.indexOf(',') + 1))));
  }

  private static double light(BufferedImage a) {
    double sum = 0;
    for (int y = 0; y < a.getHeight(); y++)
      for (int x = 0; x < a.getWidth(); x++) sum += a.getRGB(x, y) >> 8 & 255;
    return sum / (a.getWidth() * a.getHeight());
  }

  private Locator keys() {
    Locator box = page.getByTestId("dailies");
    box.focus();
    return box;
  }

  /**
   * What was made stands above the views of the Hand over desk, the newest first, and nowhere else.
   */
  @Test
  void whatWasMadeStandsAboveTheViews() throws Exception {
    String first = rendered(1), second = rendered(2);
    Locator all = page.locator(".results [data-version]");
    page.locator(".results [data-version='" + second + "']").waitFor();
    assertEquals(second, all.first().getAttribute("data-version"));
    page.waitForFunction(
        "() => [...document.querySelectorAll('.results img')].every(i => i.naturalWidth > 0)");
    page.locator(".results [data-version='" + first + "']").click();
    seen(first, 1);
    page.getByText("Back to the views").click();
    desk("Cut");
    assertEquals(0, page.locator(".results").count());
  }

  @Test
  void twoVersionsAreComparedAndReadPixelByPixel() throws Exception {
    String first = rendered(1);
    // the lens of that shot is shifted in the second
    String camera = kite.core.cut.Programme.of(application.stored()).of("cut4").camera();
    var made =
        pim.edit(
            sequence,
            UUID.randomUUID(),
            0,
            new ChannelCommand.SetChannel(camera, "shiftX", Channel.fixed(4)));
    assertEquals(200, made.statusCode(), made.body());
    String second = rendered(2);
    page.locator("[data-job=DONE]", new Page.LocatorOptions().setHasText("v1"))
        .getByText("Look")
        .click();
    seen(first, 1);
    BufferedImage alone = screen();
    assertTrue(light(alone) > 10);
    keys().press("ArrowRight");
    seen(first, 2);
    keys().press("End");
    seen(first, 6);
    keys().press("Home");
    seen(first, 1);

    // a stop lighter is lighter, made so from the file's own light; and back
    keys().press("ArrowUp");
    page.getByText("+1 stops").waitFor();
    page.waitForFunction("() => !document.querySelector('.dailies-why')");
    seen(first, 1);
    assertTrue(light(screen()) > light(alone) * 1.1, light(screen()) + " of " + light(alone));
    keys().press("ArrowDown");
    seen(first, 1);
    assertEquals(0, difference(alone, screen()), 0.001);

    // the same beside itself is no difference; the other version is one
    page.getByLabel("Beside").selectOption(second);
    page.getByLabel("Seen together").getByText("Difference").click();
    page.waitForFunction("() => !document.querySelector('.dailies-why')");
    page.evaluate(NEXT_FRAMES);
    page.waitForCondition(
        () -> {
          try {
            return light(screen()) > 5;
          } catch (IOException e) {
            throw new IllegalStateException(e);
          }
        });
    // both are lightened, each from its own file: what differs, differs more
    double apart = light(screen());
    keys().press("ArrowUp");
    page.getByText("+1 stops").waitFor();
    page.waitForFunction("() => !document.querySelector('.dailies-why')");
    page.waitForCondition(
        () -> {
          try {
            return light(screen()) > apart * 1.05;
          } catch (IOException e) {
            throw new IllegalStateException(e);
          }
        });
    keys().press("ArrowDown");
    page.getByLabel("Beside").selectOption("The lens view as it is now");
    page.getByLabel("Seen together").getByText("Wipe").click();
    page.evaluate(NEXT_FRAMES);
    page.getByLabel("Beside").selectOption("Nothing");

    // what is in the pixel in the middle is what the file says of it
    var box = page.getByTestId("dailies").boundingBox();
    page.mouse().click(box.x + box.width / 2, box.y + box.height / 2);
    page.getByTestId("pixel").getByText("away").waitFor();
    String said = page.getByTestId("pixel").innerText();
    String[] at = said.split("\n")[0].replace("pixel ", "").split(", ");
    JsonNode told =
        Person.json(pim.get("api/renders/" + first + "/frames/1/pixel?x=" + at[0] + "&y=" + at[1]));
    assertEquals(120, Integer.parseInt(at[0]), 2);
    assertTrue(
        said.contains(told.path("piece").asString()) && told.path("piece").asString().length() > 1,
        said);
    assertTrue(told.path("depthM").asDouble() > 1, told.toString());

    page.getByLabel("Layer").selectOption("depth");
    page.waitForFunction("() => !document.querySelector('.dailies-why')");
    seen(first, 1);
    BufferedImage depth = screen();
    assertTrue(difference(alone, depth) > 0.3);
    int p = depth.getRGB(depth.getWidth() / 2, depth.getHeight() / 2);
    assertEquals(p & 255, p >> 16 & 255, "grey");
  }

  @Test
  void versionsAndTheReelArePlayedOneAfterTheOther() throws Exception {
    String first = rendered(1), second = rendered(2);
    page.locator("[data-job=DONE]", new Page.LocatorOptions().setHasText("v2"))
        .getByText("Look")
        .click();
    seen(second, 1);
    page.getByText("Its versions").click();
    seen(first, 1);
    page.getByText("1 of 12").waitFor();
    keys().press("End");
    seen(second, 6);
    page.getByText("The reel", new Page.GetByTextOptions().setExact(true)).click();
    page.getByText("1 of 6").waitFor();
    seen(second, 1);
    keys().press(" ");
    page.waitForFunction(
        "() => document.querySelector('[data-testid=dailies] canvas').dataset.seen.endsWith(' 3')");
    keys().press("j"); // backwards from there, past the first to the last
    page.waitForFunction(
        "() => document.querySelector('[data-testid=dailies] canvas').dataset.seen.endsWith(' 6')");
    keys().press("k");
    page.keyboard().press("Escape");
    page.waitForFunction("() => !document.querySelector('[data-testid=dailies]')");
  }

  @Test
  void nothingToLookAtSaysWhatToDo() {
    page.keyboard().press("Control+k");
    page.getByPlaceholder("What would you like to do?").fill("Dailies");
    page.keyboard().press("Enter");
    page.getByText("Nothing was rendered yet").waitFor();
  }

  @Test
  void whatIsNotThereIsASentence() throws Exception {
    String id = rendered(1);
    for (String[] asked :
        new String[][] {
          {"frames/7/layers", "404", "frame"},
          {"frames/1/layer.png?name=gloom", "404", "layer"},
          {"frames/1/layer.png?stops=99", "422", "20 stops"},
          {"frames/1/pixel?x=-1&y=0", "404", "pixel"}
        }) {
      var r = pim.get("api/renders/" + id + "/" + asked[0]);
      assertEquals(asked[1], "" + r.statusCode(), asked[0]);
      assertTrue(r.body().contains(asked[2]), r.body());
    }
  }
}
