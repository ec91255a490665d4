import { Tick } from '../kit/Tick';
import { useEffect, useState } from 'react';
import type { Vec3 } from '../core/types';
import { core } from '../session/evaluated';
import { TextNumber } from '../fields/TextNumber';
import { endPreview } from '../session/document';
import { previewProposed } from '../session/proposals';
import { useSequence } from '../session/state';
import { Window } from '../kit/Window';
import { closeWindow } from '../session/windows';
import { copiesOf, copy } from '../doing/create';
import { Pill } from '../kit/Pill';

const MOST = 200;

/** How many copies, and how far apart; they are seen in the set while it is chosen. */
export function CopiesDialog({ ids }: { ids: string[] }) {
  'use no memo';
  const names = useSequence((s) => ids.map((id) => `“${s.entities[id]?.name}”`).join(', '));
  const anyPiece = useSequence((s) => ids.some((id) => s.entities[id]?.kind === 'piece'));
  const [count, setCount] = useState(3);
  const [step, setStep] = useState<Vec3>(() => [Math.round(core().copyStep(ids) * 100) / 100, 0, 0]);
  const [instances, setInstances] = useState(false);
  useEffect(() => {
    endPreview();
    previewProposed('Copies', copiesOf(ids, count, step, instances).proposal);
    return endPreview;
  }, [ids, count, step, instances]);
  const axis = (i: 0 | 1 | 2, label: string) => (
    <TextNumber
      label={label}
      unit="metres"
      value={step[i]}
      onChange={(v) => setStep(step.map((x, k) => (k === i ? v : x)) as Vec3)}
    />
  );
  return (
    <Window
      aside
      title={`Copies of ${ids.length === 1 ? names : `${ids.length} things`}`}
      buttons={
        <>
          <Pill wide onClick={closeWindow}>
            Leave it
          </Pill>
          <Pill
            tone="coral"
            wide
            onClick={() => {
              if (copy(`${count} copies of ${names}`.slice(0, 120), ids, count, step, instances))
                closeWindow();
            }}
          >
            {count === 1 ? 'Make 1 copy' : `Make ${count} copies`}
          </Pill>
        </>
      }
    >
      <div className="numbers">
        <TextNumber
          label="How many"
          unit="factor"
          value={count}
          onChange={(v) => setCount(Math.max(1, Math.min(MOST, Math.round(v))))}
        />
        {axis(0, 'Each on to the right')}
        {axis(1, 'Each up')}
        {axis(2, 'Each towards the front')}
      </div>
      {anyPiece ? (
        <Tick checked={instances} onChange={(e) => setInstances(e.target.checked)}>
          Instances: they change when the first one’s shape does
        </Tick>
      ) : null}
      <p className="says">They are shown in the set as they will stand.</p>
    </Window>
  );
}
