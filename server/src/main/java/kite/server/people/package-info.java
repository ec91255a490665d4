/**
 * The people of a studio: who is signed in, who has which role, and the links by which others come
 * in.
 */
package kite.server.people;
