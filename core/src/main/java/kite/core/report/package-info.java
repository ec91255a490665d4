/**
 * What can be said about a camera's whole move: what it sees of each subject and when, and what a
 * careful assistant would point out. Questions about one frame belong to {@code kite.core.frame}.
 */
package kite.core.report;
