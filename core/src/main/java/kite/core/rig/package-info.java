/**
 * The parts a camera stands on. Each takes the transform below it and yields its own. Here is what
 * a part is; how it is computed stands in {@code kite.core.evaluate}.
 */
package kite.core.rig;
