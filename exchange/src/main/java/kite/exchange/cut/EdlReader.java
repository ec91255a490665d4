package kite.exchange.cut;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kite.core.cutting.BroughtShot;
import kite.core.number.Rate;
import kite.core.number.Timecode;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Lines;
import kite.exchange.Names;

/**
 * Reads an edit decision list of the CMX 3600 layout: its picture events. Source timecodes are
 * taken as frames of the scene, as {@link EdlWriter} writes them; where the record's leave room
 * between two events there is a gap. What is no cut is taken as one and said, and so is what cannot
 * be read.
 */
final class EdlReader {
  private static final int LONGEST_LINE = 1000;

  private static final Pattern EVENT =
      Pattern.compile(
          "\\s*(\\d{1,6})\\s+(\\S+)\\s+(\\S+)\\s+(C|D|W\\S*|K\\s*\\S?)\\s+(?:(\\d+)\\s+)?"
              + "(\\S+)\\s+(\\S+)\\s+(\\S+)\\s+(\\S+)\\s*");

  private static final Pattern CODE =
      Pattern.compile("(\\d{1,2}):(\\d{1,2}):(\\d{1,2})([:;.])(\\d{1,3})");

  private static final Pattern SPEED =
      Pattern.compile("M2\\s+(\\S+)\\s+(-?[0-9.]{1,12})\\s+\\S+\\s*", Pattern.CASE_INSENSITIVE);

  private static final Pattern NOTE = Pattern.compile("\\*\\s*([A-Z ]+):\\s*(.*)");

  /** Half of the last digit of a speed as it is written, frames a second. */
  private static final double SPEED_OFF = 0.005;

  /** An event as it stands in the file. */
  private static final class Event {
    int line;
    int number;
    String reel;
    boolean isDissolve;
    long sourceIn, sourceOut, recordIn, recordOut;
    String clip = "", clipTo = "";
    double speed = Double.NaN;
  }

  private final Rate rate;
  private final List<CutFile.Trouble> problems = new ArrayList<>();
  private final List<Event> events = new ArrayList<>();
  private String title = "";
  private int sounds;
  private boolean saidCounting;

  private EdlReader(Rate rate) {
    this.rate = rate;
  }

  static CutFile read(byte[] bytes, Rate rate, Budget budget) throws BadFile {
    EdlReader r = new EdlReader(rate);
    Lines lines = new Lines(bytes, LONGEST_LINE, budget);
    for (String l = lines.next(); l != null; l = lines.next()) {
      r.line(l, lines.number());
      if (r.events.size() > CutFile.MOST_SHOTS)
        throw new BadFile(
            "The list has more than " + CutFile.MOST_SHOTS + " events. Bring one reel at a time.");
    }
    if (r.events.isEmpty() && r.problems.isEmpty())
      throw new BadFile(
          "There is no picture event in the list. Ask for an edit decision list of the CMX 3600"
              + " layout.");
    List<BroughtShot> shots = r.shots();
    return new CutFile(r.title, shots, r.problems);
  }

  private void line(String l, int number) {
    if (l.startsWith("TITLE:")) title = Names.clean(l.substring(6).strip());
    else if (l.startsWith("FCM:")) counting(l, number);
    else if (l.startsWith("*")) note(l);
    else if (l.regionMatches(true, 0, "M2", 0, 2)) speed(l, number);
    else if (!l.isBlank() && Character.isDigit(l.strip().charAt(0))) event(l, number);
  }

  private void counting(String l, int number) {
    boolean drops = l.contains("DROP") && !l.contains("NON");
    if (drops == Timecode.dropsFrames(rate) || saidCounting) return;
    saidCounting = true;
    trouble(
        number,
        drops
            ? "The list counts by drop frame, this sequence does not: its rate is another."
            : "The list does not count by drop frame, this sequence does: its rate is another.");
  }

  private void note(String l) {
    Matcher m = NOTE.matcher(l);
    if (!m.matches() || events.isEmpty()) return;
    Event last = events.get(events.size() - 1);
    if (m.group(1).strip().equals("FROM CLIP NAME")) last.clip = Names.clean(m.group(2).strip());
    if (m.group(1).strip().equals("TO CLIP NAME")) last.clipTo = Names.clean(m.group(2).strip());
  }

  private void speed(String l, int number) {
    Matcher m = SPEED.matcher(l.strip());
    if (!m.matches() || events.isEmpty()) {
      trouble(number, "This line of a speed cannot be read. It is left out.");
      return;
    }
    try {
      events.get(events.size() - 1).speed = Double.parseDouble(m.group(2));
    } catch (NumberFormatException e) {
      trouble(number, "“" + Names.shown(m.group(2)) + "” is no speed. It is left out.");
    }
  }

  private void event(String l, int number) {
    Matcher m = EVENT.matcher(l);
    if (!m.matches()) {
      trouble(
          number, "This event cannot be read: “" + Names.shown(l.strip()) + "”. It is left out.");
      return;
    }
    if (m.group(3).startsWith("A") && !m.group(3).contains("V")) {
      sounds++;
      return;
    }
    Event e = new Event();
    e.line = number;
    e.number = Integer.parseInt(m.group(1));
    e.reel = Names.clean(m.group(2));
    try {
      e.sourceIn = frames(m.group(6));
      e.sourceOut = frames(m.group(7));
      e.recordIn = frames(m.group(8));
      e.recordOut = frames(m.group(9));
    } catch (IllegalArgumentException bad) {
      trouble(number, bad.getMessage() + " The event is left out.");
      return;
    }
    e.isDissolve = !m.group(4).equals("C");
    if (e.isDissolve) trouble(number, "A transition is taken as a cut where it begins.");
    // the first of the two lines of a transition says what it leaves, and lasts nothing
    if (e.recordOut == e.recordIn && e.sourceOut == e.sourceIn) return;
    if (e.recordOut <= e.recordIn) {
      trouble(number, "The event ends before it begins. It is left out.");
      return;
    }
    events.add(e);
  }

  /**
   * @throws IllegalArgumentException with a sentence
   */
  private long frames(String code) {
    Matcher m = CODE.matcher(code);
    if (!m.matches())
      throw new IllegalArgumentException("“" + Names.shown(code) + "” is no timecode.");
    return Timecode.frame(
        Integer.parseInt(m.group(1)),
        Integer.parseInt(m.group(2)),
        Integer.parseInt(m.group(3)),
        Integer.parseInt(m.group(5)),
        rate);
  }

  private List<BroughtShot> shots() {
    if (sounds > 0)
      trouble(0, sounds + (sounds == 1 ? " event" : " events") + " of sound are left out.");
    events.sort(
        (a, b) ->
            a.recordIn != b.recordIn
                ? Long.compare(a.recordIn, b.recordIn)
                : Integer.compare(a.line, b.line));
    List<BroughtShot> all = new ArrayList<>();
    long end = Long.MIN_VALUE;
    for (Event e : events) {
      if (e.recordIn < end) {
        trouble(
            e.line,
            "Event " + e.number + " begins before the one before it has ended. It is left out.");
        continue;
      }
      if (end != Long.MIN_VALUE && e.recordIn > end)
        all.add(new BroughtShot("", "", true, null, (int) (e.recordIn - end), 1, 1, e.line));
      end = e.recordOut;
      all.add(shot(e));
    }
    return all;
  }

  private BroughtShot shot(Event e) {
    int frames = (int) (e.recordOut - e.recordIn);
    boolean isGap = e.reel.equals(EdlWriter.BLACK) || e.reel.equals(EdlWriter.BOARD);
    String clip = e.isDissolve && !e.clipTo.isEmpty() ? e.clipTo : e.clip;
    Ratio speed = isGap ? new Ratio(1, 1) : speed(e, frames);
    String camera =
        e.reel.startsWith(EdlWriter.CAMERA) ? e.reel.substring(EdlWriter.CAMERA.length()) : "";
    Double first = isGap ? null : (double) e.sourceIn;
    return new BroughtShot(
        clip, camera, isGap, first, frames, speed.scene(), speed.programme(), e.line);
  }

  private Ratio speed(Event e, int frames) {
    if (Double.isNaN(e.speed)) {
      if (e.sourceOut - e.sourceIn != frames)
        trouble(
            e.line,
            "Event "
                + e.number
                + " has "
                + (e.sourceOut - e.sourceIn)
                + " frames of its source and lasts "
                + frames
                + ", with no speed told. It is taken at its own speed.");
      return new Ratio(1, 1);
    }
    double value = e.speed / rate.nominal();
    if (!Ratio.isSpeed(value)) {
      trouble(e.line, "Event " + e.number + " " + Ratio.noSpeed(value));
      return new Ratio(1, 1);
    }
    return Ratio.of(value, SPEED_OFF / rate.nominal());
  }

  private void trouble(int line, String text) {
    if (problems.size() < CutFile.MOST_PROBLEMS) problems.add(new CutFile.Trouble(line, text));
  }
}
