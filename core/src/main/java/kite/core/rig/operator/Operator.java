package kite.core.rig.operator;

import java.util.List;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.number.Unit;
import kite.core.rig.RigPart;

/**
 * The simulated person holding the camera.
 *
 * @param stepsPerSecond footfalls, for the presets that walk
 * @param seed another number is another take of the same operator
 */
public record Operator(
    String id, boolean on, Preset preset, double stepsPerSecond, int seed, Channels channels)
    implements RigPart {
  public static final String KIND = "operator";

  /** An easy walk: footfalls a second of an operator nobody has told otherwise. */
  public static final double STEPS_PER_SECOND = 1.8;

  @Override
  public String kind() {
    return KIND;
  }

  /** How the camera is held. */
  public enum Preset {
    ON_SHOULDER,
    STANDING,
    WALKING,
    RUNNING,
    STABILISED
  }

  public static final ChannelSpec SWAY = amount("sway", "Sway");
  public static final ChannelSpec BOB = amount("bob", "Bob");
  public static final ChannelSpec TURN = amount("turn", "Pan and tilt");
  public static final ChannelSpec LEAN = amount("lean", "Roll");
  public static final ChannelSpec BREATH = amount("breath", "Breath");
  private static final List<ChannelSpec> SPECS = List.of(SWAY, BOB, TURN, LEAN, BREATH, STRENGTH);

  /** 1 is the preset's own amount. */
  private static ChannelSpec amount(String name, String label) {
    return ChannelSpec.of(name, label, Unit.FACTOR, 1, 0, 20);
  }

  @Override
  public List<ChannelSpec> specs() {
    return SPECS;
  }

  @Override
  public Operator withChannels(Channels c) {
    return new Operator(id, on, preset, stepsPerSecond, seed, c);
  }

  @Override
  public Operator withOn(boolean nowOn) {
    return new Operator(id, nowOn, preset, stepsPerSecond, seed, channels);
  }
}
