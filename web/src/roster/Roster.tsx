import { isOfTheCut } from '../session/programme';
import { setView } from '../session/view';
import { RichTreeView } from '@mui/x-tree-view/RichTreeView';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Entity } from '../core/types';
import { Editing } from '../kit/Editing';
import { IconAction } from '../kit/IconAction';
import * as Icon from '../kit/icons';
import { Pill } from '../kit/Pill';
import { Tip } from '../kit/Tip';
import { Words } from '../kit/Words';
import { fold } from '../session/arrangement';
import { useCoreStill } from '../session/evaluated';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { useWithKeys } from '../shortcuts/words';
import { AddMenu } from './AddMenu';
import { above, type Branch, branches, forks, inOrder, isGroup, isMore, within } from './branches';
import { dropped, scrollAtEdge } from './dropping';
import { NamingNote } from './NamingNote';
import { InSight, Sight } from './near';
import { More, Order } from './order';
import { RosterItem } from './RosterItem';
import './roster.css';

const SLOTS = { item: RosterItem };
const NO_PADDING = { p: 0 };

/** So many rows stand below a heading at first; as many come each time the last of them is in sight. */
const ROOM = 200;

/** What is here, in crew order. */
export function Roster() {
  const withKeys = useWithKeys();
  const entities = useSequence((s) => s.entities);
  const isolated = useSequence((s) => s.isolated);
  const selected = useSequence((s) => s.selected);
  const desk = useSequence((s) => s.desk);
  const [find, setFind] = useState('');
  const [folded, setFolded] = useState<string[]>([]);
  const [sight, setSight] = useState<InSight | null>(null);
  const [room, setRoom] = useState(ROOM);
  const tree = useRef<HTMLDivElement>(null);
  const subjectIds = useCoreStill((c) => c.subjects());
  const subjects = useMemo(() => new Set(subjectIds), [subjectIds]);
  const wanted = find.trim().toLowerCase();
  const matches = (e: Entity) => !isOfTheCut(e) && e.name.toLowerCase().includes(wanted);
  // layers stay in sight while something is looked for: it may be to be laid on one
  const all = Object.values(entities).filter((e) => e.kind === 'layer' || matches(e));
  const shown = useSame(branches(all, subjects));
  const open = useMemo(
    () => forks(shown).filter((id) => wanted || !folded.includes(id)),
    [shown, folded, wanted],
  );
  useEffect(() => {
    const s = new InSight(tree.current!);
    setSight(s);
    return () => s.end();
  }, []);

  const first = selected[0] ?? '';
  const rows = useMemo(() => within(shown, room, first), [shown, room, first]);
  const more = useMemo(() => () => setRoom((n) => n + ROOM), []);
  const chosen = useMemo(() => {
    const present = new Set(inOrder(rows));
    return selected.filter((id) => present.has(id));
  }, [rows, selected]);

  // what was chosen elsewhere comes into sight
  useEffect(() => {
    if (!first) return;
    const over = above(shown, first);
    setFolded((f) => (f.some((id) => over.includes(id)) ? f.filter((id) => !over.includes(id)) : f));
    requestAnimationFrame(() => tree.current?.querySelector('.row.on')?.scrollIntoView({ block: 'nearest' }));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- only when it is chosen, not when the list changes
  }, [first]);

  const order = useMemo(() => () => inOrder(shown), [shown]);
  return (
    <aside className="left" aria-label="Roster">
      <div className="panel-head">
        <span className="grow">Roster</span>
        <AddMenu />
        <Tip text={withKeys('Fold the roster', 'roster')}>
          <IconAction aria-label="Fold the roster" onClick={() => fold(desk, 'roster')}>
            <Icon.Fold />
          </IconAction>
        </Tip>
      </div>
      <Words
        className="search"
        placeholder="Find by name"
        value={find}
        onChange={(e) => setFind(e.target.value)}
        aria-label="Find by name"
      />
      {isolated ? (
        <Pill className="isolated" onClick={() => setView({ isolated: null })}>
          Show everything again
        </Pill>
      ) : null}
      <div
        className="scroll"
        ref={tree}
        onDragOver={(e) => {
          scrollAtEdge(e);
          e.preventDefault();
        }}
        onDrop={(e) => dropped(e, null)}
      >
        <Sight value={sight}>
          <Order value={order}>
            <More value={more}>
              <Tree rows={rows} chosen={chosen} open={open} onFold={setFolded} shown={shown} />
            </More>
          </Order>
        </Sight>
        {!all.some(matches) ? (
          <p className="empty">
            {find ? 'Nothing has that name.' : 'Nothing here yet. Add a stand-in or bring in a model.'}
          </p>
        ) : null}
      </div>
      <Editing>
        <NamingNote />
      </Editing>
    </aside>
  );
}

/** The rows; drawn anew where one of them is another, and not while a thing moves. */
function Tree({
  rows,
  chosen,
  open,
  shown,
  onFold,
}: {
  rows: Branch[];
  chosen: string[];
  open: string[];
  /** All there is, also what has no row yet. */
  shown: Branch[];
  onFold: (folded: string[]) => void;
}) {
  return (
    <RichTreeView
      aria-label="All that is in the sequence"
      items={rows}
      slots={SLOTS}
      multiSelect
      isItemSelectionDisabled={(b: Branch) => isGroup(b.id) || isMore(b.id)}
      selectedItems={chosen}
      onSelectedItemsChange={(_, ids) => {
        const now = ids.filter((id) => !isGroup(id) && !isMore(id));
        const { selected } = useSequence.getState();
        // the first that was chosen stays the first: others are aligned with it
        select(...selected.filter((id) => now.includes(id)), ...now.filter((id) => !selected.includes(id)));
      }}
      expandedItems={open}
      onExpandedItemsChange={(_, ids) => onFold(forks(shown).filter((id) => !ids.includes(id)))}
      itemChildrenIndentation={12}
      sx={NO_PADDING}
    />
  );
}

/** The same tree for as long as nothing of what it shows has changed: a thing that moves is no news to it. */
function useSame(now: Branch[]): Branch[] {
  const text = JSON.stringify(now);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- it is what it says
  return useMemo(() => now, [text]);
}
