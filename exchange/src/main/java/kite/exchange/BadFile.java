package kite.exchange;

/** A file that cannot be taken; the message is one sentence for the person who brought it. */
public final class BadFile extends Exception {
  private static final long serialVersionUID = 1;

  public BadFile(String message) {
    super(message);
  }
}
