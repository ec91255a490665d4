/** The colour of light and what the air does to it; the same for the page and the renderer. */
package kite.core.light;
