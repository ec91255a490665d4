package kite.browser;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import kite.bridge.Answers;
import kite.core.command.Command;
import kite.core.command.Edit;
import kite.core.command.SequenceCommand;
import kite.core.document.PlacedSet;
import kite.core.document.Sequence;
import kite.core.sets.SetUpdate;
import kite.core.sets.SharedSet;

/** Sets of the production: made of things here, placed, renewed and kept. */
@Answers
final class SetAnswers {
  private SetAnswers() {}

  /** A set made of things here, as a document. */
  public static Sequence setOf(List<String> ids) {
    return SharedSet.document(Opened.base(), ids);
  }

  /** Says that a set was made of the things of a document that {@link #setOf} gave. */
  public static VersionAnswers.Proposed setMade(Sequence document, String set, String name) {
    Map<String, String> ids = new TreeMap<>();
    for (String id : document.entities().keySet()) ids.put(id, id);
    return VersionAnswers.proposed(
        SharedSet.made(Opened.base(), new PlacedSet(placing(), set, name, 1, ids)));
  }

  /** What places a version of a set in the sequence. */
  public static VersionAnswers.Proposed placeSet(
      Sequence document, String set, String name, int version) {
    return VersionAnswers.proposed(
        SharedSet.place(
            Opened.base(), document, new PlacedSet(placing(), set, name, version, Map.of())));
  }

  private static String placing() {
    Set<String> taken = new HashSet<>();
    for (PlacedSet p : Opened.base().header().sets()) taken.add(p.id());
    for (int n = 1; ; n++) if (!taken.contains("set" + n)) return "set" + n;
  }

  /**
   * @param says what the commands do, in sentences
   * @param document the sequence as it will be
   */
  record Taking(List<Command> commands, List<String> says, Sequence document) {}

  /**
   * What takes another version of a placed set.
   *
   * @param was the document of the version that stands here
   */
  public static Taking takeSet(String placed, Sequence was, Sequence next, int version) {
    SetUpdate u = SetUpdate.of(Opened.base(), placed, was, next, version);
    return new Taking(
        VersionAnswers.commands(u.change()),
        u.says(),
        Edit.apply(Opened.base(), List.of(SequenceCommand.Restore.to(u.change()))));
  }

  /**
   * What a placed set is here now, to be kept as its next version.
   *
   * @param was the document of the version that stands here
   * @param also ids of things that belong to it from then on
   */
  public static Sequence keptSet(String placed, Sequence was, List<String> also) {
    return SharedSet.kept(Opened.base(), placed, was, also).document();
  }

  /** Says that a placed set was kept as a version, with what {@link #keptSet} gave for it. */
  public static VersionAnswers.Proposed setKept(
      String placed, Sequence was, List<String> also, int version) {
    return VersionAnswers.proposed(SharedSet.keptAs(Opened.base(), placed, was, also, version));
  }
}
