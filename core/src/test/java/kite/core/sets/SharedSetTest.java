package kite.core.sets;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kite.core.RandomDocuments;
import kite.core.begin.NewSequence;
import kite.core.begin.StartingPoint;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand.Add;
import kite.core.command.EntityCommand.Duplicate;
import kite.core.command.EntityCommand.Remove;
import kite.core.command.EntityCommand.Rename;
import kite.core.command.SequenceCommand;
import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Entity;
import kite.core.document.Header;
import kite.core.document.Mark;
import kite.core.document.PlacedSet;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.core.rules.Change;
import kite.core.rules.Refusal;
import org.junit.jupiter.api.Test;

class SharedSetTest {
  private static final Header HEADER =
      NewSequence.header("AB010", "", StartingPoint.ALL.get(0).standards());
  private static final Sequence FIRST = NewSequence.withFirstSet(HEADER);
  private static final PlacedSet PIER = new PlacedSet("set1", "the pier", "Pier", 1, Map.of());

  private static Sequence after(Sequence s, Change c) {
    return c.isEmpty() ? s : Edit.apply(s, List.of(SequenceCommand.Restore.to(c)));
  }

  private static Sequence after(Sequence s, Command... commands) {
    return Edit.apply(s, List.of(commands));
  }

  private static SetValue moved(String id, String axis, double to) {
    return new SetValue(id, axis, 1001, to, false);
  }

  /** The first set's ground and figure, placed beside those that are there. */
  private static Sequence placed(Sequence set) {
    return after(FIRST, SharedSet.place(FIRST, set, PIER));
  }

  private static final Sequence V1 = SharedSet.document(FIRST, List.of("adult", "ground"));

  private static String here(Sequence s, String id) {
    return s.header().sets().get(0).ids().get(id);
  }

  @Test
  void isPlacedUnderIdsAndNamesThatAreFree() {
    Sequence s = placed(V1);
    assertEquals(FIRST.entities().size() + 2, s.entities().size());
    assertEquals("adult-2", here(s, "adult"));
    assertEquals("Adult 2", s.get("adult-2").name());
    assertEquals(s, SequenceJson.read(SequenceJson.write(s)), "it is kept with the document");
    for (Entity e : FIRST.entities().values()) assertEquals(e, s.get(e.id()));
  }

  @Test
  void isMadeWhereItStandsAndOnlyOfWhatBelongsToOne() {
    Sequence made =
        after(
            FIRST,
            SharedSet.made(FIRST, new PlacedSet("set1", "x", "Pier", 1, Map.of("adult", "adult"))));
    assertEquals(FIRST.entities(), made.entities());
    assertEquals("Pier", made.header().sets().get(0).name());
    String camera = FIRST.all(Camera.class).get(0).id();
    assertThrows(Refusal.class, () -> SharedSet.document(FIRST, List.of("adult", camera)));
    assertThrows(Refusal.class, () -> SharedSet.document(FIRST, List.of()));
  }

  @Test
  void aLaterVersionIsTakenAndWhatWasMadeHereStays() {
    Sequence v2 = after(V1, moved("adult", "x", 3), moved("ground", "y", -1));
    Sequence s = after(placed(V1), moved("adult-2", "z", 2), moved("ground-2", "y", 5));
    SetUpdate u = SetUpdate.of(s, "set1", V1, v2, 2);
    Sequence now = after(s, u.change());
    assertEquals(3, value(now, "adult-2", "x"), "theirs");
    assertEquals(2, value(now, "adult-2", "z"), "and one's own beside it");
    assertEquals(5, value(now, "ground-2", "y"), "one's own where both changed");
    assertEquals(2, now.header().sets().get(0).version());
    assertTrue(u.says().contains("Stays as it was made here: Ground 2."), u.says().toString());
    assertTrue(u.says().contains("Different: Adult 2."), u.says().toString());
    // and back again
    Sequence back = after(now, SetUpdate.of(now, "set1", v2, V1, 1).change());
    assertEquals(s.entities(), back.entities());
  }

  private static double value(Sequence s, String id, String channel) {
    return s.get(id).channels().get(s.get(id).channelSpec(channel)).at(1001);
  }

  @Test
  void whatAVersionHasNoMoreGoesUnlessSomebodyUsesIt() {
    Sequence v2 = after(V1, new Remove(List.of("adult"), false));
    Sequence s = placed(V1);
    Sequence gone = after(s, SetUpdate.of(s, "set1", V1, v2, 2).change());
    assertNull(gone.get("adult-2"));
    Mark mark = new Mark("head", "On the head", "adult-2", Channels.NONE);
    Sequence used = after(s, new Add(mark));
    SetUpdate u = SetUpdate.of(used, "set1", V1, v2, 2);
    Sequence now = after(used, u.change());
    assertNotNull(now.get("adult-2"), "it is not broken silently");
    assertTrue(
        u.says().stream().anyMatch(t -> t.startsWith("“Adult 2” is in the set no more, but")),
        u.says().toString());
    assertNull(here(now, "adult"), "it is the sequence's own from then on");
  }

  @Test
  void whatIsKeptHereIsTakenThere() {
    Sequence there = placed(V1);
    Sequence here =
        after(
            placed(V1),
            moved("adult-2", "x", 4),
            new Rename("ground-2", "Planks"),
            new Duplicate(List.of("adult-2"), List.of("second"), false));
    SharedSet.Kept kept = SharedSet.kept(here, "set1", V1, List.of("second"));
    assertEquals(3, kept.document().entities().size());
    assertEquals("Planks", kept.document().get("ground").name());
    assertEquals("Adult", kept.document().get("adult").name(), "as it is called in the set");
    SetUpdate u = SetUpdate.of(there, "set1", V1, kept.document(), 2);
    Sequence now = after(there, u.change());
    assertEquals(4, value(now, "adult-2", "x"));
    assertEquals("Planks", now.get("ground-2").name());
    assertNotNull(now.get(here(now, "second")));
    // here, nothing is left to take
    Sequence own = after(here, SharedSet.keptAs(here, "set1", V1, List.of("second"), 2));
    Change again = SetUpdate.of(own, "set1", kept.document(), kept.document(), 2).change();
    assertTrue(again.isEmpty(), again.toString());
  }

  /** Whatever is in a set and whatever goes, the sequence holds together. */
  @Test
  void anySetIsPlacedAndTakenWithoutBreakingARule() {
    int taken = 0;
    for (int seed = 0; seed < 60; seed++) {
      Sequence from = RandomDocuments.of(seed), into = RandomDocuments.of(seed + 900);
      List<String> ids = new ArrayList<>();
      for (Entity e : from.entities().values()) if (SharedSet.belongs(e)) ids.add(e.id());
      Sequence v1, v2;
      try {
        v1 = SharedSet.document(from, ids);
        String first = v1.entities().keySet().iterator().next();
        v2 = Edit.apply(v1, List.of(new Remove(List.of(first), true)));
      } catch (Refusal r) {
        continue; // something in it looks at a camera
      }
      Sequence s = after(into, SharedSet.place(into, v1, PIER));
      assertEquals(into.entities().size() + v1.entities().size(), s.entities().size());
      Sequence now = after(s, SetUpdate.of(s, "set1", v1, v2, 2).change());
      assertEquals(into.entities().size() + v2.entities().size(), now.entities().size());
      Sequence again = after(now, SetUpdate.of(now, "set1", v2, v1, 3).change());
      assertEquals(s.entities().size(), again.entities().size());
      taken++;
    }
    assertTrue(taken > 10, "sets: " + taken);
  }
}
