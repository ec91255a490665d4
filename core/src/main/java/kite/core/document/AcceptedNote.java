package kite.core.document;

/**
 * Something an editor would point out about a camera or a sound, which stays as it is. What is so
 * about a shot is kept with it ({@link Accepted}).
 *
 * @param name why it stays
 * @param of what it is about; it goes with that
 * @param about the word of what it is ({@code report.CutNotes.About}), as documents spell it
 */
public record AcceptedNote(String id, String name, String of, String about) implements Entity {
  public static final String KIND = "acceptedNote";

  @Override
  public String kind() {
    return KIND;
  }

  @Override
  public AcceptedNote withName(String n) {
    return new AcceptedNote(id, n, of, about);
  }
}
