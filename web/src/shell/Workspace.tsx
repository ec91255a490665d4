import { startTransition, Suspense, useEffect, useState } from 'react';
import { ContactSheet } from '../frame/ContactSheet';
import { HandOverPanel } from '../handover/HandOverPanel';
import { FirstSteps } from '../help/FirstSteps';
import { bring } from '../doing/bring';
import { cutByLetter } from '../doing/cutting';
import { fetchAhead, fetched } from '../kit/fetched';
import { Time } from '../lanes/Time';
import { CameraPanel } from './CameraPanel';
import { Roster } from '../roster/Roster';
import { isOfTheCut } from '../session/programme';
import { useSequence } from '../session/state';
import { tellOthers } from '../session/together';
import { ThingPanel } from '../setting/ThingPanel';
import { press } from '../shortcuts/press';
import { SoundCard } from '../sounds/SoundCard';
import { DailiesView } from '../dailies/DailiesView';
import { Results } from '../dailies/Results';
import { ShotCard } from '../shots/ShotCard';
import { ShotList } from '../shots/ShotList';
import { LensView } from '../frame/LensView';
import { fourAhead, SetView } from '../setting/SetView';
import { Desks } from './Desks';
import { theHelper } from './helper';
import { RUNS } from './runs';
import { Panel } from './Panel';
import { allPrepared } from '../views/preparing';
import { RosterRail, SideRail } from './Rails';
import { Top } from './Top';
import { Windows } from './Windows';

const RecipePanel = fetched(async () => (await import('../recipes/RecipePanel')).RecipePanel);

/** How long after the desks are there, at the soonest, what else may be needed is fetched and made. */
const AHEAD_MS = 2500;

/** The one window: five desks over the same sequence. */
export function Workspace() {
  const [dropping, setDropping] = useState(false);
  // the picture first: what stands about it is made meanwhile, in pieces
  const [whole, setWhole] = useState(false);
  useEffect(() => startTransition(() => setWhole(true)), []);
  useEffect(() => {
    theHelper();
    let left = false;
    const ahead = setTimeout(
      () =>
        void allPrepared().then(async () => {
          if (left) return;
          await fetchAhead();
          await fourAhead();
        }),
      AHEAD_MS,
    );
    const leave = tellOthers();
    const key = (e: KeyboardEvent) => press(e, RUNS, [], cutByLetter);
    // a button pressed with the pointer gives the keyboard back to the desk; one reached by Tab keeps it
    const click = (e: MouseEvent) => {
      const button = (e.target as Element).closest?.('button');
      if (e.detail > 0 && button && !button.closest('[role=dialog], [role=presentation]')) button.blur();
    };
    document.addEventListener('keydown', key);
    document.addEventListener('click', click);
    return () => {
      left = true;
      clearTimeout(ahead);
      leave();
      document.removeEventListener('keydown', key);
      document.removeEventListener('click', click);
    };
  }, []);
  return (
    <div
      className="app"
      data-whole={whole}
      onDragOver={(e) => {
        if (!e.dataTransfer.types.includes('Files')) return; // a row of the roster, say
        e.preventDefault();
        setDropping(true);
      }}
      onDragLeave={(e) => !e.relatedTarget && setDropping(false)}
      onDropCapture={() => setDropping(false)} // a lane may take it
      onDrop={(e) => {
        e.preventDefault();
        void bring([...e.dataTransfer.files]);
      }}
    >
      <Top />
      <Desks
        roster={
          <Panel name="The roster" area="left">
            {whole ? <Roster /> : <aside className="left" aria-busy />}
          </Panel>
        }
        rosterRail={<RosterRail />}
        set={
          <Panel name="The set view" area="view">
            <SetView />
          </Panel>
        }
        lens={
          <Panel name="The lens view" area="view">
            <LensView />
          </Panel>
        }
        sheet={
          <Panel name="The contact sheet" area="views">
            <ContactSheet />
          </Panel>
        }
        shots={
          <Panel name="The shot list" area="views">
            <ShotList />
          </Panel>
        }
        dailies={
          <Panel name="The dailies" area="views">
            <DailiesView />
          </Panel>
        }
        results={
          <Panel name="What was made" area="views">
            <Results />
          </Panel>
        }
        side={<Side whole={whole} />}
        sideRail={<SideRail />}
        time={
          <Panel name="The lanes" area="time">
            {whole ? <Time /> : <section className="time" aria-busy />}
          </Panel>
        }
      />
      {dropping ? (
        <div className="dropping">
          Let go to bring it in: models, images, sounds, camera tracks, sequences as files
        </div>
      ) : null}
      <Panel name="The window" area="broken-window">
        <Windows />
      </Panel>
      <FirstSteps />
    </div>
  );
}

/** What the desk that is open shows on the right, or the recipes. */
function Side({ whole }: { whole: boolean }) {
  const handingOver = useSequence((s) => s.desk === 'handover');
  const recipes = useSequence((s) => s.recipes !== null);
  if (recipes && whole)
    return (
      <aside className="right" aria-label="Recipes">
        <Panel name="The recipes" area="grow">
          <Suspense fallback={<p className="empty">Opening …</p>}>
            <RecipePanel />
          </Suspense>
        </Panel>
      </aside>
    );
  return (
    <aside className="right" aria-label={handingOver ? 'Hand over' : 'Selection'}>
      <Panel name="This panel" area="grow">
        {whole ? handingOver ? <HandOverPanel /> : <Selection /> : null}
      </Panel>
    </aside>
  );
}

function Selection() {
  const e = useSequence((s) => s.entities[s.selected[0]]);
  if (e?.kind === 'shot') return <ShotCard key={e.id} shot={e} />;
  if (e?.kind === 'sound') return <SoundCard key={e.id} sound={e} />;
  if (!e || isOfTheCut(e))
    return <p className="empty">Nothing is selected. Click something in the set, or in the roster.</p>;
  return e.kind === 'camera' ? <CameraPanel key={e.id} camera={e} /> : <ThingPanel key={e.id} entity={e} />;
}
