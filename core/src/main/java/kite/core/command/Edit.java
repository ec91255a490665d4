package kite.core.command;

import java.util.ArrayList;
import java.util.List;
import kite.core.document.Sequence;
import kite.core.rules.Change;
import kite.core.rules.Refusal;
import kite.core.rules.Rules;

/** Applying commands together: all are taken, or none. */
public final class Edit {
  /** More commands than any gesture makes, and as many as a script may. */
  public static final int MOST_COMMANDS = 20_000;

  private Edit() {}

  /** A sequence with commands applied, and what they did to it. */
  public record Made(Sequence sequence, Change change) {}

  /** The sequence after all commands; see {@link #make}. */
  public static Sequence apply(Sequence s, List<Command> commands) {
    return make(s, commands).sequence();
  }

  /** Removals that follow one another become one: what they leave is searched once. */
  private static List<Command> together(List<Command> commands) {
    List<Command> all = new ArrayList<>();
    List<String> gathered = null;
    for (Command c : commands) {
      Command last = all.isEmpty() ? null : all.get(all.size() - 1);
      if (c instanceof EntityCommand.Remove next
          && last instanceof EntityCommand.Remove before
          && next.letGo() == before.letGo()) {
        // the list is ours from the second on: whose commands these are keeps its own as it was
        if (gathered == null) {
          gathered = new ArrayList<>(before.ids());
          all.set(all.size() - 1, new EntityCommand.Remove(gathered, next.letGo()));
        }
        gathered.addAll(next.ids());
      } else {
        all.add(c);
        gathered = null;
      }
    }
    return all;
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
    for (Command c : together(commands)) now = c.applyTo(now);
    Change change = Change.between(s, now);
    Rules.check(now, change);
    return new Made(now, change);
  }
}
