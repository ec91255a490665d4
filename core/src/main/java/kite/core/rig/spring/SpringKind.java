package kite.core.rig.spring;

import kite.core.document.Camera;
import kite.core.document.Channels;
import kite.core.document.Sequence;
import kite.core.evaluate.Compiling;
import kite.core.evaluate.Step;
import kite.core.form.Fields;
import kite.core.frame.PartWords;
import kite.core.kind.Kind;

/** Follows the part below late. */
public final class SpringKind extends Kind<Spring> {
  public SpringKind() {
    super(Spring.KIND, Spring.class);
  }

  @Override
  public Spring begin(String id) {
    return new Spring(id, true, Channels.NONE);
  }

  @Override
  public Spring read(Fields f, String id, boolean on, Channels channels) {
    return new Spring(id, on, channels);
  }

  @Override
  public Step newStep(Spring s, Compiling from) {
    return new SpringStep(s, from.header().firstFrame(), from.header().rate().perSecond());
  }

  @Override
  public boolean looksAtItsCamera() {
    return true;
  }

  /** Its answers in place and in rotation to a step from 0 to 1. */
  @Override
  public int plotted() {
    return 2;
  }

  @Override
  public void plot(Sequence s, Camera c, Spring spring, double seconds, double[] out) {
    int rows = out.length / plotted();
    double frame = s.header().firstFrame(), step = seconds / Math.max(1, rows - 1);
    DampedSpring place = new DampedSpring(), way = new DampedSpring();
    Channels own = spring.channels();
    place.tune(
        own.get(Spring.POSITION_HZ).at(frame), own.get(Spring.POSITION_DAMPING).at(frame), step);
    way.tune(
        own.get(Spring.ROTATION_HZ).at(frame), own.get(Spring.ROTATION_DAMPING).at(frame), step);
    for (int r = 0; r < rows; r++) {
      out[r * plotted()] = place.x;
      out[r * plotted() + 1] = way.x;
      place.go(1, 1);
      way.go(1, 1);
    }
  }

  @Override
  public String says(Spring s, PartWords at) {
    return "Behind by " + at.offset(s) + ".";
  }
}
