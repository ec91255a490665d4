/** Who sees what: each view's camera is given the layers it draws. */

/** Icons, paths, the grid: only the set views. */
export const AIDS = 1;

/** Plates: only lens views. */
export const PLATES = 2;

/** Pieces that a clip cuts, while their hatching is drawn. */
export const HATCH = 3;

/** Pieces that are drawn at once with others like them: no camera sees them one by one, only rays do. */
export const CROWDED = 4;

/** The arrows of each set view are its own: the first of four. */
export const ARROWS = 10;
