package kite.server.queue;

import com.github.kagkarlsson.scheduler.serializer.Serializer;
import kite.exchange.Json;

/** What a piece of work is about, as JSON in the database. */
final class JsonData implements Serializer {
  @Override
  public byte[] serialize(Object data) {
    return data == null ? null : Json.MAPPER.writeValueAsBytes(data);
  }

  @Override
  public <T> T deserialize(Class<T> type, byte[] json) {
    return json == null ? null : Json.MAPPER.readValue(json, type);
  }
}
