package kite.browser;

import java.util.List;
import kite.bridge.Answers;
import kite.core.command.Command;
import kite.core.cut.Heard;
import kite.core.cutting.SoundEdits;

/**
 * Sounds over the programme. Edits are proposed for the sequence without its preview, so that a
 * drag counts from where it began.
 */
@Answers
final class SoundAnswers {
  private SoundAnswers() {}

  /** The ids of the tracks, from the top down. */
  public static List<String> soundTracks() {
    return SoundEdits.tracks(Opened.shown()).stream().map(t -> t.id()).toList();
  }

  /** What is heard from one frame of the programme until another. */
  public static List<Heard> heard(double first, double end) {
    return Heard.between(Opened.shown(), first, end);
  }

  /** The commands that make a track below all others. */
  public static List<Command> newSoundTrack(String id) {
    return SoundEdits.track(Opened.base(), id);
  }

  /**
   * The commands that lay a recording on a frame of the programme.
   *
   * @param track the one it was dropped on; empty for the first with room
   * @param newTrack the id of a track that is made where none has room
   */
  public static List<Command> laySound(
      String recording,
      double seconds,
      String name,
      double at,
      String track,
      String id,
      String newTrack) {
    return SoundEdits.lay(Opened.base(), recording, seconds, name, at, track, id, newTrack);
  }

  /** The commands that move a sound so many frames later, and onto a track. */
  public static List<Command> moveSound(String id, double by, String track) {
    return SoundEdits.move(Opened.base(), id, by, track);
  }

  /** The commands that put the ends of a sound so many frames later; what is heard stays. */
  public static List<Command> trimSound(String id, double head, double tail) {
    return SoundEdits.trim(Opened.base(), id, head, tail);
  }

  /** The commands that let a sound be heard from so many frames later in its recording. */
  public static List<Command> slipSound(String id, double by) {
    return SoundEdits.slip(Opened.base(), id, by);
  }

  /** The commands that make two sounds of one at a frame of the programme. */
  public static List<Command> splitSound(String id, double frame, String newId) {
    return SoundEdits.split(Opened.base(), id, frame, newId);
  }
}
