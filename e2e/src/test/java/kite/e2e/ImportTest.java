package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.awt.image.BufferedImage;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import kite.core.document.Piece;
import kite.core.document.Shape;
import org.junit.jupiter.api.Test;

/** Point 3: models from elsewhere, good and hostile. */
class ImportTest extends Desk {
  private static byte[] foreign() throws Exception {
    Path file = Files.createTempFile("crate", ".glb");
    node("write-test-model.mjs", file.toString());
    return Files.readAllBytes(file);
  }

  private void bring(String name, byte[] bytes) {
    var chooser = page.waitForFileChooser(() -> button("Bring in a model").click());
    chooser.setFiles(new FilePayload(name, "model/gltf-binary", bytes));
  }

  @Test
  void anAnimatedModelFromAnotherLibraryPlaysMovesAndIsLookedAt() throws Exception {
    goTo(1001);
    choose("Dolly zoom on Oda");
    bring("crate.glb", foreign());
    button("Bring it in").click();
    page.getByText("crate is in:").waitFor();
    page.waitForFunction(
        "() => document.querySelector('aside.right .panel-head').textContent.includes('crate')");
    saved();
    Piece crate =
        application.stored().all(Piece.class).stream()
            .filter(p -> p.name().equals("crate"))
            .findFirst()
            .orElseThrow();
    assertEquals("slide", ((Shape.Model) crate.shape()).clip());
    type("Z of crate", "-20");
    type("X of crate", "0.2");
    choose("Dolly zoom on Oda");
    settled();
    BufferedImage start = lens();
    goTo(1013);
    BufferedImage half = lens();
    assertTrue(difference(start, half) > 0.004, "it slides by its own animation");
    goTo(1025);
    goTo(1001);
    assertTrue(difference(start, lens()) < 0.003, "and the same frame is the same picture again");
    // attend to it: its middle falls on the middle of the frame wherever its animation takes it
    page.getByText("+ Part", new Page.GetByTextOptions().setExact(true)).click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Attention")).click();
    thing("Add", "crate");
    for (int frame : new int[] {1001, 1009, 1019}) {
      goTo(frame);
      double slid = 3 * ((frame - 1001) / 24.0 % 1);
      double[] p = project(0.2 + slid, (0.5 + 1.05) / 2, -20);
      assertEquals(0.5, p[0], 1e-4, "frame " + frame);
      assertEquals(0.5, p[1], 1e-4, "frame " + frame);
    }
  }

  @Test
  void droppingAFileOnTheWindowBringsItIn() throws Exception {
    String data = java.util.Base64.getEncoder().encodeToString(foreign());
    page.evaluate(
        """
        data => {
          const t = new DataTransfer();
          t.items.add(new File([Uint8Array.from(atob(data), c => c.charCodeAt(0))], 'dropped.glb'));
          for (const type of ['dragover', 'drop']) document.querySelector('.app').dispatchEvent(new DragEvent(type, { bubbles: true, dataTransfer: t }));
        }""",
        data);
    button("Bring it in").click();
    page.getByText("dropped is in:").waitFor();
    page.locator("aside.left .row")
        .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("dropped"))
        .waitFor();
  }

  @Test
  void hostileFilesGetOneSentenceAndChangeNothing() throws Exception {
    byte[] good = foreign();
    byte[] lengths = good.clone();
    ByteBuffer.wrap(lengths).order(ByteOrder.LITTLE_ENDIAN).putInt(8, Integer.MAX_VALUE);
    byte[] magic = good.clone();
    magic[0] = 'x';
    byte[] nan = good.clone();
    int json = ByteBuffer.wrap(nan).order(ByteOrder.LITTLE_ENDIAN).getInt(12);
    for (int i = 20 + json + 8; i + 4 <= nan.length; i += 4)
      ByteBuffer.wrap(nan).order(ByteOrder.LITTLE_ENDIAN).putFloat(i, Float.NaN);
    String deep =
        "{\"asset\":{\"version\":\"2.0\"},\"extras\":" + "[".repeat(5000) + "]".repeat(5000) + "}";
    String external =
        "{\"asset\":{\"version\":\"2.0\"},\"buffers\":[{\"byteLength\":4,\"uri\":\"http://127.0.0.1:1/secret.bin\"}]}";
    refused("magic.glb", magic, "This is not a glTF model");
    refused("short.glb", java.util.Arrays.copyOf(good, good.length / 2), "cut short or damaged");
    refused("length.glb", lengths, "cut short or damaged");
    refused("nan.glb", nan, "not finite");
    refused("deep.gltf", deep.getBytes(StandardCharsets.UTF_8), "levels deep");
    refused("external.gltf", external.getBytes(StandardCharsets.UTF_8), "in another file");
    assertEquals(0, number("() => jollyKite.state().revision"));
  }

  private void refused(String name, byte[] bytes, String sentence) {
    bring(name, bytes);
    String said = page.getByRole(AriaRole.ALERT).textContent();
    assertTrue(said.contains(sentence), said);
    assertTrue(button("Bring it in").isDisabled());
    button("Close").click();
  }
}
