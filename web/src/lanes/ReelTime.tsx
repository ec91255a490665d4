import { useState } from 'react';
import { Words } from '../kit/Words';
import { useProgramme } from '../session/programme';
import { select } from '../session/selection';
import { goToReel } from '../session/time';
import { ReelLane } from './ReelLane';
import { SoundLanes } from './SoundLanes';
import { ReelTools } from './ReelTools';
import { TimeBox } from './TimeBox';
import { Transport } from './Transport';
import './lanes.css';

/** Time of the programme: the reel as it plays. */
export function ReelTime() {
  const shots = useProgramme();
  return (
    <section className="time" aria-label="Time">
      <Transport keysChosen={false}>
        <ReelTools />
      </Transport>
      <TimeBox
        first={shots[0].first}
        last={shots.at(-1)!.last}
        head={<FindShot />}
        lanes={(scale) => (
          <>
            <ReelLane scale={scale} />
            <SoundLanes scale={scale} />
          </>
        )}
      />
    </section>
  );
}

/** Goes to the first shot whose code holds what is typed. */
function FindShot() {
  const shots = useProgramme();
  const [text, setText] = useState('');
  return (
    <Words
      className="short-search"
      type="search"
      placeholder="Find a shot"
      aria-label="Find a shot"
      value={text}
      onChange={(e) => {
        setText(e.target.value);
        const found = shots.find((p) => p.shot.toLowerCase().includes(e.target.value.toLowerCase()));
        if (!e.target.value || !found) return;
        select(found.id);
        goToReel(found.first);
      }}
      onKeyDown={(e) => e.stopPropagation()}
    />
  );
}
