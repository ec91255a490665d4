package kite.core.rig.attention;

import java.util.List;
import kite.core.cue.Cue;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.document.OrNull;
import kite.core.document.Place;
import kite.core.number.Unit;
import kite.core.rig.Cued;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;

/**
 * Turns the camera so that the attended point falls on a chosen place in the delivery frame. What
 * the shares leave below 1 stays with the incoming orientation.
 *
 * @param upPiece the piece whose +Y is up, for {@link Up#PIECE}
 * @param subjects what the cues share among, each entity once
 * @param cues in rising order of frame
 */
public record Attention(
    String id,
    boolean on,
    Up up,
    @OrNull String upPiece,
    Blend blend,
    List<Subject> subjects,
    List<Cue> cues,
    Channels channels)
    implements RigPart, Cued {
  public static final String KIND = "attention";

  @Override
  public String kind() {
    return KIND;
  }

  /** What keeps the picture upright. */
  public enum Up {
    WORLD,
    PIECE,
    /** The incoming orientation, turned no more than the aim needs. */
    FREE
  }

  /** Whether several subjects are met at a point between them or in a direction between them. */
  public enum Blend {
    POINTS,
    DIRECTIONS
  }

  /** Place in frame across: 0 is the left edge, 1 the right. */
  public static final ChannelSpec ACROSS =
      ChannelSpec.of("across", "Place across", Unit.SHARE, 0.5, 0, 1);

  /** Place in frame down: 0 is the top edge, 1 the bottom. */
  public static final ChannelSpec DOWN =
      ChannelSpec.of("down", "Place down", Unit.SHARE, 0.5, 0, 1);

  private static final List<ChannelSpec> SPECS = List.of(ACROSS, DOWN, Place.ROLL, STRENGTH);

  public Attention {
    subjects = List.copyOf(subjects);
    cues = List.copyOf(cues);
  }

  @Override
  public List<ChannelSpec> specs() {
    return SPECS;
  }

  @Override
  public Attention withChannels(Channels c) {
    return new Attention(id, on, up, upPiece, blend, subjects, cues, c);
  }

  public Attention withSubjects(List<Subject> newSubjects, List<Cue> newCues) {
    return new Attention(id, on, up, upPiece, blend, newSubjects, newCues, channels);
  }

  @Override
  public Attention withCues(List<Cue> newCues) {
    return withSubjects(subjects, newCues);
  }

  @Override
  public Attention withOn(boolean nowOn) {
    return new Attention(id, nowOn, up, upPiece, blend, subjects, cues, channels);
  }
}
