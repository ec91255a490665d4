package kite.browser;

import kite.bridge.Answers;
import kite.core.document.Header;
import kite.core.number.FeetFrames;
import kite.core.number.FrameText;
import kite.core.number.NumberText;
import kite.core.number.Timecode;
import kite.core.number.Unit;
import kite.core.rules.Refusal;

/** Numbers as they are typed and shown. */
@Answers
final class NumberAnswers {
  private NumberAnswers() {}

  /** A number of frames in feet and frames of 35 mm film. */
  public static String feet(int frames) {
    return FeetFrames.of(frames);
  }

  public static String timecode(int frame) {
    return Timecode.of(frame, Opened.shown().header().rate());
  }

  /**
   * Reads a frame as typed, or a number of frames: 1090, 12s, +2s, a timecode.
   *
   * @throws Refusal saying what can be typed
   */
  public static double readFrames(String text, double current, boolean many) throws Refusal {
    Header h = Opened.shown().header();
    try {
      return many
          ? FrameText.frames(text, h.rate(), current)
          : FrameText.frame(text, h.rate(), h.firstFrame(), current);
    } catch (IllegalArgumentException e) {
      throw new Refusal("number", "", "", e.getMessage());
    }
  }

  /**
   * Reads what was typed into a number field.
   *
   * @throws Refusal saying what can be typed
   */
  public static double readNumber(String text, Unit unit, double current) throws Refusal {
    try {
      return NumberText.read(text, unit, current, Opened.shown().header().displayUnit());
    } catch (IllegalArgumentException e) {
      throw new Refusal("number", "", "", e.getMessage());
    }
  }

  /** A value as a number field shows it, with its unit. */
  public static String showNumber(double value, Unit unit) {
    String length = Opened.shown().header().displayUnit();
    return unit == Unit.METRES
        ? NumberText.length(value, length)
        : NumberText.shown(value, unit, length) + NumberText.suffix(unit);
  }
}
