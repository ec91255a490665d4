package kite.server.rights;

/** Somebody's rights are others now: what is remembered of rights is looked at again. */
public record RightsChanged() {}
