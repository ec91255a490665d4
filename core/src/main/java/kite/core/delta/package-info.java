/**
 * What an edit did, field by field and key by key: for the journal, for telling others, and for
 * taking back one's own part of what somebody else has gone on with. Values are the JSON form,
 * since a field of anything can change.
 */
package kite.core.delta;
