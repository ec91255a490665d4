/**
 * What a production and a sequence begin with: starting points, first sets, what is taken over from
 * another sequence, and codes. Storing them is the server's.
 */
package kite.core.begin;
