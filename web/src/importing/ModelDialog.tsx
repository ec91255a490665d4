import { useEffect, useState } from 'react';
import { core } from '../session/evaluated';
import { Choice } from '../kit/Choice';
import { PLAIN, usualPiece } from '../core/usual';
import { groundAhead } from '../doing/create';
import { edit } from '../session/document';
import { newId } from '../session/ids';
import { say } from '../session/said';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { FILE_UNITS } from '../fields/choices';
import { Unreachable } from '../session/http';
import { Window } from '../kit/Window';
import { closeWindow } from '../session/windows';
import type { ModelReport } from '../session/modelReport';
import { modelsOf, readModel } from '../doing/bring';
import { palette } from '../theme/tokens';
import { Pill } from '../kit/Pill';
import './importing.css';

/** While the server is away a model waits, and is tried again after this long. */
const AGAIN_MS = 2000;

/** Above or below these a model is probably in another unit. */
const LIKELY_M = { least: 0.02, most: 100 };

/** Shows what is in a model before it is taken: size, triangles, animations, warnings, unit and up. */
export function ModelDialog({ files }: { files: File[] }) {
  'use no memo';
  const [queue] = useState(() => modelsOf(files));
  const [index, setIndex] = useState(0);
  const model = queue[index];
  const [read, setRead] = useState<{
    of: number;
    report?: ModelReport;
    error?: string;
    waits?: boolean;
  } | null>(null);
  const [unit, setUnit] = useState('1');
  const [up, setUp] = useState('y');
  useEffect(() => {
    const stop = new AbortController();
    let timer: ReturnType<typeof setTimeout> | undefined;
    const ask = () =>
      readModel(queue[index], stop.signal).then(
        (report) => setRead({ of: index, report }),
        (e: unknown) => {
          if (stop.signal.aborted) return;
          if (e instanceof Unreachable) {
            setRead({ of: index, waits: true });
            timer = setTimeout(() => void ask(), AGAIN_MS);
          } else setRead({ of: index, error: e instanceof Error ? e.message : String(e) });
        },
      );
    void ask();
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [queue, index]);
  const now = read?.of === index ? read : null;
  const next = () => (index + 1 < queue.length ? setIndex(index + 1) : closeWindow());
  const r = now?.report;
  const k = Number(unit);
  const size = r ? [0, 1, 2].map((i) => (r.bounds[i + 3] - r.bounds[i]) * k) : [0, 0, 0];
  if (up === 'z') [size[1], size[2]] = [size[2], size[1]];
  const show = (m: number) => core().showNumber(m, 'metres');
  const longest = Math.max(...size);
  const take = () => {
    const name = model.name.replace(/\.[^.]+$/, '') || 'Model';
    const clip = r!.clips[0] ?? null;
    const id = newId('piece');
    const shape = {
      kind: 'model' as const,
      asset: r!.asset,
      clip,
      clipStart: Math.round(useSequence.getState().frame),
      clipSpeed: 1,
      loops: true,
      unitM: k,
      zUp: up === 'z',
      text: null,
    };
    const added = usualPiece(id, name, shape, PLAIN, { ...groundAhead() });
    if (!edit(`Bring in ${name}`, { kind: 'add', entity: added })) return;
    select(id);
    say(
      `${name} is in: ${size.map(show).join(' × ')}, ${r!.triangles} triangles, ${clip ? `playing “${clip}”` : 'no animation'}.`,
    );
    next();
  };
  return (
    <Window
      title={queue.length > 1 ? `Bring in a model (${index + 1} of ${queue.length})` : 'Bring in a model'}
      buttons={
        <>
          <Pill wide onClick={next}>
            {now?.error ? 'Close' : 'Leave it out'}
          </Pill>
          <Pill tone="coral" wide disabled={!r} onClick={take}>
            Bring it in
          </Pill>
        </>
      }
    >
      <p>
        <strong>{model.name}</strong>
        {model.files.length > 1 ? ` with ${model.files.length - 1} files beside it` : ''}
      </p>
      {!now ? (
        <p className="says" role="status">
          The server is reading it … You can leave it out at any moment.
        </p>
      ) : null}
      {now?.waits ? (
        <p className="says" role="status">
          The server cannot be reached. This model waits here and is read as soon as it answers.
        </p>
      ) : null}
      {now?.error ? (
        <p className="error" role="alert">
          {now.error}
        </p>
      ) : null}
      {r ? (
        <>
          <div className="facts">
            <span>Size</span>
            <span className="mono" data-testid="import-size">
              {size.map(show).join(' × ')}
            </span>
            <span>Triangles</span>
            <span className="mono">{r.triangles.toLocaleString('en')}</span>
            <span>Nodes</span>
            <span className="mono">{r.fileNodes.length}</span>
            <span>Animations</span>
            <span>{r.clips.length ? r.clips.join(', ') : 'none'}</span>
          </div>
          <SizePicture size={size} />
          {longest > LIKELY_M.most || longest < LIKELY_M.least ? (
            <p className="says warn">
              {`${show(longest)} is unlikely for a piece of a set. Is the file in another unit?`}
            </p>
          ) : null}
          <Choice label="File unit" value={unit} options={FILE_UNITS} onChange={setUnit} />
          <Choice
            label="File’s up"
            value={up}
            options={[
              ['y', '+Y, as glTF says'],
              ['z', '+Z'],
            ]}
            onChange={setUp}
          />
          {r.warnings.map((w) => (
            <p className="says warn" key={w}>
              {w}
            </p>
          ))}
        </>
      ) : null}
    </Window>
  );
}

/** The model's box beside a person of 1.83 m. */
function SizePicture({ size }: { size: number[] }) {
  const tall = Math.max(size[1], 1.83) * 1.15;
  const k = 92 / tall;
  const w = Math.max(2, Math.min(150, size[0] * k));
  const h = Math.max(1, size[1] * k);
  const p = 1.83 * k;
  return (
    <svg
      className="size-picture"
      viewBox="0 0 260 100"
      role="img"
      aria-label="The model beside a person of 1.83 metres"
    >
      <path d="M0 98H260" stroke={palette.line} />
      <rect x={40} y={98 - h} width={w} height={h} rx={3} fill={palette.teal} opacity={0.75} />
      <g transform={`translate(${60 + w} ${98 - p}) scale(${p / 100})`} fill={palette.paper}>
        <circle cx={14} cy={8} r={8} />
        <path d="M3 19h22l3 34h-5l-2 47h-7l-1-40-1 40H5L3 53H-2z" />
      </g>
    </svg>
  );
}
