package kite.core.document;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * A stretch of a recording in its place in the programme. It stays there when shots before it
 * change their length.
 *
 * @param track the one it lies on
 * @param recording a sound asset, by its SHA-256
 * @param recordingS seconds the recording has
 * @param at the frame of the programme it begins on, sub-frames too
 * @param fromS seconds of the recording that are left out before it
 * @param lastsS seconds that are heard
 * @param fadeInS seconds in which it comes up
 * @param fadeOutS seconds in which it goes down
 */
@RecordBuilder
public record Sound(
    String id,
    String name,
    String track,
    String recording,
    double recordingS,
    double at,
    double fromS,
    double lastsS,
    double gainDb,
    boolean muted,
    double fadeInS,
    double fadeOutS)
    implements Entity, SoundBuilder.With {
  public static final String KIND = "sound";

  @Override
  public String kind() {
    return KIND;
  }

  @Override
  public Sound withName(String n) {
    return SoundBuilder.With.super.withName(n);
  }

  /** The frame of the programme on which it has ended. */
  public double end(Header h) {
    return at + lastsS * h.rate().perSecond();
  }
}
