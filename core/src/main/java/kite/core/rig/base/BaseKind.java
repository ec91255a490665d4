package kite.core.rig.base;

import java.util.List;
import java.util.Set;
import kite.core.document.Channels;
import kite.core.document.Place;
import kite.core.evaluate.Compiling;
import kite.core.evaluate.Step;
import kite.core.form.Fields;
import kite.core.form.Out;
import kite.core.frame.PartWords;
import kite.core.kind.Kind;
import kite.core.rig.RigPart;
import kite.core.rules.Use;

/** The tripod: what it rides and how it stands. */
public final class BaseKind extends Kind<Base> {
  public BaseKind() {
    super(Base.KIND, Base.class);
  }

  @Override
  public Base begin(String id) {
    return new Base(id, true, null, Base.Takes.POSITION, Channels.NONE);
  }

  /** At the ground. */
  @Override
  public int place(List<RigPart> rig) {
    return 0;
  }

  @Override
  public void uses(Base b, Uses uses) {
    uses.add(b.rides(), Use.RIDES);
  }

  @Override
  public Base without(Base b, Set<String> gone) {
    return gone.contains(b.rides()) ? new Base(b.id(), b.on(), null, b.takes(), b.channels()) : b;
  }

  @Override
  public void write(Base b, Out out) {
    out.put("rides", b.rides()).put("takes", b.takes());
  }

  @Override
  public Base read(Fields f, String id, boolean on, Channels channels) {
    return new Base(id, on, f.textOrNull("rides"), f.word("takes", Base.Takes.values()), channels);
  }

  @Override
  public Step newStep(Base b, Compiling from) {
    return new BaseStep(b, from.slotOf(b.rides()));
  }

  @Override
  public String says(Base b, PartWords at) {
    if (b.rides() == null) return "Stands " + at.metres(at.value(b, Place.Y)) + " high.";
    String what =
        switch (b.takes()) {
          case POSITION -> "its position";
          case HEADING -> "its position and heading";
          case ALL -> "all of its motion";
        };
    return "Rides " + at.name(b.rides()) + ": " + what + ".";
  }
}
