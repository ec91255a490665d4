package kite.core.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import kite.core.RandomDocuments;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
import kite.core.command.ShotCommand;
import kite.core.document.Marker;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import org.junit.jupiter.api.Test;

class ReviewingTest {
  private final Sequence s = RandomDocuments.of(4);

  private void is(boolean review, Command... commands) {
    assertEquals(
        review, Reviewing.isAll(Edit.make(s, List.of(commands)).change()), commands[0].kind());
  }

  @Test
  void markersAndNotesAreForThoseWhoReviewAndNothingElse() {
    is(true, new EntityCommand.Add(new Marker("m2", "Look", 14, "#37b6a8")));
    is(true, new EntityCommand.Replace(new Marker("marker", "Again", 13, "#37b6a8")));
    is(true, new EntityCommand.Rename("marker", "Now"));
    is(true, new EntityCommand.Remove(List.of("marker"), true));
    is(true, new ShotCommand.SetNotes("cut1", "Hold longer."));
    is(false, new ShotCommand.SetStatus(List.of("cut1"), Shot.Status.DONE));
    is(false, new EntityCommand.Rename("marker", s.get("marker").name())); // nothing at all
    is(false, new EntityCommand.Rename("cut1", "Other"));
    is(false, new EntityCommand.Remove(List.of("cut1"), true));
    is(false, new EntityCommand.Rename("cam0", "Other"));
    is(false, new ShotCommand.SetNotes("cut1", "x"), new ShotCommand.TrimShot("cut1", 0, 1));
    is(
        false,
        new EntityCommand.Remove(List.of("marker"), true),
        new EntityCommand.Remove(List.of("measure"), true));
  }
}
