package kite.core.command;

import java.util.HashMap;
import java.util.Map;
import kite.core.document.Camera;
import kite.core.document.Entity;
import kite.core.document.FreeNames;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.document.Shape;
import kite.core.form.EntityJson;
import kite.core.rules.Refusal;

/** Copies of entities with names and references of their own. */
final class Copying {
  private Copying() {}

  static Sequence copy(Sequence s, EntityCommand.Duplicate d) {
    if (d.ids().size() != d.newIds().size())
      throw new Refusal("json", "", "newIds", "A copy needs one new id for each item copied.");
    Map<String, String> renamed = new HashMap<>();
    for (int i = 0; i < d.ids().size(); i++) renamed.put(d.ids().get(i), d.newIds().get(i));
    FreeNames names = new FreeNames(s);
    for (String id : d.ids()) {
      Entity e = Command.need(s, id, Entity.class);
      if (s.get(renamed.get(id)) != null)
        throw new Refusal(
            "taken", id, "newIds", "There is already an item with the id " + renamed.get(id) + ".");
      Entity copy = EntityJson.withIds(e, renamed).withName(names.take(e.name()));
      if (d.instances() && e instanceof Piece p && !(p.shape() instanceof Shape.Group)) {
        Shape like = p.shape() instanceof Shape.Instance i ? i : new Shape.Instance(p.id());
        copy = ((Piece) copy).withShape(like).withColour(p.colour());
      }
      if (copy instanceof Camera c) copy = c.withLetter(s.freeLetter());
      s = s.with(copy);
    }
    return s;
  }
}
