package kite.core.command;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kite.core.document.AcceptedNote;
import kite.core.document.ActionLine;
import kite.core.document.Air;
import kite.core.document.Camera;
import kite.core.document.CutEntry;
import kite.core.document.Entity;
import kite.core.document.FreeNames;
import kite.core.document.Marker;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.form.EntityJson;
import kite.core.rules.Change;
import kite.core.rules.Refusal;
import kite.core.rules.Together;

/**
 * Things of another sequence, taken into this one with ids, names and letters that are free here.
 */
public final class CopyIn {
  private CopyIn() {}

  /**
   * What taking them does. What they lean on comes along, and what is nested in them; the programme
   * with its sounds and the air do not.
   *
   * @param ids of things of {@code from}
   * @throws Refusal when one of them is not there
   */
  public static Change of(Sequence into, Sequence from, List<String> ids) {
    Set<String> taken = taken(from, ids);
    Map<String, String> renamed = new HashMap<>();
    for (String id : taken) renamed.put(id, Together.freeId(into, renamed.values(), id));
    FreeNames names = new FreeNames(into);
    Sequence s = into;
    for (String id : taken) {
      Entity e = from.get(id);
      Entity copy = EntityJson.withIds(e, renamed).withName(names.take(e.name()));
      if (copy instanceof Camera c && isLetterTaken(s, c.letter()))
        copy = c.withLetter(s.freeLetter());
      s = s.with(copy);
    }
    return Change.between(into, s);
  }

  /** The programme and the air: a sequence has those of its own. */
  private static boolean isOfThisOne(Entity e) {
    return e instanceof Shot
        || e instanceof Marker
        || e instanceof SoundTrack
        || e instanceof Sound
        || e instanceof AcceptedNote
        || e instanceof ActionLine
        || e instanceof CutEntry
        || e instanceof Air;
  }

  private static Set<String> taken(Sequence from, List<String> ids) {
    List<String> chosen = new ArrayList<>();
    for (String id : ids) {
      Entity e = from.get(id);
      if (e == null)
        throw new Refusal("missing", id, "ids", "The file has no item with the id " + id + ".");
      if (!isOfThisOne(e)) chosen.add(id);
    }
    return Together.of(from, chosen);
  }

  private static boolean isLetterTaken(Sequence s, String letter) {
    for (Camera c : s.all(Camera.class)) if (c.letter().equals(letter)) return true;
    return false;
  }
}
