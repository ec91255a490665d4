/**
 * A frame in, a picture out: triangle scenes, a bounding-volume hierarchy, lens rays and shading.
 * Knows documents only through the core's evaluation; reads and writes no files.
 */
package kite.render;
