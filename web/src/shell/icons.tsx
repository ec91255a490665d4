/** Our own small drawings, 24 × 24, in the text's colour. */
const draw = (d: string, fill = false) =>
  function Icon() {
    return (
      <svg
        viewBox="0 0 24 24"
        fill={fill ? 'currentColor' : 'none'}
        stroke={fill ? 'none' : 'currentColor'}
        strokeWidth="2"
        strokeLinecap="round"
        strokeLinejoin="round"
        aria-hidden
      >
        <path d={d} />
      </svg>
    );
  };

export const Play = draw('M7 4.5v15l12-7.5z', true);
export const Pause = draw('M7 5h4v14H7zM14 5h4v14h-4z', true);
export const StepBack = draw('M6 5v14M18 6l-8 6 8 6z');
export const StepOn = draw('M18 5v14M6 6l8 6-8 6z');
export const First = draw('M5 5v14M20 6l-7 6 7 6M13 6l-7 6 7 6');
export const Last = draw('M19 5v14M4 6l7 6-7 6M11 6l7 6-7 6');
export const Undo = draw('M9 6 4 11l5 5M4 11h10a6 6 0 0 1 6 6v1');
export const Redo = draw('m15 6 5 5-5 5M20 11H10a6 6 0 0 0-6 6v1');
export const Plus = draw('M12 5v14M5 12h14');
export const Bin = draw('M5 7h14M10 4h4M7 7l1 13h8l1-13');
export const Eye = draw(
  'M2 12c3-6 7-8 10-8s7 2 10 8c-3 6-7 8-10 8s-7-2-10-8zM12 9a3 3 0 1 0 0 6 3 3 0 0 0 0-6z',
);
export const EyeShut = draw('M3 9c3 4 6 5.5 9 5.5S18 13 21 9M7 14l-2 3M12 15v4M17 14l2 3');
export const Lock = draw('M6 11h12v9H6zM9 11V8a3 3 0 0 1 6 0v3');
export const Unlock = draw('M6 11h12v9H6zM9 11V7a3 3 0 0 1 6-1');
export const Up = draw('m6 15 6-6 6 6');
export const Down = draw('m6 9 6 6 6-6');
export const Search = draw('M11 4a7 7 0 1 0 0 14 7 7 0 0 0 0-14zM16 16l5 5');
export const Bring = draw('M12 3v11M7 10l5 5 5-5M4 17v3h16v-3');
export const Cut = draw('M4 6h7v12H4zM15 6h5v12h-5zM13 3v18');
export const Out = draw('M14 4h6v16h-6M3 12h11M10 8l4 4-4 4');
/** A key: a small kite. */
export const KiteKey = draw('M12 3 18 11 12 19 6 11zM12 19c2 1-2 2 0 4', false);
