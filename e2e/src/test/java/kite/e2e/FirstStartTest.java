package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.File;
import java.nio.file.Files;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** A studio's own beginning: without the demonstration, and out of it. */
class FirstStartTest extends Desk {
  private static final String PASSWORD = "a long enough one";

  private static ServerProcess server(String name, boolean demo) throws Exception {
    String database = Application.DATABASE + "_" + name;
    Application.make(database);
    ServerProcess server =
        new ServerProcess(
            Application.url(database),
            Application.role(),
            Application.password(),
            Files.createTempDirectory("kite-output"),
            new File("target/" + name + ".log"),
            Map.of("KITE_DEMO", "" + demo, "KITE_SETUP_CODE", "ABCD-2345"));
    server.start();
    return server;
  }

  @Test
  void theFirstPersonMakesAnAccountAndAFilm() throws Exception {
    ServerProcess server = server("first", false);
    try (BrowserContext own = context(small())) {
      Person stranger = Person.stranger(server.address());
      assertFalse(stranger.get("api/session").body().contains("hold-on-tight"));
      assertEquals(401, stranger.get("api/sequences").statusCode());
      Page page = own.newPage();
      page.navigate(server.address());
      page.getByLabel("Code from the terminal").fill("WRONG-ONE");
      page.getByLabel("Your name").fill("Nell");
      page.getByLabel("Password", new Page.GetByLabelOptions().setExact(true)).fill(PASSWORD);
      page.getByLabel("Password once more").fill(PASSWORD);
      page.keyboard().press("Enter");
      page.getByText(Pattern.compile("That is not the code.*")).waitFor();
      page.getByLabel("Code from the terminal").fill("abcd 2345");
      page.keyboard().press("Enter");
      page.locator("main.home").waitFor();
      assertEquals(0, page.getByText("passwords are public").count());
      button(page, "+ New production").click();
      page.getByRole(AriaRole.DIALOG)
          .getByLabel("Name", new Locator.GetByLabelOptions().setExact(true))
          .fill("Lee Shore");
      page.keyboard().press("Enter");
      page.getByText("New sequence of Lee Shore").waitFor();
      page.waitForFunction("() => document.querySelector('[role=dialog] input').value === 'LS010'");
      page.keyboard().press("Enter");
      ready(page);
      assertTrue(page.locator("aside.left .row .name[title=\"Camera A\"]").isVisible());
      // nobody makes a second first account
      assertEquals(
          409,
          stranger
              .post(
                  "api/set-up", Map.of("code", "ABCD2345", "name", "Another", "password", PASSWORD))
              .statusCode());
    } finally {
      server.kill();
    }
  }

  /**
   * Ends the demonstration while a worker is bringing a frame of its render: the frame's row is
   * there, and not yet stored, when the rows of the render are taken away.
   */
  private static int endedWhileAFrameComes(Person who, Map<String, ?> asked, String name)
      throws Exception {
    try (Connection worker = database(name);
        Connection watching = database(name);
        Statement brings = worker.createStatement();
        Statement watches = watching.createStatement()) {
      worker.setAutoCommit(false);
      brings.execute("select id from render_job for update");
      brings.execute(
          "insert into render_frame (job_id, number, file, seconds)"
              + " select id, 1000, 'late.png', 1 from render_job");
      CompletableFuture<Integer> ended =
          CompletableFuture.supplyAsync(() -> status(who, "api/demonstration/end", asked));
      while (!ended.isDone() && !waitsForRenders(watches)) Thread.onSpinWait();
      worker.commit();
      return ended.get(1, TimeUnit.MINUTES);
    }
  }

  private static int status(Person who, String address, Object asked) {
    try {
      return who.post(address, asked).statusCode();
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }

  private static Connection database(String name) throws SQLException {
    return DriverManager.getConnection(
        Application.url(Application.DATABASE + "_" + name),
        Application.role(),
        Application.password());
  }

  /** Whether whoever takes the renders away waits for one. */
  private static boolean waitsForRenders(Statement s) throws SQLException {
    try (ResultSet r =
        s.executeQuery(
            "select count(*) > 0 from pg_stat_activity where datname = current_database()"
                + " and wait_event_type = 'Lock' and query like '%from render_job where sequence_id%'")) {
      r.next();
      return r.getBoolean(1);
    }
  }

  private static Locator button(Page page, String name) {
    return page.getByRole(
        AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  @Test
  void theDemonstrationIsEndedAndNobodyOfItComesInAgain() throws Exception {
    ServerProcess server = server("ended", true);
    try {
      Person pim = Person.signedIn(server.address(), "pim", "hold-on-tight");
      Person oda = Person.signedIn(server.address(), "oda", "keep-the-light");
      Map<String, ?> own = Map.of("name", "Nell", "password", PASSWORD, "production", true);
      assertEquals(403, oda.post("api/demonstration/end", own).statusCode());
      assertEquals(
          422,
          pim.post(
                  "api/demonstration/end",
                  Map.of("name", "Nell", "password", "short", "production", true))
              .statusCode());
      String sequence = Person.json(pim.get("api/sequences")).get(0).get("id").asString();
      assertEquals(
          200,
          pim.post(
                  "api/sequences/" + sequence + "/renders",
                  Map.of("what", "cut", "frame", 0, "percent", 5, "samples", 1))
              .statusCode());
      assertEquals(204, endedWhileAFrameComes(pim, own, "ended"));
      assertEquals(401, oda.get("api/sequences").statusCode(), "signed out at once");
      assertEquals(401, pim.get("api/sequences").statusCode());
      Person stranger = Person.stranger(server.address());
      assertFalse(stranger.get("api/session").body().contains("hold-on-tight"));
      assertEquals(401, stranger.signIn("api/sign-in", "pim", "hold-on-tight"));
      Person nell = Person.signedIn(server.address(), "Nell", PASSWORD);
      JsonNode left = Person.json(nell.get("api/productions"));
      assertEquals(0, left.size(), left.toString());
      assertEquals(0, Person.json(nell.get("api/sequences")).size());
      server.kill();
      server.start();
      nell = Person.signedIn(server.address(), "Nell", PASSWORD);
      assertEquals(0, Person.json(nell.get("api/productions")).size(), "it does not come back");
    } finally {
      server.kill();
    }
  }
}
