package kite.core.motion;

import java.util.ArrayList;
import java.util.List;
import kite.core.curve.Channel;
import kite.core.curve.Key;
import kite.core.document.Entity;
import kite.core.rules.Change;

/** Which numbers a change would give keys that they did not have: what automatic keying does. */
public final class AddedKeys {
  private AddedKeys() {}

  /** Labels of the channels, e.g. “Pan of Crane”. */
  public static List<String> of(Change change) {
    List<String> all = new ArrayList<>();
    for (Entity now : change.after().values()) {
      Entity was = change.before().get(now.id());
      if (was == null) continue;
      now.channelSpecs()
          .forEach(
              (address, spec) -> {
                if (was.channelSpec(address) != null
                    && gains(was.channel(address), now.channel(address)))
                  all.add(spec.label() + " of “" + now.name() + "”");
              });
    }
    return all;
  }

  private static boolean gains(Channel was, Channel now) {
    if (was.equals(now) || !(now instanceof Channel.Curve c)) return false;
    for (Key k : c.keys()) if (!stands(was, k.frame())) return true;
    return false;
  }

  private static boolean stands(Channel channel, double frame) {
    if (!(channel instanceof Channel.Curve c)) return false;
    for (Key k : c.keys()) if (k.frame() == frame) return true;
    return false;
  }
}
