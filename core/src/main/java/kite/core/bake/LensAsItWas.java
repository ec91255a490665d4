package kite.core.bake;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.ChannelCommand.SetChannel;
import kite.core.command.Command;
import kite.core.curve.Channel;
import kite.core.curve.CompiledCurve;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.document.Camera;
import kite.core.document.ChannelSpec;
import kite.core.document.Sequence;
import kite.core.evaluate.Plan;

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
      boolean moved = false, same = true;
      List<Key> keys = new ArrayList<>();
      for (int row = 0; row < b.frames().length; row++) {
        double v = b.lens()[row * Plan.LENS + i], f = b.frames()[row];
        moved |= Math.abs(v - own.value(f)) > SAME * Math.abs(v);
        keys.add(Key.of(f, v, KeyShape.STRAIGHT));
        same &= v == keys.get(0).value();
      }
      Channel now = same ? Channel.fixed(keys.get(0).value()) : new Channel.Curve(keys);
      if (moved) all.add(new SetChannel(c.id(), spec.name(), now));
    }
    return all;
  }
}
