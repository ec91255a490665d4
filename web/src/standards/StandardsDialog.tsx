import { Leaves } from '../kit/Leaves';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Standards } from '../core/types';
import { core } from '../session/evaluated';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { getJson, postJson } from '../session/http';
import { Editing } from '../kit/Editing';
import { Window } from '../kit/Window';
import { closeWindow } from '../session/windows';
import type { Faults } from '../fields/choices';
import { Cuts } from './CutTab';
import { Kits } from './KitsTab';
import { Names } from './NamesTab';
import { Package } from './PackageTab';
import { SequenceOwn } from './SequenceTab';
import { Pill } from '../kit/Pill';

interface Agreed {
  production: string;
  name: string;
  version: number;
  standards: Standards;
}

interface Effect {
  sequence: string;
  code: string;
  title: string;
  changes: string[];
}

/** What the production has agreed on; a change shows what it will do before it is done. */
export function StandardsDialog() {
  'use no memo';
  const id = useSequence((s) => s.id);
  const leads = useSequence((s) => s.role === 'lead');
  const client = useQueryClient();
  const query = useQuery({
    queryKey: ['standards', id],
    queryFn: () => getJson<Agreed>(`/api/sequences/${id}/standards`),
    staleTime: 0,
  });
  const [draft, setDraft] = useState<Standards | null>(null);
  const [effects, setEffects] = useState<Effect[] | null>(null);
  const [tab, setTab] = useState<'package' | 'kits' | 'names' | 'cut' | 'sequence'>('package');
  const agreed = query.data;
  const now = draft ?? agreed?.standards ?? null;
  const faults: Faults = draft
    ? Object.fromEntries(
        core()
          .standardsFaults(draft)
          .map((f) => [f.field, f.text]),
      )
    : {};
  const wrong = Object.keys(faults).length;
  const change = (by: Partial<Standards>) => {
    setEffects(null);
    setDraft({ ...now!, ...by });
  };
  const send = async (agree: boolean) => {
    const body = { version: agreed!.version, standards: draft };
    try {
      if (agree) {
        await postJson(`/api/productions/${agreed!.production}/standards`, body);
        await client.invalidateQueries({ queryKey: ['standards'] });
        say('The standards are changed, and every sequence that follows them.');
        closeWindow();
      } else
        setEffects(
          await postJson<Effect[]>(`/api/productions/${agreed!.production}/standards/effects`, body),
        );
    } catch (e) {
      say(e instanceof Error ? e.message : String(e), true);
    }
  };
  const total = effects?.reduce((n, e) => n + e.changes.length, 0) ?? 0;
  return (
    <Window
      wide
      title={`Standards${agreed ? ` of ${agreed.name}` : ''}`}
      buttons={
        <>
          <Pill wide onClick={closeWindow}>
            {draft ? 'Leave them as they were' : 'Close'}
          </Pill>
          {draft && !effects ? (
            <Pill tone="coral" wide disabled={!leads || wrong > 0} onClick={() => void send(false)}>
              {wrong === 0
                ? 'See what will change'
                : wrong === 1
                  ? '1 thing to mend first'
                  : `${wrong} things to mend first`}
            </Pill>
          ) : null}
          {effects ? (
            <Pill tone="coral" wide onClick={() => void send(true)}>
              {total ? 'Change all that follow' : 'Agree'}
            </Pill>
          ) : null}
        </>
      }
    >
      {query.isPending ? <p className="says">Fetching …</p> : null}
      {query.isError ? <p className="error">{query.error.message}</p> : null}
      {effects ? (
        <Effects effects={effects} onBack={() => setEffects(null)} />
      ) : now ? (
        <>
          <Leaves
            name="Part of the standards"
            value={tab}
            of={[
              { value: 'package', shows: 'Camera package' },
              { value: 'kits', shows: 'Lens kits' },
              { value: 'names', shows: 'Names' },
              { value: 'cut', shows: 'Cuts' },
              { value: 'sequence', shows: 'This sequence' },
            ]}
            onChoose={setTab}
          />
          {tab === 'kits' ? (
            <Kits kits={now.kits} change={(kits) => change({ kits })} faults={faults} />
          ) : null}
          {tab !== 'sequence' && !leads ? (
            <p className="says">The standards are the production’s: a lead changes them.</p>
          ) : null}
          <Editing leads={tab !== 'sequence'}>
            {tab === 'package' ? <Package now={now} change={change} faults={faults} /> : null}
            {tab === 'names' ? <Names now={now} change={change} faults={faults} /> : null}
            {tab === 'cut' ? <Cuts now={now} change={change} faults={faults} /> : null}
            {tab === 'sequence' ? <SequenceOwn /> : null}
          </Editing>
        </>
      ) : null}
    </Window>
  );
}

function Effects({ effects, onBack }: { effects: Effect[]; onBack: () => void }) {
  return (
    <div data-testid="effects">
      {effects.map((e) => (
        <div key={e.sequence} className="card">
          <div className="card-head">
            <span className="card-name">{`${e.code} · ${e.title}`}</span>
          </div>
          {e.changes.length === 0 ? (
            <p className="says">Nothing changes here.</p>
          ) : (
            <ul className="uses">
              {e.changes.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ul>
          )}
        </div>
      ))}
      <Pill onClick={onBack}>Back to the standards</Pill>
    </div>
  );
}
