/**
 * The core of Jolly Kite: the document, the commands on it, and everything that is computed from
 * it.
 *
 * <p>Belongs here: every rule. Does not belong here: input and output, clocks, threads, randomness,
 * frameworks, anything about a screen. It is compiled twice, for the server and for the browser, so
 * only JDK classes that exist in both may be used; no reflection, no {@code String.format}.
 */
package kite.core;
