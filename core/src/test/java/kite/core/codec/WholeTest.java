package kite.core.codec;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.eclipsesource.json.JsonArray;
import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.util.ArrayList;
import java.util.List;
import kite.core.RandomDocuments;
import kite.core.command.EntityCommand.Add;
import kite.core.document.Entity;
import kite.core.document.Mark;
import kite.core.document.Piece;
import kite.core.form.EntityJson;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

/** What is said whole is written as it was said: whoever said it needs no answer. */
class WholeTest {
  private static CommandJson.Said said(JsonValue entity) {
    JsonArray all = new JsonArray();
    all.add(new JsonObject().add("kind", Add.KIND).add("entity", entity));
    return CommandJson.said(all.toString());
  }

  /** Every field of everything of chance left out once: it is refused, or not whole. */
  @Test
  void whatLeavesSomethingOutIsNotWhole() {
    int leftOut = 0;
    for (int seed = 0; seed < 40; seed++)
      for (Entity e : RandomDocuments.of(seed).entities().values()) {
        JsonObject json = EntityJson.write(e);
        if (e instanceof Piece || e instanceof Mark)
          assertTrue(said(json).whole()[0], () -> e.id() + " says all there is");
        for (JsonValue without : withoutEach(json)) {
          CommandJson.Said said;
          try {
            said = said(without);
          } catch (Refusal r) {
            continue; // it has to be said
          }
          Entity read = ((Add) said.commands().get(0)).entity();
          if (EntityJson.write(read).equals(without)) continue; // a name in a table
          assertFalse(said.whole()[0], () -> e.id() + " leaves something out");
          leftOut++;
        }
      }
    assertTrue(leftOut > 200, "few fields were left out: " + leftOut);
  }

  /** The same with one field less, for each field at any depth. */
  private static List<JsonObject> withoutEach(JsonObject o) {
    List<JsonObject> all = new ArrayList<>();
    for (String name : o.names()) {
      JsonObject without = new JsonObject(o);
      without.remove(name);
      all.add(without);
      JsonValue v = o.get(name);
      if (v.isObject())
        for (JsonObject inner : withoutEach(v.asObject()))
          all.add(new JsonObject(o).set(name, inner));
      if (!v.isArray()) continue;
      for (int i = 0; i < v.asArray().size(); i++) {
        if (!v.asArray().get(i).isObject()) continue;
        for (JsonObject inner : withoutEach(v.asArray().get(i).asObject()))
          all.add(new JsonObject(o).set(name, new JsonArray(v.asArray()).set(i, inner)));
      }
    }
    return all;
  }

  @Test
  void aWholeOneIsWrittenAsItWasSaid() {
    for (int seed = 0; seed < 40; seed++)
      for (Entity e : RandomDocuments.of(seed).entities().values()) {
        JsonObject json = EntityJson.write(e);
        Add read = (Add) said(json).commands().get(0);
        assertEquals(json, EntityJson.write(read.entity()));
      }
  }
}
