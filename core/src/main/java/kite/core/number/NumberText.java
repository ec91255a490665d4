package kite.core.number;

import kite.core.math.Powers;

/**
 * What may be typed into a number field, and how numbers are shown. Reads plain numbers, units
 * ({@code 6ft 2in}, {@code 182cm}, {@code 35mm}, {@code 50%}, {@code f/4}), arithmetic with
 * brackets ({@code 2*1.8}) and changes relative to the present value ({@code +=0.5}, {@code *=2}).
 */
public final class NumberText {
  /**
   * Lengths from here on are as good as endless, and are said so: a far limit just under infinity.
   */
  private static final double ENDLESS_M = 1e9;

  private final String text;
  private final Unit unit;
  private final String lengthUnit;
  private int at;

  private NumberText(String text, Unit unit, String lengthUnit) {
    this.text = text;
    this.unit = unit;
    this.lengthUnit = lengthUnit;
  }

  /**
   * The number a text means, in the channel's own unit.
   *
   * @param current the present value, for relative changes
   * @param lengthUnit m, cm, mm, ft, in or ft+in: what a bare number means for a length in metres
   * @throws IllegalArgumentException with a sentence saying what cannot be read
   */
  public static double read(String text, Unit unit, double current, String lengthUnit) {
    String t = text.trim();
    char sign = 0;
    if (t.length() > 2 && t.charAt(1) == '=' && "+-*/".indexOf(t.charAt(0)) >= 0) {
      sign = t.charAt(0);
      t = t.substring(2);
    }
    if (t.length() > 200) throw new IllegalArgumentException("That is too long to be a number.");
    boolean scales = sign == '*' || sign == '/';
    NumberText reader = new NumberText(t, scales ? Unit.FACTOR : unit, lengthUnit);
    double v = reader.sum(0);
    reader.space();
    if (reader.at < t.length()) throw reader.bad();
    double result =
        switch (sign) {
          case '+' -> current + v;
          case '-' -> current - v;
          case '*' -> current * v;
          case '/' -> current / v;
          default -> v;
        };
    if (!Double.isFinite(result))
      throw new IllegalArgumentException("“" + text + "” is not a finite number.");
    return result;
  }

  private IllegalArgumentException bad() {
    String rest = at < text.length() ? "“" + text.substring(at) + "”" : "the end";
    return new IllegalArgumentException(
        "Cannot read the number at "
            + rest
            + ". Type a number, with a unit or + − * / if you like.");
  }

  private void space() {
    while (at < text.length() && text.charAt(at) == ' ') at++;
  }

  private boolean take(char c) {
    space();
    if (at >= text.length() || text.charAt(at) != c) return false;
    at++;
    return true;
  }

  private double sum(int depth) {
    if (depth > 30) throw new IllegalArgumentException("Too many brackets.");
    double v = product(depth);
    while (true) {
      if (take('+')) v += product(depth);
      else if (take('-')) v -= product(depth);
      else return v;
    }
  }

  /** Bare numbers in a product are factors, so that 2*1.8 ft is 3.6 ft. */
  private double product(int depth) {
    double v = 1;
    boolean divide = false, measured = false;
    do {
      space();
      int from = at;
      double[] t = term(depth);
      if (at == from) throw bad();
      measured |= t[1] == 1;
      v = divide ? v / t[0] : v * t[0];
      divide = false;
      if (take('/')) divide = true;
      else if (!take('*')) break;
    } while (true);
    return measured ? v : v * bareFactor();
  }

  private double bareFactor() {
    return unit == Unit.METRES ? metres(lengthUnit) : 1;
  }

  /** One number, bracket or signed term: {value, 1 if it carries its unit already}. */
  private double[] term(int depth) {
    if (take('-')) {
      double[] t = term(depth + 1);
      return new double[] {-t[0], t[1]};
    }
    if (take('(')) {
      double v = sum(depth + 1);
      if (!take(')')) throw bad();
      return new double[] {v, 1};
    }
    if (unit == Unit.F_STOP && take('f')) take('/');
    double v = number();
    double factor = suffixFactor();
    if (Double.isNaN(factor)) return new double[] {v, 0};
    v *= factor;
    if (unit == Unit.METRES) {
      int mark = at;
      space();
      if (at < text.length() && (Character.isDigit(text.charAt(at)) || text.charAt(at) == '.')) {
        double more = number(); // 6ft 2in
        double f = suffixFactor();
        if (Double.isNaN(f)) throw bad();
        return new double[] {v + more * f, 1};
      }
      at = mark;
    }
    return new double[] {v, 1};
  }

  private double number() {
    space();
    int from = at;
    while (at < text.length()
        && (Character.isDigit(text.charAt(at)) || text.charAt(at) == '.' || text.charAt(at) == ','))
      at++;
    if (at < text.length() && (text.charAt(at) == 'e' || text.charAt(at) == 'E') && at > from) {
      int mark = at++;
      if (at < text.length() && (text.charAt(at) == '-' || text.charAt(at) == '+')) at++;
      int digits = at;
      while (at < text.length() && Character.isDigit(text.charAt(at))) at++;
      if (at == digits) at = mark;
    }
    try {
      return Double.parseDouble(text.substring(from, at).replace(',', '.'));
    } catch (NumberFormatException e) {
      at = from;
      throw bad();
    }
  }

  /** The factor of a unit written here, or NaN when none is. */
  private double suffixFactor() {
    space();
    int from = at;
    while (at < text.length()
        && (Character.isLetter(text.charAt(at)) || "°%'\"".indexOf(text.charAt(at)) >= 0)) at++;
    String s = text.substring(from, at);
    if (s.isEmpty()) return Double.NaN;
    double f = Double.NaN;
    switch (unit) {
      case METRES -> f = metres(s);
      case MILLIMETRES -> f = metres(s) * 1000;
      case DEGREES ->
          f =
              s.equals("°") || s.equals("deg")
                  ? 1
                  : s.equals("rad") ? 180 / Math.PI : s.equals("turn") ? 360 : Double.NaN;
      case HERTZ -> f = s.equals("hz") || s.equals("Hz") ? 1 : Double.NaN;
      case SECONDS ->
          f = s.equals("s") ? 1 : s.equals("ms") ? 0.001 : s.equals("min") ? 60 : Double.NaN;
      case DECIBELS -> f = s.equals("dB") || s.equals("db") ? 1 : Double.NaN;
      case PERCENT -> f = s.equals("%") ? 1 : Double.NaN;
      case SHARE, FACTOR -> f = s.equals("%") ? 0.01 : s.equals("x") ? 1 : Double.NaN;
      case F_STOP -> f = Double.NaN;
    }
    if (Double.isNaN(f)) {
      at = from;
      throw bad();
    }
    return f;
  }

  private static double metres(String s) {
    return switch (s) {
      case "m" -> 1;
      case "cm" -> 0.01;
      case "mm" -> 0.001;
      case "km" -> 1000;
      case "ft", "'", "ft+in" -> 0.3048;
      case "in", "\"" -> 0.0254;
      default -> Double.NaN;
    };
  }

  /** A value as a field shows it, without its unit: e.g. 1.85 for a length in metres. */
  public static String shown(double value, Unit unit, String lengthUnit) {
    if (unit == Unit.METRES && Math.abs(value) >= ENDLESS_M) return value > 0 ? "∞" : "−∞";
    if (unit == Unit.METRES && lengthUnit.equals("ft+in")) return feetAndInches(value);
    if (unit == Unit.METRES)
      return rounded(
          value / metres(lengthUnit), lengthUnit.equals("mm") ? 0 : lengthUnit.equals("m") ? 3 : 2);
    return rounded(
        value,
        unit == Unit.MILLIMETRES || unit == Unit.DEGREES || unit == Unit.PERCENT
            ? 2
            : unit == Unit.F_STOP || unit == Unit.DECIBELS ? 1 : 3);
  }

  /** A length as 6 ft 2.5 in, to a hundredth of an inch. */
  private static String feetAndInches(double metres) {
    if (!Double.isFinite(metres)) return rounded(metres, 2);
    double hundredths = Math.rint(Math.abs(metres) / 0.0254 * 100);
    long feet = (long) Math.floor(hundredths / 1200);
    String inches = rounded(hundredths / 100 - feet * 12, 2);
    String text =
        feet == 0
            ? inches + " in"
            : feet + " ft" + (inches.equals("0") ? "" : " " + inches + " in");
    return metres < 0 && hundredths > 0 ? "-" + text : text;
  }

  /** A length with its unit, as it is shown. */
  public static String length(double metres, String lengthUnit) {
    String text = shown(metres, Unit.METRES, lengthUnit);
    return lengthUnit.equals("ft+in") ? text : text + " " + lengthUnit;
  }

  /** The unit as written behind a value, with its leading space. */
  public static String suffix(Unit unit) {
    return switch (unit) {
      case METRES -> " m";
      case MILLIMETRES -> " mm";
      case DEGREES -> "°";
      case HERTZ -> " Hz";
      case SECONDS -> " s";
      case DECIBELS -> " dB";
      case PERCENT -> " %";
      case F_STOP, FACTOR, SHARE -> "";
    };
  }

  /** A number without needless zeros, at most six decimals. */
  public static String plain(double v) {
    return rounded(v, 6);
  }

  /** Rounds half away from zero to so many decimals and drops needless zeros. */
  public static String rounded(double v, int decimals) {
    if (Double.isNaN(v)) return "–";
    if (Double.isInfinite(v)) return v > 0 ? "∞" : "−∞";
    if (Math.abs(v) >= 1e15) return Double.toString(v);
    double scale = Powers.tenTo(decimals);
    double n = Math.floor(Math.abs(v) * scale + 0.5);
    double whole = Math.floor(n / scale);
    String s = Long.toString((long) whole);
    long part = (long) (n - whole * scale);
    if (decimals > 0 && part > 0) {
      String digits = Long.toString(part);
      while (digits.length() < decimals) digits = "0" + digits;
      while (digits.endsWith("0")) digits = digits.substring(0, digits.length() - 1);
      s += "." + digits;
    }
    return v < 0 && n > 0 ? "-" + s : s;
  }
}
