package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.File;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.function.Predicate;
import java.util.zip.ZipInputStream;
import javax.imageio.ImageIO;
import kite.core.document.Piece;
import kite.exchange.Json;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** What is done from a script: tokens, the command line and the client for pipelines. */
class ScriptsTest extends Desk {
  @TempDir Path folder;
  private Person pim;
  private String token;

  @BeforeEach
  void aToken() throws Exception {
    pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    token =
        Person.json(pim.post("api/account/tokens", Map.of("name", "A test")))
            .get("token")
            .asString();
  }

  private record Came(int exit, String said) {
    JsonNode json() {
      return Json.MAPPER.readTree(said);
    }
  }

  private Came kite(String... arguments) throws Exception {
    List<String> all = new ArrayList<>(List.of("node", "../client/kite-cli.mjs"));
    all.addAll(List.of(arguments));
    all.addAll(List.of("--address", application.address(), "--token", token));
    Process p = new ProcessBuilder(all).redirectErrorStream(true).start();
    String said = new String(p.getInputStream().readAllBytes());
    assertTrue(p.waitFor(2, TimeUnit.MINUTES));
    return new Came(p.exitValue(), said);
  }

  private int status(String path, String method, String with) throws Exception {
    HttpRequest rq =
        HttpRequest.newBuilder(URI.create(application.address() + path))
            .header("Authorization", "Bearer " + with)
            .header("Content-Type", "application/json")
            .method(method, HttpRequest.BodyPublishers.ofString("{\"name\":\"x\"}"))
            .build();
    return HttpClient.newHttpClient().send(rq, HttpResponse.BodyHandlers.discarding()).statusCode();
  }

  @Test
  void aTokenLetsInUntilItIsTakenBackAndMakesNoOther() throws Exception {
    assertEquals(200, status("api/sequences", "GET", token));
    assertEquals(401, status("api/sequences", "GET", token + "x"));
    assertEquals(401, status("api/sequences", "GET", "kite_"));
    assertEquals(403, status("api/account/tokens", "POST", token));
    assertEquals(403, status("api/account/password", "POST", token));
    JsonNode list = Person.json(pim.get("api/account/tokens"));
    assertFalse(list.toString().contains(token), "it is told once");
    assertFalse(list.get(0).get("usedAt").isNull());
    Person oda = Person.signedIn(application.address(), "oda", "keep-the-light");
    String id = list.get(0).get("id").asString();
    assertEquals(404, oda.delete("api/account/tokens/" + id).statusCode(), "it is not hers");
    assertEquals(204, pim.delete("api/account/tokens/" + id).statusCode());
    assertEquals(401, status("api/sequences", "GET", token));
  }

  @Test
  void aTokenIsMadeAndTakenBackByHand() throws Exception {
    page.evaluate("() => location.hash = ''");
    page.locator("main.home").waitFor();
    page.getByText("pim ▾").click();
    page.getByText("My account …").click();
    page.getByLabel("What a new token is for").fill("Nightly");
    page.keyboard().press("Enter");
    Locator shown = page.getByLabel("Your new token: copy it now, it is not shown again");
    shown.waitFor();
    assertEquals(200, status("api/sequences", "GET", shown.inputValue()));
    String made = shown.inputValue();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take Nightly back"))
        .click();
    page.getByText("Nightly · made")
        .waitFor(
            new Locator.WaitForOptions()
                .setState(com.microsoft.playwright.options.WaitForSelectorState.DETACHED));
    assertEquals(401, status("api/sequences", "GET", made));
    page.keyboard().press("Escape");
  }

  @Test
  void aNightsWorkIsWrittenAsCommands() throws Exception {
    Came list = kite("list", "--json");
    assertEquals(0, list.exit(), list.said());
    assertTrue(list.json().toString().contains("SW010"));
    // by its id: other tests may have left sequences of the same code
    Path recipe = folder.resolve("deck.ts");
    Files.writeString(
        recipe,
        "const p = kite.parameters({ wide: kite.parameter.number('Wide', 2, { unit: 'metres' }) });\n"
            + "kite.standIn('box', 'Deck', { width: p.wide });\nconsole.log('wide', p.wide);");
    int pieces = application.stored().all(Piece.class).size();
    Came dry =
        kite(
            "run", recipe.toString(), "--sequence", sequence, "--set", "wide=3", "--dry", "--json");
    assertEquals(0, dry.exit(), dry.said());
    assertEquals("wide 3", dry.json().get("said").get(0).get("text").asString());
    assertEquals(pieces, application.stored().all(Piece.class).size());
    Came ran = kite("run", recipe.toString(), "--sequence", sequence, "--set", "wide=3");
    assertEquals(0, ran.exit(), ran.said());
    assertTrue(ran.said().contains("1 changes, kept as edit"), ran.said());
    assertEquals(pieces + 1, application.stored().all(Piece.class).size());
    Files.writeString(recipe, "\nkite.find('Nobody at all')");
    Came failed = kite("run", recipe.toString(), "--sequence", sequence);
    assertEquals(1, failed.exit());
    assertTrue(failed.said().contains("Line 2: There is nothing called"), failed.said());

    File zip = folder.resolve("a.kite.zip").toFile();
    assertEquals(0, kite("export", "--sequence", sequence, "--out", zip.getPath()).exit());
    try (ZipInputStream in = new ZipInputStream(Files.newInputStream(zip.toPath()))) {
      assertTrue(in.getNextEntry() != null);
    }
    Came into = kite("import", zip.getPath(), "--production", "SW", "--code", "SW777", "--json");
    assertEquals(0, into.exit(), into.said());
    assertEquals("SW777", into.json().get("code").asString());

    Path usda = folder.resolve("a.usda");
    assertEquals(
        0, kite("bake", "--sequence", sequence, "--camera", "A", "--out", usda.toString()).exit());
    assertTrue(Files.readString(usda).startsWith("#usda 1.0"));

    Came checks = kite("check", "--sequence", sequence, "--json");
    boolean wrong = checks.json().toString().contains("\"severity\":\"wrong\"");
    assertEquals(wrong ? 1 : 0, checks.exit(), checks.said());

    Path png = folder.resolve("a.png");
    Came render =
        kite(
            "render",
            "--sequence",
            sequence,
            "--camera",
            "A",
            "--frame",
            "1010",
            "--percent",
            "5",
            "--samples",
            "1",
            "--out",
            png.toString());
    assertEquals(0, render.exit(), render.said());
    assertEquals(96, ImageIO.read(new ByteArrayInputStream(Files.readAllBytes(png))).getWidth());

    assertEquals(2, kite("run").exit(), "asked wrongly");
    Came nobody = kite("check", "--sequence", "NOPE");
    assertEquals(1, nobody.exit());
    assertTrue(nobody.said().contains("There is no sequence NOPE"), nobody.said());
  }

  private JsonNode begin(String script) throws Exception {
    HttpResponse<String> r =
        pim.post(
            "api/sequences/" + sequence + "/recipes/runs",
            Map.of("script", script, "set", Map.of(), "name", "Long"));
    assertEquals(200, r.statusCode(), r.body());
    return Person.json(r);
  }

  private JsonNode run(JsonNode begun, Predicate<JsonNode> until) throws Exception {
    String path = "api/sequences/" + sequence + "/recipes/runs/" + begun.get("id").asString();
    JsonNode now = Person.json(pim.get(path));
    long end = System.nanoTime() + TimeUnit.MINUTES.toNanos(2);
    while (!until.test(now)) {
      assertTrue(System.nanoTime() < end, now.toString());
      now = Person.json(pim.get(path));
    }
    return now;
  }

  private static boolean isOver(JsonNode run) {
    return !List.of("WAITING", "WORKING").contains(run.get("state").asString());
  }

  @Test
  void aLongRecipeTellsHowFarItIsAndIsStopped() throws Exception {
    int pieces = application.stored().all(Piece.class).size();
    JsonNode endless =
        begin("kite.standIn('box', 'Never'); for (;;) kite.progress(0.25); // goes on");
    run(endless, r -> r.get("share").asDouble() == 0.25);
    JsonNode waits = begin("kite.standIn('box', 'Nor this')"); // behind it
    String path = "api/sequences/" + sequence + "/recipes/runs/";
    Person oda = Person.signedIn(application.address(), "oda", "keep-the-light");
    String first = endless.get("id").asString();
    assertEquals(403, oda.post(path + first + "/stop", Map.of()).statusCode(), "a reviewer");
    JsonNode stopped = Person.json(pim.post(path + waits.get("id").asString() + "/stop", Map.of()));
    assertEquals("STOPPED", stopped.get("state").asString(), "it had not begun");
    pim.post(path + first + "/stop", Map.of());
    JsonNode ended = run(endless, ScriptsTest::isOver);
    assertEquals("STOPPED", ended.get("state").asString());
    assertEquals("It was stopped. Nothing was changed.", ended.get("message").asString());
    assertEquals(pieces, application.stored().all(Piece.class).size());
  }

  @Test
  void aRunWhoseServerIsKilledIsMadeOnce() throws Exception {
    int pieces = application.stored().all(Piece.class).size();
    JsonNode begun =
        begin(
            "kite.standIn('box', 'Once');\n"
                + "for (let i = 0; i < 3000000; i++) if (i % 1000 === 0) kite.progress(i / 3e6);");
    run(begun, r -> r.get("share").asDouble() > 0 || isOver(r));
    application.kill();
    application.start();
    pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    JsonNode ended = run(begun, ScriptsTest::isOver);
    assertEquals("DONE", ended.get("state").asString(), ended.toString());
    assertEquals(pieces + 1, application.stored().all(Piece.class).size());
    assertEquals("1", Application.asked("select count(*) from edit where label = 'Recipe: Long'"));
  }

  /** It would be refused on what it made itself, and its picture would come twice. */
  @Test
  void aRunWhoseServerIsKilledAfterItsEditIsNotRunAgain() throws Exception {
    JsonNode begun;
    try (Connection other = Application.connect(Application.DATABASE)) {
      long key = UUID.fromString(sequence).getMostSignificantBits();
      try (Statement s = other.createStatement()) {
        s.execute("select pg_advisory_lock(" + key + ")"); // no render can be taken in
      }
      begun =
          begin(
              "if (kite.all().some((t) => t.name === 'Once')) throw new Error('It is there.');\n"
                  + "kite.standIn('box', 'Once');\n"
                  + "kite.render(kite.cameraCalled('A'), 1010, { percent: 5, samples: 1 });");
      run(begun, r -> rendersThatWait() == 1 || isOver(r));
      application.kill();
    }
    application.start();
    pim = Person.signedIn(application.address(), "pim", "hold-on-tight");
    JsonNode ended = run(begun, ScriptsTest::isOver);
    assertEquals("DONE", ended.get("state").asString(), ended.toString());
    assertEquals(1, ended.get("came").get("renders").size());
    assertEquals("1", Application.asked("select count(*) from render_job"));
    assertEquals("1", Application.asked("select count(*) from edit where label = 'Recipe: Long'"));
  }

  /** Transactions that wait until they may number a render. */
  private static int rendersThatWait() {
    try {
      return Integer.parseInt(
          Application.asked(
              "select count(*) from pg_locks where locktype = 'advisory' and not granted and"
                  + " database = (select oid from pg_database where datname ="
                  + " current_database())"));
    } catch (SQLException e) {
      throw new IllegalStateException("The database could not be asked who waits", e);
    }
  }

  @Test
  void whatARecipeWishesIsRenderedWithoutAPage() throws Exception {
    JsonNode ended =
        run(
            begin("kite.render(kite.cameraCalled('A'), 1010, { percent: 5, samples: 1 })"),
            ScriptsTest::isOver);
    assertEquals("DONE", ended.get("state").asString(), ended.toString());
    JsonNode renders = ended.get("came").get("renders");
    assertEquals(1, renders.size());
    String path = "api/renders/" + renders.get(0).asString();
    JsonNode render = Person.json(pim.get(path));
    while (!render.get("state").asString().equals("DONE")) render = Person.json(pim.get(path));
    assertEquals(1, render.get("done").asInt());
    JsonNode dry =
        Person.json(
            pim.post(
                "api/sequences/" + sequence + "/recipes",
                Map.of(
                    "script",
                    "kite.render(kite.cameraCalled('A'), 1010)",
                    "set",
                    Map.of(),
                    "dry",
                    true)));
    assertEquals(0, dry.get("renders").size());
    assertEquals(1, dry.get("wishes").size());
    JsonNode tooLarge =
        Person.json(
            pim.post(
                "api/sequences/" + sequence + "/recipes",
                Map.of(
                    "script",
                    "kite.render(kite.cameraCalled('A'), 1010, { percent: 500 })",
                    "set",
                    Map.of())));
    assertEquals(0, tooLarge.get("renders").size());
    assertTrue(tooLarge.get("said").toString().contains("A picture was not begun"), "it is said");
  }

  @Test
  void aWatcherIsAddedTriedAndRemovedByHand() throws Exception {
    page.evaluate("() => location.hash = ''");
    page.locator("main.home").waitFor();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Salt Wind"))
        .first()
        .click();
    button("Watchers …").click();
    Locator window = page.getByRole(AriaRole.DIALOG);
    try (StandInListener there = new StandInListener()) {
      window.getByLabel("Name").fill("Tracker");
      window.getByLabel("Address").fill("http://169.254.169.254/");
      page.keyboard().press("Enter");
      window.getByText("may not be told from here").waitFor();
      window.getByLabel("Address").fill(there.address());
      window.getByLabel("Edits").check();
      page.keyboard().press("Enter");
      String secret = window.getByLabel("The secret").inputValue();
      there.answers(500);
      window.getByText("Say hello").click();
      assertTrue(there.next("hello").isSignedWith(secret));
      window.getByText("It answered 500.").waitFor();
      window.getByText("Say hello").click(); // at once, and not when its turn comes
      assertEquals("hello", there.next("hello").type());
      assertEquals("hello", there.next("hello").type());
      window.getByText("What was told").click();
      Locator told = window.getByLabel("What Tracker was told");
      told.getByText("taken, tried 2 times").waitFor();
      assertEquals(2, told.getByRole(AriaRole.LISTITEM).count());
      told.getByText("Tell again").last().click();
      assertEquals("hello", there.next("hello").type());
      window.getByLabel("Tracker is told").click();
      window.getByText("Switched off: it is told nothing.").waitFor();
      window.getByText("Remove …").click();
      window.getByText("Remove Tracker").click();
      window.getByText("Add the watcher").waitFor(); // none is left
    }
    page.keyboard().press("Escape");
  }

  @Test
  void whatAWatcherIsToldIsHeardOnTheCommandLine() throws Exception {
    int port;
    try (ServerSocket free = new ServerSocket(0)) {
      port = free.getLocalPort();
    }
    String film = Person.json(pim.get("api/productions")).get(0).get("id").asString();
    String watchers = "api/productions/" + film + "/watchers";
    JsonNode made =
        Person.json(
            pim.post(
                watchers,
                Map.of(
                    "name",
                    "Tracker",
                    "address",
                    "http://127.0.0.1:" + port + "/",
                    "kinds",
                    List.of("version"),
                    "active",
                    true)));
    String watcher = watchers + "/" + made.get("watcher").get("id").asString();
    Process hears =
        new ProcessBuilder(
                "node",
                "../client/kite-cli.mjs",
                "hear",
                "--port",
                "" + port,
                "--secret",
                made.get("secret").asString())
            .redirectErrorStream(true)
            .start();
    try (BufferedReader said = hears.inputReader()) {
      assertTrue(said.readLine().startsWith("Listening at"));
      assertEquals(200, pim.post(watcher + "/hello", Map.of()).statusCode());
      String heard = said.readLine();
      assertTrue(heard.contains("hello") && heard.contains("pim"), heard);
      assertEquals(200, pim.post(watcher + "/secret", Map.of()).statusCode());
      assertEquals(200, pim.post(watcher + "/hello", Map.of()).statusCode());
      assertEquals("What came is not signed with this secret.", said.readLine());
    } finally {
      hears.destroyForcibly();
      pim.delete(watcher);
    }
  }

  @Test
  void theClientMakesEditsByTheCoresOwnWords() throws Exception {
    Path script = folder.resolve("use.mjs");
    Files.writeString(
        script,
        "import { KiteClient, Refused } from '"
            + Path.of("../client/kite-client.mjs").toRealPath().toUri()
            + "';\n"
            + "const kite = new KiteClient({ address: process.argv[2], token: process.argv[3] });\n"
            + "const s = await kite.sequence(process.argv[4]);\n"
            + "await s.edit([{ kind: 'rename', id: 'pim', name: 'Pim the small' }], 'By a pipeline');\n"
            + "console.log(Object.keys(await s.parameters("
            + "\"kite.parameters({ a: kite.parameter.tick('A') })\")));\n"
            + "try { await s.edit([{ kind: 'rename', id: 'nobody', name: 'x' }]); }\n"
            + "catch (e) { console.log(e instanceof Refused, e.message); }\n");
    Process p =
        new ProcessBuilder("node", script.toString(), application.address(), token, sequence)
            .redirectErrorStream(true)
            .start();
    String said = new String(p.getInputStream().readAllBytes());
    assertEquals(0, p.waitFor(), said);
    assertTrue(said.startsWith("[ 'a' ]\ntrue "), said);
    assertEquals("Pim the small", application.stored().get("pim").name());
    page.waitForFunction("() => jollyKite.document().includes('Pim the small')"); // told live
  }

  /** The client's types are those of the page, written from the core's records. */
  @Test
  void theClientsTypesAreTheCores() throws Exception {
    String page = Files.readString(Path.of("../web/src/core/types.ts"));
    String client = Files.readString(Path.of("../client/core.d.ts"));
    String declared =
        page.replaceAll("(?m)^export const (\\w*) = \\{", "export declare const $1: {")
            .replaceAll("(?m)^\\} as const;", "};");
    assertEquals(declared, client, "./kite types writes it anew");
  }
}
