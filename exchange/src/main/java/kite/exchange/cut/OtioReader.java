package kite.exchange.cut;

import java.util.ArrayList;
import java.util.List;
import kite.core.cutting.BroughtShot;
import kite.core.number.Rate;
import kite.exchange.BadFile;
import kite.exchange.Budget;
import kite.exchange.Names;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads an OpenTimelineIO timeline: its first picture track. Times in other rates are taken at
 * ours; what is nested or of a schema that is not known keeps its place as a gap, and is said.
 */
final class OtioReader {
  private static final int DEEPEST = 60, LONGEST_TEXT = 100_000;

  /** Parts of a frame that a time may miss a whole one by. */
  private static final double WHOLE = 0.01;

  private static final double SPEED_OFF = 1e-6;

  private static final JsonMapper MAPPER =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(DEEPEST)
                          .maxStringLength(LONGEST_TEXT)
                          .build())
                  .build())
          .build();

  private final Rate rate;
  private final List<CutFile.Trouble> problems = new ArrayList<>();
  private final List<BroughtShot> shots = new ArrayList<>();

  private OtioReader(Rate rate) {
    this.rate = rate;
  }

  static CutFile read(byte[] bytes, Rate rate, Budget budget) throws BadFile {
    budget.take(8L * bytes.length, "The timeline");
    JsonNode root;
    try {
      root = MAPPER.readTree(bytes);
    } catch (JacksonException e) {
      throw new BadFile(
          "The timeline is damaged, or nested more than " + DEEPEST + " deep. Ask for it again.");
    }
    if (!schema(root).equals("Timeline"))
      throw new BadFile(
          "The file holds no OpenTimelineIO timeline but “"
              + Names.shown(schema(root))
              + "”. Ask for the timeline itself.");
    OtioReader r = new OtioReader(rate);
    JsonNode track = r.pictures(root.path("tracks").path("children"));
    if (track == null) throw new BadFile("The timeline has no picture track.");
    for (JsonNode child : track.path("children")) {
      budget.step();
      r.child(child);
      if (r.shots.size() > CutFile.MOST_SHOTS)
        throw new BadFile(
            "The timeline has more than "
                + CutFile.MOST_SHOTS
                + " shots. Bring one reel at a time.");
    }
    return new CutFile(Names.clean(root.path("name").asString("")), r.shots, r.problems);
  }

  /** The name of a schema without its version. */
  private static String schema(JsonNode n) {
    String s = n.path("OTIO_SCHEMA").asString("");
    int dot = s.lastIndexOf('.');
    return dot < 0 ? s : s.substring(0, dot);
  }

  private JsonNode pictures(JsonNode tracks) {
    JsonNode first = null;
    int more = 0;
    for (JsonNode t : tracks)
      if (schema(t).equals("Track") && t.path("kind").asString("Video").equals("Video")) {
        if (first == null) first = t;
        else more++;
      }
    if (more > 0)
      trouble("The timeline has " + more + " more picture tracks. The lowest of them is taken.");
    return first;
  }

  private void child(JsonNode n) {
    switch (schema(n)) {
      case "Clip" -> clip(n);
      case "Gap" -> gap(n);
      case "Transition" -> trouble("A transition is taken as a cut in its middle.");
      case "Stack", "Track" -> {
        trouble("“" + name(n) + "” holds others in itself. A gap stands in its place.");
        gap(n);
      }
      default -> {
        trouble("“" + Names.shown(schema(n)) + "” is not known. A gap stands in its place.");
        gap(n);
      }
    }
  }

  private static String name(JsonNode n) {
    return Names.shown(n.path("name").asString(""));
  }

  private void gap(JsonNode n) {
    int frames = frames(n.path("source_range").path("duration"));
    String called = schema(n).equals("Gap") ? Names.clean(n.path("name").asString("").strip()) : "";
    if (frames > 0) shots.add(new BroughtShot(called, "", true, null, frames, 1, 1, 0));
  }

  private void clip(JsonNode n) {
    JsonNode media = n.path("media_reference");
    if (media.isMissingNode()) // Clip.2 has several
    media =
          n.path("media_references")
              .path(n.path("active_media_reference_key").asString("DEFAULT_MEDIA"));
    JsonNode range = n.path("source_range");
    if (!range.isObject()) range = media.path("available_range");
    int frames = frames(range.path("duration"));
    String called = Names.clean(n.path("name").asString("").strip());
    if (frames < 1) {
      trouble("“" + Names.shown(called) + "” does not say how long it lasts. It is left out.");
      return;
    }
    JsonNode own = n.path("metadata").path("jolly_kite");
    JsonNode start = range.path("start_time");
    double begins = time(start);
    Double first = Double.isFinite(begins) ? begins : null;
    Ratio speed = speed(n.path("effects"), called);
    String camera = own.path("letter").asString("");
    shots.add(
        new BroughtShot(called, camera, false, first, frames, speed.scene(), speed.programme(), 0));
  }

  private Ratio speed(JsonNode effects, String clip) {
    Ratio speed = new Ratio(1, 1);
    for (JsonNode e : effects) {
      String what = schema(e);
      double value = e.path("time_scalar").asDouble(1);
      if (what.equals("LinearTimeWarp") && Ratio.isSpeed(value)) speed = Ratio.of(value, SPEED_OFF);
      else if (what.equals("LinearTimeWarp") || what.equals("FreezeFrame"))
        trouble("“" + Names.shown(clip) + "” " + Ratio.noSpeed(value));
      else trouble("The effect “" + name(e) + "” on “" + Names.shown(clip) + "” is left out.");
    }
    return speed;
  }

  /** A time as frames of ours; not a number where it is none. */
  private double time(JsonNode t) {
    double value = t.path("value").asDouble(Double.NaN), r = t.path("rate").asDouble(Double.NaN);
    double frames = value / r * rate.perSecond();
    double whole = Math.rint(frames);
    return Math.abs(frames - whole) < WHOLE ? whole : frames;
  }

  private int frames(JsonNode duration) {
    double f = time(duration);
    return Double.isFinite(f) && f < Integer.MAX_VALUE ? (int) Math.rint(f) : 0;
  }

  private void trouble(String text) {
    if (problems.size() < CutFile.MOST_PROBLEMS) problems.add(new CutFile.Trouble(0, text));
  }
}
