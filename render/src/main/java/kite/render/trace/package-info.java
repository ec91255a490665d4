/**
 * Rays and what they meet: hierarchies of meshes and of the places where they stand. Knows nothing
 * of materials, lights or documents.
 */
package kite.render.trace;
