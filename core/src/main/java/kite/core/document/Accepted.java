package kite.core.document;

/**
 * Something an editor would point out about a shot, which stays as it is.
 *
 * @param about the word of what it is ({@code report.CutNotes.About}), as documents spell it
 * @param word why it stays
 */
public record Accepted(String about, String word) {}
