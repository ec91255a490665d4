package kite.core.codec;

import kite.core.cue.Ease;
import kite.core.curve.Extrapolation;
import kite.core.form.ChannelJson;
import kite.core.form.Fields;
import kite.core.motion.MotionEdit;
import kite.core.motion.MotionRequest;
import kite.core.motion.Picked;

/** Reads what is asked to be done to a motion: {@code {"picked": [...], "edit": {...}}}. */
public final class MotionJson {
  private MotionJson() {}

  /**
   * @throws kite.core.rules.Refusal with the path to the field at fault
   */
  public static MotionRequest read(String request) {
    Fields f = Fields.parse(request);
    return f.done(new MotionRequest(f.list("picked", MotionJson::picked), edit(f.object("edit"))));
  }

  private static Picked picked(Fields f) {
    return f.done(new Picked(f.text("id"), f.text("channel"), f.numberList("frames")));
  }

  private static MotionEdit edit(Fields f) {
    String kind = f.text("kind");
    return f.done(
        switch (kind) {
          case MotionEdit.Scale.KIND ->
              new MotionEdit.Scale(
                  f.number("about"), f.number("time"), f.number("aboutValue"), f.number("value"));
          case MotionEdit.Soften.KIND -> new MotionEdit.Soften(f.number("factor"));
          case MotionEdit.Mirror.KIND -> new MotionEdit.Mirror(f.number("about"));
          case MotionEdit.Reverse.KIND -> new MotionEdit.Reverse();
          case MotionEdit.Snap.KIND -> new MotionEdit.Snap();
          case MotionEdit.Shift.KIND -> new MotionEdit.Shift(f.number("frames"));
          case MotionEdit.FitTo.KIND -> new MotionEdit.FitTo(f.number("frames"));
          case MotionEdit.Flatten.KIND -> new MotionEdit.Flatten();
          case MotionEdit.Join.KIND -> new MotionEdit.Join(f.truth("joined"));
          case MotionEdit.EaseSegments.KIND ->
              new MotionEdit.EaseSegments(f.word("ease", Ease.values()));
          case MotionEdit.EaseWhole.KIND ->
              new MotionEdit.EaseWhole(f.truth("slowIn"), f.truth("slowOut"));
          case MotionEdit.LinearThrough.KIND -> new MotionEdit.LinearThrough();
          case MotionEdit.Gather.KIND -> new MotionEdit.Gather(f.numberList("around"));
          case MotionEdit.GoOn.KIND ->
              new MotionEdit.GoOn(
                  f.word("before", Extrapolation.values()),
                  f.word("after", Extrapolation.values()));
          case MotionEdit.Reduce.KIND -> new MotionEdit.Reduce(f.number("tolerance"));
          case MotionEdit.Paste.KIND ->
              new MotionEdit.Paste(f.number("frame"), f.list("keys", ChannelJson::key));
          default -> throw Fields.bad(f.path("kind"), "names no edit: “" + kind + "”");
        });
  }
}
