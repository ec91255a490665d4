package kite.core.kind;

import kite.core.evaluate.PartSteps;
import kite.core.form.PartForm;
import kite.core.frame.PartInWords;
import kite.core.rig.RigPart;
import kite.core.rules.PartRules;

/** All that there is to be known of a kind of rig part: a new one is whole when it compiles. */
public interface Kind<P extends RigPart>
    extends PartRules<P>, PartForm<P>, PartSteps<P>, PartInWords<P> {}
