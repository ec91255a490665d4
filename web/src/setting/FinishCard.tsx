import { choosePicture } from '../doing/bring';
import type { Command, Finish, Piece } from '../core/types';
import { Slider } from '../fields/Slider';
import { Swatch } from '../fields/Swatch';
import { TextNumber } from '../fields/TextNumber';
import { Pill } from '../kit/Pill';
import { Tick } from '../kit/Tick';
import { edit } from '../session/document';
import { useSequence } from '../session/state';
import './setting.css';

/** What a surface is like when it gets one of its own: satin. */
const FIRST: Finish = { roughness: 0.5, metal: 0, glow: 0, picture: null };

/** As far as the slider goes; more can be typed. */
const MOST_GLOW = 10;

/** Pieces of what is selected that can have a surface. */
const surfaced = (ids: string[], entities: Record<string, unknown>): Piece[] =>
  ids
    .map((id) => entities[id] as Piece | undefined)
    .filter((p): p is Piece => p?.kind === 'piece' && p.shape.kind !== 'group');

/** A surface of the piece's own: how rough, how much metal, what light it gives off, a picture on it. */
export function FinishCard({ piece }: { piece: Piece }) {
  const selected = useSequence((s) => s.selected);
  const entities = useSequence((s) => s.entities);
  if (piece.shape.kind === 'group') return null;
  const pieces = surfaced(selected, entities);
  const put = (finish: Finish | null): Command[] => [
    { kind: 'setFinish', ids: pieces.map((p) => p.id), finish },
  ];
  const finish = piece.finish;
  const paint = (colour: string): Command[] =>
    pieces.map((p) => ({ kind: 'reshape', id: p.id, shape: p.shape, colour }));
  const slide = (name: 'roughness' | 'metal' | 'glow', label: string, most: number, says: string) => (
    <div className="line" title={says}>
      <TextNumber
        label={label}
        unit="factor"
        value={finish![name]}
        onChange={(v) => edit(label, ...put({ ...finish!, [name]: v }))}
      />
      <Slider
        label={`${label}, by sliding`}
        does={label}
        value={Math.min(most, finish![name])}
        least={0}
        most={most}
        step={0.01}
        commands={(v) => put({ ...finish!, [name]: v })}
      />
    </div>
  );
  return (
    <div className="card" data-card="finish">
      <div className="card-head">
        <span className="card-name">Surface</span>
        {finish && piece.shape.kind === 'model' ? (
          <Swatch label="Surface colour" does="Paint" value={piece.colour} commands={paint} />
        ) : null}
      </div>
      <Tick checked={!!finish} onChange={(e) => edit('Surface', ...put(e.target.checked ? FIRST : null))}>
        {piece.shape.kind === 'model' ? 'One of its own, in place of the file’s' : 'One of its own'}
      </Tick>
      {finish ? (
        <>
          {slide('roughness', 'Roughness', 1, '0 is a mirror, 1 is matt')}
          {slide('metal', 'Metal', 1, 'A metal mirrors in its own colour and is dark otherwise')}
          {slide('glow', 'Glow', MOST_GLOW, 'Light that it gives off, as so many times its colour')}
          <Picture
            finish={finish}
            onChosen={(picture) => void edit('Picture', ...put({ ...finish, picture }))}
          />
          <p className="says">
            What it mirrors only renders show; what its glow lights, those with light that bounces.
          </p>
        </>
      ) : null}
    </div>
  );
}

function Picture({ finish, onChosen }: { finish: Finish; onChosen: (picture: string | null) => void }) {
  return (
    <div className="line">
      <span className="line-label">Picture</span>
      {finish.picture ? (
        <img className="finish-thumb" src={`api/assets/${finish.picture}`} alt="The picture on it" />
      ) : null}
      <Pill onClick={() => choosePicture(onChosen)}>{finish.picture ? 'Another …' : 'Choose …'}</Pill>
      {finish.picture ? <Pill onClick={() => onChosen(null)}>None</Pill> : null}
    </div>
  );
}
