package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.http.HttpResponse;
import java.net.http.WebSocket;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CompletionStage;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import kite.core.command.ChannelCommand.SetValue;
import kite.demo.SaltWind;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Who may do what, as a table: every address there is, and everybody who may come. */
class RightsTest {
  private static final String PASSWORD = "long enough for it";

  /** What says that one may not, or that there is nothing for one. */
  private static final Pattern ABSENT =
      Pattern.compile("There is no such (sequence|production|render|model)\\.");

  private static final String[] COLUMNS = {
    "nobody", "guest", "ended", "reviewer", "artist", "lead", "other", "deactivated"
  };

  // who may come in; the columns are those of everybody: nobody, a guest, a guest whose link has
  // ended, reviewer, artist and lead of the production, lead of another one, a deactivated one
  private static final String ANYONE = "in in in in in in in in",
      ACCOUNT = "401 403 403 in in in in 401",
      ADMINISTRATOR = "401 403 403 403 403 403 403 401",
      SEE = "401 in 403 in in in 404 401",
      LOOK = "401 403 403 in in in 404 401",
      EDIT = "401 403 403 403 in in 404 401",
      LEAD = "401 403 403 403 403 in 404 401",
      RENDER = LOOK;

  private static String address;
  private static Person pim;
  private static final Map<String, Person> EVERYBODY = new LinkedHashMap<>();
  private static final Map<String, String> ACCOUNTS = new LinkedHashMap<>();
  private static final Map<String, String> IDS = new LinkedHashMap<>();

  /** Links' notes by their secrets. */
  private static final Map<String, String> NOTES = new LinkedHashMap<>();

  private static String otherProduction;

  @BeforeAll
  static void aStudio() throws Exception {
    Application application = Application.get();
    application.reset(new SaltWind().sw010());
    address = application.address();
    pim = Person.signedIn(address, "pim", "hold-on-tight");
    String film = production();
    otherProduction = production();
    String sequence = made(pim.post("api/productions/" + film + "/sequences", firstSet("RT010")));
    IDS.put("production", film);
    IDS.put("sequence", sequence);
    EVERYBODY.put("nobody", Person.stranger(address));
    String link = link(sequence), ended = link(sequence);
    EVERYBODY.put("guest", guest(link));
    EVERYBODY.put("ended", guest(ended));
    for (JsonNode l : Person.json(pim.get("api/sequences/" + sequence + "/links")))
      if (l.get("note").asString().equals(NOTES.get(ended)))
        assertEquals(
            204,
            pim.delete("api/sequences/" + sequence + "/links/" + l.get("id").asString())
                .statusCode());
    for (String role : List.of("reviewer", "artist", "lead"))
      EVERYBODY.put(role, invited(film, role, role));
    EVERYBODY.put("other", invited(otherProduction, "lead", "other"));
    EVERYBODY.put("deactivated", invited(film, "lead", "deactivated"));
    for (JsonNode a : Person.json(pim.get("api/administration/accounts")))
      if (a.get("name").asString().equals(ACCOUNTS.get("deactivated")))
        assertEquals(
            204,
            pim.post(
                    "api/administration/accounts/" + a.get("id").asString() + "/ended",
                    Map.of("ended", true))
                .statusCode());
    String camera = null;
    for (JsonNode e :
        Person.json(pim.get("api/sequences/" + sequence)).get("document").get("entities"))
      if (e.get("kind").asString().equals("camera")) camera = e.get("id").asString();
    IDS.put("camera", camera);
    IDS.put(
        "render",
        made(
            pim.post(
                "api/sequences/" + sequence + "/renders",
                Map.of(
                    "what", "frame", "camera", camera, "frame", 1001, "percent", 5, "samples",
                    1))));
    HttpResponse<String> letters =
        pim.post(
            "api/assets/lettering?sequence=" + sequence,
            Map.of("text", "Ahoy", "heightM", 1, "depthM", 0.1, "colour", "#e9dcc3"));
    IDS.put("sha", Person.json(letters).get("asset").asString());
  }

  static Map<String, ?> firstSet(String code) {
    return Map.of("code", code, "title", "Whose is it", "begin", "firstSet");
  }

  private static String production() throws Exception {
    String code = "R" + UUID.randomUUID().toString().substring(0, 8);
    return made(
        pim.post(
            "api/productions", Map.of("name", "Rights " + code, "code", code, "start", "hd-25")));
  }

  private static String made(HttpResponse<String> r) {
    assertEquals(200, r.statusCode(), r.body());
    return Person.json(r).get("id").asString();
  }

  /** The secret of a link. */
  private static String link(String sequence) throws Exception {
    String note = UUID.randomUUID().toString().substring(0, 8);
    HttpResponse<String> r =
        pim.post("api/sequences/" + sequence + "/links", Map.of("note", note, "days", 3));
    assertEquals(200, r.statusCode(), r.body());
    NOTES.put(Person.json(r).get("secret").asString(), note);
    return Person.json(r).get("secret").asString();
  }

  private static Person guest(String secret) throws Exception {
    Person p = Person.stranger(address);
    HttpResponse<String> r = p.post("api/guest", Map.of("secret", secret));
    assertEquals(200, r.statusCode(), r.body());
    p.get("api/session");
    return p;
  }

  private static Person invited(String production, String role, String name) throws Exception {
    HttpResponse<String> link =
        pim.post(
            "api/productions/" + production + "/invitations", Map.of("role", role, "note", name));
    assertEquals(200, link.statusCode(), link.body());
    String secret = Person.json(link).get("secret").asString();
    String account = name + " " + UUID.randomUUID().toString().substring(0, 8);
    ACCOUNTS.put(name, account);
    Person p = Person.stranger(address);
    Map<String, ?> said = Map.of("secret", secret, "name", account, "password", PASSWORD);
    HttpResponse<String> came = p.post("api/invitation/accept", said);
    assertEquals(200, came.statusCode(), came.body());
    assertEquals(410, p.post("api/invitation/accept", said).statusCode(), "it works once");
    return Person.signedIn(address, account, PASSWORD);
  }

  /** An address with who may ask for it; its request changes nothing even for those who may. */
  private record Row(String method, String path, String body, String may) {}

  private static List<Row> table() {
    List<Row> t = new ArrayList<>();
    t.add(new Row("GET", "/api/session", "", ANYONE));
    t.add(new Row("GET", "/api/health", "", ANYONE));
    t.add(new Row("POST", "/api/set-up", "{}", ANYONE));
    t.add(new Row("POST", "/api/guest", "{}", ANYONE));
    t.add(new Row("POST", "/api/invitation", "{}", ANYONE));
    t.add(new Row("POST", "/api/invitation/accept", "{}", ANYONE));
    t.add(new Row("GET", "/api/arrival", "", ANYONE));
    t.add(new Row("POST", "/api/arrival", "{}", ANYONE));
    t.add(new Row("GET", "/api/starting-points", "", ACCOUNT));
    t.add(new Row("GET", "/api/productions", "", ACCOUNT));
    t.add(new Row("GET", "/api/sequences", "", ACCOUNT));
    t.add(new Row("GET", "/api/account", "", ACCOUNT));
    t.add(new Row("POST", "/api/account", "{}", ACCOUNT));
    t.add(new Row("POST", "/api/account/password", "{}", ACCOUNT));
    t.add(new Row("GET", "/api/account/tokens", "", ACCOUNT));
    t.add(new Row("POST", "/api/account/tokens", "{}", ACCOUNT));
    t.add(new Row("DELETE", "/api/account/tokens/{token}", "", ACCOUNT));
    t.add(new Row("POST", "/api/productions", "{}", ADMINISTRATOR));
    t.add(new Row("POST", "/api/demonstration/end", "{\"production\":false}", ADMINISTRATOR));
    t.add(new Row("GET", "/api/administration/accounts", "", ADMINISTRATOR));
    t.add(new Row("GET", "/api/administration/status", "", ADMINISTRATOR));
    t.add(new Row("GET", "/api/administration/jobs", "", ADMINISTRATOR));
    t.add(new Row("GET", "/api/administration/notes", "", ADMINISTRATOR));
    t.add(new Row("GET", "/api/administration/unused-assets", "", ADMINISTRATOR));
    t.add(new Row("DELETE", "/api/administration/unused-assets", "", ADMINISTRATOR));
    String account = "/api/administration/accounts/{id}";
    t.add(new Row("POST", account + "/administers", "{\"administers\":true}", ADMINISTRATOR));
    t.add(new Row("POST", account + "/ended", "{\"ended\":true}", ADMINISTRATOR));
    t.add(new Row("POST", account + "/new-password", "", ADMINISTRATOR));
    String production = "/api/productions/{id}";
    t.add(new Row("GET", production + "/people", "", LOOK));
    t.add(new Row("POST", production + "/people", "{\"name\":\"-\",\"role\":\"artist\"}", LEAD));
    t.add(new Row("POST", production + "/people/{account}", "{\"role\":\"artist\"}", LEAD));
    t.add(new Row("DELETE", production + "/people/{account}", "", LEAD));
    t.add(new Row("POST", production + "/invitations", "{}", LEAD));
    t.add(new Row("DELETE", production + "/invitations/{invitation}", "", LEAD));
    t.add(new Row("GET", production + "/next-code", "", EDIT));
    t.add(new Row("POST", production + "/sequences", "{}", EDIT));
    t.add(new Row("POST", production + "/standards", "{\"version\":0}", LEAD));
    t.add(new Row("POST", production + "/standards/effects", "{\"version\":0}", LEAD));
    String watchers = production + "/watchers", watcher = watchers + "/{watcher}";
    t.add(new Row("GET", watchers, "", LEAD));
    t.add(new Row("POST", watchers, "{\"active\":false}", LEAD));
    t.add(new Row("PUT", watcher, "{\"active\":false}", LEAD));
    t.add(new Row("DELETE", watcher, "", LEAD));
    t.add(new Row("POST", watcher + "/secret", "", LEAD));
    t.add(new Row("POST", watcher + "/hello", "", LEAD));
    t.add(new Row("GET", watcher + "/tellings", "", LEAD));
    t.add(new Row("POST", watcher + "/tellings/{telling}/again", "", LEAD));
    String sequence = "/api/sequences/{id}";
    t.add(new Row("GET", sequence, "", SEE));
    t.add(new Row("DELETE", sequence, "", LEAD));
    t.add(new Row("GET", sequence + "/digest", "", SEE));
    t.add(new Row("GET", sequence + "/edits?after=0", "", SEE));
    t.add(new Row("POST", sequence + "/edits", "{\"revision\":0}", LOOK));
    t.add(new Row("GET", sequence + "/edits/{edit}", "", LOOK));
    t.add(new Row("POST", sequence + "/names", "{}", EDIT));
    t.add(new Row("POST", sequence + "/place", "{}", EDIT));
    t.add(new Row("GET", sequence + "/picture.png", "", SEE));
    t.add(new Row("POST", sequence + "/favourite", "{\"favourite\":false}", LOOK));
    t.add(new Row("POST", sequence + "/status", "{}", EDIT));
    t.add(new Row("GET", sequence + "/approvals", "", SEE));
    String approves = "401 403 403 in 403 in 404 401"; // not an artist
    t.add(new Row("POST", sequence + "/approvals/{entity}", "{}", approves));
    t.add(new Row("DELETE", sequence + "/approvals/{entity}", "", approves));
    t.add(new Row("GET", sequence + "/history", "", LOOK));
    t.add(new Row("GET", sequence + "/history/{revision}", "", LOOK));
    t.add(new Row("GET", sequence + "/file", "", EDIT));
    t.add(new Row("POST", sequence + "/file", "bytes", EDIT));
    t.add(new Row("POST", production + "/sequences/file", "bytes", EDIT));
    t.add(new Row("POST", sequence + "/production", "{}", EDIT));
    t.add(new Row("POST", sequence + "/production/effects", "{}", EDIT));
    t.add(new Row("GET", sequence + "/standards", "", LOOK));
    t.add(new Row("GET", sequence + "/versions", "", LOOK));
    t.add(new Row("POST", sequence + "/versions", "{\"revision\":-1}", EDIT));
    t.add(new Row("GET", sequence + "/versions/{number}", "", LOOK));
    t.add(new Row("GET", sequence + "/rigs", "", LOOK));
    t.add(new Row("POST", sequence + "/rigs", "{\"replace\":false}", EDIT));
    t.add(new Row("DELETE", sequence + "/rigs/{rig}", "", EDIT));
    String kept = sequence + "/recipes/kept", runs = sequence + "/recipes/runs";
    t.add(new Row("POST", runs, "{}", EDIT));
    t.add(new Row("GET", runs + "/{run}", "", LOOK));
    t.add(new Row("POST", runs + "/{run}/stop", "", EDIT));
    t.add(new Row("POST", sequence + "/recipes", "{\"dry\":true}", EDIT));
    t.add(new Row("GET", kept, "", LOOK));
    t.add(new Row("POST", kept, "{\"after\":0,\"shared\":false}", EDIT));
    t.add(new Row("GET", kept + "/{recipe}", "", LOOK));
    t.add(new Row("GET", kept + "/{recipe}/versions", "", LOOK));
    t.add(new Row("PUT", kept + "/{recipe}", "{\"after\":0,\"shared\":false}", EDIT));
    t.add(new Row("DELETE", kept + "/{recipe}", "", EDIT));
    t.add(new Row("GET", sequence + "/sets", "", LOOK));
    t.add(new Row("POST", sequence + "/sets", "{}", EDIT));
    t.add(new Row("POST", sequence + "/sets/{set}/versions", "{}", EDIT));
    t.add(new Row("GET", sequence + "/sets/{set}/versions/{number}", "", LOOK));
    t.add(
        new Row(
            "GET",
            sequence + "/sets/placed/{placed}/versions/{number}.png?camera=x&frame=1",
            "",
            EDIT));
    t.add(new Row("GET", sequence + "/links", "", EDIT));
    t.add(new Row("POST", sequence + "/links", "{\"days\":0}", EDIT));
    t.add(new Row("DELETE", sequence + "/links/{link}", "", EDIT));
    t.add(new Row("GET", sequence + "/hand-over/cut.otio", "", LOOK));
    t.add(new Row("GET", sequence + "/hand-over/cut.edl", "", LOOK));
    t.add(new Row("GET", sequence + "/packages", "", LOOK));
    t.add(new Row("POST", sequence + "/packages", "{\"parts\": []}", EDIT));
    t.add(new Row("GET", sequence + "/packages/{number}/file.zip", "", LOOK));
    t.add(new Row("GET", sequence + "/checks", "", LOOK));
    t.add(new Row("POST", sequence + "/cut-file?name=cut.edl", "bytes", EDIT));
    t.add(new Row("GET", sequence + "/hand-over/sound.wav", "", LOOK));
    t.add(new Row("GET", sequence + "/hand-over/shot-list.csv", "", LOOK));
    t.add(new Row("GET", sequence + "/hand-over/shot-list.pdf", "", LOOK));
    t.add(new Row("GET", sequence + "/hand-over/cameras/{camera}.usda", "", LOOK));
    t.add(new Row("GET", sequence + "/hand-over/cameras/{camera}.glb", "", LOOK));
    t.add(new Row("GET", sequence + "/renders", "", LOOK));
    String nothing = "{\"frame\":0,\"percent\":0,\"samples\":0}";
    t.add(new Row("POST", sequence + "/renders", nothing, LOOK));
    t.add(new Row("POST", sequence + "/renders/names", nothing, LOOK));
    String preview = "{\"frame\":0,\"percent\":0,\"handles\":false,\"byServer\":false}";
    t.add(new Row("POST", sequence + "/previews", preview, LOOK));
    t.add(new Row("GET", "/api/previews/drawers", "", ACCOUNT));
    t.add(new Row("GET", "/api/previews/desk/{key}", "", ANYONE));
    String render = "/api/renders/{id}";
    t.add(new Row("POST", render + "/drawing", "{}", RENDER));
    String stretch = "/drawing/{first}?frames=1&seconds=1&holder=";
    t.add(new Row("PUT", render + stretch + UUID.randomUUID(), "bytes", RENDER));
    t.add(new Row("POST", render + "/drawing/end", "{}", RENDER));
    t.add(new Row("GET", render, "", RENDER));
    t.add(new Row("POST", render + "/resume", "", "401 403 403 403 in in 404 401"));
    t.add(new Row("POST", render + "/stop", "", "401 403 403 403 in in 404 401"));
    t.add(new Row("POST", render + "/pause", "", "401 403 403 403 in in 404 401"));
    t.add(new Row("POST", render + "/urgency", "{}", "401 403 403 403 in in 404 401"));
    t.add(new Row("POST", render + "/frames/{number}/again", "", "401 403 403 403 in in 404 401"));
    t.add(new Row("GET", render + "/frames", "", RENDER));
    t.add(new Row("GET", render + "/frames/{number}.png", "", RENDER));
    t.add(new Row("GET", render + "/places", "", RENDER));
    t.add(new Row("GET", render + "/frames/{number}/layers", "", RENDER));
    t.add(new Row("GET", render + "/frames/{number}/layer.png", "", RENDER));
    t.add(new Row("GET", render + "/frames/{number}/pixel?x=0&y=0", "", RENDER));
    t.add(new Row("GET", render + "/frames.zip", "", RENDER));
    t.add(new Row("GET", render + "/files.zip", "", RENDER));
    t.add(new Row("GET", render + "/files/{number}", "", RENDER));
    t.add(new Row("GET", "/api/renders/passes", "", ACCOUNT));
    t.add(new Row("GET", render + "/film.mp4", "", RENDER));
    t.add(new Row("GET", render + "/film.webp", "", RENDER));
    t.add(new Row("GET", "/api/assets/{sha}", "", SEE));
    t.add(new Row("GET", "/api/assets/{sha}/rig", "", SEE));
    t.add(new Row("GET", "/api/assets/{sha}/report", "", SEE));
    String into = "sequence={sequence}";
    t.add(new Row("POST", "/api/assets?name=a.glb&" + into, "bytes", EDIT));
    t.add(new Row("POST", "/api/assets/together?" + into, "files", EDIT));
    t.add(new Row("POST", "/api/assets/images?name=a.png&" + into, "bytes", EDIT));
    String words = "{\"heightM\":1,\"depthM\":1}";
    t.add(new Row("GET", "/api/assets/{sha}/peaks", "", SEE));
    t.add(new Row("GET", "/api/assets/{sha}/samples/{block}", "", SEE));
    t.add(new Row("POST", "/api/assets/sounds?name=a.wav&" + into, "bytes", EDIT));
    t.add(new Row("POST", "/api/assets/lettering?" + into, words, EDIT));
    t.add(new Row("POST", "/api/assets/camera-tracks?name=a.usda&fps=24&" + into, "bytes", EDIT));
    t.add(new Row("GET", sequence + "/burn-in.png?frame=1001&burnIn=%7B%7D", "", LOOK));
    t.add(new Row("POST", "/api/assets/usd-contents?name=a.usda&" + into, "bytes", EDIT));
    // last, since it ends the sessions of those who may
    t.add(new Row("POST", "/api/account/sign-out-everywhere", "", ACCOUNT));
    return t;
  }

  private static String filled(String path) {
    boolean production = path.startsWith("/api/productions/");
    boolean render = path.startsWith("/api/renders/{"), account = path.contains("/accounts/");
    String id = IDS.get(production ? "production" : render ? "render" : "sequence");
    return path.replace("{id}", account ? UUID.randomUUID().toString() : id)
        .replace("{sequence}", IDS.get("sequence"))
        .replace("{camera}", IDS.get("camera"))
        .replace("{sha}", IDS.get("sha"))
        .replace("{number}", "1001")
        .replace("{block}", "0")
        .replace("{first}", "1")
        .replace("{revision}", "0")
        .replaceAll("\\{\\w+}", UUID.randomUUID().toString())
        .substring(1);
  }

  private static HttpResponse<String> asked(Person who, Row row) throws Exception {
    var request = who.request(filled(row.path));
    var body = java.net.http.HttpRequest.BodyPublishers.ofString(row.body);
    if (row.body.equals("bytes")) request.header("Content-Type", "application/octet-stream");
    else if (row.body.equals("files")) {
      request.header("Content-Type", "multipart/form-data; boundary=x");
      body =
          java.net.http.HttpRequest.BodyPublishers.ofString(
              "--x\r\nContent-Disposition: form-data; name=\"files\"; filename=\"a.obj\"\r\n\r\n"
                  + "nothing\r\n--x--\r\n");
    } else request.header("Content-Type", "application/json");
    return who.send(request.method(row.method, body));
  }

  /** In, or the status by which one is kept out. */
  private static String outcome(HttpResponse<String> r) {
    int status = r.statusCode();
    boolean out =
        status == 401 || status == 403 || status == 404 && ABSENT.matcher(r.body()).find();
    assertTrue(out || status < 500, status + " " + r.body());
    return out ? "" + status : "in";
  }

  @Test
  void everyAddressTakesThoseItShould() throws Exception {
    List<String> wrong = new ArrayList<>();
    for (Row row : table()) {
      String[] expected = row.may.split(" ");
      for (int i = 0; i < COLUMNS.length; i++) {
        HttpResponse<String> r = asked(EVERYBODY.get(COLUMNS[i]), row);
        String got = outcome(r);
        if (!got.equals(expected[i]))
          wrong.add(
              row.method
                  + " "
                  + row.path
                  + " "
                  + COLUMNS[i]
                  + ": "
                  + got
                  + " instead of "
                  + expected[i]
                  + ", "
                  + r.statusCode()
                  + " "
                  + r.body());
        if (got.equals("403")) assertTrue(r.body().contains("\"text\""), r.body());
      }
    }
    assertEquals(List.of(), wrong);
    for (String who : List.of("reviewer", "artist", "lead", "other"))
      EVERYBODY.put(who, Person.signedIn(address, ACCOUNTS.get(who), PASSWORD));
  }

  /** An address that is new must be put into the table. */
  @Test
  void theTableHasEveryAddress() throws Exception {
    Set<String> named = new TreeSet<>(), there = new TreeSet<>();
    for (Row r : table()) named.add(r.method + " " + r.path.replaceAll("\\?.*", ""));
    JsonNode paths = Person.json(pim.get("api/openapi.json")).get("paths");
    paths
        .propertyNames()
        .forEach(
            p ->
                paths
                    .get(p)
                    .propertyNames()
                    .forEach(m -> there.add(m.toUpperCase(java.util.Locale.ROOT) + " " + p)));
    assertEquals(there, named);
  }

  @Test
  void listsHaveOnesOwnAlone() throws Exception {
    assertEquals(List.of(otherProduction), ids(EVERYBODY.get("other").get("api/productions")));
    assertEquals(List.of(), ids(EVERYBODY.get("other").get("api/sequences?find=RT010")));
    assertEquals(
        List.of(IDS.get("sequence")), ids(EVERYBODY.get("reviewer").get("api/sequences?find=")));
    assertEquals(
        404,
        EVERYBODY
            .get("other")
            .get("api/sequences?production=" + IDS.get("production"))
            .statusCode());
    // nor is anything of another production begun with
    assertEquals(
        404,
        EVERYBODY
            .get("other")
            .post(
                "api/productions/" + otherProduction + "/sequences",
                Map.of(
                    "code",
                    "X010",
                    "title",
                    "",
                    "begin",
                    "another",
                    "another",
                    IDS.get("sequence"),
                    "taken",
                    Map.of("set", true, "cameras", true, "cut", true)))
            .statusCode());
  }

  private static List<String> ids(HttpResponse<String> r) {
    assertEquals(200, r.statusCode(), r.body());
    List<String> all = new ArrayList<>();
    for (JsonNode n : Person.json(r)) all.add(n.get("id").asString());
    return all;
  }

  private static final class Ear implements WebSocket.Listener {
    final CompletableFuture<Integer> closed = new CompletableFuture<>();

    @Override
    public CompletionStage<?> onClose(WebSocket s, int status, String reason) {
      closed.complete(status);
      return null;
    }
  }

  @Test
  void whoMayLookListensAndWhoNoLongerMayIsCutOff() throws Exception {
    String sequence = IDS.get("sequence");
    for (String out : List.of("nobody", "ended", "other", "deactivated"))
      assertThrows(
          CompletionException.class,
          () -> EVERYBODY.get(out).listen(sequence, new Ear()).abort(),
          out);
    for (String in : List.of("guest", "reviewer", "lead"))
      EVERYBODY.get(in).listen(sequence, new Ear()).abort();
    Person leaving = invited(IDS.get("production"), "artist", "leaving");
    String path = "api/productions/" + IDS.get("production") + "/people";
    String account = null;
    for (JsonNode p : Person.json(pim.get(path)).get("people"))
      if (p.get("name").asString().equals(ACCOUNTS.get("leaving")))
        account = p.get("account").asString();
    SetValue edit = new SetValue("adult", "x", 1001, 1, false);
    assertEquals(200, leaving.edit(sequence, UUID.randomUUID(), revision(), edit).statusCode());
    Ear ear = new Ear();
    WebSocket line = leaving.listen(sequence, ear);
    assertEquals(204, pim.post(path + "/" + account, Map.of("role", "reviewer")).statusCode());
    HttpResponse<String> refused = leaving.edit(sequence, UUID.randomUUID(), revision(), edit);
    assertEquals(403, refused.statusCode());
    assertTrue(refused.body().contains("Reviewers put markers"), refused.body());
    assertTrue(!ear.closed.isDone(), "a reviewer goes on listening");
    assertEquals(204, pim.delete(path + "/" + account).statusCode());
    assertEquals(404, leaving.get("api/sequences/" + sequence).statusCode());
    assertEquals(1008, ear.closed.get(10, TimeUnit.SECONDS));
    line.abort();
  }

  private static long revision() throws Exception {
    return Person.json(pim.get("api/sequences/" + IDS.get("sequence") + "/digest"))
        .get("revision")
        .asLong();
  }

  @Test
  void aPasswordIsChangedAndChosenAnewAndTheLastAdministratorStays() throws Exception {
    Person p = invited(IDS.get("production"), "artist", "changing");
    String name = ACCOUNTS.get("changing");
    Person elsewhere = Person.signedIn(address, name, PASSWORD);
    HttpResponse<String> wrong =
        p.post("api/account/password", Map.of("old", "not it at all", "password", "another one 1"));
    assertEquals(422, wrong.statusCode());
    assertEquals(
        204,
        p.post("api/account/password", Map.of("old", PASSWORD, "password", "another one 1"))
            .statusCode());
    assertEquals(200, p.get("api/account").statusCode(), "here one stays");
    assertEquals(401, elsewhere.get("api/account").statusCode(), "elsewhere one is signed out");
    String account = null, own = null;
    for (JsonNode a : Person.json(pim.get("api/administration/accounts"))) {
      if (a.get("name").asString().equals(name)) account = a.get("id").asString();
      if (a.get("name").asString().equals("pim")) own = a.get("id").asString();
    }
    String accounts = "api/administration/accounts/";
    String secret =
        Person.json(pim.post(accounts + account + "/new-password", Map.of()))
            .get("secret")
            .asString();
    Person stranger = Person.stranger(address);
    assertEquals(
        name,
        Person.json(stranger.post("api/invitation", Map.of("secret", secret)))
            .get("name")
            .asString());
    assertEquals(
        422,
        stranger
            .post("api/invitation/accept", Map.of("secret", secret, "password", "short"))
            .statusCode());
    assertEquals(
        200,
        stranger
            .post("api/invitation/accept", Map.of("secret", secret, "password", "a third one 11"))
            .statusCode());
    assertEquals(401, p.get("api/account").statusCode(), "a new password signs out everywhere");
    Person.signedIn(address, name, "a third one 11");
    for (String what : List.of("administers", "ended")) {
      HttpResponse<String> last =
          pim.post(accounts + own + "/" + what, Map.of(what, what.equals("ended")));
      assertEquals(409, last.statusCode(), last.body());
    }
    assertEquals(
        410, stranger.post("api/invitation", Map.of("secret", secret)).statusCode(), "used");
    assertEquals(404, stranger.post("api/invitation", Map.of("secret", secret + "x")).statusCode());
  }
}
