package kite.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.io.Reader;
import kite.exchange.Json;
import org.junit.jupiter.api.Test;
import tools.jackson.core.JacksonException;

class CoreJsonTest {
  record Body(String name, CoreJson document) {}

  private static final String DOCUMENT = "{\"a\":[1,0.1,1.0E-300,\"“é”\",null,true,{}]}";

  @Test
  void whatTheCoreWroteIsJsonWithinABodyAndTextHere() {
    String body = "{\"name\":\"Pier\",\"document\":" + DOCUMENT + "}";
    Body read = Json.MAPPER.readValue(body, Body.class);
    assertEquals(DOCUMENT, read.document().text());
    assertEquals(
        Json.MAPPER.readTree(body), Json.MAPPER.readTree(Json.MAPPER.writeValueAsString(read)));
  }

  @Test
  void aPageOfAnEarlierBuildSendsItAsText() {
    String body = Json.MAPPER.createObjectNode().put("document", DOCUMENT).toString();
    assertEquals(DOCUMENT, Json.MAPPER.readValue(body, Body.class).document().text());
  }

  @Test
  void aBodyWithoutEndIsRefusedOnTheWay() {
    Reader endless =
        new Reader() {
          private boolean begun;

          @Override
          public int read(char[] into, int at, int length) {
            String more = begun ? "0,".repeat(length / 2) : "{\"document\":[";
            begun = true;
            more.getChars(0, more.length(), into, at);
            return more.length();
          }

          @Override
          public void close() {}
        };
    assertThrows(JacksonException.class, () -> Json.MAPPER.readValue(endless, Body.class));
  }

  @Test
  void whatIsNoJsonIsRefused() {
    assertThrows(
        JacksonException.class, () -> Json.MAPPER.readValue("{\"document\":{]}", Body.class));
    assertEquals(null, Json.MAPPER.readValue("{\"name\":\"x\"}", Body.class).document());
  }
}
