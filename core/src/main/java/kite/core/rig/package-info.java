/**
 * The parts a camera stands on. Each takes the transform below it and yields its own. Here is what
 * every part is; a kind has a folder of its own, with the part as it stands in a document, its step
 * and all else that is known of it.
 */
package kite.core.rig;
