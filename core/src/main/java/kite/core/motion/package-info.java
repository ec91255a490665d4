/**
 * What an artist does to a whole motion: many keys, several channels, cues and cuts at once. Every
 * edit here gives commands; what one key or one handle does is in {@code kite.core.curve}.
 */
package kite.core.motion;
