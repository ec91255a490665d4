package kite.server.render;

import java.time.ZoneId;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import kite.core.cut.Programme;
import kite.core.document.Camera;
import kite.core.document.FileNames;
import kite.core.document.Sequence;
import kite.core.form.SequenceJson;
import kite.core.naming.OutputNames;
import kite.exchange.Json;
import kite.render.Pass;
import kite.server.Problem;
import org.springframework.http.HttpStatus;

/**
 * How the files of a render are called where they are handed on. Where they are kept, each render
 * has a folder of its own and nothing is ever written over.
 *
 * @param production what it was called when the render was asked for
 */
record FrameNames(FileNames by, String production) {
  /** Of a folder or file, with room for an ending. */
  private static final int LONGEST = 200;

  static FrameNames read(String json) {
    return Json.MAPPER.readValue(json, FrameNames.class);
  }

  String write() {
    return Json.MAPPER.writeValueAsString(this);
  }

  /** Refuses a pattern that has a fault, or that would call two files of a job the same. */
  void check(RenderJob job, Sequence s) {
    String fault = FileNames.fault(by.pattern());
    if (!fault.isEmpty()) throw bad(fault);
    Set<FramePart> parts = parts(job, s);
    Map<String, Integer> had = new HashMap<>();
    of(job, s).forEach((number, frame) -> parts.forEach(p -> refuse(frame.of(p), number, had)));
  }

  /** The parts of each frame that have files of their own. */
  private Set<FramePart> parts(RenderJob job, Sequence s) {
    Set<FramePart> parts = new LinkedHashSet<>();
    if (!isParted(job)) return Set.of(FramePart.WHOLE);
    for (FramePart p : FramePart.of(Kept.read(job.kept), s))
      if (!parts.add(p.by(by)) && by.partsLights() && p.pass().equals(Pass.LIGHTS.key))
        throw twice(p.light());
    return parts;
  }

  /** The files of the first frame, with their endings. */
  List<String> first(RenderJob job, Sequence s) {
    String ending = "." + Kept.read(job.kept).form().ending;
    Frame first = of(job, s).get(1);
    if (first == null) return List.of();
    return parts(job, s).stream().map(p -> first.of(p) + ending).toList();
  }

  private static void refuse(String name, int number, Map<String, Integer> had) {
    for (String part : name.split("/"))
      if (part.length() > LONGEST)
        throw bad("“" + name + "” is longer than folders and files may be called.");
    // not every file system tells capitals from small letters
    Integer other = had.put(name.toLowerCase(Locale.ROOT), number);
    if (other == null) return;
    if (other == number) throw twice(name);
    throw bad(
        "Two frames, the "
            + Math.min(other, number)
            + ". and the "
            + Math.max(other, number)
            + ". of the render, would both be called “"
            + name
            + "”. Put {shot} into the pattern, or count by the programme.");
  }

  private static Problem twice(String name) {
    return bad(
        "Two lights of a frame would both be called “"
            + name
            + "”. Give each a name of its own, in letters and digits.");
  }

  private static Problem bad(String text) {
    return new Problem(HttpStatus.UNPROCESSABLE_CONTENT, "names", text);
  }

  /** Whether a frame is handed on in several files. */
  boolean isParted(RenderJob job) {
    return Kept.read(job.kept).form().isExr() && (by.partsPasses() || by.partsLights());
  }

  /** What a frame's files are called, without their endings. */
  record Frame(String pattern, OutputNames.Facts facts, int number) {
    String of(FramePart part) {
      return OutputNames.of(pattern, facts.with(part.pass(), part.light()), number);
    }
  }

  /** By the numbers of the frames, from 1; none in jobs of earlier builds. */
  static Map<Integer, Frame> of(RenderJob job) {
    return job.names == null ? Map.of() : read(job.names).of(job, SequenceJson.read(job.document));
  }

  private Map<Integer, Frame> of(RenderJob job, Sequence s) {
    Map<String, Programme.Placed> placed = new HashMap<>();
    for (Programme.Placed p : Programme.of(s).placed()) placed.put(p.inTake(), p);
    String date = job.askedAt.atZone(ZoneId.of("UTC")).toLocalDate().toString();
    Map<Integer, Frame> all = new HashMap<>();
    List<Shot> shots = Shot.read(job.shots);
    int number = 1;
    for (Shot shot : shots)
      for (int i = 0; i < shot.frames(); i++) {
        Shot.At at = shot.at(i);
        Programme.Placed p = placed.get(at.take());
        OutputNames.Facts facts =
            new OutputNames.Facts(
                production,
                s.header().code(),
                at.code() == null ? s.header().code() : at.code(),
                p == null || !(s.get(p.id()) instanceof kite.core.document.Shot x)
                    ? ""
                    : x.take().name(),
                s.get(at.camera()) instanceof Camera c ? c.letter() : "",
                FramePart.WHOLE.pass(),
                FramePart.WHOLE.light(),
                Math.max(1, job.numbered),
                date,
                job.askedBy);
        int programme = shot.programmeOf(at);
        // a frame alone is one of the scene
        FileNames.Counts counts = p == null ? FileNames.Counts.SCENE : by.counts();
        int n =
            OutputNames.number(counts, at.scene(), programme, p == null ? programme : p.first());
        all.put(number++, new Frame(by.pattern(), facts, n));
      }
    return all;
  }
}
