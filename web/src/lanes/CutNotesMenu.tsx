import { useState } from 'react';
import type { Note } from '../core/types';
import { Bare } from '../kit/Bare';
import { Chip } from '../kit/Chip';
import { Floating } from '../kit/Floating';
import { LeaveIt } from '../kit/LeaveIt';
import { Tick } from '../kit/Tick';
import { Tip } from '../kit/Tip';
import { Words } from '../kit/Words';
import { edit } from '../session/document';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { goToReel } from '../session/time';
import { useCutNotes } from './cutNotes';
import { LineChoice } from './LineChoice';
import './lanes.css';

const keyOf = (n: Note) => `${n.about} ${n.of} ${n.frame}`;

/** What a careful editor would point out about the reel: each leads to its frame, and can stay with a word. */
export function CutNotesMenu() {
  const { notes, looking } = useCutNotes();
  const mayEdit = useSequence((s) => s.mayEdit);
  const entities = useSequence((s) => s.entities);
  const [at, setAt] = useState<HTMLElement | null>(null);
  const [find, setFind] = useState('');
  const [all, setAll] = useState(false);
  const open = notes.filter((n) => n.accepted === null);
  const shown = (all ? notes : open).filter((n) =>
    `${entities[n.of]?.name} ${n.text}`.toLowerCase().includes(find.toLowerCase()),
  );
  const go = (n: Note) => {
    setAt(null);
    select(n.of);
    goToReel(n.frame);
  };
  const accept = (n: Note, word: string) => {
    edit(word ? 'Leave it as it is' : 'Point it out again', {
      kind: 'acceptNote',
      id: n.of,
      about: n.about,
      word,
    });
  };
  return (
    <>
      <Tip text="What an editor would point out about the reel">
        <Chip warns={open.length > 0} aria-haspopup="dialog" onClick={(e) => setAt(e.currentTarget)}>
          {open.length === 1 ? '1 to look at' : `${open.length} to look at`}
          {looking ? ' …' : ''}
        </Chip>
      </Tip>
      <Floating
        name="To look at"
        className="cut-notes"
        open={at !== null}
        anchorEl={at}
        onClose={() => setAt(null)}
      >
        <Words
          className="short-search"
          type="search"
          placeholder="Find among them"
          aria-label="Find among them"
          value={find}
          onChange={(e) => setFind(e.target.value)}
        />
        {notes.length > open.length ? (
          <Tick checked={all} onChange={(e) => setAll(e.target.checked)}>
            {`Those that stay too: ${notes.length - open.length}`}
          </Tick>
        ) : null}
        <LineChoice />
        {shown.length === 0 ? <p className="empty">Nothing to look at.</p> : null}
        {shown.map((n) => (
          <div className="cut-note" key={keyOf(n)}>
            <Bare className="cut-note-text" onClick={() => go(n)}>
              {entities[n.of]?.kind === 'shot' ? <strong>{entities[n.of].name} </strong> : null}
              {n.text}
              {n.accepted ? <span className="muted">{` Stays: ${n.accepted}`}</span> : null}
            </Bare>
            {mayEdit ? <LeaveIt left={n.accepted !== null} onLeave={(why) => accept(n, why)} /> : null}
          </div>
        ))}
      </Floating>
    </>
  );
}
