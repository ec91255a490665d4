import { Segments } from '../kit/Segments';
import { useEffect, useRef, useState } from 'react';
import { HandOverPanel } from '../handover/HandOverPanel';
import { bring, chooseModel } from '../importing/bring';
import { Time } from '../lanes/Time';
import { ContactSheet } from '../frame/ContactSheet';
import { CopyInWindow } from '../importing/CopyInWindow';
import { LetteringDialog } from '../importing/LetteringDialog';
import { ModelDialog } from '../importing/ModelDialog';
import { TrackDialog } from '../importing/TrackDialog';
import { CopiesDialog } from '../roster/CopiesDialog';
import { RemoveDialog } from '../roster/RemoveDialog';
import { followMain, tellOthers } from '../sequence/together';
import { ThingPanel } from '../setting/ThingPanel';
import { HistoryWindow } from '../history/HistoryWindow';
import { SetsWindow } from '../sets/SetsWindow';
import { StandardsDialog } from '../standards/StandardsDialog';
import { VersionsDialog } from '../versions/VersionsDialog';
import { BakeDialog } from '../rig/BakeDialog';
import { SaveRigDialog } from '../rig/SavedRigs';
import { RigStack } from '../rig/RigStack';
import { Roster } from '../roster/Roster';
import { desksFor, redo, undo, useSequence, type Desk } from '../sequence/store';
import { LensView } from '../views/LensView';
import { SetView } from '../views/SetView';
import { actions, runShortcut } from './actions';
import { CommandBox } from './CommandBox';
import * as Icon from './icons';
import { theHelper } from './helper';
import { Panel } from './Panel';
import { Others } from './Others';
import { Tip } from './Tip';
import { IconAction } from '../kit/IconAction';

/** Share of the width the set view has on each desk, and the height of the lanes. */
const SHAPES: Record<Desk, { share: number; time: number }> = {
  set: { share: 0.62, time: 170 },
  frame: { share: 0.43, time: 170 },
  move: { share: 0.43, time: 300 },
  cut: { share: 0.43, time: 210 },
  handover: { share: 0.43, time: 150 },
};

/** The lanes take no more of the window's height than this by themselves. */
const MOST_TIME = 0.375;

/** The one window: five desks over the same sequence. */
export function Workspace() {
  const desk = useSequence((s) => s.desk);
  const [share, setShare] = useState(SHAPES[desk].share);
  const sheet = useSequence((s) => s.contactSheet);
  const [dropping, setDropping] = useState(false);
  const [box, setBox] = useState(false);
  const [times, setTimes] = useState<Partial<Record<Desk, number>>>({});
  const time = times[desk] ?? Math.min(SHAPES[desk].time, window.innerHeight * MOST_TIME);
  const setTime = (px: number) =>
    setTimes({ ...times, [desk]: Math.max(90, Math.min(window.innerHeight - 330, px)) });
  const views = useRef<HTMLDivElement>(null);
  useEffect(() => setShare(SHAPES[desk].share), [desk]);
  useEffect(() => {
    theHelper();
    const leave = tellOthers();
    const key = (e: KeyboardEvent) => {
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'k') {
        e.preventDefault();
        setBox((b) => !b);
      } else runShortcut(e);
    };
    // a button pressed with the pointer gives the keyboard back to the desk; one reached by Tab keeps it
    const click = (e: MouseEvent) => {
      const button = (e.target as Element).closest?.('button');
      if (e.detail > 0 && button && !button.closest('[role=dialog], [role=presentation]')) button.blur();
    };
    document.addEventListener('keydown', key);
    document.addEventListener('click', click);
    return () => {
      leave();
      document.removeEventListener('keydown', key);
      document.removeEventListener('click', click);
    };
  }, []);
  return (
    <div
      className="app"
      style={{ '--time': `${time}px` } as React.CSSProperties}
      onDragOver={(e) => {
        if (!e.dataTransfer.types.includes('Files')) return; // a row of the roster, say
        e.preventDefault();
        setDropping(true);
      }}
      onDragLeave={(e) => !e.relatedTarget && setDropping(false)}
      onDrop={(e) => {
        e.preventDefault();
        setDropping(false);
        void bring([...e.dataTransfer.files]);
      }}
    >
      <Top onCommands={() => setBox(true)} />
      <Panel name="The roster" area="left">
        <Roster />
      </Panel>
      {sheet ? (
        <Panel name="The contact sheet" area="views">
          <ContactSheet />
        </Panel>
      ) : null}
      <div
        className="views"
        hidden={sheet}
        ref={views}
        style={{ gridTemplateColumns: `${share}fr 6px ${1 - share}fr` }}
      >
        <Panel name="The set view" area="view">
          <SetView />
        </Panel>
        <div
          className="divider"
          role="separator"
          tabIndex={0}
          aria-label="Divider between the views"
          aria-valuenow={Math.round(share * 100)}
          onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
          onPointerMove={(e) => {
            if (!e.buttons) return;
            const r = views.current!.getBoundingClientRect();
            setShare(Math.max(0.12, Math.min(0.88, (e.clientX - r.left) / r.width)));
          }}
          onKeyDown={(e) => {
            const by = e.key === 'ArrowLeft' ? -0.04 : e.key === 'ArrowRight' ? 0.04 : 0;
            if (by) setShare((s) => Math.max(0.12, Math.min(0.88, s + by)));
          }}
        />
        <Panel name="The lens view" area="view">
          <LensView />
        </Panel>
      </div>
      <aside className="right" aria-label={desk === 'handover' ? 'Hand over' : 'Selection'}>
        <Panel name="This panel" area="grow">
          {desk === 'handover' ? <HandOverPanel /> : <Selection />}
        </Panel>
      </aside>
      <div
        className="divider across"
        role="separator"
        aria-orientation="horizontal"
        tabIndex={0}
        aria-label="Height of the lanes"
        aria-valuenow={Math.round(time)}
        onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
        onPointerMove={(e) => e.buttons && setTime(window.innerHeight - 9 - e.clientY)}
        onKeyDown={(e) => {
          const by = e.key === 'ArrowUp' ? 20 : e.key === 'ArrowDown' ? -20 : 0;
          if (by) setTime(time + by);
        }}
      />
      <Panel name="The lanes" area="time">
        <Time />
      </Panel>
      {dropping ? (
        <div className="dropping">
          Let go to bring it in: models, images, camera tracks, sequences as files
        </div>
      ) : null}
      <Dialogs />
      {box ? <CommandBox actions={actions()} onClose={() => setBox(false)} /> : null}
    </div>
  );
}

function Dialogs() {
  const d = useSequence((s) => s.dialog);
  if (!d) return null;
  switch (d.kind) {
    case 'standards':
      return <StandardsDialog />;
    case 'model':
      return <ModelDialog files={d.files} />;
    case 'track':
      return <TrackDialog file={d.file} />;
    case 'copies':
      return <CopiesDialog ids={d.ids} />;
    case 'remove':
      return <RemoveDialog ids={d.ids} />;
    case 'lettering':
      return <LetteringDialog id={d.id} />;
    case 'versions':
      return <VersionsDialog />;
    case 'copyIn':
      return <CopyInWindow file={d.file} />;
    case 'sets':
      return <SetsWindow />;
    case 'history':
      return <HistoryWindow touching={d.touching} />;
    case 'saveRig':
      return <SaveRigDialog id={d.id} />;
    case 'bake':
      return <BakeDialog id={d.id} />;
  }
}

/** A lens view in a window of its own: what the main window shows, on its frame. */
export function LensWindow() {
  useEffect(() => {
    theHelper();
    const leave = followMain();
    // nothing is removed from here: what is selected is not to be seen in this window
    const key = (e: KeyboardEvent) => {
      if (e.key !== 'Delete' && e.key !== 'Backspace') runShortcut(e);
    };
    document.addEventListener('keydown', key);
    return () => {
      leave();
      document.removeEventListener('keydown', key);
    };
  }, []);
  return (
    <div className="lens-window">
      <Panel name="The lens view" area="view">
        <LensView alone />
      </Panel>
    </div>
  );
}

function Selection() {
  const e = useSequence((s) => s.entities[s.selected[0]]);
  if (!e || e.kind === 'cutEntry')
    return <p className="empty">Nothing is selected. Click something in the set, or in the roster.</p>;
  return e.kind === 'camera' ? <RigStack key={e.id} camera={e} /> : <ThingPanel key={e.id} entity={e} />;
}

function Top({ onCommands }: { onCommands: () => void }) {
  const s = useSequence();
  const saving =
    s.pending.length === 0
      ? 'All saved'
      : s.saving === 'waiting'
        ? `Server away · ${s.pending.length} kept here`
        : 'Saving …';
  return (
    <header className="top">
      <Tip text="Other sequences">
        <a className="title" href="#" aria-label={`${s.header.code} ${s.header.title}: other sequences`}>
          <img src="kite.svg" alt="" />
          {s.header.code}
          <span className="muted" style={{ fontWeight: 500 }}>
            {s.header.title}
          </span>
        </a>
      </Tip>
      <nav className="desks" aria-label="Desks">
        <Segments
          name="Desk"
          large
          value={s.desk}
          of={desksFor(s.role).map((d) => ({ value: d.id, shows: d.name, tip: d.hint }))}
          onChoose={(desk) => useSequence.setState({ desk })}
        />
      </nav>
      {s.moment !== null ? (
        <a className="tag moment" href={`#${s.id}`} data-testid="moment">
          {`As it was at edit ${s.moment} · Back to now`}
        </a>
      ) : s.mayEdit ? null : (
        <Tip text="You may look, play and compare here. An artist makes the changes.">
          <span className="tag" data-testid="looking">
            Looking only
          </span>
        </Tip>
      )}
      <Others />
      <span
        className={`saving ${s.pending.length && s.saving === 'waiting' ? 'waiting' : ''}`}
        role="status"
        data-testid="saving"
      >
        {saving}
      </span>
      <Tip text={s.undo.length ? `Undo: ${s.undo.at(-1)!.label} (Ctrl+Z)` : 'Nothing to undo'}>
        <IconAction aria-label="Undo" disabled={!s.undo.length} onClick={undo}>
          <Icon.Undo />
        </IconAction>
      </Tip>
      <Tip text={s.redo.length ? `Redo: ${s.redo.at(-1)!.label} (Ctrl+Shift+Z)` : 'Nothing to redo'}>
        <IconAction aria-label="Redo" disabled={!s.redo.length} onClick={redo}>
          <Icon.Redo />
        </IconAction>
      </Tip>
      <Tip text="Every camera's view of this frame, live">
        <IconAction
          lit={s.contactSheet}
          aria-label="Contact sheet"
          aria-pressed={s.contactSheet}
          onClick={() => useSequence.setState({ contactSheet: !s.contactSheet })}
        >
          <Icon.Sheet />
        </IconAction>
      </Tip>
      {s.role === 'guest' ? null : <Shared compared={s.compared !== null} />}
      <Tip text="Bring in a model (or drop the file anywhere)">
        <IconAction aria-label="Bring in a model" disabled={!s.mayEdit} onClick={chooseModel}>
          <Icon.Bring />
        </IconAction>
      </Tip>
      <Tip text="Find any action (Ctrl+K)">
        <IconAction aria-label="Find any action" onClick={onCommands}>
          <Icon.Search />
        </IconAction>
      </Tip>
    </header>
  );
}

/** What belongs to the production, and is not for guests: versions and standards. */
function Shared({ compared }: { compared: boolean }) {
  return (
    <>
      <Tip text="Versions: keep this one, compare, go back">
        <IconAction
          lit={compared}
          aria-label="Versions"
          onClick={() => useSequence.setState({ dialog: { kind: 'versions' } })}
        >
          <Icon.Versions />
        </IconAction>
      </Tip>
      <Tip text="History: what happened, by whom, and how it was then">
        <IconAction
          aria-label="History"
          onClick={() => useSequence.setState({ dialog: { kind: 'history', touching: '' } })}
        >
          <Icon.History />
        </IconAction>
      </Tip>
      <Tip text="Standards: camera package, lens kits, names, units">
        <IconAction
          aria-label="Standards"
          onClick={() => useSequence.setState({ dialog: { kind: 'standards' } })}
        >
          <Icon.Standards />
        </IconAction>
      </Tip>
    </>
  );
}
