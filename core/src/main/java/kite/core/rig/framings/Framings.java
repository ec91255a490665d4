package kite.core.rig.framings;

import java.util.ArrayList;
import java.util.List;
import kite.core.cue.Cue;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.rig.Cued;
import kite.core.rig.RigPart;
import kite.core.rig.Subject;

/**
 * Takes place, orientation and lens from other cameras and travels between them by cues. What the
 * shares leave below 1 stays with the part below and with the camera's own lens.
 *
 * @param cameras ids, each once; the sources may themselves move
 * @param keepHorizon whether roll is blended apart from the aim, so that a travel between two level
 *     framings stays level
 */
public record Framings(
    String id,
    boolean on,
    Route route,
    boolean keepHorizon,
    List<String> cameras,
    List<Cue> cues,
    Channels channels)
    implements RigPart, Cued {
  public static final String KIND = "framings";

  @Override
  public String kind() {
    return KIND;
  }

  /** How the camera gets from one framing to the next. */
  public enum Route {
    /** In a straight line. */
    STRAIGHT,
    /** Round the point that both framings look at, with the distance to it blended. */
    SWUNG
  }

  private static final List<ChannelSpec> SPECS = List.of(STRENGTH);

  public Framings {
    cameras = List.copyOf(cameras);
    cues = List.copyOf(cues);
  }

  @Override
  public List<Subject> subjects() {
    List<Subject> all = new ArrayList<>();
    for (String c : cameras) all.add(Subject.of(c));
    return all;
  }

  @Override
  public List<ChannelSpec> specs() {
    return SPECS;
  }

  @Override
  public Framings withChannels(Channels c) {
    return new Framings(id, on, route, keepHorizon, cameras, cues, c);
  }

  @Override
  public Framings withCues(List<Cue> newCues) {
    return new Framings(id, on, route, keepHorizon, cameras, newCues, channels);
  }

  public Framings withCameras(List<String> newCameras, List<Cue> newCues) {
    return new Framings(id, on, route, keepHorizon, newCameras, newCues, channels);
  }

  @Override
  public Framings withOn(boolean nowOn) {
    return new Framings(id, nowOn, route, keepHorizon, cameras, cues, channels);
  }
}
