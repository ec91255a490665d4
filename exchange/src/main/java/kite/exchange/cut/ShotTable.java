package kite.exchange.cut;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;
import kite.core.number.NumberText;
import kite.core.number.Unit;
import kite.core.report.ShotFacts;
import kite.core.report.ShotRow;

/** The shots of a cut in words, a line each, as lists of them are written. */
public record ShotTable(Sequence sequence, List<Line> lines) {
  public ShotTable {
    lines = List.copyOf(lines);
  }

  /**
   * @param camera null for a gap, as are the facts
   */
  public record Line(
      ShotRow row, @OrNull Camera camera, @OrNull ShotFacts facts, boolean approved) {}

  /** What a line says, by what its column is headed. */
  public enum Column {
    SHOT("Shot"),
    TAKE("Take"),
    CAMERA("Camera"),
    FIRST("First"),
    LAST("Last"),
    FRAMES("Frames"),
    SECONDS("Seconds"),
    FEET("Feet + frames"),
    TIMECODE("Timecode"),
    SCENE_FROM("Scene from"),
    SCENE_TO("Scene to"),
    SPEED("Speed"),
    SIZE("Size"),
    MOVE("Move"),
    IN_FRAME("In frame"),
    LENS("Lens"),
    FOCUS("Focus"),
    F_STOP("f-stop"),
    STATUS("Status"),
    APPROVED("Approved"),
    NOTES("Notes");

    final String head;

    Column(String head) {
      this.head = head;
    }
  }

  /**
   * @param plan any plan of the sequence; it is left at one of the frames
   * @param approved ids of shots that are
   */
  public static ShotTable of(Sequence s, Plan plan, Set<String> approved) {
    Programme programme = Programme.of(s);
    List<Line> lines = new ArrayList<>();
    for (ShotRow row : ShotRow.all(s, programme)) {
      Camera camera = row.camera() == null ? null : (Camera) s.get(row.camera());
      ShotFacts facts = null;
      if (camera != null)
        facts =
            ShotFacts.of(
                s,
                plan.inTake(programme.of(row.id()).inTake()),
                camera,
                row.sceneFirst(),
                row.sceneLast());
      lines.add(new Line(row, camera, facts, approved.contains(row.id())));
    }
    return new ShotTable(s, lines);
  }

  /** What stands in a column of a line; empty where there is nothing to say. */
  public String said(Line line, Column column) {
    ShotRow r = line.row();
    return switch (column) {
      case SHOT -> r.code();
      case TAKE -> r.take();
      case CAMERA -> line.camera() == null ? "" : line.camera().letter() + " " + camera(line);
      case FIRST -> "" + r.first();
      case LAST -> "" + r.last();
      case FRAMES -> "" + r.frames();
      case SECONDS -> number(r.seconds(), Unit.FACTOR);
      case FEET -> r.feet();
      case TIMECODE -> r.timecode();
      case SCENE_FROM -> "" + r.sceneFirst();
      case SCENE_TO -> "" + r.sceneLast();
      case SPEED -> number(r.speed() * 100, Unit.PERCENT) + " %";
      case SIZE -> of(line, ShotFacts::size);
      case MOVE -> of(line, f -> String.join(", ", f.move()));
      case IN_FRAME ->
          of(
              line,
              f ->
                  f.subjects().stream()
                      .map(ShotFacts.SubjectSeen::name)
                      .collect(Collectors.joining(", ")));
      case LENS -> both(line, l -> number(l.focalMm(), Unit.MILLIMETRES) + " mm");
      case FOCUS -> both(line, l -> NumberText.length(l.focusM(), sequence.header().displayUnit()));
      case F_STOP -> both(line, l -> "f/" + number(l.fStop(), Unit.F_STOP));
      case STATUS -> words(r.status().name());
      case APPROVED -> line.approved() ? "yes" : "";
      case NOTES -> r.notes();
    };
  }

  private static String camera(Line line) {
    return line.camera().name();
  }

  private String number(double v, Unit unit) {
    return NumberText.shown(v, unit, sequence.header().displayUnit());
  }

  private static String of(Line line, Function<ShotFacts, String> says) {
    return line.facts() == null ? "" : says.apply(line.facts());
  }

  /** What it is on the first frame, and on the last where that is another. */
  private static String both(Line line, Function<ShotFacts.LensThere, String> says) {
    return of(
        line,
        f -> {
          String a = says.apply(f.lens()), b = says.apply(f.lastLens());
          return a.equals(b) ? a : a + " → " + b;
        });
  }

  private static String words(String constant) {
    String all = constant.toLowerCase(Locale.ROOT).replace('_', ' ');
    return all.substring(0, 1).toUpperCase(Locale.ROOT) + all.substring(1);
  }
}
