package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.FileChooser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.ShortBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Remove;
import kite.core.command.RigCommand;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.demo.SaltWind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Sounds over the reel of SW030, which begins with none. */
class SoundTest extends Desk {
  @TempDir Path folder;

  @Override
  Sequence document() {
    Sequence s =
        Edit.apply(new SaltWind().sw030(), List.of(new Remove(List.of("cut6", "track1"), true)));
    for (Camera c : s.all(Camera.class))
      s = Edit.apply(s, List.of(new RigCommand.SetDepthOfField(c.id(), false)));
    return s;
  }

  /** A tone from the first to the second second of three, half as loud as can be. */
  private Path beep(String ending) throws Exception {
    return made("beep" + ending, "aevalsrc='0.5*sin(2*PI*440*t)*between(t,1,2)':s=48000:d=3");
  }

  private Path made(String name, String source, String... how) throws Exception {
    Path to = folder.resolve(name);
    List<String> command =
        new ArrayList<>(List.of("ffmpeg", "-y", "-v", "error", "-f", "lavfi", "-i", source));
    command.addAll(List.of(how));
    command.add(to.toString());
    ran(command);
    return to;
  }

  private static byte[] ran(List<String> command) throws Exception {
    Process p = new ProcessBuilder(command).redirectError(ProcessBuilder.Redirect.INHERIT).start();
    byte[] said = p.getInputStream().readAllBytes();
    assertTrue(p.waitFor(1, TimeUnit.MINUTES));
    assertEquals(0, p.exitValue(), command.toString());
    return said;
  }

  private void bring(Path file) {
    FileChooser chooser = page.waitForFileChooser(() -> button("Sound…").click());
    chooser.setFiles(file);
  }

  private void bringBeep(double frame) throws Exception {
    desk("Cut");
    reel(frame);
    bring(beep(".wav"));
    sounds().waitFor();
    page.locator("[data-sound] path").first().waitFor();
  }

  private Locator sounds() {
    return page.locator("[data-sound] > g");
  }

  private void reel(double frame) {
    page.evaluate("f => jollyKite.goToReel(f)", frame);
    drawn();
  }

  private Sound stored() throws Exception {
    saved();
    return application.stored().all(Sound.class).get(0);
  }

  @Test
  void aRecordingIsLaidOnThePlayheadAndHeardThere() throws Exception {
    bringBeep(1025);
    Sound x = stored();
    assertEquals(1025, x.at());
    assertEquals(3, x.lastsS(), 1e-6);
    assertEquals("beep", x.name());
    // it begins a second in, and one frame is a twenty-fourth
    reel(1040);
    page.locator("[data-play]").click();
    Object told =
        page.evaluate(
            "() => new Promise(done => { const all = []; const look = () => {"
                + " const s = jollyKite.state(); all.push([s.heard, s.loudness, s.reel]);"
                + " if (s.heard > 1085 || !s.playing) done(all); else requestAnimationFrame(look); };"
                + " look(); })");
    page.keyboard().press("Space");
    double loudest = 0;
    List<?> all = (List<?>) told;
    for (int i = 0; i + 1 < all.size(); i++) {
      double frame = told(all, i, 0), loud = told(all, i, 1);
      // a page may stand still between one look and the other: sound goes on meanwhile
      double next = told(all, i + 1, 0);
      assertTrue(loud < 0.55, "as loud as it is: " + loud);
      // the tone is on frames 1049 to 1072; what is listened to are the last 43 ms, one frame
      if (next < 1048.5 || frame > 1075) assertTrue(loud < 0.05, told.toString());
      if (frame > 1051 && next < 1072.5) assertTrue(loud > 0.4, told.toString());
      // the picture is of what is heard, or late where it could not be drawn in time; never ahead
      assertTrue(told(all, i, 2) <= frame + 0.01, told.toString());
      loudest = Math.max(loudest, loud);
    }
    assertEquals(0.5, loudest, 0.02);
  }

  private static double told(List<?> all, int look, int what) {
    return ((Number) ((List<?>) all.get(look)).get(what)).doubleValue();
  }

  @Test
  void whatIsBroughtWhileItPlaysIsHeard() throws Exception {
    desk("Cut");
    reel(1001);
    page.keyboard().press("Space");
    page.waitForFunction("() => jollyKite.state().reel > 1003");
    bring(beep(".wav"));
    page.locator("[data-sound]").waitFor();
    assertTrue((Boolean) page.evaluate("() => jollyKite.state().playing"));
    page.waitForFunction("() => jollyKite.state().loudness > 0.01"); // as it comes round
  }

  /** Stepping, clicking and dragging through the reel lets the frame that is gone to be heard. */
  @Test
  void goingThroughTheReelByHandIsHeard() throws Exception {
    bringBeep(1025);
    reel(1055);
    page.keyboard().press("."); // a key is pressed: from here on the browser lets sound out
    // a page that draws looks too late for what was heard for 80 ms: it listens back
    String heard = // its samples may be on their way yet, and a browser may be slow to begin
        "f => { if (jollyKite.state().loudnessLately > 0.3) return true;"
            + " jollyKite.goToReel(f + (jollyKite.tries = (jollyKite.tries ?? 0) + 1) / 400);"
            + " return false; }";
    page.waitForFunction(heard, 1060, new Page.WaitForFunctionOptions().setPollingInterval(300));
    assertEquals(0.5, lately(), 0.05);
    page.waitForFunction("() => jollyKite.state().loudnessLately < 0.01");
    page.evaluate("() => jollyKite.goToReel(1100)");
    String most =
        "async () => { let most = 0; for (let i = 0; i < 20; i++) {"
            + " most = Math.max(most, jollyKite.state().loudnessLately);"
            + " await new Promise(r => requestAnimationFrame(r)); } return most; }";
    assertEquals(0, ((Number) page.evaluate(most)).doubleValue(), 0.01, "silence there");
  }

  private double lately() {
    return ((Number) page.evaluate("() => jollyKite.state().loudnessLately")).doubleValue();
  }

  @Test
  void whatThePagePlaysIsWhatIsHandedOver() throws Exception {
    bringBeep(1030.5);
    Sound x = stored();
    if (page.locator("aside.right").count() == 0) page.keyboard().press("Alt+p");
    page.locator("[data-card=sound]").waitFor();
    type("Gain", "-6");
    type("Comes up in", "1.5");
    type("Goes down in", "0.5");
    type("From, of the recording", "0.25");
    type("Lasts", "2.5");
    saved();
    short[] handed = handedOver();
    for (double[] range : new double[][] {{1001, 1121}, {1049, 1100}, {1040.25, 1066.75}}) {
      double[] played = played(range[0], range[1], 1);
      int from = (int) Math.round((range[0] - 1001) * 2000);
      for (int i = 0; i < played.length; i++)
        assertEquals(handed[from + i] / 32768.0, played[i], 3e-4, "sample " + i);
    }
    // backwards, and twice as fast
    double[] on = played(1040, 1080, 1), back = played(1040, 1080, -1);
    for (int i = 0; i < on.length; i++) assertEquals(on[on.length - 1 - i], back[i], 2e-3);
    assertEquals(on.length / 2, played(1040, 1080, 2).length);
    assertEquals(x.id(), stored().id());
  }

  private double[] played(double first, double end, double pace) {
    return numbers("() => jollyKite.mixed(" + first + "," + end + "," + pace + ")");
  }

  /** The left side of the programme's sound. */
  private short[] handedOver() throws Exception {
    byte[] wav = fetch("api/sequences/" + sequence + "/hand-over/sound.wav");
    int head = 44;
    ShortBuffer b =
        ByteBuffer.wrap(wav, head, wav.length - head)
            .order(ByteOrder.LITTLE_ENDIAN)
            .asShortBuffer();
    short[] left = new short[b.remaining() / 2];
    for (int i = 0; i < left.length; i++) left[i] = b.get(2 * i);
    return left;
  }

  @Test
  void aSoundIsMovedTrimmedAndSplitByHandAndByKeys() throws Exception {
    bringBeep(1025);
    page.locator("[data-sound]").scrollIntoViewIfNeeded();
    var box = page.locator("[data-sound] > g > rect").first().boundingBox();
    double frame = box.width / 72; // pixels
    page.mouse().move(box.x + box.width / 2, box.y + 30);
    page.mouse().down();
    page.mouse().move(box.x + box.width / 2 + 30 * frame, box.y + 30, steps());
    page.keyboard().down("Shift"); // to any frame, whatever is near
    page.mouse().move(box.x + box.width / 2 + 40 * frame, box.y + 30, steps());
    String says = page.locator(".reel-says").innerText();
    assertTrue(says.startsWith("beep at 106"), says);
    page.mouse().up();
    page.keyboard().up("Shift");
    assertEquals(1065, stored().at(), 1.5);
    double at = stored().at();
    // its end, by the arrow keys: one edit when they are let go
    Locator tail = page.locator("[data-end^=tail]");
    tail.focus();
    for (int i = 0; i < 12; i++) page.keyboard().press("ArrowLeft");
    assertEquals(3 - 12 / 24.0, stored().lastsS(), 1e-6);
    assertEquals(at, stored().at(), 1e-9);
    page.locator("[data-end^=head]").focus();
    page.keyboard().press("Shift+ArrowRight");
    assertEquals(10 / 24.0, stored().fromS(), 1e-6);
    assertEquals(at + 10, stored().at(), 1e-9);
    // the playhead inside it: two of one
    reel(Math.round(at) + 30);
    sounds().first().click();
    page.keyboard().press("x");
    saved();
    assertEquals(2, application.stored().all(Sound.class).size());
    page.keyboard().press("Delete");
    saved();
    assertEquals(1, application.stored().all(Sound.class).size());
    assertEquals(5, application.stored().all(Shot.class).size());
    for (int i = 0; i < 2; i++) page.keyboard().press("Control+z");
    saved();
    assertEquals(1, application.stored().all(Sound.class).size());
    assertEquals(2.5 - 10 / 24.0, stored().lastsS(), 1e-6);
  }

  private static Mouse.MoveOptions steps() {
    return new Mouse.MoveOptions().setSteps(4);
  }

  /** Drops a file on something, in its middle. */
  private void drop(Locator on, Path file) throws Exception {
    on.scrollIntoViewIfNeeded();
    on.evaluate(
        "(e, [name, bytes]) => { const all = new DataTransfer();"
            + " all.items.add(new File([Uint8Array.from(atob(bytes), c => c.charCodeAt(0))], name));"
            + " const r = e.getBoundingClientRect();"
            + " const at = { bubbles: true, cancelable: true, dataTransfer: all,"
            + " clientX: r.left + r.width / 2, clientY: r.top + r.height / 2 };"
            + " e.dispatchEvent(new DragEvent('dragover', at));"
            + " e.dispatchEvent(new DragEvent('drop', at)); }",
        List.of(
            file.getFileName().toString(),
            Base64.getEncoder().encodeToString(Files.readAllBytes(file))));
  }

  @Test
  void aFileThatIsDroppedIsLaidOnceAndWhereItWasDropped() throws Exception {
    bringBeep(1025);
    saved();
    String track = application.stored().all(SoundTrack.class).get(0).id();
    drop(page.locator("svg[data-track='" + track + "']"), beep(".flac"));
    page.locator("[data-sound] >> nth=1").waitFor();
    page.getByText("is in, 3 s").waitFor();
    drop(page.getByTestId("reel"), beep(".mp3"));
    page.locator("[data-sound] >> nth=2").waitFor();
    saved();
    List<Sound> all = application.stored().all(Sound.class);
    assertEquals(3, all.size(), all.toString());
    double middle = 1001 + 300 / 2.0; // of a reel of 300 frames
    for (Sound x : all) if (x.at() != 1025) assertEquals(middle, x.at(), 2);
    assertEquals(0, page.locator(".dropping").count());
  }

  @Test
  void tracksAreMutedHeardAloneAndTakenAway() throws Exception {
    bringBeep(1025);
    reel(1037); // half a second later: as many whole waves of the tone
    bring(beep(".flac"));
    page.locator("[data-sound] >> nth=1").waitFor();
    saved();
    List<SoundTrack> tracks = application.stored().all(SoundTrack.class);
    assertEquals(2, tracks.size(), "two that lie over each other need two tracks");
    double both = loudest(played(1001, 1121, 1));
    button("Mute Sound").click();
    double one = loudest(played(1001, 1121, 1));
    assertTrue(both > 0.9 && one < 0.6 && one > 0.4, both + " " + one);
    button("Sound alone").click();
    assertEquals(0, loudest(played(1001, 1121, 1)), "what is alone and muted is not heard");
    button("Mute Sound").click();
    assertEquals(0.5, loudest(played(1001, 1121, 1)), 0.02);
    saved();
    assertTrue(application.stored().all(SoundTrack.class).stream().anyMatch(SoundTrack::solo));
    page.locator(".sound-lane .name").first().click();
    page.getByLabel("Track Sound").getByText("Remove").click();
    saved();
    assertEquals(1, application.stored().all(Sound.class).size());
    assertEquals(1, application.stored().all(SoundTrack.class).size());
  }

  private static double loudest(double[] samples) {
    double most = 0;
    for (double x : samples) most = Math.max(most, Math.abs(x));
    return most;
  }

  @Test
  void whatCannotBeReadIsSaidAndTheOthersAreTaken() throws Exception {
    desk("Cut");
    Path picture = made("picture.png", "testsrc=size=64x64:duration=0.04", "-frames:v", "1");
    Path dressed = Files.move(picture, folder.resolve("picture.wav"));
    Path many =
        made("many.wav", "aevalsrc='" + "0.1|".repeat(63) + "0.1':s=8000:d=0.2", "-ac", "64");
    byte[] whole = Files.readAllBytes(beep(".wav"));
    Path cut = Files.write(folder.resolve("cut.wav"), Arrays.copyOf(whole, whole.length / 2));
    FileChooser chooser = page.waitForFileChooser(() -> button("Sound…").click());
    chooser.setFiles(new Path[] {dressed, many, cut});
    sounds().waitFor();
    saved();
    String said = page.getByRole(AriaRole.ALERT).innerText();
    assertTrue(said.contains("“picture.wav” is no sound that is read here"), said);
    assertTrue(said.contains("“many.wav” has 64 channels; up to 8 are read"), said);
    assertTrue(said.contains("It says that it lasts 3 s, and ends after 1.5"), said);
    assertEquals(1, application.stored().all(Sound.class).size());
  }

  @Test
  void aFilmHasWhatIsHeardInItsShots() throws Exception {
    bringBeep(1025);
    saved();
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    Map<String, Object> what =
        Map.of("what", "shots", "spans", List.of("cut1"), "frame", 0, "percent", 5, "samples", 1);
    JsonNode job = Person.json(pim.post("api/sequences/" + sequence + "/renders", what));
    String at = "api/renders/" + job.get("id").asString();
    desk("Hand over");
    page.locator("[data-job=DONE]").waitFor();
    Path film = Files.write(folder.resolve("film.mp4"), fetch(at + "/film.mp4"));
    byte[] samples =
        ran(
            List.of(
                "ffmpeg",
                "-v",
                "error",
                "-i",
                film.toString(),
                "-map",
                "0:a:0",
                "-ac",
                "1",
                "-f",
                "s16le",
                "-"));
    ShortBuffer b = ByteBuffer.wrap(samples).order(ByteOrder.LITTLE_ENDIAN).asShortBuffer();
    assertEquals(80 * 2000, b.capacity(), 2100, "as long as its 80 frames");
    int first = -1, last = -1;
    for (int i = 0; i < b.capacity(); i++) {
      if (Math.abs(b.get(i)) < 8000) continue;
      if (first < 0) first = i;
      last = i;
    }
    // a second after frame 1025, which is the twenty-fifth of the shot
    assertEquals(48 * 2000, first, 1000);
    assertEquals(72 * 2000, last, 1000);
    assertEquals(80, pictures(film));
  }

  private static int pictures(Path film) throws Exception {
    String counted =
        new String(
                ran(
                    List.of(
                        "ffprobe",
                        "-v",
                        "error",
                        "-select_streams",
                        "v:0",
                        "-count_packets",
                        "-show_entries",
                        "stream=nb_read_packets",
                        "-of",
                        "csv=p=0",
                        film.toString())))
            .strip();
    return Integer.parseInt(counted);
  }
}
