package kite.server.render;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import kite.core.cut.Cut;
import kite.core.document.Camera;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
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

  /**
   * @param what {@code cut}, {@code shots}, {@code shot} or {@code frame}
   * @param spans ids of the cut's entries, for shots
   * @param camera its id, for a frame
   * @param handles whether shots have the production's handles
   */
  static ShotsAsked of(
      Sequence s, String what, List<String> spans, String camera, int frame, boolean handles) {
    return switch (what == null ? "" : what) {
      case "cut" -> cut(s);
      case "shot", "shots" -> shots(s, spans == null ? List.of() : spans, handles);
      case "frame" -> frame(s, camera, frame);
      default -> throw bad("Say whether the cut, shots or a frame is to be made.");
    };
  }

  private static ShotsAsked cut(Sequence s) {
    List<Cut.Span> spans = Cut.spans(s);
    if (spans.isEmpty()) throw bad("There is no cut yet. Put a camera in the cut lane first.");
    return new ShotsAsked(
        "Cut of " + s.header().code(), spans.stream().map(ShotsAsked::shot).toList());
  }

  private static Shot shot(Cut.Span c) {
    return new Shot(c.camera(), c.first(), c.last(), c.shot());
  }

  /** In the order of the cut, whatever the order they are asked in. */
  private static ShotsAsked shots(Sequence s, List<String> asked, boolean handles) {
    List<Cut.Span> chosen = Cut.spans(s).stream().filter(c -> asked.contains(c.id())).toList();
    if (asked.isEmpty()) throw bad("Choose at least one shot.");
    if (chosen.size() < asked.stream().distinct().count()) throw Problem.missing("shot");
    int more = handles ? s.header().standards().beginning().handleFrames() : 0;
    List<String> codes = chosen.stream().map(Cut.Span::shot).toList();
    String label = String.join(", ", codes.subList(0, Math.min(NAMED, codes.size())));
    if (codes.size() > NAMED) label += " and " + (codes.size() - NAMED) + " more";
    if (more > 0) label += " with handles of " + more;
    return new ShotsAsked(label, chosen.stream().map(c -> shot(c.withHandles(more))).toList());
  }

  private static ShotsAsked frame(Sequence s, String camera, int frame) {
    if (!(s.get(camera) instanceof Camera c)) throw Problem.missing("camera");
    if (frame < s.header().firstFrame() || frame > s.header().lastFrame())
      throw bad("Frame " + frame + " is not in the sequence.");
    Cut.Span at = Cut.at(s, frame);
    boolean live = at != null && c.id().equals(at.camera());
    return new ShotsAsked(
        "Camera " + c.letter() + ", frame " + frame,
        List.of(new Shot(c.id(), frame, frame, live ? at.shot() : null)));
  }

  int frames() {
    return shots.stream().mapToInt(Shot::frames).sum();
  }

  /** A job that makes them, of whatever kind. */
  RenderJob job(UUID sequence, Sequence s, String who, Instant now) {
    RenderJob job = new RenderJob();
    job.id = UUID.randomUUID();
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
