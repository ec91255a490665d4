package kite.server.render;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import kite.server.Problem;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;

/**
 * Draws previews without anybody's page: a worker opens a page of its own in a browser of this
 * machine, which draws as any page does. The browser comes in with a key that is good once, for a
 * minute, for whoever asked for the preview.
 */
@Service
public class PreviewBrowser {
  private static final Logger LOG = LoggerFactory.getLogger(PreviewBrowser.class);
  static final String NOT_THERE =
      "This server has no browser that draws. Let this page draw it, or have Chromium installed"
          + " there (KITE_BROWSER says where it is).";
  private static final Duration KEY_LASTS = Duration.ofMinutes(1);
  private static final int KEY_BYTES = 32;
  private static final long LOOK_MS = 300, ENDS_MS = 5000;

  /**
   * @param path of the browser; where there is none, the server draws no previews
   * @param args for how it draws, parted by spaces; in software when not said
   */
  @ConfigurationProperties("kite.browser")
  record Settings(
      @DefaultValue("") String path,
      @DefaultValue("--use-gl=angle --use-angle=swiftshader --enable-unsafe-swiftshader")
          String args) {}

  /** Who may come in by a key, and until when. */
  private record Key(UUID job, String who, Instant until) {}

  private final Map<String, Key> keys = new ConcurrentHashMap<>();
  private final Map<UUID, String> cameIn = new ConcurrentHashMap<>();
  private final Settings settings;
  private final RenderJobs jobs;
  private final Ended ended;
  private final WebServerApplicationContext web;
  private final FindByIndexNameSessionRepository<?> sessions;
  private final SecureRandom random;
  private final Clock clock;

  PreviewBrowser(
      Settings settings,
      RenderJobs jobs,
      Ended ended,
      WebServerApplicationContext web,
      FindByIndexNameSessionRepository<?> sessions,
      SecureRandom random,
      Clock clock) {
    this.settings = settings;
    this.jobs = jobs;
    this.ended = ended;
    this.web = web;
    this.sessions = sessions;
    this.random = random;
    this.clock = clock;
  }

  /** Whether there is a browser here. */
  boolean there() {
    return !settings.path().isEmpty() && Files.isExecutable(Path.of(settings.path()));
  }

  /**
   * Draws a preview, unless it is done.
   *
   * @return when to look again, where somebody draws it already; else null
   */
  Instant run(UUID id) throws IOException, InterruptedException {
    RenderJob job = jobs.findById(id).orElse(null);
    if (job == null || !job.state.underWay()) return null;
    Instant silent = clock.instant().minus(Previews.SILENT);
    if (job.state == RenderJob.State.WORKING && job.heldAt != null && job.heldAt.isAfter(silent))
      return job.heldAt.plus(Previews.SILENT).plusSeconds(1);
    Path profile = Files.createTempDirectory("kite-preview");
    Process browser = null;
    try {
      browser = begin(profile, key(job));
      watch(id, browser);
    } finally {
      if (browser != null) end(browser);
      String session = cameIn.remove(id);
      if (session != null) sessions.deleteById(session);
      FileSystemUtils.deleteRecursively(profile);
    }
    return null;
  }

  private String key(RenderJob job) {
    keys.values().removeIf(k -> k.until().isBefore(clock.instant())); // those that nobody took
    byte[] b = new byte[KEY_BYTES];
    random.nextBytes(b);
    String secret = Base64.getUrlEncoder().withoutPadding().encodeToString(b);
    keys.put(secret, new Key(job.id, job.askedBy, clock.instant().plus(KEY_LASTS)));
    return secret;
  }

  private Process begin(Path profile, String secret) throws IOException {
    List<String> command =
        new ArrayList<>(
            List.of(
                settings.path(),
                "--headless=new",
                "--user-data-dir=" + profile,
                "--no-first-run",
                "--disable-extensions",
                "--disable-background-timer-throttling",
                "--mute-audio"));
    command.addAll(List.of(settings.args().trim().split(" +")));
    // the browser's own walls need an account that is not the system's
    if ("root".equals(System.getProperty("user.name"))) command.add("--no-sandbox");
    String path = web.getEnvironment().getProperty("server.servlet.context-path", "");
    command.add(
        "http://127.0.0.1:" + web.getWebServer().getPort() + path + "/api/previews/desk/" + secret);
    return new ProcessBuilder(command)
        .redirectErrorStream(true)
        .redirectOutput(profile.resolve("browser.log").toFile())
        .redirectInput(new File("/dev/null"))
        .start();
  }

  /** Until the preview has ended, the browser has, or nothing has been heard of it for long. */
  private void watch(UUID id, Process browser) throws IOException, InterruptedException {
    Instant heard = clock.instant();
    for (; ; ) {
      boolean gone = browser.waitFor(LOOK_MS, TimeUnit.MILLISECONDS);
      RenderJob job = jobs.findById(id).orElse(null);
      if (job == null || ended(job.state)) return;
      if (job.heldAt != null && job.heldAt.isAfter(heard)) heard = job.heldAt;
      boolean silent = heard.plus(Previews.SILENT).isBefore(clock.instant());
      if (!gone && !silent) continue;
      LOG.warn("The browser that drew preview {} {}", id, gone ? "ended" : "said nothing");
      ended.unheld(
          id,
          "The server’s browser "
              + (gone ? "ended" : "said nothing for a minute")
              + " before the film was drawn. Resume it to try again.",
          gone ? clock.instant().plusSeconds(1) : clock.instant().minus(Previews.SILENT));
      return;
    }
  }

  private static boolean ended(RenderJob.State state) {
    return state != RenderJob.State.WAITING && state != RenderJob.State.WORKING;
  }

  private static void end(Process browser) throws InterruptedException {
    List<ProcessHandle> all = browser.descendants().toList();
    browser.destroy();
    browser.waitFor(ENDS_MS, TimeUnit.MILLISECONDS);
    browser.destroyForcibly();
    all.forEach(ProcessHandle::destroyForcibly);
    browser.waitFor(ENDS_MS, TimeUnit.MILLISECONDS);
  }

  /** Whom a key lets in, and for which preview. */
  record Let(UUID job, String who) {}

  /** Takes a key, which is good no more then. */
  Let comeIn(String secret) {
    Key k = keys.remove(secret);
    if (k == null || k.until().isBefore(clock.instant())) throw Problem.missing("key");
    return new Let(k.job(), k.who());
  }

  /** The session that the browser has for a preview; it ends with it. */
  void cameIn(UUID job, String session) {
    cameIn.put(job, session);
  }
}
