package kite.core.command;

import java.util.List;
import kite.core.document.Sequence;

/** Applying commands together: all are taken, or none. */
public final class Edit {
  /** More commands than any gesture makes; an edit over it is split by whoever sends it. */
  public static final int MOST_COMMANDS = 5000;

  private Edit() {}

  /**
   * The sequence after all commands, checked against every rule.
   *
   * @throws Refusal naming the entity, the field and the rule that would be broken
   */
  public static Sequence apply(Sequence s, List<Command> commands) {
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
    Rules.check(now, Change.between(s, now));
    return now;
  }
}
