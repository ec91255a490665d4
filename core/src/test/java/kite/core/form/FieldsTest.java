package kite.core.form;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class FieldsTest {
  /** Fields are found in whatever order they stand and are asked for, some of them twice. */
  @Test
  void readsInAnyOrder() {
    Fields f = Fields.parse("{\"c\":3,\"a\":\"one\",\"n\":null,\"b\":[1,2]}");
    assertEquals("one", f.text("a"));
    assertEquals("one", f.text("a"));
    assertArrayEquals(new double[] {1, 2}, f.numbers("b"));
    assertEquals(3, f.number("c"));
    assertNull(f.textOrNull("n"));
    assertNull(f.textIfAny("left out"));
    assertEquals("read", f.done("read"));
  }

  @Test
  void whatNobodyAskedForIsRefused() {
    assertEquals("The field $.b is not known.", said("{\"a\":1,\"b\":2}", f -> f.number("a")));
  }

  @Test
  void whatStandsTwiceIsRefused() {
    assertEquals("The field $.a stands twice.", said("{\"a\":1,\"a\":2}", f -> f.number("a")));
  }

  /** What is asked about, without being taken, is still refused. */
  @Test
  void onlyWhatWasTakenIsKnown() {
    assertEquals("The field $.a is not known.", said("{\"a\":1}", f -> f.has("a")));
  }

  @Test
  void pathsLeadToTheFault() {
    String json = "{\"list\":[{\"deep\":{\"x\":1}},{\"deep\":{\"x\":\"no\"}}]}";
    Function<Fields, List<Double>> read = f -> f.list("list", i -> i.object("deep").number("x"));
    assertEquals("The field $.list[1].deep.x must be a number.", said(json, read));
    Function<Fields, Map<String, Double>> table = f -> f.map("m", Value::number);
    assertEquals(
        "The field $.m.two must be a number.", said("{\"m\":{\"one\":1,\"two\":[]}}", table));
    assertEquals(
        "The field $.m.two.x is missing.",
        said("{\"m\":{\"two\":{}}}", f -> f.map("m", v -> v.object().number("x"))));
  }

  /** Zero characters and halves of characters cannot be stored; pairs can. */
  @Test
  void textIsWhatCanBeKept() {
    assertEquals("🪁", Fields.parse("{\"t\":\"\\ud83e\\ude81\"}").text("t"));
    for (String bad : List.of("\\u0000", "\\ud83e", "\\ude81", "\\ude81\\ud83e", "a\\ud83eb"))
      assertEquals(
          "The field $.t holds a character that cannot be kept.",
          said("{\"t\":\"" + bad + "\"}", f -> f.text("t")));
  }

  private static String said(String json, Function<Fields, ?> read) {
    return assertThrows(
            Refusal.class,
            () -> {
              Fields f = Fields.parse(json);
              f.done(read.apply(f));
            })
        .getMessage();
  }
}
