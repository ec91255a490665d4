package kite.server;

import com.fasterxml.jackson.annotation.JsonRawValue;
import com.fasterxml.jackson.annotation.JsonValue;
import io.swagger.v3.oas.annotations.media.Schema;
import java.io.StringWriter;
import kite.exchange.Json;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.exc.StreamConstraintsException;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.annotation.JsonDeserialize;

/**
 * What the core's own codecs write and read: JSON within a body, text for the codecs. Pages of
 * earlier builds, which may still be open, sent it as text within the body.
 */
@JsonDeserialize(using = CoreJson.Reader.class)
@Schema(type = "object")
public record CoreJson(@JsonValue @JsonRawValue String text) {

  /** The text of what may be left out of a body, or null. */
  public static String textOf(CoreJson json) {
    return json == null ? null : json.text;
  }

  /** More than any address takes: who sends more is refused before it is all in memory. */
  static final int MOST = 65 << 20;

  /** Text that does not grow beyond {@link #MOST}. */
  private static final class Bounded extends StringWriter {
    private void room(int more) {
      if (getBuffer().length() + more > MOST)
        throw new StreamConstraintsException("A part of the body is longer than " + MOST);
    }

    @Override
    public void write(char[] from, int at, int length) {
      room(length);
      super.write(from, at, length);
    }

    @Override
    public void write(String from, int at, int length) {
      room(length);
      super.write(from, at, length);
    }
  }

  static final class Reader extends ValueDeserializer<CoreJson> {
    @Override
    public CoreJson deserialize(JsonParser p, DeserializationContext c) {
      if (p.currentToken() == JsonToken.VALUE_STRING) return new CoreJson(p.getString());
      StringWriter text = new Bounded();
      try (JsonGenerator out = Json.MAPPER.createGenerator(text)) {
        out.copyCurrentStructure(p);
      }
      return new CoreJson(text.toString());
    }
  }
}
