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
  told?: PixelTold;
}

/** A number as it is read off a picture; what is none comes as a word. */
const short = (v: number | string) => (typeof v === 'number' ? String(Number(v.toPrecision(4))) : v);

/** What is in a pixel. */
export function PixelRead({ pixel: { x, y, told }, byLight }: { pixel: PixelAt; byLight: boolean }) {
  return (
    <div className="dailies-pixel mono" data-testid="pixel">
      <div>{`pixel ${x}, ${y}`}</div>
      {told?.piece ? <div>{told.piece}</div> : null}
      {told?.depthM != null ? <div>{`${core().showNumber(told.depthM, 'metres')} away`}</div> : null}
      {Object.entries(told?.values ?? {}).map(([layer, values]) => (
        <div key={layer}>
          {`${layer || 'light'} ${Object.entries(values)
            .map(([channel, v]) => `${channel} ${short(v)}`)
            .join('  ')}`}
        </div>
      ))}
      {byLight ? null : <div className="muted">8 bits: ask for EXR to read light</div>}
    </div>
  );
}
