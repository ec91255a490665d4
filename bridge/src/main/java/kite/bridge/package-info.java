/**
 * Writes the bridge between the core and the page while {@code core-browser} compiles: the one
 * class of exported functions from the classes that answer, and the one writer of what they answer.
 */
package kite.bridge;
