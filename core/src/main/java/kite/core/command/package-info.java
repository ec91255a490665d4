/**
 * Every edit there is. A command is applied to a sequence and yields a new one, or is refused with
 * a {@link kite.core.rules.Refusal} and changes nothing. What changed is the undo record, the
 * journal row and the live update in one.
 */
package kite.core.command;
