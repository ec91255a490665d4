package kite.core.command;

import kite.core.cut.EarlierCut;
import kite.core.document.OrNull;
import kite.core.document.Sequence;
import kite.core.document.Shot;

/**
 * Commands on the cut as builds before shots sent them, in frames of the scene; they do the same to
 * shots that run on without gaps.
 */
public sealed interface CutCommand extends Command {

  /** Makes an earlier build's cut into shots; nothing where that was done. */
  record ToShots() implements CutCommand {
    public static final String KIND = "toShots";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return EarlierCut.asShots(s);
    }
  }

  /** Moves the first frame of an entry; the entry before it grows or shrinks to meet it. */
  record Roll(String id, int frame) implements CutCommand {
    public static final String KIND = "roll";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Sequence shots = EarlierCut.asShots(s);
      return new ShotCommand.RollCut(id, by(shots, id, frame)).applyTo(shots);
    }
  }

  /** Moves the first frame of an entry, and all later ones by as much: shots keep their length. */
  record Ripple(String id, int frame) implements CutCommand {
    public static final String KIND = "ripple";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      Sequence shots = EarlierCut.asShots(s);
      return Reel.of(shots).later(id, by(shots, id, frame)).sequence();
    }
  }

  /** Puts another camera in an entry; null makes it a gap. */
  record Swap(String id, @OrNull String camera) implements CutCommand {
    public static final String KIND = "swap";

    @Override
    public String kind() {
      return KIND;
    }

    @Override
    public Sequence applyTo(Sequence s) {
      return new ShotCommand.SwapCamera(id, camera).applyTo(EarlierCut.asShots(s));
    }
  }

  private static int by(Sequence shots, String id, int frame) {
    return frame - (int) Math.round(Command.need(shots, id, Shot.class).take().first());
  }
}
