package kite.server.account;

/**
 * A session has ended: whoever had it has signed out.
 *
 * @param session its id
 */
public record SignedOut(String session) {}
