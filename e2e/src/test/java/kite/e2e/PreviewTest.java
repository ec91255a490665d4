package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.PlaywrightException;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Sequence;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Films of the lens view: drawn by a page or by the server's browser, whole and in order. */
class PreviewTest extends Desk {
  /** Levels of 8 bits by which a film may differ from the picture it was made of, on average. */
  private static final double LOSS = 4;

  @TempDir Path folder;

  /** Small pictures, and a last shot of six frames. */
  @Override
  Sequence document() {
    return small(super.document());
  }

  private static Sequence small(Sequence s) {
    CameraPackage p = s.header().cameraPackage();
    return delivered(
        s, new CameraPackage(p.filmBack(), 640, 360, p.fit(), p.circleOfConfusionMm()));
  }

  private void size(Page p, String percent) {
    p.getByLabel("Size", new Page.GetByLabelOptions().setExact(true)).selectOption(percent);
  }

  /** Waits for so many finished jobs and gives the address of the newest. */
  private String newest(Page p, int finished) {
    p.waitForFunction("n => document.querySelectorAll('[data-job=DONE]').length === n", finished);
    String src =
        p.locator(".job video, .job img").first().getAttribute("src"); // the newest stands first
    return src.substring(0, src.indexOf('/', "api/renders/".length()));
  }

  private Path film(String job) throws Exception {
    Path file = folder.resolve(UUID.randomUUID() + ".mp4");
    Files.write(file, fetch(job + "/film.mp4"));
    return file;
  }

  private static String ran(List<String> command) throws Exception {
    Process p = new ProcessBuilder(command).redirectErrorStream(true).start();
    String said = new String(p.getInputStream().readAllBytes()).strip();
    assertTrue(p.waitFor(1, TimeUnit.MINUTES));
    assertEquals(0, p.exitValue(), said);
    return said;
  }

  private static String told(Path film, String entries) throws Exception {
    return ran(
        List.of(
            "ffprobe",
            "-v",
            "error",
            "-count_frames",
            "-select_streams",
            "v:0",
            "-show_entries",
            entries,
            "-of",
            "default=nw=1:nk=1",
            film.toString()));
  }

  /** A frame of a film, counted from 0, as ffmpeg decodes it. */
  private BufferedImage frame(Path film, int number) throws Exception {
    Path out = folder.resolve(UUID.randomUUID() + ".png");
    ran(
        List.of(
            "ffmpeg",
            "-loglevel",
            "error",
            "-i",
            film.toString(),
            "-vf",
            "select=eq(n\\," + number + ")",
            "-frames:v",
            "1",
            out.toString()));
    return ImageIO.read(out.toFile());
  }

  /** How many levels of 8 bits two pictures differ by, on the average of channels and pixels. */
  private static double loss(BufferedImage a, BufferedImage b) {
    assertEquals(a.getWidth(), b.getWidth());
    assertEquals(a.getHeight(), b.getHeight());
    double sum = 0;
    for (int y = 0; y < a.getHeight(); y++)
      for (int x = 0; x < a.getWidth(); x++) sum += apart(a.getRGB(x, y), b.getRGB(x, y));
    return sum / 3 / a.getWidth() / a.getHeight();
  }

  /** How long a moving picture lasts, milliseconds: frames that are alike are one there. */
  private static int lasts(byte[] webp) {
    int ms = 0;
    for (int i = 0; i + 24 < webp.length; i++)
      if (new String(webp, i, 4, java.nio.charset.StandardCharsets.ISO_8859_1).equals("ANMF"))
        ms += webp[i + 20] & 255 | (webp[i + 21] & 255) << 8 | (webp[i + 22] & 255) << 16;
    return ms;
  }

  /** The mean of each of so many fields of a picture, which does not depend on its size. */
  private static BufferedImage coarse(BufferedImage a) {
    BufferedImage c = new BufferedImage(32, 18, BufferedImage.TYPE_INT_RGB);
    for (int y = 0; y < 18; y++)
      for (int x = 0; x < 32; x++) {
        double[] sum = new double[4];
        for (int v = y * a.getHeight() / 18; v < (y + 1) * a.getHeight() / 18; v++)
          for (int u = x * a.getWidth() / 32; u < (x + 1) * a.getWidth() / 32; u++) {
            for (int k = 0; k < 3; k++) sum[k] += a.getRGB(u, v) >> 16 - 8 * k & 255;
            sum[3]++;
          }
        int rgb = 0;
        for (int k = 0; k < 3; k++) rgb = rgb << 8 | (int) (sum[k] / sum[3]);
        c.setRGB(x, y, rgb);
      }
    return c;
  }

  @Test
  void aFilmHasEveryFrameOfTheShotAsTheLensViewShowsIt() throws Exception {
    goTo(1237);
    desk("Hand over");
    choose("Dolly zoom on Oda");
    BufferedImage seen = lens();
    size(page, "100");
    field("Written in the picture").uncheck();
    button("This frame").click();
    String picture = newest(page, 1);
    BufferedImage delivered =
        ImageIO.read(new ByteArrayInputStream(fetch(picture + "/frames/1.png")));
    assertEquals(640, delivered.getWidth());
    assertEquals(360, delivered.getHeight());
    assertTrue(loss(coarse(seen), coarse(delivered)) < LOSS, "the picture is the lens view's");

    button("Film this shot").click();
    Path film = film(newest(page, 2));
    assertEquals(
        "640\n360\n24/1\n6", told(film, "stream=width,height,r_frame_rate,nb_read_frames"));
    // frame 1235 of a sequence that begins at 1001
    assertEquals("00:00:09:18", told(film, "stream_tags=timecode"));
    assertTrue(loss(frame(film, 2), delivered) < LOSS, "frame 1237 is the third of the film");
    assertTrue(loss(frame(film, 0), delivered) > 0.3, "and no other is it");
    byte[] moving = fetch(newest(page, 2) + "/film.webp");
    assertEquals(6 / 24.0 * 1000, lasts(moving), 6, "the moving picture is as long");
    assertEquals("v1", page.locator(".job .mono").first().textContent());

    field("A slate in front of the film: one picture that says what it is").check();
    button("Film this shot").click();
    Path behind = film(newest(page, 3));
    assertEquals(
        "640\n360\n24/1\n7", told(behind, "stream=width,height,r_frame_rate,nb_read_frames"));
    assertEquals("00:00:09:17", told(behind, "stream_tags=timecode"), "its frames keep theirs");
    assertTrue(loss(frame(behind, 3), delivered) < LOSS, "one picture later");
    assertTrue(loss(frame(behind, 0), delivered) > 0.3, "behind the slate");
  }

  @Test
  void aBrowserThatEncodesNoFilmsBringsPicturesAndTheServerEncodes() throws Exception {
    BrowserContext plain = context(small());
    plain.addInitScript("delete globalThis.VideoEncoder");
    Page p = enter(plain);
    p.evaluate("() => jollyKite.goTo(1236)");
    p.getByLabel("Desks").getByText("Hand over").click();
    size(p, "25");
    p.getByText("Film this shot").click();
    String job = newest(p, 1);
    Path film = film(job);
    assertEquals("160\n90\n6", told(film, "stream=width,height,nb_read_frames"));
    assertEquals("00:00:09:18", told(film, "stream_tags=timecode"));
    assertEquals(
        List.of("00001.jpg", "00006.jpg"), List.of(fileOf(job, 1), fileOf(job, 6)), "JPEGs came");
    p.context().close();
  }

  private static String fileOf(String job, int number) throws Exception {
    return Application.asked(
        "select file from render_frame where job_id = '"
            + job.substring("api/renders/".length())
            + "' and number = "
            + number);
  }

  @Test
  void theServerDrawsWithoutAnybodysPage() throws Exception {
    goTo(1236);
    desk("Hand over");
    size(page, "25");
    page.getByLabel("Drawn by").selectOption("server");
    button("Film this shot").click();
    page.locator("[data-job=WAITING], [data-job=WORKING]").waitFor();
    page.evaluate("() => location.hash = ''"); // nobody looks
    page.locator("main.home").waitFor();
    String open = "select count(*) from spring_session where principal_name = 'pim'";
    int before = Integer.parseInt(Application.asked(open));
    page.evaluate("id => location.hash = id", sequence);
    ready(page);
    desk("Hand over");
    Path film = film(newest(page, 1));
    assertEquals("160\n90\n6", told(film, "stream=width,height,nb_read_frames"));
    for (int i = 0; i < 300 && Integer.parseInt(Application.asked(open)) > before; i++)
      page.waitForTimeout(100);
    assertTrue(Integer.parseInt(Application.asked(open)) <= before, "its browser has signed out");
  }

  @Test
  void aFilmThatIsStoppedGoesOnAfterTheFramesItHas() throws Exception {
    goTo(1100);
    desk("Hand over");
    size(page, "25");
    button("The cut").click();
    page.waitForFunction(
        "() => +(document.querySelector('[role=progressbar]')?.getAttribute('aria-valuenow') ?? 0) > 0");
    button("Stop").click();
    page.locator("[data-job=STOPPED]").waitFor();
    String id = Application.asked("select id from render_job");
    int had = Integer.parseInt(Application.asked("select count(*) from render_frame"));
    assertTrue(had > 0 && had < 240, had + " frames");
    String first = Application.asked("select file || bytes from render_frame where number = 1");
    button("Resume").click();
    String job = newest(page, 1);
    assertEquals("api/renders/" + id, job);
    assertEquals("240", Application.asked("select count(distinct number) from render_frame"));
    assertEquals(
        first,
        Application.asked("select file || bytes from render_frame where number = 1"),
        "kept");
    assertEquals("240", told(film(job), "stream=nb_read_frames"));
  }

  @Test
  void aPageThatGoesLeavesItsFilmToTheNextOne() throws Exception {
    goTo(1100);
    desk("Hand over");
    size(page, "25");
    button("Film this shot").click();
    page.locator("[data-job=WORKING]").waitFor();
    page.locator("iframe").evaluate("f => f.contentWindow.location.replace('about:blank')");
    // a minute later, as the server has it
    Application.sql("update render_job set held_at = held_at - interval '2 minutes'");
    try {
      page.locator("[data-job=STOPPED]").getByText("The page that drew it is gone").waitFor();
    } catch (PlaywrightException e) {
      throw new AssertionError(
          Application.asked("select state || ', ' || held_at || ': ' || message from render_job"),
          e);
    }
    button("Resume").click();
    assertEquals(
        Application.asked("select frames_total from render_job"),
        told(film(newest(page, 1)), "stream=nb_read_frames"));
  }

  @Test
  void motionBlurShowsAtRestAndInTheFilm() throws Exception {
    Sequence s = document();
    Camera c = (Camera) s.get("camC");
    Channel pan =
        Channel.curve(Key.of(1170, -20, KeyShape.STRAIGHT), Key.of(1180, 20, KeyShape.STRAIGHT));
    reopened(s.with(c.withChannel("head/pan", pan)));
    goTo(1175);
    choose("Lantern to Pim");
    double sharp = across(lens());
    button("Shutter: motion blur").click();
    page.waitForFunction(
        "() => { const s = jollyKite.state();"
            + " return document.querySelector('[data-testid=lens]').dataset.exposed === s.frame + '/' + s.version; }");
    double blurred = across(lens());
    assertTrue(blurred < 0.7 * sharp, blurred + " against " + sharp);
    saved();
    assertTrue(((Camera) application.stored().get("camC")).motionBlur());
    // the shutter of no angle shows one moment
    desk("Hand over");
    size(page, "100");
    field("Written in the picture").uncheck();
    button("This frame").click();
    double film = across(picture(newest(page, 1)));
    page.getByLabel("What is in the film").getByLabel("Motion blur").check();
    button("This frame").click();
    double open = across(picture(newest(page, 2)));
    assertTrue(open < 0.7 * film, open + " against " + film);
  }

  private BufferedImage picture(String job) throws Exception {
    return ImageIO.read(new ByteArrayInputStream(fetch(job + "/frames/1.png")));
  }

  /** How steep a picture is across, in shares of its range and width. */
  private static double across(BufferedImage b) {
    double sum = 0;
    for (int y = 0; y < b.getHeight(); y++)
      for (int x = 1; x < b.getWidth(); x++) sum += apart(b.getRGB(x, y), b.getRGB(x - 1, y));
    return sum / b.getHeight();
  }

  private static final byte[] START = {0, 0, 0, 1, 0x67, 0x64};

  /** What a page brings is looked at before it is taken. */
  @Test
  void whatIsNoPartOfTheFilmIsRefused() throws Exception {
    Person pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    Map<String, Object> look =
        Map.of(
            "blur",
            true,
            "motionBlur",
            false,
            "plates",
            true,
            "haze",
            true,
            "guides",
            false,
            "slate",
            false);
    String at = "api/sequences/" + sequence + "/previews";
    Map<String, Object> ask =
        Map.of(
            "what",
            "shots",
            "spans",
            List.of("cut4"),
            "frame",
            1236,
            "percent",
            25,
            "handles",
            false,
            "byServer",
            false,
            "look",
            look);
    JsonNode job = Person.json(pim.post(at, ask));
    String drawing = "api/renders/" + job.get("id").asString() + "/drawing";
    UUID holder = UUID.randomUUID();
    HttpResponse<String> begun =
        pim.post(drawing, Map.of("holder", holder.toString(), "form", "H264"));
    assertEquals(200, begun.statusCode(), begun.body());
    Map<String, String> another = Map.of("holder", UUID.randomUUID().toString(), "form", "H264");
    assertEquals(409, pim.post(drawing, another).statusCode(), "one page at a time");
    String here = "?holder=" + holder + "&seconds=1&frames=";
    assertEquals(422, put(pim, drawing + "/1" + here + "7", "video/h264", START), "too many");
    assertEquals(422, put(pim, drawing + "/0" + here + "1", "video/h264", START), "no frame");
    assertEquals(
        422, put(pim, drawing + "/1" + here + "1", "video/h264", new byte[] {1, 2, 3, 4, 5}));
    assertEquals(422, put(pim, drawing + "/1" + here + "1", "image/png", new byte[] {1, 2, 3}));
    assertEquals(415, put(pim, drawing + "/1" + here + "1", "text/plain", new byte[] {1, 2, 3}));
    String other = "?holder=" + UUID.randomUUID() + "&seconds=1&frames=6";
    assertEquals(409, put(pim, drawing + "/1" + other, "video/h264", START), "not whose it is");
    // H.264 that is none: the film fails with a sentence, and the job goes on to be there
    assertEquals(200, put(pim, drawing + "/1" + here + "6", "video/h264", START));
    assertEquals(204, pim.post(drawing + "/end", Map.of("holder", holder.toString())).statusCode());
    JsonNode shown = Person.json(pim.get("api/renders/" + job.get("id").asString()));
    assertEquals("FAILED", shown.get("state").asString());
    assertTrue(shown.get("message").asString().startsWith("The film failed: "));
  }

  private int put(Person who, String path, String type, byte[] body) throws Exception {
    return who.send(
            who.request(path)
                .header("Content-Type", type)
                .PUT(HttpRequest.BodyPublishers.ofByteArray(body)))
        .statusCode();
  }
}
