import { Colour } from '../kit/Colour';
import { Words } from '../kit/Words';
import { useState } from 'react';
import type { Piece } from '../core/types';
import { TextNumber } from '../fields/TextNumber';
import { usualPiece } from '../core/usual';
import { edit } from '../session/document';
import { newId } from '../session/ids';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { postJson } from '../session/http';
import { Window } from '../kit/Window';
import { closeWindow } from '../session/windows';
import type { ModelReport } from '../session/modelReport';
import { Pill } from '../kit/Pill';

/** Words that the server makes into a solid, once, from the typeface that ships. */
export function LetteringDialog({ id }: { id: string | null }) {
  const old = useSequence((s) => (id ? (s.entities[id] as Piece | undefined) : undefined));
  const [text, setText] = useState(old?.shape.kind === 'model' ? (old.shape.text ?? '') : '');
  const [height, setHeight] = useState(0.5);
  const [depth, setDepth] = useState(0.08);
  const [colour, setColour] = useState('#e9dcc3');
  const [error, setError] = useState('');
  const [busy, setBusy] = useState(false);
  const make = async () => {
    setBusy(true);
    try {
      const r = await postJson<ModelReport>(`/api/assets/lettering?sequence=${useSequence.getState().id}`, {
        text,
        heightM: height,
        depthM: depth,
        colour,
      });
      const shape = {
        kind: 'model' as const,
        asset: r.asset,
        clip: null,
        clipStart: 0,
        clipSpeed: 1,
        loops: false,
        unitM: 1,
        zUp: false,
        text,
      };
      const done = old
        ? edit('Reword', { kind: 'reshape', id: old.id, shape, colour: old.colour })
        : edit('Add lettering', {
            kind: 'add',
            entity: usualPiece(id ?? newId('piece'), text.slice(0, 60), shape, colour),
          });
      if (!done) return;
      if (!old)
        select(
          ...Object.values(useSequence.getState().entities)
            .filter((e) => e.kind === 'piece' && e.shape.kind === 'model' && e.shape.asset === r.asset)
            .map((e) => e.id)
            .slice(-1),
        );
      closeWindow();
    } catch (e) {
      setError(e instanceof Error ? e.message : String(e));
    } finally {
      setBusy(false);
    }
  };
  return (
    <Window
      title="Lettering"
      buttons={
        <>
          <Pill wide onClick={closeWindow}>
            Leave it
          </Pill>
          <Pill tone="coral" wide disabled={busy || !text.trim()} onClick={() => void make()}>
            {old ? 'Reword' : 'Put it in the set'}
          </Pill>
        </>
      }
    >
      <Words
        className="search"
        autoFocus
        placeholder="What it says"
        aria-label="What it says"
        maxLength={80}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && text.trim() && void make()}
      />
      <div className="numbers">
        <TextNumber label="Height of a capital" unit="metres" value={height} onChange={setHeight} />
        <TextNumber label="Depth" unit="metres" value={depth} onChange={setDepth} />
      </div>
      <label className="swatch">
        <Colour label="Colour of the letters" value={colour} onChange={(e) => setColour(e.target.value)} />
        Colour
      </label>
      {error ? (
        <p className="error" role="alert">
          {error}
        </p>
      ) : null}
    </Window>
  );
}
