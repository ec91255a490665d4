package kite.core.delta;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.eclipsesource.json.Json;
import com.eclipsesource.json.JsonArray;
import com.eclipsesource.json.JsonObject;
import com.eclipsesource.json.JsonValue;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import kite.core.RandomDocuments;
import kite.core.codec.CommandJson;
import kite.core.command.ChannelCommand.MoveKeys;
import kite.core.command.ChannelCommand.SetChannel;
import kite.core.command.ChannelCommand.SetValue;
import kite.core.command.Command;
import kite.core.command.CommandTest;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.RigCommand;
import kite.core.command.SequenceCommand.Amend;
import kite.core.cue.Cue;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Channels;
import kite.core.document.Mark;
import kite.core.document.Piece;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.core.rig.head.Head;
import kite.core.rules.Change;
import org.junit.jupiter.api.Test;

class DeltaTest {
  private static final Sequence S = RandomDocuments.of(8);

  private static Delta between(Sequence a, Sequence b) {
    return Delta.of(Change.between(a, b));
  }

  private static Delta does(Sequence s, Command... commands) {
    return between(s, Edit.apply(s, List.of(commands)));
  }

  /** JSON as a store writes it that keeps numbers as decimals and forgets how they were written. */
  private static JsonValue stored(JsonValue v) {
    if (v.isNumber()) return Json.parse(new BigDecimal(v.toString()).toPlainString());
    if (v instanceof JsonArray a) {
      JsonArray all = new JsonArray();
      for (JsonValue x : a) all.add(stored(x));
      return all;
    }
    if (!(v instanceof JsonObject o)) return v;
    JsonObject all = new JsonObject();
    List<String> names = new ArrayList<>(o.names());
    java.util.Collections.reverse(names); // nor in what order fields stood
    for (String n : names) all.add(n, stored(o.get(n)));
    return all;
  }

  @Test
  void everyCommandsDeltaMakesAndUnmakesExactlyWhatItDid() {
    Sequence now = S;
    for (Command c : CommandTest.oneOfEach()) {
      Sequence next = Edit.apply(now, List.of(c));
      Delta d = between(now, next);
      String text = DeltaJson.write(d).toString();
      assertEquals(next, DeltaJson.read(text).after(now), c.toString());
      assertEquals(next, DeltaJson.read(stored(Json.parse(text)).toString()).after(now), "stored");
      assertEquals(now, d.turned().after(next), "back: " + c);
      assertEquals(now, Edit.apply(next, List.of(new Amend(d.turned()))), "undo: " + c);
      Command amend = new Amend(d);
      String sent = CommandJson.writeAll(List.of(amend));
      assertEquals(next, Edit.apply(now, CommandJson.readAll(sent)), "redo: " + c);
      now = next;
    }
  }

  @Test
  void betweenAnyTwoDocumentsToo() {
    for (int seed = 0; seed < 30; seed++) {
      Sequence a = RandomDocuments.of(seed), b = RandomDocuments.of(seed + 100);
      assertEquals(b, between(a, b).after(a), "seed " + seed);
      assertEquals(a, between(a, b).turned().after(b), "seed " + seed);
      assertTrue(between(a, a).isEmpty());
    }
  }

  @Test
  void aChangeAsEarlierBuildsWroteItIsRead() {
    Sequence next = Edit.apply(S, CommandTest.oneOfEach());
    String old = SequenceJson.write(Change.between(S, next));
    assertEquals(next, DeltaJson.read(old).after(S));
  }

  @Test
  void aSmallEditOfALargeThingIsSmall() {
    List<Key> keys = new ArrayList<>();
    for (int i = 0; i < 2000; i++) keys.add(Key.smooth(i, i % 7));
    Sequence s =
        Edit.apply(S, List.of(new SetChannel("cam0", "focalLength", Channel.curve(long1(keys)))));
    Delta d = does(s, new SetValue("cam0", "focalLength", 100, 4, true));
    assertTrue(DeltaJson.write(d).toString().length() < 2000, "one key, not two thousand");
    Delta all = does(s, new MoveKeys("cam0", "focalLength", frames(keys), 3000, 0));
    assertEquals(1, all.fields().size(), "all keys moved are one change of the curve");
  }

  private static Key[] long1(List<Key> keys) {
    List<Key> up = new ArrayList<>();
    for (Key k : keys) up.add(Key.smooth(k.frame(), 20 + k.value()));
    return up.toArray(new Key[0]);
  }

  private static List<Double> frames(List<Key> keys) {
    return keys.stream().map(Key::frame).toList();
  }

  @Test
  void undoTakesBackOnesOwnFieldsAndLeavesTheOthers() {
    Command lens = new SetValue("cam0", "focalLength", 1, 60, false);
    Command focus = new SetValue("cam0", "shutter", 1, 90, false);
    Delta mine = does(S, lens);
    Sequence both = Edit.apply(S, List.of(lens, focus));
    Delta.Fit undo = mine.turned().fitting(both);
    assertEquals(List.of(), undo.left());
    assertEquals(
        Edit.apply(S, List.of(focus)), Edit.apply(both, List.of(new Amend(mine.turned()))));
    // and of a number that another went on with, nothing
    Sequence theirs = Edit.apply(both, List.of(new SetValue("cam0", "focalLength", 1, 85, false)));
    undo = mine.turned().fitting(theirs);
    assertEquals(1, undo.left().size());
    assertTrue(FieldWords.of(theirs, undo.left().get(0)).startsWith("Focal length"));
    assertEquals(theirs, Edit.apply(theirs, List.of(new Amend(mine.turned()))));
  }

  @Test
  void keysCuesAndPartsOfOneThingAreEachTheirOwn() {
    Sequence s =
        Edit.apply(
            S,
            List.of(
                new SetChannel(
                    "cam0", "focalLength", Channel.curve(Key.smooth(1, 30), Key.smooth(40, 50)))));
    Command a = new SetValue("cam0", "focalLength", 10, 44, true);
    Command b = new SetValue("cam0", "focalLength", 20, 33, true);
    Command cue =
        new RigCommand.PutCue("cam0", "look", new Cue(11, 2, Ease.EVEN, java.util.Map.of()));
    Command part = new RigCommand.AddPart("cam0", new Head("extra", true, Channels.NONE), 0);
    for (Command[] pair : new Command[][] {{a, b}, {b, cue}, {cue, part}, {part, a}}) {
      Delta mine = does(s, pair[0]);
      Sequence both = Edit.apply(s, List.of(pair));
      assertEquals(
          Edit.apply(s, List.of(pair[1])),
          Edit.apply(both, List.of(new Amend(mine.turned()))),
          pair[0] + " taken back beside " + pair[1]);
      Footprint f = new Footprint();
      f.add(mine);
      assertNull(f.meets(does(s, pair[1])), "no conflict");
      assertNotNull(f.meets(mine), "with itself");
    }
    Footprint whole = new Footprint();
    whole.add(does(s, new SetChannel("cam0", "focalLength", Channel.fixed(20))));
    assertNotNull(whole.meets(does(s, a)), "a key of a curve that is no longer there");
    Footprint key = new Footprint();
    key.add(does(s, a));
    assertNotNull(
        key.meets(does(s, new SetChannel("cam0", "focalLength", Channel.fixed(20)))),
        "and the other way round");
  }

  /** A browser and the server compute places with sines of their own. */
  @Test
  void whatDiffersInItsLastDigitsIsTakenBackAllTheSame() {
    Sequence here = Edit.apply(S, List.of(new EntityCommand.Add(mark(0.1 + 0.2))));
    Sequence there = Edit.apply(S, List.of(new EntityCommand.Add(mark(0.3))));
    Delta d = between(S, here);
    assertEquals(S, Edit.apply(there, List.of(new Amend(d.turned()))), "a thing that came");
    SetChannel moved = new SetChannel("digits", "x", Channel.fixed(7));
    Delta moves = between(here, Edit.apply(here, List.of(moved)));
    Sequence movedThere = Edit.apply(there, List.of(moved));
    assertEquals(here, Edit.apply(movedThere, List.of(new Amend(moves.turned()))), "a number");
    Sequence farther = Edit.apply(S, List.of(new EntityCommand.Add(mark(0.3 + 1e-6))));
    assertEquals(farther, Edit.apply(farther, List.of(new Amend(d.turned()))), "somebody moved it");
  }

  private static Mark mark(double x) {
    return new Mark("digits", "Digits", null, null, null, true, Channels.NONE.with("x", x));
  }

  @Test
  void aThingThatAnotherWentOnWithStays() {
    Mark mark = new Mark("mine", "Mine", null, Channels.NONE);
    Delta add = does(S, new EntityCommand.Add(mark));
    Sequence s = Edit.apply(S, List.of(new EntityCommand.Add(mark)));
    assertNull(Edit.apply(s, List.of(new Amend(add.turned()))).get("mine"));
    Sequence theirs = Edit.apply(s, List.of(new SetValue("mine", "x", 1, 4, false)));
    Delta.Fit undo = add.turned().fitting(theirs);
    assertEquals(1, undo.leftThings().size());
    assertEquals(theirs, Edit.apply(theirs, List.of(new Amend(add.turned()))));
    // what somebody took away does not come back with a number of mine
    Delta moved = does(S, new SetValue("piece5", "x", 1, 9, false));
    Sequence gone = Edit.apply(S, List.of(new EntityCommand.Remove(List.of("piece5"), true)));
    assertEquals(gone, Edit.apply(gone, List.of(new Amend(moved.turned()))));
    Footprint f = new Footprint();
    f.add(between(S, gone));
    assertNotNull(f.meets(moved));
  }

  @Test
  void thousandsOfThingsComeAndGoInOneEdit() {
    List<Command> add = new ArrayList<>(), remove = new ArrayList<>();
    Piece like = (Piece) S.get("piece0");
    for (int i = 0; i < 4990; i++) {
      String id = "bulk" + i;
      add.add(
          new EntityCommand.Add(
              new Piece(
                  id,
                  id,
                  null,
                  like.shape(),
                  "#808080",
                  true,
                  false,
                  like.order(),
                  Channels.NONE)));
      remove.add(new EntityCommand.Remove(new ArrayList<>(List.of(id)), false));
    }
    Sequence many = Edit.apply(S, add);
    assertEquals(S.entities().size() + 4990, many.entities().size());
    assertEquals(S, Edit.apply(many, remove));
    Delta d = between(S, many);
    assertEquals(S, Edit.apply(many, List.of(new Amend(d.turned()))));
    List<Command> again = new ArrayList<>(remove);
    assertEquals(S, Edit.apply(many, remove), "whose commands they are can make them again");
    assertEquals(again, remove);
  }
}
