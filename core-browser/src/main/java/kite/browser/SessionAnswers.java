package kite.browser;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import kite.bridge.Answers;
import kite.core.codec.CommandJson;
import kite.core.codec.Digest;
import kite.core.codec.ModelJson;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.EntityCommand;
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
   * What was laid over what is shown.
   *
   * @param change what is other than it was, but for what was added as it was said
   * @param asSaid ids of what was added just as the command says it: thousands may come so, and
   *     whoever said them has them
   */
  record Laid(Change change, List<String> asSaid) {}

  /**
   * Lays commands over what is shown and what was laid before. It is not shown: every question is
   * answered as if they had not come, until {@link #showLaid}.
   */
  public static Laid layMore(CommandJson.Said said) {
    Edit.Made made = Edit.make(Opened.laid(), said.commands());
    Opened.lay(made.sequence());
    Change change = made.change();
    Map<String, Entity> others = new TreeMap<>(change.after());
    List<String> asSaid = new ArrayList<>();
    for (int i = 0; i < said.whole().length; i++) {
      if (!said.whole()[i] || !(said.commands().get(i) instanceof EntityCommand.Add a)) continue;
      String id = a.entity().id();
      if (change.before().containsKey(id) || others.get(id) != a.entity()) continue;
      others.remove(id);
      asSaid.add(id);
    }
    return new Laid(
        new Change(change.before(), others, change.headerBefore(), change.headerAfter()), asSaid);
  }

  /** Makes ready what was laid, so that showing it takes no time. */
  public static void planLaid() {
    Opened.planLaid();
  }

  /** Shows what was laid as a preview: without doing it. */
  public static void showLaid() {
    Opened.showLaid();
  }

  /** Takes away what was laid and is not shown. */
  public static void dropLaid() {
    Opened.dropLaid();
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
