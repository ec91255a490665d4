package kite.e2e;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import kite.demo.SaltWind;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Files sent to the server without a page: odd names, many at once, and what cannot be read. */
class FilesTest {
  private static final ExecutorService PEOPLE = Executors.newFixedThreadPool(20);
  private static Person pim;
  private static String sequence;

  @BeforeAll
  static void signIn() throws Exception {
    sequence = Application.get().reset(new SaltWind().sw010());
    pim = Person.signedIn(Application.get().address(), "pim", "hold-on-tight");
  }

  @AfterAll
  static void end() {
    PEOPLE.shutdown();
  }

  /** A triangle no other test brings, as a glTF with its data inside. */
  private static byte[] triangle(String name) {
    return ("{\"asset\":{\"version\":\"2.0\"},\"buffers\":[{\"byteLength\":36,\"uri\":\"data:application/octet-stream;base64,"
            + "AAAAAAAAAAAAAAAAAACAPwAAAAAAAAAAAAAAAAAAgD8AAAAA"
            + "\"}],\"bufferViews\":[{\"buffer\":0,\"byteLength\":36}],\"accessors\":[{\"bufferView\":0,"
            + "\"componentType\":5126,\"count\":3,\"type\":\"VEC3\"}],\"meshes\":[{\"primitives\":[{\"attributes\":"
            + "{\"POSITION\":0}}]}],\"nodes\":[{\"mesh\":0,\"name\":\""
            + name
            + "\"}]}")
        .getBytes(StandardCharsets.UTF_8);
  }

  private static HttpResponse<String> bring(String encodedName, byte[] bytes) throws Exception {
    return pim.postBytes("api/assets?name=" + encodedName + "&sequence=" + sequence, bytes);
  }

  @Test
  void theSameModelManyTimesAtOnceIsOneAsset() throws Exception {
    byte[] model = triangle(UUID.randomUUID().toString());
    List<Callable<HttpResponse<String>>> all = new ArrayList<>();
    for (int i = 0; i < 6; i++) all.add(() -> bring("same.gltf", model));
    String asset = null;
    for (Future<HttpResponse<String>> f : PEOPLE.invokeAll(all)) {
      assertEquals(200, f.get().statusCode(), f.get().body());
      String one = Person.json(f.get()).get("asset").asString();
      assertEquals(asset == null ? one : asset, one);
      asset = one;
    }
  }

  @Test
  void moreThanOnePersonsShareIsAskedToWait() throws Exception {
    List<Callable<HttpResponse<String>>> all = new ArrayList<>();
    for (int i = 0; i < 20; i++) {
      byte[] model = triangle(UUID.randomUUID().toString());
      all.add(() -> bring("many.gltf", model));
    }
    int taken = 0;
    for (Future<HttpResponse<String>> f : PEOPLE.invokeAll(all)) {
      int status = f.get().statusCode();
      assertTrue(status == 200 || status == 429, f.get().body());
      if (status == 200) taken++;
      else assertTrue(f.get().body().contains("are being read or wait"), f.get().body());
    }
    assertTrue(taken >= 12, "taken: " + taken);
    assertEquals(200, bring("after.gltf", triangle("after")).statusCode());
  }

  @Test
  void oddNamesAreKeptAsTheyCanBe() throws Exception {
    for (String name : List.of("50%25", "a%00b", "%2F..%2Fetc", "%F0%9F%90%8B.gltf", "x%0Ay")) {
      HttpResponse<String> r = bring(name, triangle("\\u0000\\ud800" + UUID.randomUUID()));
      assertEquals(200, r.statusCode(), name + ": " + r.body());
      String sha = Person.json(r).get("asset").asString();
      assertEquals(200, pim.get("api/assets/" + sha + "/rig").statusCode());
    }
  }

  @Test
  void aNameThatIsNoTextIsAskedWrongly() throws Exception {
    HttpResponse<String> r = bring("%ED%A0%80", triangle("half"));
    assertEquals(400, r.statusCode(), r.body());
    assertTrue(Person.json(r).get("refusal").get("text").asString().endsWith("."), r.body());
  }

  @Test
  void whatCannotBeReadIsASentence() throws Exception {
    for (byte[] bad :
        List.of(
            new byte[0],
            "{\"asset\":{\"version\":\"2.0\"},\"nodes\":{}}".getBytes(StandardCharsets.UTF_8),
            "{\"asset\":[]}".getBytes(StandardCharsets.UTF_8))) {
      HttpResponse<String> r = bring("bad.gltf", bad);
      assertEquals(422, r.statusCode(), r.body());
      assertTrue(Person.json(r).get("refusal").get("text").asString().endsWith("."), r.body());
    }
    HttpResponse<String> tracks =
        pim.postBytes(
            "api/assets/camera-tracks?name=a.usda&fps=24&sequence=" + sequence,
            "#usda".getBytes(StandardCharsets.UTF_8));
    assertEquals(422, tracks.statusCode(), tracks.body());
  }
}
