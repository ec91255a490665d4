/** Stand-ins as triangles: the same mesh for the page and the renderer. */
package kite.core.shape;
