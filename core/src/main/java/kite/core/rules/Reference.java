package kite.core.rules;

/**
 * One use that an entity makes of another.
 *
 * @param to id of what is used
 */
public record Reference(String to, Use use) {}
