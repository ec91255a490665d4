package kite.core.bake;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.ChannelCommand.SetChannel;
import kite.core.command.Command;
import kite.core.curve.CompiledCurve;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Sequence;
import kite.core.evaluate.LensRow;

/** Keeps what a stack made of the lens when another stack takes its place. */
final class LensAsItWas {
  /** Numbers this near, as a share of themselves, are the same. */
  private static final double SAME = 1e-12;

  private LensAsItWas() {}

  /** The commands that give the lens's own channels what the stack made of them on every frame. */
  static List<Command> of(Sequence s, Bake b) {
    List<Command> all = new ArrayList<>();
    Camera c = b.camera();
    for (int i = 0; i < Camera.LENS.size(); i++) {
      ChannelSpec spec = Camera.LENS.get(i);
      if (spec == Camera.FOCUS && c.focus() != null) continue; // goes on following its subjects
      CompiledCurve own = CompiledCurve.of(s.header().channel(c, spec));
      int at = i;
      boolean moved = false;
      for (int row = 0; row < b.frames().length; row++) {
        double v = b.lens()[row * LensRow.SIZE + i];
        moved |= Math.abs(v - own.value(b.frames()[row])) > SAME * Math.abs(v);
      }
      if (moved)
        all.add(
            new SetChannel(c.id(), spec.name(), b.curve(0, r -> b.lens()[r * LensRow.SIZE + at])));
    }
    return all;
  }
}
