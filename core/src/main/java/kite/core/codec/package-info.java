/**
 * The JSON form of what is asked and answered: commands, motion edits, saved rigs, models, tracks.
 * As strict as {@link kite.core.form}.
 */
package kite.core.codec;
