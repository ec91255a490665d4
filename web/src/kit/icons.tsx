import SvgIcon from '@mui/material/SvgIcon';

/** Our own small drawings, 24 × 24, in the text's colour. */
const draw = (d: string, fill = false) =>
  function Icon() {
    return (
      <SvgIcon
        fontSize="inherit"
        sx={
          fill
            ? undefined
            : {
                fill: 'none',
                stroke: 'currentColor',
                strokeWidth: 2,
                strokeLinecap: 'round',
                strokeLinejoin: 'round',
              }
        }
      >
        <path d={d} />
      </SvgIcon>
    );
  };

export const Play = draw('M7 4.5v15l12-7.5z', true);
export const Pause = draw('M7 5h4v14H7zM14 5h4v14h-4z', true);
export const StepBack = draw('M6 5v14M18 6l-8 6 8 6z');
export const StepOn = draw('M18 5v14M6 6l8 6-8 6z');
export const First = draw('M5 5v14M20 6l-7 6 7 6M13 6l-7 6 7 6');
export const Last = draw('M19 5v14M4 6l7 6-7 6M11 6l7 6-7 6');
/** Two pictures with an edge between them that moves. */
export const Compare = draw('M4 6h16v12H4zM12 3v18M15 10l3 2-3 2');
export const Sound = draw('M4 10v4h4l5 4V6l-5 4zM16 9a4 4 0 0 1 0 6M18.5 6.5a8 8 0 0 1 0 11');
export const SoundOff = draw('M4 10v4h4l5 4V6l-5 4zM16 9l5 6M21 9l-5 6');
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
export const More = draw('M5 11h2v2H5zM11 11h2v2h-2zM17 11h2v2h-2z', true);
export const Search = draw('M11 4a7 7 0 1 0 0 14 7 7 0 0 0 0-14zM16 16l5 5');
export const Bring = draw('M12 3v11M7 10l5 5 5-5M4 17v3h16v-3');
export const Cut = draw('M4 6h7v12H4zM15 6h5v12h-5zM13 3v18');
export const Out = draw('M14 4h6v16h-6M3 12h11M10 8l4 4-4 4');
/** A key: a small kite. */
export const KiteKey = draw('M12 3 18 11 12 19 6 11zM12 19c2 1-2 2 0 4', false);
export const Turn = draw('M12 5v14M5 12h14M9 7l3-3 3 3M9 17l3 3 3-3M7 9l-3 3 3 3M17 9l3 3-3 3');
export const Orbit = draw(
  'M12 9a3 3 0 1 0 0 6 3 3 0 0 0 0-6zM20 8c2 3-1 8-7 10s-11 0-11-3M20 8l.5 4M20 8l-4 .6',
);
export const Truck = draw('M4 8h12v8H4zM16 10l4-2v8l-4-2M7 20h8M5 18l-2 2 2 2M17 18l2 2-2 2');
export const Dolly = draw('M4 19 10 7h4l6 12M12 19v-6M9.5 15.5 12 13l2.5 2.5');
export const Roll = draw('M5 9a8 8 0 0 1 14 0M19 9l1-4M19 9l-4-.5M5 15a8 8 0 0 0 14 0M5 15l-1 4M5 15l4 .5');
export const Zoom = draw('M4 6v12M20 4v16M4 12h16M8 9v6M14 7v10');
export const Level = draw('M3 12h18M12 8a4 4 0 0 1 4 4M8 12a4 4 0 0 1 4-4M3 17h4M17 17h4');
export const Back = draw('M20 17a8 8 0 0 0-14-6M5 5v6h6');
export const Forward = draw('M4 17a8 8 0 0 1 14-6M19 5v6h-6');
export const ShotList = draw('M4 5h5v5H4zM13 6h7M13 9h5M4 14h5v5H4zM13 15h7M13 18h5');
export const Recipe = draw('M6 3h12v18H6zM11 9l-2.5 3L11 15M13.5 9l2.5 3-2.5 3');
export const Sheet = draw('M4 5h7v6H4zM13 5h7v6h-7zM4 13h7v6H4zM13 13h7v6h-7z');
export const History = draw('M4 12a8 8 0 1 0 2.5-5.8M4 4v4h4M12 8v4.5l3 2');
export const Versions = draw('M4 9h11v11H4zM8 9V5h12v11h-5M7.5 14.5l2.5 2.5 3-4');
export const Standards = draw('M5 4h11l3 3v13H5zM9 10h6M9 13.5h6M9 17h4');
export const Whole = draw('M4 9V4h5M15 4h5v5M20 15v5h-5M9 20H4v-5');
export const Apart = draw('M10 5H5v14h14v-5M13 5h6v6M19 5l-8 8');
export const MoveThing = draw('M8 8h8v8H8zM12 5V2M12 22v-3M5 12H2M22 12h-3');
export const TurnThing = draw('M9 9h6v6H9zM4 12a8 8 0 0 1 14-5.3M20 12a8 8 0 0 1-14 5.3M18 3v4h-4');
export const ScaleThing = draw('M4 13h7v7H4zM14 4h6v6M20 4l-6.5 6.5');
export const Help = draw(
  'M12 3a9 9 0 1 0 0 18 9 9 0 0 0 0-18zM9.5 9.5a2.5 2.5 0 1 1 3.6 2.2c-.8.4-1.1 1-1.1 1.8M12 16.8v.2',
);
export const Fold = draw('M14 6l-6 6 6 6M19 6l-6 6 6 6');
export const Unfold = draw('M10 6l6 6-6 6M5 6l6 6-6 6');
export const Cross = draw('M6 6l12 12M18 6 6 18');
