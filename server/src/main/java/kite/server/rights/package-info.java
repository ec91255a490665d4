/**
 * What someone may do: a role in each production. Every address says with an annotation of {@link
 * kite.server.rights.May} who may ask for it. What is not one's own answers as if it were not
 * there.
 */
package kite.server.rights;
