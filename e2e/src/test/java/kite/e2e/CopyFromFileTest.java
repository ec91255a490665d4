package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.FileChooser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Remove;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.demo.SaltWind;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Taking cameras out of a sequence's file into a sequence that is there. */
class CopyFromFileTest extends Desk {
  private byte[] file() throws Exception {
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    return pim.getBytes("api/sequences/" + sequence + "/file").body();
  }

  /** Choosers are waited for before a key can open one. */
  @BeforeEach
  void expectChoosers() {
    page.onFileChooser(IGNORED);
    page.evaluate("() => 0");
  }

  @AfterEach
  void noMoreChoosers() {
    page.offFileChooser(IGNORED);
  }

  private static final Consumer<FileChooser> IGNORED = c -> {};

  private void bring(String name, byte[] file) {
    page.keyboard().press("Control+k");
    page.getByPlaceholder("What would you like to do?").fill("sequence’s file");
    FileChooser chooser = page.waitForFileChooser(() -> page.keyboard().press("Enter"));
    chooser.setFiles(new FilePayload(name, "application/zip", file));
  }

  @Test
  void aCameraComesWithItsPathAndWhomItLooksAt() throws Exception {
    byte[] file = file();
    Sequence whole = new SaltWind().sw010();
    Camera along =
        whole.all(Camera.class).stream()
            .filter(c -> c.name().equals("Along the stalls"))
            .findFirst()
            .orElseThrow();
    Set<String> gone = new HashSet<>();
    for (Entity e : whole.entities().values()) gone.add(e.id());
    reopened(Edit.apply(whole, List.of(new Remove(List.copyOf(gone), true))));
    assertEquals(0, application.stored().entities().size());
    bring("SW010.kite.zip", file);
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    dialog.getByLabel("Find in the file").fill("stalls");
    dialog.getByLabel(Pattern.compile("Along the stalls")).check();
    dialog.getByText("Copy it in").click();
    page.locator("aside.left .row .name[title='Along the stalls']").waitFor();
    page.waitForFunction("() => jollyKite.state().pending === 0 && jollyKite.state().coming === 0");
    Sequence now = application.stored();
    assertEquals(along, now.get(along.id()), "as it was, under its own id");
    assertTrue(now.entities().size() > 3, "with what it leans on: " + now.entities().keySet());
    assertTrue(now.entities().size() < whole.entities().size());
    page.keyboard().press("Control+z");
    page.waitForFunction("() => jollyKite.state().revision === 2");
    assertEquals(0, application.stored().entities().size(), "one edit, taken back whole");
  }

  @Test
  void whatIsThereKeepsItsNameAndLetter() throws Exception {
    byte[] file = file();
    Sequence before = application.stored();
    bring("SW010.kite.zip", file);
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    dialog.getByLabel(Pattern.compile("Lantern to Pim")).check();
    dialog.getByText("Copy it in").click();
    page.locator("aside.left .row .name[title='Lantern to Pim 2']").waitFor();
    page.waitForFunction("() => jollyKite.state().pending === 0");
    Sequence now = application.stored();
    for (Entity e : before.entities().values()) assertEquals(e, now.get(e.id()));
    Set<String> letters = new HashSet<>();
    for (Camera c : now.all(Camera.class)) assertTrue(letters.add(c.letter()), c.letter());
    assertNotEquals(before.entities().size(), now.entities().size());
  }

  @Test
  void aFileThatIsNoneIsSaid() {
    bring("nothing.kite.zip", "not a zip at all".getBytes(java.nio.charset.StandardCharsets.UTF_8));
    page.getByText(Pattern.compile("This is no zip file.*")).waitFor();
    page.getByText("Leave it").click();
  }
}
