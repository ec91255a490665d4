package kite.core.rig.head;

import kite.core.document.Channels;
import kite.core.document.Place;
import kite.core.evaluate.Compiling;
import kite.core.evaluate.Step;
import kite.core.form.Fields;
import kite.core.frame.PartWords;
import kite.core.kind.Kind;

/** Pan, tilt and roll. */
public final class HeadKind extends Kind<Head> {
  public HeadKind() {
    super(Head.KIND, Head.class);
  }

  @Override
  public Head begin(String id) {
    return new Head(id, true, Channels.NONE);
  }

  @Override
  public Head read(Fields f, String id, boolean on, Channels channels) {
    return new Head(id, on, channels);
  }

  @Override
  public Step newStep(Head h, Compiling from) {
    return new HeadStep(h);
  }

  @Override
  public String says(Head h, PartWords at) {
    double roll = at.value(h, Place.ROLL);
    return "Pan "
        + PartWords.degrees(at.value(h, Place.PAN))
        + ", tilt "
        + PartWords.degrees(at.value(h, Place.TILT))
        + (PartWords.isSeen(roll) ? ", roll " + PartWords.degrees(roll) : "")
        + ".";
  }
}
