package kite.core.document;

/**
 * A lane of sounds over the programme.
 *
 * @param place where it stands among the tracks ({@code cut.Ranks})
 * @param gainDb decibels laid over all its sounds
 * @param solo whether only tracks that are this are heard
 */
public record SoundTrack(
    String id, String name, String place, double gainDb, boolean muted, boolean solo)
    implements Entity {
  public static final String KIND = "soundTrack";

  @Override
  public String kind() {
    return KIND;
  }

  @Override
  public SoundTrack withName(String n) {
    return new SoundTrack(id, n, place, gainDb, muted, solo);
  }
}
