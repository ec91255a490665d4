/**
 * What must hold in every document, and what a change of one is. Each breach is one {@link
 * kite.core.rules.Refusal} in the artist's words.
 */
package kite.core.rules;
