package kite.exchange.pack;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import kite.core.cut.Programme;
import kite.core.document.Accepted;
import kite.core.document.Marker;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.document.Shot;
import kite.core.form.Words;
import kite.exchange.Json;

/**
 * What is noted about shots: a schema is in docs/schema/notes.json.
 *
 * @param markers of the programme, over those shots
 */
public record NotesSheet(String format, int version, List<Noted> shots, List<Mark> markers) {
  public static final String FORMAT = "jolly-kite notes";
  public static final int VERSION = 1;

  /**
   * @param first frame of the programme, with {@code last} included
   * @param status toDo, inWork, forReview or done
   * @param stays what was pointed out and is left as it is
   */
  public record Noted(
      String shot,
      int first,
      int last,
      @OrNull String camera,
      String status,
      boolean approved,
      String notes,
      List<Stays> stays) {}

  /** What was pointed out, by its word, and why it stays. */
  public record Stays(String about, String why) {}

  public record Mark(double frame, String text) {}

  /**
   * @param shots ids of those that are noted; all where it is empty
   * @param approved ids of shots that are
   */
  public static NotesSheet of(Sequence s, Collection<String> shots, Set<String> approved) {
    List<Noted> all = new ArrayList<>();
    List<Mark> marks = new ArrayList<>();
    Programme programme = Programme.of(s);
    for (Programme.Placed p : programme.placed()) {
      if (!shots.isEmpty() && !shots.contains(p.id())) continue;
      Shot shot = (Shot) s.get(p.id());
      List<Stays> stays = new ArrayList<>();
      for (Accepted a : shot.accepted()) stays.add(new Stays(a.about(), a.word()));
      all.add(
          new Noted(
              p.shot(),
              p.first(),
              p.last(),
              p.camera() == null ? null : s.get(p.camera()).name(),
              Words.of(shot.status()),
              approved.contains(p.id()),
              shot.notes(),
              stays));
      for (Marker m : s.all(Marker.class))
        if (m.frame() >= p.first() && m.frame() < p.last() + 1)
          marks.add(new Mark(m.frame(), m.name()));
    }
    return new NotesSheet(FORMAT, VERSION, all, marks);
  }

  public byte[] json() {
    return Json.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsBytes(this);
  }
}
