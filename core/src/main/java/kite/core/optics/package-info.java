/**
 * Optics of a thin lens: angle of view, depth of field, blur, and the delivery window that the lens
 * view, the renderer and every export share. Film-back measures in millimetres, distances in
 * metres. Formulas: S. F. Ray, Applied Photographic Optics, 3rd ed. (2002), chapters 22 and 23.
 */
package kite.core.optics;
