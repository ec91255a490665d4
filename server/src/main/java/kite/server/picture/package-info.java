/** Small rendered pictures of what a camera of a sequence sees, for lists and choices. */
package kite.server.picture;
