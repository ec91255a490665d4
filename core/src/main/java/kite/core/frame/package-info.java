/**
 * What is in a camera's frame: where, how large, how far, whether it is cut off or sharp, and the
 * moves that put it somewhere else. Answers that change something are given as commands, so that
 * whoever asked can look first. Nothing here draws.
 */
package kite.core.frame;
