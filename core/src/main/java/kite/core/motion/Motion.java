package kite.core.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import kite.core.command.ChannelCommand;
import kite.core.command.Command;
import kite.core.cue.Ease;
import kite.core.curve.Channel;
import kite.core.curve.CurveEdits;
import kite.core.curve.Handles;
import kite.core.curve.Key;
import kite.core.curve.KeyShape;
import kite.core.curve.ReduceKeys;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.rules.Refusal;

/** Edits of chosen keys in several channels at once, as commands that put whole channels. */
public final class Motion {
  /** How far a key goes towards the frame it gathers at. */
  private static final double GATHERING = 0.5;

  private final Sequence s;
  private final List<Picked> picked;
  private final List<Command> commands = new ArrayList<>();

  private Motion(Sequence s, List<Picked> picked) {
    this.s = s;
    this.picked = picked;
  }

  /**
   * The commands an edit of these keys amounts to.
   *
   * @throws Refusal when a number makes no sense for it or nothing is chosen
   */
  public static List<Command> edit(Sequence s, List<Picked> picked, MotionEdit edit) {
    Motion m = new Motion(s, picked);
    m.run(edit);
    return m.commands;
  }

  private void run(MotionEdit edit) {
    if (edit instanceof MotionEdit.Scale e) {
      positive(e.time());
      retimed(f -> e.about() + (f - e.about()) * e.time(), e.time());
      if (e.value() != 1) {
        commands.clear();
        each(keys -> scaled(keys, e));
      }
    } else if (edit instanceof MotionEdit.Soften e) {
      positive(e.factor());
      handles(
          (k, h) ->
              k.free(
                  h.inFrames() * e.factor(),
                  h.inValue() * e.factor(),
                  h.outFrames() * e.factor(),
                  h.outValue() * e.factor(),
                  k.joined()));
    } else if (edit instanceof MotionEdit.Mirror e) {
      turned(2 * e.about());
    } else if (edit instanceof MotionEdit.Reverse) {
      double[] r = range();
      turned(r[0] + r[1]);
    } else if (edit instanceof MotionEdit.Snap) {
      retimed(f -> (double) Math.round(f), 1);
    } else if (edit instanceof MotionEdit.Shift e) {
      retimed(f -> f + e.frames(), 1);
    } else if (edit instanceof MotionEdit.FitTo e) {
      positive(e.frames());
      double[] r = range();
      if (r[1] > r[0]) {
        double k = e.frames() / (r[1] - r[0]);
        retimed(f -> r[0] + (f - r[0]) * k, k);
      }
    } else if (edit instanceof MotionEdit.Flatten) {
      handles((k, h) -> k.free(h.inFrames(), 0, h.outFrames(), 0, true));
    } else if (edit instanceof MotionEdit.Join e) {
      handles((k, h) -> joined(k, h, e.joined()));
    } else if (edit instanceof MotionEdit.EaseSegments e) {
      channels((p, c) -> eased(p, c, e.ease()));
    } else if (edit instanceof MotionEdit.EaseWhole e) {
      channels((p, c) -> whole(c, e.slowIn() ? 0 : 2 / 3.0, e.slowOut() ? 0 : 2 / 3.0));
    } else if (edit instanceof MotionEdit.LinearThrough) {
      channels((p, c) -> evenThrough(c));
    } else if (edit instanceof MotionEdit.Gather e) {
      channels((p, c) -> gathered(p, c, e.around()));
    } else if (edit instanceof MotionEdit.GoOn e) {
      channels((p, c) -> new Channel.Curve(c.keys(), e.before(), e.after()));
    } else if (edit instanceof MotionEdit.Reduce e) {
      positive(e.tolerance());
      channels((p, c) -> ReduceKeys.within(c, e.tolerance()).channel());
    } else if (edit instanceof MotionEdit.Paste e) {
      paste(e);
    }
  }

  private static void positive(double v) {
    if (!(v > 0 && v < 1e6))
      throw new Refusal("range", "", "", "That takes a number above 0; type one, e.g. 1.5.");
  }

  private interface Change {
    Channel of(Picked p, Channel.Curve c);
  }

  private interface HandleChange {
    /**
     * @param h the handles in use: out frames, out value, in frames, in value
     */
    Key of(Key k, Handles h);
  }

  private void channels(Change change) {
    for (Picked p : picked) {
      Entity e = s.get(p.id());
      if (e == null || e.channelSpec(p.channel()) == null) continue;
      if (!(e.channel(p.channel()) instanceof Channel.Curve c)) continue;
      Channel next = change.of(p, c);
      if (!next.equals(c)) commands.add(new ChannelCommand.SetChannel(p.id(), p.channel(), next));
    }
  }

  private void each(UnaryOperator<Key> change) {
    channels(
        (p, c) ->
            rebuilt(
                c,
                c.keys().stream().map(k -> p.has(k.frame()) ? change.apply(k) : k).toList(),
                c.keys().stream().map(k -> p.has(k.frame())).toList()));
  }

  /** Keys sorted by frame; of two on one frame the chosen one stays. */
  private static Channel rebuilt(Channel.Curve old, List<Key> keys, List<Boolean> chosen) {
    TreeMap<Double, Key> sorted = new TreeMap<>();
    for (int i = 0; i < keys.size(); i++)
      if (!chosen.get(i)) sorted.put(keys.get(i).frame(), keys.get(i));
    for (int i = 0; i < keys.size(); i++)
      if (chosen.get(i)) sorted.put(keys.get(i).frame(), keys.get(i));
    return new Channel.Curve(List.copyOf(sorted.values()), old.before(), old.after());
  }

  private interface Time {
    double at(double frame);
  }

  /** Moves chosen keys in time; {@code rate} is what becomes of a frame's length. */
  private void retimed(Time time, double rate) {
    each(
        k ->
            new Key(
                time.at(k.frame()),
                k.value(),
                k.shape(),
                k.inFrames() * rate,
                k.inValue(),
                k.outFrames() * rate,
                k.outValue(),
                k.joined()));
  }

  /** Turns chosen keys round in time: what stood at a frame goes to {@code sum} less that frame. */
  private void turned(double sum) {
    channels((p, c) -> turned(p, c, sum));
  }

  /**
   * A stretch that was held stays held at its value, which is then the value of the key that begins
   * it. Where the motion arrives at such a key it had been somewhere else, and jumps: its last
   * frame is held, too, so that it is right on every whole frame.
   */
  private static Channel turned(Picked p, Channel.Curve c, double sum) {
    Channel.Curve from = c;
    List<Double> added = new ArrayList<>();
    for (int i = 1; i + 1 < c.keys().size(); i++) {
      Key before = c.keys().get(i - 1), k = c.keys().get(i), next = c.keys().get(i + 1);
      boolean jumps =
          before.shape() == KeyShape.HOLD
              && k.shape() != KeyShape.HOLD
              && before.value() != k.value();
      if (!jumps || !p.has(before.frame()) || !p.has(k.frame()) || !p.has(next.frame())) continue;
      double at = k.frame() + 1;
      if (at < next.frame()) {
        from = (Channel.Curve) CurveEdits.insert(from, at);
        added.add(at);
      }
    }
    List<Key> keys = new ArrayList<>();
    List<Boolean> chosen = new ArrayList<>();
    boolean all = true;
    for (int i = 0; i < from.keys().size(); i++) {
      Key k = from.keys().get(i);
      boolean mine = p.has(k.frame()) || added.contains(k.frame());
      all &= mine;
      chosen.add(mine);
      if (!mine) {
        keys.add(k);
        continue;
      }
      Key before = i > 0 ? from.keys().get(i - 1) : null;
      boolean withBefore =
          before != null && (p.has(before.frame()) || added.contains(before.frame()));
      boolean holds = withBefore && before.shape() == KeyShape.HOLD;
      boolean lastFrame =
          withBefore && i > 1 && isJump(from.keys(), i - 1, p) && added.contains(k.frame());
      boolean frees = k.shape() == KeyShape.HOLD && !holds && !lastFrame;
      if (frees) { // it is left now as it was arrived at
        Handles h = i > 0 ? Handles.of(from.keys(), i - 1) : Handles.NONE;
        k = k.free(h.inFrames(), h.inValue(), h.inFrames(), -h.inValue(), true);
      }
      KeyShape shape = holds || lastFrame ? KeyShape.HOLD : k.shape();
      if (shape == KeyShape.HOLD && i + 1 < from.keys().size()) { // arrived at as it was left
        Handles h = Handles.of(from.keys(), i);
        k = k.free(h.inFrames(), h.inValue(), h.outFrames(), h.outValue(), false);
      }
      keys.add(
          new Key(
              sum - k.frame(),
              holds ? before.value() : k.value(),
              shape,
              k.outFrames(),
              k.outValue(),
              k.inFrames(),
              k.inValue(),
              shape != KeyShape.HOLD && k.joined()));
    }
    Channel.Curve now = (Channel.Curve) rebuilt(from, keys, chosen);
    return all ? new Channel.Curve(now.keys(), c.after(), c.before()) : now;
  }

  /** Whether what is held before a key jumps onto it. */
  private static boolean isJump(List<Key> keys, int i, Picked p) {
    Key before = keys.get(i - 1);
    return p.has(before.frame())
        && before.shape() == KeyShape.HOLD
        && before.value() != keys.get(i).value();
  }

  private static Key scaled(Key k, MotionEdit.Scale e) {
    double t = e.time(), v = e.value();
    return new Key(
        e.about() + (k.frame() - e.about()) * t,
        e.aboutValue() + (k.value() - e.aboutValue()) * v,
        k.shape(),
        k.inFrames() * t,
        k.inValue() * v,
        k.outFrames() * t,
        k.outValue() * v,
        k.joined());
  }

  /** First and last chosen frame over all channels. */
  private double[] range() {
    double[] r = {Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY};
    for (Picked p : picked)
      if (s.get(p.id()) != null && s.get(p.id()).channel(p.channel()) instanceof Channel.Curve c)
        for (Key k : c.keys())
          if (p.has(k.frame())) {
            r[0] = Math.min(r[0], k.frame());
            r[1] = Math.max(r[1], k.frame());
          }
    return r;
  }

  private void handles(HandleChange change) {
    channels(
        (p, c) -> {
          List<Key> keys = new ArrayList<>();
          for (int i = 0; i < c.keys().size(); i++) {
            Key k = c.keys().get(i);
            keys.add(p.has(k.frame()) ? change.of(k, inUse(c.keys(), i)) : k);
          }
          return new Channel.Curve(keys, c.before(), c.after());
        });
  }

  /** The handles of one key as the curve has them: out of it, and into it; none at an end. */
  private static Handles inUse(List<Key> keys, int i) {
    Handles out = i + 1 < keys.size() ? Handles.of(keys, i) : Handles.NONE;
    Handles in = i > 0 ? Handles.of(keys, i - 1) : Handles.NONE;
    return new Handles(out.outFrames(), out.outValue(), in.inFrames(), in.inValue());
  }

  private static Key joined(Key k, Handles h, boolean join) {
    double in = h.inFrames(), out = h.outFrames();
    if (!join || out <= 0 || in <= 0) return k.free(in, h.inValue(), out, h.outValue(), join);
    double slope = (h.outValue() / out - h.inValue() / in) / 2; // the mean of both
    return k.free(in, -slope * in, out, slope * out, true);
  }

  /** The cubic that equals each {@link Ease} exactly: handles of a third, values as its Bézier. */
  private static Channel eased(Picked p, Channel.Curve c, Ease ease) {
    List<Key> keys = new ArrayList<>(c.keys());
    for (int i = 0; i + 1 < keys.size(); i++) {
      if (!p.has(c.keys().get(i).frame())) continue;
      double out =
          switch (ease) {
            case EVEN -> 1 / 3.0;
            case SLOW_STOP -> 2 / 3.0;
            case SLOW_START, SLOW_BOTH -> 0;
          };
      double in =
          switch (ease) {
            case EVEN -> 1 / 3.0;
            case SLOW_START -> 2 / 3.0;
            case SLOW_STOP, SLOW_BOTH -> 0;
          };
      leave(keys, i, out);
      arrive(keys, i + 1, in);
    }
    return new Channel.Curve(keys, c.before(), c.after());
  }

  /** Key i leaves for the next one with a share of the rise in its handle. */
  private static void leave(List<Key> keys, int i, double share) {
    Key a = keys.get(i), b = keys.get(i + 1);
    Handles h = inUse(keys, i);
    keys.set(
        i,
        a.free(
            h.inFrames(),
            h.inValue(),
            (b.frame() - a.frame()) / 3,
            (b.value() - a.value()) * share,
            false));
  }

  private static void arrive(List<Key> keys, int i, double share) {
    Key a = keys.get(i - 1), b = keys.get(i);
    Handles h = inUse(keys, i);
    keys.set(
        i,
        b.free(
            (b.frame() - a.frame()) / 3,
            -(b.value() - a.value()) * share,
            h.outFrames(),
            h.outValue(),
            false));
  }

  private static Channel whole(Channel.Curve c, double out, double in) {
    if (c.keys().size() < 2) return c;
    List<Key> keys = new ArrayList<>(c.keys());
    leave(keys, 0, out);
    arrive(keys, keys.size() - 1, in);
    return new Channel.Curve(keys, c.before(), c.after());
  }

  /**
   * Through every key without a stop and without a leap in speed: between the keys' neighbours
   * where there are two (never past their values), at the speed of the whole segment at the ends.
   */
  private static Channel evenThrough(Channel.Curve c) {
    if (c.keys().size() < 2) return c;
    List<Key> keys = new ArrayList<>();
    int last = c.keys().size() - 1;
    for (int i = 0; i <= last; i++)
      keys.add(
          c.keys().get(i).withShape(i == 0 || i == last ? KeyShape.STRAIGHT : KeyShape.SMOOTH));
    return new Channel.Curve(keys, c.before(), c.after());
  }

  private static Channel gathered(Picked p, Channel.Curve c, List<Double> around) {
    List<Double> to =
        around.isEmpty()
            ? List.of(c.keys().get(0).frame(), c.keys().get(c.keys().size() - 1).frame())
            : around;
    List<Key> keys = new ArrayList<>();
    List<Boolean> chosen = new ArrayList<>();
    for (Key k : c.keys()) {
      double near = to.get(0);
      for (double f : to) if (Math.abs(f - k.frame()) < Math.abs(near - k.frame())) near = f;
      boolean mine = p.has(k.frame());
      chosen.add(mine);
      double f = k.frame() + (near - k.frame()) * GATHERING;
      keys.add(mine ? k.at(Math.rint(f), k.value()) : k);
    }
    return rebuilt(c, keys, chosen);
  }

  private void paste(MotionEdit.Paste e) {
    if (e.keys().isEmpty())
      throw new Refusal("missing", "", "", "Nothing was copied yet. Choose keys and press Ctrl+C.");
    double first = e.keys().get(0).frame();
    for (Picked p : picked) {
      Entity on = s.get(p.id());
      if (on == null || on.channelSpec(p.channel()) == null) continue;
      Channel c = on.channel(p.channel());
      for (Key k : e.keys()) c = CurveEdits.put(c, k.at(k.frame() - first + e.frame(), k.value()));
      commands.add(new ChannelCommand.SetChannel(p.id(), p.channel(), c));
    }
  }
}
