package kite.core.rig.trim;

import com.eclipsesource.json.JsonValue;
import java.util.List;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Channels;
import kite.core.document.Place;
import kite.core.evaluate.Compiling;
import kite.core.evaluate.Step;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.frame.PartWords;
import kite.core.kind.Kind;
import kite.core.number.NumberText;
import kite.core.rig.RigPart;
import kite.core.rules.Refusal;

/** A small offset over a finished move. */
public final class TrimKind extends Kind<Trim> {
  private static final int LONGEST_NOTE = 200;
  private static final int MOST_TAKES = 1000;

  /** Frames, and lengths of fades, are nearer to 0 than this. */
  private static final double FAR_FRAMES = 1e8;

  public TrimKind() {
    super(Trim.KIND, Trim.class);
  }

  @Override
  public Trim begin(String id) {
    return new Trim(id, true, "", null, List.of(), Channels.NONE);
  }

  @Override
  public void check(Camera c, Trim t) {
    if (t.label().length() > LONGEST_NOTE)
      throw new Refusal(
          "range", c.id(), t.id(), "A trim's note has at most " + LONGEST_NOTE + " characters.");
    for (String take : t.takes())
      if (!take.matches("[A-Za-z0-9_-]{1,64}/[A-Za-z0-9_-]{1,64}") || t.takes().size() > MOST_TAKES)
        throw new Refusal(
            "range",
            c.id(),
            t.id(),
            "A trim is laid over up to " + MOST_TAKES + " takes of shots.");
    Trim.Span x = t.span();
    if (x != null
        && !(x.first() < x.last()
            && Math.abs(x.first()) + Math.abs(x.last()) < FAR_FRAMES
            && x.fadeIn() >= 0
            && x.fadeOut() >= 0
            && x.fadeIn() + x.fadeOut() < FAR_FRAMES))
      throw new Refusal(
          "range",
          c.id(),
          t.id(),
          "A trim holds from a frame to a later one, with fades of 0 frames or more.");
  }

  @Override
  public void write(Trim t, Out out) {
    out.put("label", t.label())
        .putOrNull("span", t.span(), TrimKind::write)
        .texts("takes", t.takes());
  }

  private static JsonValue write(Trim.Span s) {
    return new Out()
        .put("first", s.first())
        .put("last", s.last())
        .put("fadeIn", s.fadeIn())
        .put("fadeOut", s.fadeOut())
        .json;
  }

  @Override
  public Trim read(Fields f, String id, boolean on, Channels channels) {
    Trim.Span span = f.orNull("span", TrimKind::span);
    return new Trim(id, on, f.text("label"), span, takes(f), channels);
  }

  /** Earlier builds wrote one take or null, and before that nothing. */
  private static List<String> takes(Fields f) {
    String one = f.textIfAny("take");
    if (f.has("takes")) return f.texts("takes");
    return one == null ? List.of() : List.of(one);
  }

  private static Trim.Span span(Fields f) {
    return f.done(
        new Trim.Span(
            f.number("first"), f.number("last"), f.number("fadeIn"), f.number("fadeOut")));
  }

  @Override
  public Step newStep(Trim t, Compiling from) {
    return new TrimStep(t);
  }

  @Override
  public String says(Trim t, PartWords at) {
    double share =
        (t.span() == null ? 1 : t.span().at(at.frame()))
            * RigPart.STRENGTH.within(at.value(t, RigPart.STRENGTH));
    List<String> words = at.moved(t);
    for (ChannelSpec turn : List.of(Place.PAN, Place.TILT, Place.ROLL))
      if (PartWords.isSeen(at.value(t, turn)))
        words.add(turn.name() + " " + PartWords.degrees(at.value(t, turn)));
    double longer = at.value(t, Trim.FOCAL);
    if (PartWords.isSeen(longer)) words.add(NumberText.rounded(longer, 1) + " mm longer");
    if (words.isEmpty()) return "Changes nothing yet.";
    return String.join(", ", words) + ", at " + Math.round(share * 100) + " % here.";
  }
}
