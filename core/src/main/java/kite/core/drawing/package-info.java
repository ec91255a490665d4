/** Paths as they are drawn: helpers that lay points out, and edits of what is there. */
package kite.core.drawing;
