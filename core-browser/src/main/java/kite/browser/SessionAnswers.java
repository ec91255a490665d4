package kite.browser;

import java.util.ArrayList;
import java.util.List;
import kite.bridge.Answers;
import kite.core.codec.Digest;
import kite.core.codec.ModelJson;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.SequenceCommand.Amend;
import kite.core.delta.Delta;
import kite.core.delta.FieldChange;
import kite.core.delta.FieldWords;
import kite.core.document.Entity;
import kite.core.document.Sequence;
import kite.core.motion.AddedKeys;
import kite.core.rules.Change;
import kite.core.rules.Refusal;
import kite.core.rules.Reviewing;

/** The open sequence, its edits and its preview. */
@Answers
final class SessionAnswers {
  private static final Digest DIGEST = new Digest();

  private SessionAnswers() {}

  /** Opens a document. */
  public static void open(Sequence document) {
    Opened.open(document);
  }

  /**
   * Makes a model's nodes and clips known.
   *
   * @param rig as the server gives them for an asset, as text: it may be long
   * @throws Refusal with the path to the field at fault
   */
  public static void registerModel(String asset, String rig) throws Refusal {
    Opened.register(asset, ModelJson.read(rig));
  }

  /**
   * @param delta what {@link #takeBack} takes
   */
  record Made(Change change, Delta delta) {}

  /** Applies commands: all of them or none. */
  public static Made apply(List<Command> commands) {
    return made(Edit.make(Opened.base(), commands));
  }

  /** Applies what somebody else did and the server has taken: field by field, as it was done. */
  public static Made applyDelta(Delta delta) {
    Sequence next = delta.after(Opened.base());
    return made(new Edit.Made(next, Change.between(Opened.base(), next)));
  }

  private static Made made(Edit.Made made) {
    Opened.made(made.sequence(), made.change());
    return new Made(made.change(), Delta.of(made.change()));
  }

  /** Shows what commands would do, without doing it. */
  public static Change preview(List<Command> commands) {
    Edit.Made made = Edit.make(Opened.base(), commands);
    Opened.previewed(made.sequence(), made.change());
    return made.change();
  }

  /**
   * Shows what more commands would do on top of what is shown, without doing it; gives what is
   * other than it was shown before. Questions are answered at the same frame.
   */
  public static Change previewMore(List<Command> commands) {
    Edit.Made made = Edit.make(Opened.shown(), commands);
    Opened.previewedMore(made.sequence());
    return made.change();
  }

  /** Whether commands do no more than somebody who reviews may. */
  public static boolean ofReview(List<Command> commands) {
    return Reviewing.isAll(Edit.make(Opened.base(), commands).change());
  }

  /** Drops the preview. */
  public static void endPreview() {
    Opened.endPreview();
  }

  /**
   * @param commands none where all of it is left to others
   * @param left in words what is left to others
   */
  record TakenBack(List<Command> commands, List<String> left) {}

  /**
   * What takes an edit back, or makes it again, of all that nobody else has gone on with.
   *
   * @param delta as {@link #apply} gave it, or a change as earlier builds kept it
   */
  public static TakenBack takeBack(Delta delta, boolean undo) {
    Delta.Fit fit = (undo ? delta.turned() : delta).fitting(Opened.base());
    List<String> left = new ArrayList<>();
    for (FieldChange c : fit.left()) left.add(FieldWords.of(Opened.base(), c));
    for (Entity e : fit.leftThings()) left.add("“" + e.name() + "”");
    return new TakenBack(fit.fits().isEmpty() ? List.of() : List.of(new Amend(fit.fits())), left);
  }

  /** A delta turned round: what takes back what it did. */
  public static Delta turned(Delta delta) {
    return delta.turned();
  }

  /** What tells this sequence, without its preview, from others; the server gives the same. */
  public static String digest() {
    return DIGEST.of(Opened.base());
  }

  /** The whole sequence as shown. */
  public static Sequence document() {
    return Opened.shown();
  }

  /** Labels of what would get keys it did not have if commands were applied. Nothing is changed. */
  public static List<String> wouldKey(List<Command> commands) {
    return AddedKeys.of(Edit.make(Opened.base(), commands).change());
  }
}
