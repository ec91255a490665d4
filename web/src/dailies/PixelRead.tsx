import { core } from '../session/evaluated';

/** What the server says of a pixel: numbers by layer and channel, metres to it, and what covers most of it. */
export interface PixelTold {
  values: Record<string, Record<string, number | string>>;
  depthM: number | null;
  piece: string | null;
}

/** A pixel of a picture, from its upper left corner, and what is known of it. */
export interface PixelAt {
  x: number;
  y: number;
  /** The render and the frame that it is of: on another one it says nothing. */
  seen: string;
  told?: PixelTold;
}

/** A number as it is read off a picture; what is none comes as a word. */
const short = (v: number | string) => (typeof v === 'number' ? String(Number(v.toPrecision(4))) : v);

/** The order in which channels are told. */
const CHANNELS = 'RGBAXYZ';

/** What is in a pixel of one of the pictures: the first, where two are compared. */
export function PixelRead({
  of,
  pixel: { x, y, told },
  byLight,
}: {
  of: string;
  pixel: PixelAt;
  byLight: boolean;
}) {
  'use no memo';
  return (
    <div className="dailies-pixel mono" data-testid="pixel">
      <div>{`pixel ${x}, ${y}`}</div>
      <div className="muted">{of}</div>
      {told?.piece ? <div>{told.piece}</div> : null}
      {told?.depthM != null ? <div>{`${core().showNumber(told.depthM, 'metres')} away`}</div> : null}
      {Object.entries(told?.values ?? {}).map(([layer, values]) => (
        <div key={layer}>
          {`${layer || 'light'} ${Object.entries(values)
            .sort(([a], [b]) => CHANNELS.indexOf(a) - CHANNELS.indexOf(b))
            .map(([channel, v]) => `${channel} ${short(v)}`)
            .join('  ')}`}
        </div>
      ))}
      {byLight ? null : <div className="muted">8 bits: ask for EXR to read light</div>}
    </div>
  );
}
