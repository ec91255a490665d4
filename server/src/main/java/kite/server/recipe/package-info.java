/** Recipes that a production and its people keep. They are run by the page's own engine. */
package kite.server.recipe;
