package kite.core.number;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What may be typed where a frame or a number of frames is asked for: {@code 1090}, {@code 12s} or
 * {@code 1.5min} (from the sequence's first frame), a timecode such as {@code 00:00:12:00} or
 * {@code 12:00} (seconds and frames), arithmetic, and with a sign in front, such as {@code +2s} or
 * {@code +=12}, a way from the present frame.
 */
public final class FrameText {
  private static final Pattern TIME =
      Pattern.compile("([0-9]+(?:[.,][0-9]+)?) *(s|sec|min|f|fr)", Pattern.CASE_INSENSITIVE);
  private static final Pattern COUNTED =
      Pattern.compile("(?:([0-9]{1,2}):)?(?:([0-9]{1,2}):)?([0-9]{1,4})[:;]([0-9]{1,3})");
  private static final Pattern RELATIVE = Pattern.compile("([+-])=? *([^ ].*)");

  private FrameText() {}

  /**
   * A frame of the sequence.
   *
   * @param first the sequence's first frame, where seconds and timecode count from
   * @param current the frame that what has a sign starts from
   * @throws IllegalArgumentException with a sentence saying what cannot be read
   */
  public static double frame(String text, Rate rate, int first, double current) {
    String t = text.trim();
    Matcher signed = RELATIVE.matcher(t);
    // without an equals sign, −5 is a frame where the sequence has such frames
    if (signed.matches() && (first >= 0 || t.startsWith("+") || t.contains("=") || timed(t)))
      return current + (t.startsWith("-") ? -1 : 1) * amount(signed.group(2), rate);
    Double from = fromStart(t, rate);
    return from == null ? NumberText.read(t, Unit.FACTOR, current, "m") : first + from;
  }

  /** A number of frames; what has a sign starts from the present number. */
  public static double frames(String text, Rate rate, double current) {
    String t = text.trim();
    Matcher signed = RELATIVE.matcher(t);
    if (signed.matches() && (t.contains("=") || timed(t) || t.startsWith("+")))
      return current + (t.startsWith("-") ? -1 : 1) * amount(signed.group(2), rate);
    Double time = fromStart(t, rate);
    return time == null ? NumberText.read(t, Unit.FACTOR, current, "m") : time;
  }

  private static boolean timed(String t) {
    String rest = t.substring(1).trim();
    return TIME.matcher(rest).matches() || COUNTED.matcher(rest).matches();
  }

  private static double amount(String t, Rate rate) {
    Double time = fromStart(t.trim(), rate);
    return time == null ? NumberText.read(t, Unit.FACTOR, 0, "m") : time;
  }

  /** Frames that a time or a timecode amounts to, or null when the text is neither. */
  private static Double fromStart(String t, Rate rate) {
    Matcher time = TIME.matcher(t);
    if (time.matches()) {
      double v = Double.parseDouble(time.group(1).replace(',', '.'));
      return switch (time.group(2).toLowerCase()) {
        case "min" -> (double) Math.round(v * 60 * rate.perSecond());
        case "s", "sec" -> (double) Math.round(v * rate.perSecond());
        default -> v;
      };
    }
    Matcher m = COUNTED.matcher(t);
    if (!m.matches()) return null;
    // with one field before seconds, that is minutes
    boolean hours = m.group(2) != null;
    int h = hours ? number(m.group(1)) : 0;
    int min = number(hours ? m.group(2) : m.group(1));
    return (double) Timecode.frame(h, min, number(m.group(3)), number(m.group(4)), rate);
  }

  private static int number(String digits) {
    return digits == null ? 0 : Integer.parseInt(digits);
  }
}
