import ListSubheader from '@mui/material/ListSubheader';
import MenuItem from '@mui/material/MenuItem';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { MenuButton } from '../kit/MenuButton';
import { Pill } from '../kit/Pill';
import { Tick } from '../kit/Tick';
import { Tip } from '../kit/Tip';
import { Words } from '../kit/Words';
import { call } from '../session/http';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { newDraft, openDraft, useDraft, write } from './draft';
import { keptPath, type Shown, useKept, type Whole } from './kept';
import { openKept } from './openKept';
import { dropTry } from './running';
import { READY } from './ready';

const said = (e: unknown) => say(e instanceof Error ? e.message : String(e), true);

/** Recipes that are there to be opened, and keeping the one that is written. */
export function Kept() {
  const id = useSequence((s) => s.id);
  const draft = useDraft();
  const mayEdit = useSequence((s) => s.mayEdit);
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const path = keptPath(id);
  const kept = useKept();
  const open = (one: Shown, version?: number) => openKept(one.id, version).catch(said);
  const store = async (asNew: boolean) => {
    setBusy(true);
    try {
      const { name, text, notes, shared, version } = useDraft.getState();
      const given = { name, script: text, notes, shared, after: version };
      const at = draft.id && !asNew ? `${path}/${draft.id}` : path;
      const r = await call(
        draft.id && !asNew ? 'PUT' : 'POST',
        at,
        JSON.stringify(given),
        'application/json',
      );
      const w = (await r.json()) as Whole;
      useDraft.setState({ id: w.id, version: w.version, changed: false });
      await client.invalidateQueries({ queryKey: ['recipes', id] });
      say(`“${w.name}” is kept as v${w.version}.`);
    } catch (e) {
      said(e);
    } finally {
      setBusy(false);
    }
  };
  const remove = async () => {
    try {
      await call('DELETE', `${path}/${draft.id}`);
      useDraft.setState({ id: null, version: 0, changed: true });
      await client.invalidateQueries({ queryKey: ['recipes', id] });
      say('It is taken off the shelf. Its text is still here.');
    } catch (e) {
      said(e);
    }
  };
  const groups: { title: string; of: [string, () => void][] }[] = [
    { title: 'New', of: [['A new recipe', newDraft]] },
    {
      title: 'Kept here',
      of: (kept.data ?? []).map((k) => [
        `${k.name}  ·  v${k.version}${k.shared ? `  ·  ${k.owner}, for all` : ''}`,
        () => void open(k),
      ]),
    },
    {
      title: 'Ready-made',
      of: READY.map((r) => [
        r.name,
        () => {
          dropTry();
          openDraft({ name: r.name, text: r.text });
        },
      ]),
    },
  ];
  return (
    <>
      <MenuButton name="Open" tip="Ready-made recipes, yours and the production’s" disabled={false}>
        {(close) =>
          groups
            .filter((g) => g.of.length)
            .flatMap(({ title, of }) => [
              <ListSubheader key={title}>{title}</ListSubheader>,
              ...of.map(([name, run]) => (
                <MenuItem
                  key={title + name}
                  onClick={() => {
                    close();
                    run();
                  }}
                >
                  {name}
                </MenuItem>
              )),
            ])
        }
      </MenuButton>
      <MenuButton
        name={draft.changed || !draft.id ? 'Keep …' : `v${draft.version}`}
        tip="Notes, who sees it, earlier versions"
        disabled={!mayEdit}
        listClass="recipe-keeping"
      >
        {(close) => (
          <div
            role="group"
            aria-label="Keeping the recipe"
            onKeyDown={(e) => e.key !== 'Escape' && e.stopPropagation()}
          >
            <label className="line">
              <span className="line-label">Notes</span>
              <Words
                aria-label="Notes"
                value={draft.notes}
                onChange={(e) => write({ notes: e.target.value })}
              />
            </label>
            <Tick checked={draft.shared} onChange={(e) => write({ shared: e.target.checked })}>
              For everybody in the production
            </Tick>
            <div className="recipe-buttons">
              <Pill tone="teal" disabled={busy} onClick={() => void store(false).then(close)}>
                {draft.id ? `Keep as v${draft.version + 1}` : 'Keep'}
              </Pill>
              {draft.id ? (
                <>
                  <Pill disabled={busy} onClick={() => void store(true).then(close)}>
                    Keep as a new one
                  </Pill>
                  {draft.version > 1 ? (
                    <Tip text="Opens the version before this one">
                      <Pill
                        onClick={() => {
                          const one = kept.data?.find((k) => k.id === draft.id);
                          if (one) void open(one, draft.version - 1);
                          close();
                        }}
                      >
                        {`v${draft.version - 1}`}
                      </Pill>
                    </Tip>
                  ) : null}
                  <Pill onClick={() => void remove().then(close)}>Take it away</Pill>
                </>
              ) : null}
            </div>
          </div>
        )}
      </MenuButton>
    </>
  );
}
