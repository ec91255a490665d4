package kite.server.render;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.core.number.NumberText;
import kite.server.Problem;
import org.springframework.http.HttpStatus;

/**
 * What of a sequence is to be made into pictures.
 *
 * @param label what it is called in lists
 */
record ShotsAsked(String label, List<Shot> shots) {
  /** Codes of shots that a label names; more are counted. */
  private static final int NAMED = 3;

  private static final int MOST_BETWEEN = 1000;

  /**
   * What somebody asks for.
   *
   * @param what {@code cut}, {@code range}, {@code shots}, {@code shot} or {@code frame}
   * @param ids of shots
   * @param range first and last frame of the programme, for a range
   * @param camera its id, for a frame
   * @param frame of the scene
   * @param handles whether shots have their handles
   */
  record Asked(
      String what,
      List<String> ids,
      List<Integer> range,
      String camera,
      double frame,
      boolean handles) {}

  static ShotsAsked of(Sequence s, Asked a) {
    return switch (a.what == null ? "" : a.what) {
      case "cut" -> cut(s);
      case "range" -> range(s, a.range);
      case "shot", "shots" -> shots(s, a.ids == null ? List.of() : a.ids, a.handles);
      case "frame" -> frame(s, a.camera, a.frame);
      default -> throw bad("Say whether the cut, a range, shots or a frame is to be made.");
    };
  }

  private static ShotsAsked cut(Sequence s) {
    Programme p = programme(s);
    return new ShotsAsked("Cut of " + s.header().code(), cut(p, p.firstFrame(), p.lastFrame()));
  }

  private static Programme programme(Sequence s) {
    Programme p = Programme.of(s);
    if (p.isEmpty()) throw bad("There is no cut yet. Put a camera in the cut lane first.");
    return p;
  }

  private static ShotsAsked range(Sequence s, List<Integer> range) {
    Programme p = programme(s);
    if (range == null || range.size() != 2 || range.stream().anyMatch(Objects::isNull))
      throw bad("Say the first and the last frame of the range.");
    int first = range.get(0), last = range.get(1);
    if (first > last || first < p.firstFrame() || last > p.lastFrame())
      throw bad(
          "The range "
              + first
              + " to "
              + last
              + " is not in the programme, which goes from "
              + p.firstFrame()
              + " to "
              + p.lastFrame()
              + ".");
    return new ShotsAsked(
        s.header().code() + ", frames " + first + " to " + last, cut(p, first, last));
  }

  /** What of the programme lies within some frames of it, by its own numbers. */
  private static List<Shot> cut(Programme p, int first, int last) {
    List<Shot> all = new ArrayList<>();
    for (int i = 0; i < p.placed().size(); i++) {
      Programme.Placed at = p.placed().get(i);
      int from = Math.max(first, at.first()), to = Math.min(last, at.last());
      if (from <= to) all.add(run(p, i, from, to, from));
    }
    return all;
  }

  /**
   * @param from frame of the programme, {@code to} the last one, which may lie in the handles
   * @param number of its first frame
   */
  private static Shot run(Programme p, int index, int from, int to, int number) {
    Programme.Placed at = p.placed().get(index);
    int frames = to - from + 1;
    List<Double> scenes = new ArrayList<>();
    boolean alike = true;
    for (int i = 0; i < frames; i++) {
      double scene = p.scene(index, from + i);
      scenes.add(scene);
      alike &= scene == number + i;
    }
    return new Shot(
        at.camera(),
        number,
        number + frames - 1,
        at.shot(),
        alike ? null : scenes,
        at.board(),
        from,
        at.inTake(),
        null);
  }

  /** In the order of the cut, whatever the order they are asked in; by the scene's numbers. */
  private static ShotsAsked shots(Sequence s, List<String> asked, boolean handles) {
    if (asked.isEmpty()) throw bad("Choose at least one shot.");
    Programme p = Programme.of(s);
    List<Shot> chosen = new ArrayList<>();
    List<String> codes = new ArrayList<>();
    Set<Integer> lengths = new TreeSet<>();
    for (int i = 0; i < p.placed().size(); i++) {
      Programme.Placed at = p.placed().get(i);
      if (!asked.contains(at.id())) continue;
      int more = handles ? p.shots().get(i).handlesIn(s.header()) : 0;
      int number = (int) Math.round(at.sceneFirst()) - more;
      chosen.add(run(p, i, at.first() - more, at.last() + more, number));
      codes.add(at.shot());
      lengths.add(more);
    }
    if (chosen.size() < asked.stream().distinct().count()) throw Problem.missing("shot");
    String label = String.join(", ", codes.subList(0, Math.min(NAMED, codes.size())));
    if (codes.size() > NAMED) label += " and " + (codes.size() - NAMED) + " more";
    if (!lengths.equals(Set.of(0)))
      label += " with handles" + (lengths.size() == 1 ? " of " + lengths.iterator().next() : "");
    return new ShotsAsked(label, chosen);
  }

  private static ShotsAsked frame(Sequence s, String camera, double frame) {
    if (!(s.get(camera) instanceof Camera c)) throw Problem.missing("camera");
    List<Programme.Seen> seen = Programme.of(s).showing(frame);
    if (!(frame >= s.header().firstFrame() && frame <= s.header().lastFrame()) && seen.isEmpty())
      throw bad("Frame " + NumberText.plain(frame) + " is not in the sequence.");
    List<String> codes =
        seen.stream()
            .map(x -> (kite.core.document.Shot) s.get(x.id()))
            .filter(x -> c.id().equals(x.take().camera()))
            .map(kite.core.document.Shot::name)
            .toList();
    int number = (int) Math.round(frame);
    return new ShotsAsked(
        "Camera " + c.letter() + ", frame " + NumberText.plain(frame),
        List.of(
            new Shot(
                c.id(),
                number,
                number,
                codes.isEmpty() ? null : codes.get(0),
                number == frame ? null : List.of(frame))));
  }

  /**
   * Fewer of the frames of each shot, for an early look.
   *
   * @param every so many frames one is made; 0 makes the first, the middle and the last
   */
  ShotsAsked thinned(int every) {
    if (every == 1) return this;
    if (every < 0 || every > MOST_BETWEEN)
      throw bad("Of every 1 to " + MOST_BETWEEN + " frames one is made.");
    List<Shot> all = new ArrayList<>();
    for (Shot s : shots) {
      Set<Integer> some = new TreeSet<>();
      int last = s.frames() - 1;
      if (every == 0) some.addAll(List.of(0, last / 2, last));
      else for (int i = 0; i <= last; i += every) some.add(i);
      all.add(s.some(List.copyOf(some)));
    }
    String which = every == 0 ? ", first, middle and last" : ", one of " + every + " frames";
    return new ShotsAsked(label + which, all);
  }

  int frames() {
    return shots.stream().mapToInt(Shot::frames).sum();
  }

  /** A job that makes them, of whatever kind. */
  RenderJob job(UUID id, UUID sequence, Sequence s, String who, Instant now) {
    RenderJob job = new RenderJob();
    job.id = id;
    job.sequenceId = sequence;
    job.askedBy = who;
    job.askedAt = now;
    job.label = label;
    job.document = SequenceJson.write(s);
    job.shots = Shot.write(shots);
    job.framesTotal = frames();
    job.state = RenderJob.State.WAITING;
    job.message = "";
    return job;
  }

  private static Problem bad(String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "range", text);
  }
}
