package kite.core.rig.slide;

import java.util.List;
import kite.core.document.Channels;
import kite.core.evaluate.Compiling;
import kite.core.evaluate.Step;
import kite.core.form.Fields;
import kite.core.frame.PartWords;
import kite.core.kind.Kind;

/** A straight move on the axes of the part below. */
public final class SlideKind extends Kind<Slide> {
  public SlideKind() {
    super(Slide.KIND, Slide.class);
  }

  @Override
  public Slide begin(String id) {
    return new Slide(id, true, Channels.NONE);
  }

  @Override
  public Slide read(Fields f, String id, boolean on, Channels channels) {
    return new Slide(id, on, channels);
  }

  @Override
  public Step newStep(Slide s, Compiling from) {
    return new SlideStep(s);
  }

  @Override
  public String says(Slide s, PartWords at) {
    List<String> words = at.moved(s);
    return words.isEmpty() ? "At its start." : String.join(", ", words) + " of its start.";
  }
}
