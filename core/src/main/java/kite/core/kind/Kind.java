package kite.core.kind;

import kite.core.evaluate.PartSteps;
import kite.core.form.PartForm;
import kite.core.frame.PartInWords;
import kite.core.rig.RigPart;
import kite.core.rules.PartRules;

/** All that there is to be known of a kind of rig part: a new one is whole when it compiles. */
public abstract class Kind<P extends RigPart>
    implements PartRules<P>, PartForm<P>, PartSteps<P>, PartInWords<P> {
  private final String word;
  private final Class<P> type;

  protected Kind(String word, Class<P> type) {
    this.word = word;
    this.type = type;
  }

  @Override
  public final String word() {
    return word;
  }

  @Override
  public final Class<P> type() {
    return type;
  }
}
