package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ReducedMotion;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import kite.core.command.CutCommand;
import kite.core.command.Edit;
import kite.core.command.RigCommand;
import kite.core.command.SequenceCommand;
import kite.core.document.Camera;
import kite.core.document.CameraPackage;
import kite.core.document.Header;
import kite.core.document.Sequence;
import kite.demo.SaltWind;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;

/** A signed-in window on the demonstration sequence, fresh for every test. */
abstract class Desk {
  static final String NEXT_FRAMES =
      "() => new Promise(r => requestAnimationFrame(() => requestAnimationFrame(r)))";

  /** One browser for all classes, as there is one server. */
  static Browser browser;

  static Application application;
  BrowserContext context;
  Page page;
  String sequence;

  @BeforeAll
  static void open() throws Exception {
    application = Application.get();
    if (browser != null) return;
    PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE_MS);
    Playwright playwright =
        Playwright.create(
            new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
    browser =
        playwright
            .chromium()
            .launch(
                new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(
                        List.of(
                            "--no-sandbox",
                            "--use-gl=angle",
                            "--use-angle=swiftshader",
                            "--enable-unsafe-swiftshader",
                            // Debian has the page itself drawn in 3D too, which takes most of the
                            // processor where that is done in software
                            "--disable-gpu-rasterization",
                            "--disable-gpu-compositing",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync",
                            "--no-first-run",
                            "--disable-quic")));
    Runtime.getRuntime().addShutdownHook(new Thread(playwright::close));
  }

  /**
   * The document a test begins with: the demonstration with its blur switched off, since blur is
   * most of what a picture costs where it is drawn in software. Tests about blur ask for it.
   */
  Sequence document() {
    Sequence s = new SaltWind().sw010();
    for (Camera c : s.all(Camera.class))
      s = Edit.apply(s, List.of(new RigCommand.SetDepthOfField(c.id(), false)));
    return s;
  }

  /** A sequence with a last shot of six frames, from 1235 on, delivered in another size. */
  static Sequence delivered(Sequence s, CameraPackage delivery) {
    Header h = s.header();
    return Edit.apply(
        s,
        List.of(
            new CutCommand.Roll("cut4", 1235),
            new SequenceCommand.SetHeader(
                new Header(
                    h.code(),
                    h.title(),
                    h.firstFrame(),
                    h.lastFrame(),
                    h.rate(),
                    h.displayUnit(),
                    h.gridM(),
                    delivery))));
  }

  /**
   * Pixels drawn for one of the layout: what is drawn in software costs by the pixel, and most
   * tests ask for places and numbers alone. Tests about pictures ask for 1.
   */
  double pixelRatio() {
    return 0.5;
  }

  /** Faults of the page's own since the last test: none of them is expected. */
  private static final List<String> FAULTS = new CopyOnWriteArrayList<>();

  private static void watch(Page p) {
    FAULTS.clear();
    p.onCrash(x -> FAULTS.add("the page crashed"));
    p.onPageError(FAULTS::add);
    p.onConsoleMessage(
        m -> {
          if (m.text().contains("could not be shown")) FAULTS.add(m.text());
        });
  }

  @AfterEach
  void noFaultWasHidden() {
    List<String> all = List.copyOf(FAULTS);
    FAULTS.clear();
    assertEquals(List.of(), all);
  }

  /** The session of the first test that signed in; later ones go on with it. */
  private static String session;

  /** The page that tests share: opening one costs more than most of them. */
  private static Page kept;

  /** How finely it draws: a class that wants it otherwise has another. */
  private static double keptRatio;

  @BeforeEach
  void signIn() throws Exception {
    sequence = application.reset(document());
    if (keptRatio != pixelRatio()) giveUp();
    if (kept == null) {
      keptRatio = pixelRatio();
      Browser.NewContextOptions options =
          new Browser.NewContextOptions()
              .setViewportSize(1120, 700)
              .setReducedMotion(ReducedMotion.REDUCE)
              .setDeviceScaleFactor(pixelRatio());
      BrowserContext own =
          session == null ? context(options) : context(options.setStorageState(session));
      own.addInitScript(NO_HINTS);
      kept = own.newPage();
      watch(kept);
      if (session == null) {
        enter(kept);
        session = kept.context().storageState();
      } else {
        kept.navigate(application.address() + "#" + sequence);
      }
    } else {
      kept.evaluate("id => location.hash = id", sequence);
    }
    page = kept;
    context = page.context();
    ready(page);
    page.unrouteAll();
  }

  /**
   * Goes back to the list of sequences: the next test opens its own from there, in the same page.
   */
  @AfterEach
  void leave() {
    try {
      for (Page p : context.pages()) if (p != kept) p.close();
      page = kept;
      page.unrouteAll();
      page.mouse().up();
      page.route("**/picture.png*", r -> r.fulfill(NO_PICTURE));
      page.evaluate("() => { location.hash = ''; localStorage.clear(); }");
      page.locator("main.home").waitFor();
      page.evaluate("() => sessionStorage.clear()");
      page.setViewportSize(1120, 700);
    } catch (RuntimeException e) {
      giveUp(); // the next test begins with a new page, whatever has become of this one
      throw e;
    }
  }

  /** What Home has between tests in place of a picture that the server would trace for nobody. */
  private static final Route.FulfillOptions NO_PICTURE = new Route.FulfillOptions().setStatus(204);

  private static void giveUp() {
    if (kept != null) kept.context().close();
    kept = null;
  }

  /** Opens another document in place of the one a test begins with. */
  void reopened(Sequence s) throws Exception {
    page.evaluate("() => location.hash = ''");
    page.locator("main.home").waitFor();
    sequence = application.reset(s);
    page.evaluate("id => location.hash = id", sequence);
    ready(page);
  }

  /**
   * How long anything is waited for. A machine that others share may stand still for a minute; what
   * does not come at all is told as well after two.
   */
  static final int PATIENCE_MS = 120_000;

  /** A browser's store of its own, patient. */
  static BrowserContext context(Browser.NewContextOptions options) {
    BrowserContext c = browser.newContext(options);
    c.setDefaultTimeout(PATIENCE_MS);
    return c;
  }

  /** A window of somebody else's, no larger and no finer than the tests' own. */
  static Browser.NewContextOptions small() {
    return new Browser.NewContextOptions()
        .setViewportSize(1120, 700)
        .setReducedMotion(ReducedMotion.REDUCE)
        .setDeviceScaleFactor(0.5);
  }

  /** As somebody has it who took the first steps: no hint lies over what is looked at. */
  static final String NO_HINTS =
      "localStorage.setItem('jolly-kite.first-steps', JSON.stringify({state: {done: ['look', 'walk',"
          + " 'lens', 'key', 'play']}, version: 1}))";

  Page enter(BrowserContext c) {
    c.addInitScript(NO_HINTS);
    return enter(c.newPage());
  }

  private Page enter(Page p) {
    // by its address: other tests may have left sequences of the same name
    p.navigate(application.address() + "#" + sequence);
    p.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in")).click();
    ready(p);
    return p;
  }

  static void ready(Page p) {
    p.waitForFunction(
        "() => globalThis.jollyKite && document.querySelector('[data-testid=lens]')?.dataset.drawn"
            + " && jollyKite.state().coming === 0"
            + " && !document.querySelector('.app[data-whole=false]')");
    p.evaluate(NEXT_FRAMES); // models that arrived are drawn with the next frame
  }

  Locator button(String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  /** The shape button for the chosen keys of a lane. */
  Locator shape(String name) {
    return page.locator(
        "[aria-label='Key shape'] button", new Page.LocatorOptions().setHasText(name));
  }

  Locator field(String label) {
    return page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
  }

  /** Types a number into a field as a person would. */
  void type(String label, String text) {
    field(label).click();
    field(label).fill(text);
    field(label).press("Enter");
  }

  /** Turns to one of the five desks. */
  void desk(String name) {
    page.getByLabel("Desks").getByText(name, new Locator.GetByTextOptions().setExact(true)).click();
    drawn();
  }

  /** Where a world point is on the screen, in the lens view. */
  double[] onScreen(double... p) {
    double[] at = project(p);
    var b = page.getByTestId("lens").boundingBox();
    return new double[] {b.x + at[0] * b.width, b.y + at[1] * b.height};
  }

  /** Clicks the lens view where a world point is seen. */
  void clickAt(double... p) {
    double[] at = onScreen(p);
    page.mouse().click(at[0], at[1]);
  }

  double[] place(String id) {
    return numbers("() => jollyKite.place('" + id + "')");
  }

  /** Where a stand-in figure's eyes are, from its height in metres and heads to it. */
  double[] eyes(String id, double height, double heads) {
    double[] p = numbers("() => jollyKite.place('" + id + "')");
    double head = height / heads;
    double pan = Math.toRadians(value(id, "pan"));
    return new double[] {
      p[0] - Math.sin(pan) * 0.39 * head,
      p[1] + height - head * 0.46,
      p[2] - Math.cos(pan) * 0.39 * head
    };
  }

  /** Selects by the roster, which is unfolded for it where the desk has it folded. */
  void choose(String roster) {
    if (page.locator("aside.left").count() == 0) button("Unfold the roster").click();
    page.locator("aside.left .row .name[title=\"" + roster + "\"]").click();
  }

  /** Chooses a thing from the list that a labelled choice opens, by typing its name. */
  void thing(String label, String name) {
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(label).setExact(true))
        .click();
    page.getByLabel(label + ": find by name").fill(name);
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(name).setExact(true))
        .click();
    menuGone();
  }

  void add(String what) {
    page.getByText("+ Add", new Page.GetByTextOptions().setExact(true)).click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(what).setExact(true))
        .click();
    menuGone();
  }

  /** Waits until an opened menu has closed, and with it what catches clicks beside it. */
  void menuGone() {
    page.waitForFunction("() => !document.querySelector('.MuiPopover-root')");
  }

  void goTo(double frame) {
    page.evaluate("f => jollyKite.goTo(f)", frame);
    drawn();
  }

  /** Waits until the lens view, where it is shown, has drawn the present frame and document. */
  void drawn() {
    page.waitForFunction(
        "() => { const lens = document.querySelector('[data-testid=lens]');"
            + " return !lens.offsetParent || lens.dataset.drawn.startsWith(jollyKite.state().frame + '/'); }");
    page.evaluate(NEXT_FRAMES);
  }

  /** Waits until every view has drawn what is there now, with all models and images in it. */
  void settled() {
    page.waitForFunction(
        "() => { const s = jollyKite.state();"
            + " return s.coming === 0 && [...document.querySelectorAll('.view canvas[data-drawn]')]"
            + ".every(c => !c.offsetParent || c.dataset.drawn.split('/').pop() === String(s.version)); }");
    page.evaluate(NEXT_FRAMES);
  }

  void saved() {
    page.waitForFunction("() => jollyKite.state().pending === 0");
  }

  double[] numbers(String expression) {
    return ((List<?>) page.evaluate(expression))
        .stream().mapToDouble(n -> ((Number) n).doubleValue()).toArray();
  }

  double number(String expression) {
    return ((Number) page.evaluate(expression)).doubleValue();
  }

  double value(String id, String channel) {
    return number("() => jollyKite.value('" + id + "', '" + channel + "')");
  }

  /** Where a world point falls in the lens view: across, down, metres ahead, as the page has it. */
  double[] project(double... p) {
    return numbers("() => jollyKite.project(" + p[0] + "," + p[1] + "," + p[2] + ")");
  }

  /** The lens view's own pixels. */
  BufferedImage lens() throws IOException {
    drawn();
    String url =
        (String)
            page.evaluate(
                "() => document.querySelector('[data-testid=lens]').toDataURL('image/png')");
    return ImageIO.read(
        new ByteArrayInputStream(Base64.getDecoder().decode(url.substring(url.indexOf(',') + 1))));
  }

  /** The share of pixels that differ by more than a little between two pictures of one size. */
  static double difference(BufferedImage a, BufferedImage b) {
    int changed = 0;
    for (int y = 0; y < a.getHeight(); y++) {
      for (int x = 0; x < a.getWidth(); x++)
        if (apart(a.getRGB(x, y), b.getRGB(x, y)) > 24) changed++;
    }
    return changed / (double) (a.getWidth() * a.getHeight());
  }

  static int apart(int p, int q) {
    return Math.abs((p >> 16 & 255) - (q >> 16 & 255))
        + Math.abs((p >> 8 & 255) - (q >> 8 & 255))
        + Math.abs((p & 255) - (q & 255));
  }

  /** Mean step between neighbouring pixels: falls when a picture blurs. */
  static double sharpness(BufferedImage a) {
    double sum = 0;
    for (int y = 0; y < a.getHeight(); y++)
      for (int x = 1; x < a.getWidth(); x++) sum += apart(a.getRGB(x, y), a.getRGB(x - 1, y));
    return sum / (a.getWidth() * (double) a.getHeight());
  }

  /** Drags from the middle of something by so many pixels. */
  void dragBy(Locator from, double dx, double dy) {
    var b = from.boundingBox();
    double x = b.x + b.width / 2, y = b.y + b.height / 2;
    page.mouse().move(x, y);
    page.mouse().down();
    for (int i = 1; i <= 6; i++) page.mouse().move(x + dx * i / 6, y + dy * i / 6);
    page.mouse().up();
  }

  /** The GET of a file with the page's session. */
  byte[] fetch(String path) {
    return context.request().get(application.address() + path).body();
  }

  /** Runs one of the page's own scripts with Node; gives what it prints. */
  static String node(String script, String... args) throws Exception {
    List<String> command = new java.util.ArrayList<>(List.of("node", "scripts/" + script));
    command.addAll(List.of(args));
    Process p =
        new ProcessBuilder(command)
            .directory(new java.io.File("../web"))
            .redirectErrorStream(true)
            .start();
    String out = new String(p.getInputStream().readAllBytes());
    if (!p.waitFor(60, TimeUnit.SECONDS) || p.exitValue() != 0)
      throw new AssertionError(script + " failed: " + out);
    return out;
  }
}
