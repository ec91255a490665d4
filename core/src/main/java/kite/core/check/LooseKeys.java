package kite.core.check;

import java.util.ArrayList;
import java.util.List;
import kite.core.command.ChannelCommand.MoveKeys;
import kite.core.command.Command;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Camera;

/** Keys that stand between two frames. */
final class LooseKeys {
  /** What is nearer to a frame, as a part of one, is on it. */
  private static final double ON_IT = 1e-6;

  /** A key with its channel, as {@code part/name} or the lens's own name. */
  record Loose(String channel, double frame, boolean free) {}

  private LooseKeys() {}

  /** Those of a camera's channels within a range of frames. */
  static List<Loose> of(Camera c, double first, double last) {
    List<Loose> all = new ArrayList<>();
    for (String channel : c.channelSpecs().keySet()) {
      if (!(c.channel(channel) instanceof Channel.Curve curve)) continue;
      for (Key k : curve.keys()) {
        double on = Math.rint(k.frame());
        if (Math.abs(k.frame() - on) < ON_IT || k.frame() < first || k.frame() > last) continue;
        boolean free =
            curve.keys().stream()
                .noneMatch(o -> o != k && Math.abs(Math.rint(o.frame()) - on) < ON_IT);
        all.add(new Loose(channel, k.frame(), free));
      }
    }
    return all;
  }

  /** Puts them onto the nearest frames where nothing else is. */
  static List<Command> ontoFrames(Camera c, double first, double last) {
    List<Command> all = new ArrayList<>();
    for (Loose k : of(c, first, last))
      if (k.free())
        all.add(
            new MoveKeys(
                c.id(), k.channel(), List.of(k.frame()), Math.rint(k.frame()) - k.frame(), 0));
    return all;
  }
}
