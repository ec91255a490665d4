package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.document.PlacedSet;
import kite.core.document.Sequence;
import kite.demo.SaltWind;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** A set made in one sequence, placed in another, changed, and taken, through the page. */
class SharedSetsTest extends Desk {
  @AfterEach
  void noSets() throws Exception {
    Application.sql("delete from shared_set");
  }

  private Locator dialog() {
    return page.getByRole(AriaRole.DIALOG);
  }

  private void sets() {
    page.keyboard().press("Control+k");
    page.getByPlaceholder("What would you like to do?").fill("sets of the production");
    page.keyboard().press("Enter");
    dialog().getByText("All of them").waitFor();
  }

  private void open(String id) {
    page.evaluate("id => location.hash = id", id);
    ready(page);
  }

  @Test
  void aSetIsSharedAndItsLaterVersionTakenWithOnesOwnChangesKept() throws Exception {
    SaltWind salt = new SaltWind();
    String other = application.resetProduction(salt.sw020());
    choose("Windmill");
    sets();
    dialog().getByLabel("Name of a new set").fill("Mill");
    button("Make it of 1 thing").click();
    dialog().getByLabel("Mill here").waitFor();
    saved();
    PlacedSet made = application.stored().header().sets().get(0);
    assertEquals("windmill", made.ids().get("windmill"), made.toString());
    // a name that is taken is said at its field
    dialog().getByLabel("Name of a new set").fill("mill");
    button("Make it of 1 thing").click();
    dialog().getByText(Pattern.compile("The production has a set “mill” already.*")).waitFor();
    page.keyboard().press("Escape");

    open(other);
    sets();
    dialog().getByLabel("Place Mill").click();
    dialog().getByLabel("Mill here").waitFor();
    saved();
    page.keyboard().press("Escape");
    Sequence there = application.stored("SW020");
    String mill = there.header().sets().get(0).ids().get("windmill");
    assertTrue(there.get(mill) != null, mill);
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    assertEquals(
        200,
        pim.edit(other, UUID.randomUUID(), 1, new SetValue(mill, "z", 1001, -7, false))
            .statusCode());
    open(sequence);
    assertEquals(
        200,
        pim.edit(sequence, UUID.randomUUID(), 1, new SetValue("windmill", "x", 1001, 9, false))
            .statusCode());
    page.waitForFunction("() => jollyKite.state().revision === 2");
    choose("Windmill");
    page.keyboard().press("Escape");
    sets();
    dialog().getByLabel("Note of the next version of Mill").fill("nearer the pier");
    dialog().getByText(Pattern.compile("Keep as v002.*")).click();
    dialog().getByText("Keep as v003").waitFor();
    saved();
    page.keyboard().press("Escape");

    open(other);
    sets();
    dialog().getByText(Pattern.compile("v002 is there, by pim: nearer the pier")).waitFor();
    button("Take v002 …").click();
    dialog().getByText(Pattern.compile("Different: .*Windmill.*")).waitFor();
    BufferedImage before = picture("As it is now"), after = picture("With v002");
    assertEquals(320, before.getWidth());
    assertTrue(Pictures.edgeCorrelation(before, after) < 0.999, "the mill stands elsewhere");
    button("Look at both").click();
    page.getByTestId("compare").waitFor();
    button("Done comparing").click();
    sets();
    button("Take v002 …").click();
    button("Take it, as one edit").click();
    saved();
    Sequence now = application.stored("SW020");
    assertEquals(9, value(now, mill, "x"), "theirs");
    assertEquals(-7, value(now, mill, "z"), "and one's own");
    assertEquals(2, now.header().sets().get(0).version());
    page.keyboard().press("Escape");
    page.keyboard().press("Control+z");
    saved();
    assertEquals(1, application.stored("SW020").header().sets().get(0).version(), "undone whole");
  }

  /** A picture in the window, as the server rendered it. */
  private BufferedImage picture(String says) throws Exception {
    Locator image = dialog().getByAltText(says);
    image.waitFor();
    page.waitForFunction("i => i.naturalWidth > 0", image.elementHandle());
    return ImageIO.read(new ByteArrayInputStream(fetch(image.getAttribute("src"))));
  }

  private static double value(Sequence s, String id, String channel) {
    return s.get(id).channels().get(s.get(id).channelSpec(channel)).at(1001);
  }

  @Test
  void whatIsNoSetIsRefused() throws Exception {
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    String path = "api/sequences/" + sequence + "/sets";
    assertEquals(
        422,
        pim.post(path, Map.of("name", "X", "note", "", "document", "{\"format\":1}")).statusCode());
    String whole = Person.json(pim.get("api/sequences/" + sequence)).get("document").toString();
    var cameras = pim.post(path, Map.of("name", "X", "note", "", "document", whole));
    assertEquals(422, cameras.statusCode());
    assertTrue(cameras.body().contains("cannot be in a set"), cameras.body());
    assertEquals(0, Person.json(pim.get(path)).size());
  }
}
