/**
 * Whole stacks made in one action on a camera's present place. What a stack is made of belongs
 * here; what its parts do is in {@code kite.core.rig} and {@code kite.core.evaluate}.
 */
package kite.core.readyrig;
