package kite.browser;

import java.util.ArrayList;
import java.util.List;
import kite.bridge.Answers;
import kite.core.document.Standards;
import kite.core.document.StandardsChange;
import kite.core.naming.NamingRules;
import kite.core.rules.Refusal;
import kite.core.rules.StandardsRules;

/** What the production has agreed on, and names that keep to it. */
@Answers
final class StandardsAnswers {
  private StandardsAnswers() {}

  /** A field of the standards that cannot be as it is typed, and why. */
  record StandardsFault(String field, String text) {}

  /** What cannot be in standards as they are typed. */
  public static List<StandardsFault> standardsFaults(Standards standards) {
    List<StandardsFault> all = new ArrayList<>();
    for (Refusal r : StandardsRules.faults(standards))
      all.add(new StandardsFault(r.field(), r.getMessage()));
    return all;
  }

  /** What new standards would change here, in short sentences. */
  public static List<String> standardsChange(Standards standards) {
    StandardsRules.check(standards);
    return StandardsChange.sentences(Opened.shown(), standards);
  }

  /** Names that break the production's rules. */
  public static List<NamingRules.Breach> namingBreaches() {
    return NamingRules.breaches(Opened.shown());
  }

  /** The name, or when it is taken its stem with the first number that is free. */
  public static String freeName(String name) {
    return Opened.shown().freeName(name);
  }

  /** The first camera letter that is free. */
  public static String freeLetter() {
    return Opened.shown().freeLetter();
  }
}
