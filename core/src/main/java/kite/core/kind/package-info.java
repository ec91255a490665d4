/**
 * What the layers want to know of a kind of rig part, together. The kinds themselves are folders of
 * {@code kite.core.rig}.
 */
package kite.core.kind;
