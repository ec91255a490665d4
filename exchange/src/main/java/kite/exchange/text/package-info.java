/** Lettering: the outlines of a typeface that ships with the application, made into a mesh. */
package kite.exchange.text;
