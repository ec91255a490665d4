package kite.core.document;

import java.util.ArrayList;
import java.util.List;

/**
 * A camera over a stretch of the scene, in its place in the programme. The order of the shots and
 * the lengths of their chosen takes say where each stands ({@code cut.Programme}).
 *
 * @param name the shot code, e.g. SW010_0010
 * @param place where it stands among the shots ({@code cut.Ranks}); of two that are alike the one
 *     with the lower id comes first
 * @param takes ways of doing it, at least one
 * @param chosen the id of the one that is in the programme
 * @param handles frames more at each end when it is handed over; null for the production's
 * @param accepted what is as it is on purpose
 * @param board what stands for it until a camera does; null for nothing
 * @param colour of its own in the reel, #rrggbb; null for its camera's
 */
public record Shot(
    String id,
    String name,
    String place,
    List<Take> takes,
    String chosen,
    @OrNull Integer handles,
    Status status,
    @OrNull String colour,
    String notes,
    List<Accepted> accepted,
    @OrNull Board board)
    implements Entity {
  public static final String KIND = "shot";

  /** How far the work on a shot is. */
  public enum Status {
    TO_DO,
    IN_WORK,
    FOR_REVIEW,
    DONE
  }

  public Shot {
    takes = List.copyOf(takes);
    accepted = List.copyOf(accepted);
  }

  /** A new one with one take, as it is, to be put into its place. */
  public static Shot of(String id, String code, Take take) {
    return new Shot(
        id, code, "", List.of(take), take.id(), null, Status.TO_DO, null, "", List.of(), null);
  }

  /** A take of a camera from a frame of the scene on, at its own speed. */
  public static Shot of(String id, String code, String camera, double first, int frames) {
    return of(id, code, new Take("take1", "1", camera, first, frames, Speed.AS_IT_IS));
  }

  @Override
  public String kind() {
    return KIND;
  }

  /** The chosen take. */
  public Take take() {
    Take t = take(chosen);
    if (t == null) throw new IllegalStateException(name + " has no take " + chosen);
    return t;
  }

  /** A take by its id, or null. */
  public Take take(String takeId) {
    for (Take t : takes) if (t.id().equals(takeId)) return t;
    return null;
  }

  @Override
  public Shot withName(String n) {
    return new Shot(id, n, place, takes, chosen, handles, status, colour, notes, accepted, board);
  }

  public Shot withId(String newId) {
    return new Shot(
        newId, name, place, takes, chosen, handles, status, colour, notes, accepted, board);
  }

  public Shot withPlace(String p) {
    return new Shot(id, name, p, takes, chosen, handles, status, colour, notes, accepted, board);
  }

  public Shot withTakes(List<Take> all, String chosenTake) {
    return new Shot(
        id, name, place, all, chosenTake, handles, status, colour, notes, accepted, board);
  }

  /** With a take in place of the one of its id. */
  public Shot withTake(Take t) {
    List<Take> all = new ArrayList<>(takes);
    all.replaceAll(x -> x.id().equals(t.id()) ? t : x);
    return withTakes(all, chosen);
  }

  public Shot withHandles(Integer h) {
    return new Shot(id, name, place, takes, chosen, h, status, colour, notes, accepted, board);
  }

  public Shot withStatus(Status s) {
    return new Shot(id, name, place, takes, chosen, handles, s, colour, notes, accepted, board);
  }

  public Shot withColour(String c) {
    return new Shot(id, name, place, takes, chosen, handles, status, c, notes, accepted, board);
  }

  public Shot withNotes(String n) {
    return new Shot(id, name, place, takes, chosen, handles, status, colour, n, accepted, board);
  }

  /** The handles it is handed over with. */
  public int handlesIn(Header h) {
    return handles != null ? handles : h.standards().beginning().handleFrames();
  }

  /** With a word on something that is pointed out; an empty one takes it back. */
  public Shot withAccepted(String about, String word) {
    List<Accepted> all = new ArrayList<>(accepted);
    all.removeIf(a -> a.about().equals(about));
    if (!word.isEmpty()) all.add(new Accepted(about, word));
    return new Shot(id, name, place, takes, chosen, handles, status, colour, notes, all, board);
  }

  public Shot withBoard(Board b) {
    return new Shot(id, name, place, takes, chosen, handles, status, colour, notes, accepted, b);
  }

  /** The picture that is seen in place of what a camera sees, or null: its asset. */
  public String boardSeen() {
    return board != null && (board.shown() || take().camera() == null) ? board.picture() : null;
  }
}
