package kite.core.cutting;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import kite.core.command.Command;
import kite.core.command.EntityCommand;
import kite.core.cut.Ranks;
import kite.core.document.Sequence;
import kite.core.document.Sound;
import kite.core.document.SoundTrack;
import kite.core.rules.Refusal;

/** What is done to sounds in the reel, as commands. */
public final class SoundEdits {
  /** What is left of a sound that is made shorter, frames. */
  private static final double SHORTEST_FRAMES = 1;

  private SoundEdits() {}

  /** The tracks from the top down. */
  public static List<SoundTrack> tracks(Sequence s) {
    List<SoundTrack> all = new ArrayList<>(s.all(SoundTrack.class));
    all.sort(Comparator.comparing(SoundTrack::place).thenComparing(SoundTrack::id));
    return all;
  }

  /** A new track below all others. */
  public static List<Command> track(Sequence s, String id) {
    List<SoundTrack> all = tracks(s);
    String last = all.isEmpty() ? null : all.get(all.size() - 1).place();
    String place = Ranks.between(last, null);
    String name = s.freeName("Sound");
    return List.of(new EntityCommand.Add(new SoundTrack(id, name, place, 0, false, false)));
  }

  /**
   * A recording laid on a frame of the programme: on the first track with room for all of it, else
   * on a new one.
   *
   * @param at where it begins
   * @param track the one it was dropped on; empty for any
   * @param newTrack the id of a new one
   */
  public static List<Command> lay(
      Sequence s,
      String recording,
      double seconds,
      String name,
      double at,
      String track,
      String id,
      String newTrack) {
    String named = s.freeName(name);
    Sound x = new Sound(id, named, track, recording, seconds, at, 0, seconds, 0, false, 0, 0);
    if (!track.isEmpty() && hasRoom(s, x)) return List.of(new EntityCommand.Add(x));
    for (SoundTrack t : tracks(s)) {
      Sound here = x.withTrack(t.id());
      if (track.isEmpty() && hasRoom(s, here)) return List.of(new EntityCommand.Add(here));
    }
    List<Command> all = new ArrayList<>(track(s, newTrack));
    all.add(new EntityCommand.Add(x.withTrack(newTrack)));
    return all;
  }

  private static boolean hasRoom(Sequence s, Sound x) {
    for (Sound other : s.all(Sound.class))
      if (!other.id().equals(x.id())
          && other.track().equals(x.track())
          && other.at() < x.end(s.header())
          && x.at() < other.end(s.header())) return false;
    return true;
  }

  /**
   * A sound moved in time, and onto another track.
   *
   * @param by frames of the programme; not before its first
   */
  public static List<Command> move(Sequence s, String id, double by, String track) {
    Sound x = need(s, id);
    return List.of(new EntityCommand.Replace(x.withAt(x.at() + by).withTrack(track)));
  }

  /**
   * A sound whose ends are elsewhere; what is heard stays where it was. An end goes as far as the
   * recording has something, and leaves a frame.
   *
   * @param head frames its beginning comes later
   * @param tail frames its end comes later
   */
  public static List<Command> trim(Sequence s, String id, double head, double tail) {
    Sound x = need(s, id);
    double fps = s.header().rate().perSecond(), least = SHORTEST_FRAMES / fps;
    double in = Math.max(-x.fromS(), Math.min(head / fps, x.lastsS() - least));
    double out =
        Math.min(
            x.recordingS() - x.fromS() - x.lastsS(), Math.max(tail / fps, least + in - x.lastsS()));
    double lasts = x.lastsS() - in + out;
    double fades = x.fadeInS() + x.fadeOutS(), share = fades > lasts ? lasts / fades : 1;
    return List.of(
        new EntityCommand.Replace(
            x.with()
                .at(x.at() + in * fps)
                .fromS(x.fromS() + in)
                .lastsS(lasts)
                .fadeInS(x.fadeInS() * share)
                .fadeOutS(x.fadeOutS() * share)
                .build()));
  }

  /**
   * Other action of the recording in the same place.
   *
   * @param by frames later in the recording, as far as it goes
   */
  public static List<Command> slip(Sequence s, String id, double by) {
    Sound x = need(s, id);
    double most = x.recordingS() - x.lastsS();
    double from = Math.max(0, Math.min(most, x.fromS() + by / s.header().rate().perSecond()));
    return List.of(new EntityCommand.Replace(x.withFromS(from)));
  }

  /**
   * Two sounds of one, at a frame of the programme inside it.
   *
   * @throws Refusal where the frame is not inside it
   */
  public static List<Command> split(Sequence s, String id, double frame, String newId) {
    Sound x = need(s, id);
    double after = (frame - x.at()) / s.header().rate().perSecond();
    if (!(after > 0 && after < x.lastsS()))
      throw new Refusal(
          "range",
          id,
          "at",
          "“" + x.name() + "” is split inside itself: put the playhead on a frame of it.");
    Sound first = x.withLastsS(after).withFadeOutS(0).withFadeInS(Math.min(after, x.fadeInS()));
    double rest = x.lastsS() - after;
    Sound second =
        x.with()
            .id(newId)
            .name(s.freeName(x.name()))
            .at(frame)
            .fromS(x.fromS() + after)
            .lastsS(rest)
            .fadeInS(0)
            .fadeOutS(Math.min(rest, x.fadeOutS()))
            .build();
    return List.of(new EntityCommand.Replace(first), new EntityCommand.Add(second));
  }

  private static Sound need(Sequence s, String id) {
    return Command.need(s, id, Sound.class);
  }
}
