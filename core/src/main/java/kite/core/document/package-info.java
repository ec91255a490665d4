/**
 * A sequence as one document: a header and a flat map from id to entity. Parents and references are
 * ids. Everything is an immutable record; an edit yields a new document that shares what did not
 * change. Lengths in metres, lens and film back in millimetres, angles in degrees.
 */
package kite.core.document;
