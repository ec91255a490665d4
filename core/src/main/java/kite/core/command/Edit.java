package kite.core.command;

import java.util.List;
import kite.core.document.Sequence;

/** Applying commands together: all are taken, or none. */
public final class Edit {
  /** More commands than any gesture makes; an edit over it is split by whoever sends it. */
  public static final int MOST_COMMANDS = 5000;

  private Edit() {}

  /** A sequence with commands applied, and what they did to it. */
  public record Made(Sequence sequence, Change change) {}

  /** The sequence after all commands; see {@link #make}. */
  public static Sequence apply(Sequence s, List<Command> commands) {
    return make(s, commands).sequence();
  }

  /**
   * Applies all commands and checks the outcome against every rule.
   *
   * @throws Refusal naming the entity, the field and the rule that would be broken
   */
  public static Made make(Sequence s, List<Command> commands) {
    if (commands.size() > MOST_COMMANDS)
      throw new Refusal(
          "many",
          "",
          "",
          "An edit holds at most "
              + MOST_COMMANDS
              + " commands; this one has "
              + commands.size()
              + ".");
    Sequence now = s;
    for (Command c : commands) now = c.applyTo(now);
    Change change = Change.between(s, now);
    Rules.check(now, change);
    return new Made(now, change);
  }
}
