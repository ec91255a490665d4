import { openWindow } from '../session/windows';
import { setView } from '../session/view';
import { showLanes } from '../session/laneState';
import { Words } from '../kit/Words';
import { useState } from 'react';
import type { Entity, Framings, Vec3 } from '../core/types';
import { core, useCore } from '../session/evaluated';
import { useSequence } from '../session/state';
import { Editing } from '../kit/Editing';
import { Tip } from '../kit/Tip';
import { PARTS } from '../doing/parts';
import { AllKeysLane } from './AllKeysLane';
import { ChannelLane } from './ChannelLane';
import { curveOf, laneOf, partsOf } from './chosen';
import { CueLane } from './CueLane';
import { CutLane } from './CutLane';
import { FrameStrip } from './FrameStrip';
import { KeyTools } from './KeyTools';
import { MotionMenu } from './MotionMenu';
import { TimeBox } from './TimeBox';
import { Transport } from './Transport';
import { WarningsMenu } from './WarningsMenu';
import { Chip } from '../kit/Chip';
import { Pill } from '../kit/Pill';
import './lanes.css';

/** Height of the ruler, which stays in view, with a little air. */
const RULER = 30;
const [LEAST_OPEN, MOST_OPEN] = [130, 420];

/** Time of the scene: the cut first, then the selected camera's cues, then what moves. */
export function SceneTime() {
  const header = useSequence((s) => s.header);
  const frame = useSequence((s) => s.frame);
  const selected = useSequence((s) => s.entities[s.selected[0]] as Entity | undefined);
  const openLanes = useSequence((s) => s.openLanes);
  const camera = selected?.kind === 'camera' ? selected : undefined;
  const hidden = useSequence((s) => s.hiddenLanes);
  const ghosts = useSequence((s) => s.ghosts);
  const mayEdit = useSequence((s) => s.mayEdit);
  const desk = useSequence((s) => s.desk);
  const keysChosen = useSequence((s) => Object.values(s.chosenKeys).some((f) => f.length > 0));
  const [filter, setFilter] = useState('');
  const [sameScale, setSameScale] = useState(false);
  const [speed, setSpeed] = useState(false);
  const { lanes, hiddenHere } = useCore((c) => {
    const id = selected?.id ?? '';
    const keyed = id ? c.channels(id, frame).filter((x) => x.keyed) : [];
    const all = [...new Set([...keyed.map((x) => laneOf(id, x.address)), ...openLanes])];
    const found = (l: string) => named(l).toLowerCase().includes(filter.toLowerCase());
    return {
      lanes: all.filter((l) => !hidden.includes(l) && found(l)),
      hiddenHere: all.filter((l) => hidden.includes(l)),
    };
  });
  const cued =
    (selected?.kind === 'light' && selected.attention) ||
    (camera &&
      (camera.focus?.subjects.length ||
        camera.rig.some(
          (p) =>
            (p.kind === 'framings' && p.cameras.length > 0) ||
            (p.kind === 'attention' && p.subjects.length > 0),
        )));
  const count = lanes.filter((l) => openLanes.includes(l)).length;
  const shared = useCore(() => (sameScale ? rangesOf(lanes) : null));
  const lookIn = (room: number) => ({
    openPx: Math.max(LEAST_OPEN, Math.min(MOST_OPEN, (room - RULER) / Math.max(1, count))),
    shared,
    speed,
  });
  return (
    <section className="time" aria-label="Time">
      <Transport keysChosen={keysChosen}>
        {keysChosen ? (
          <Editing>
            <KeyTools />
          </Editing>
        ) : (
          <>
            <MotionMenu />
            <Tip text="Lanes of one unit on one scale, to compare them; else each fills its lane">
              <Chip on={sameScale} onClick={() => setSameScale(!sameScale)}>
                Same scale
              </Chip>
            </Tip>
            <Tip text="How fast each number changes, drawn over its lane">
              <Chip on={speed} onClick={() => setSpeed(!speed)}>
                Speed
              </Chip>
            </Tip>
            {hiddenHere.length ? (
              <Chip onClick={() => showLanes(hiddenHere)}>{hiddenHere.length} hidden: show</Chip>
            ) : null}
            <Tip text="The camera’s way in the set, its subject’s in the frame">
              <Chip on={ghosts} onClick={() => setView({ ghosts: !ghosts })}>
                Ghosts
              </Chip>
            </Tip>
            {camera ? (
              <>
                <Tip text="A plain camera beside the rig, or a path from its keys">
                  <Pill disabled={!mayEdit} onClick={() => openWindow({ kind: 'bake', id: camera.id })}>
                    Bake
                  </Pill>
                </Tip>
                <WarningsMenu key={camera.id} camera={camera} />
              </>
            ) : null}
          </>
        )}
      </Transport>
      <TimeBox
        first={header.firstFrame}
        last={header.lastFrame}
        head={
          <Words
            className="short-search"
            type="search"
            placeholder="Find a lane"
            aria-label="Find a lane"
            value={filter}
            onChange={(e) => setFilter(e.target.value)}
            onKeyDown={(e) => e.stopPropagation()}
          />
        }
        lanes={(scale, room) => (
          <>
            <CutLane scale={scale} />
            {selected ? <AllKeysLane key={`all-${selected.id}`} entity={selected} scale={scale} /> : null}
            {camera?.rig.map((p) =>
              p.kind === 'framings' && p.cameras.length > 0 ? (
                <CueLane key={p.id} camera={camera} part={cuesOf(p)} name="Framings" scale={scale} />
              ) : p.kind === 'attention' && p.subjects.length > 0 ? (
                <CueLane key={p.id} camera={camera} part={p} name="Attention" scale={scale} />
              ) : null,
            )}
            {camera?.focus?.subjects.length ? (
              <CueLane camera={camera} part={{ ...camera.focus, id: 'focus' }} name="Focus" scale={scale} />
            ) : null}
            {selected?.kind === 'light' && selected.attention && selected.attention.subjects.length > 0 ? (
              <CueLane camera={selected} part={selected.attention} name="Attention" scale={scale} />
            ) : null}
            {lanes.map((l) => (
              <ChannelLane
                key={l}
                id={l.slice(0, l.indexOf(':'))}
                address={l.slice(l.indexOf(':') + 1)}
                scale={scale}
                look={lookIn(room)}
              />
            ))}
            {lanes.length === 0 && !cued ? (
              <div className="lane-hint">
                {selected
                  ? `Nothing of ${selected.name} moves yet. Put a key with the small kite beside any number.`
                  : 'Select something to see what moves.'}
              </div>
            ) : null}
          </>
        )}
        below={(scale) =>
          camera && desk === 'move' ? <FrameStrip key={camera.id} camera={camera} scale={scale} /> : null
        }
      />
    </section>
  );
}

/** What a lane is called, with its part, for finding it. */
function named(lane: string): string {
  const { id, channel } = partsOf(lane);
  const e = useSequence.getState().entities[id];
  const slash = channel.indexOf('/');
  const part = e?.kind === 'camera' && e.rig.find((p) => p.id === channel.slice(0, slash));
  return `${part ? PARTS[part.kind].name : ''} ${channel.slice(slash + 1)}`;
}

/** Least and most value among lanes of each unit. */
function rangesOf(lanes: string[]): Record<string, [number, number]> {
  const ranges: Record<string, [number, number]> = {};
  const { frame } = useSequence.getState();
  for (const l of lanes) {
    const { id, channel } = partsOf(l);
    const c = curveOf(id, channel);
    if (!c) continue;
    const { unit } = core()
      .channels(id, frame)
      .find((x) => x.address === channel)!;
    const values = c.keys.map((k) => k.value);
    const r = (ranges[unit] ??= [Infinity, -Infinity]);
    r[0] = Math.min(r[0], ...values);
    r[1] = Math.max(r[1], ...values);
  }
  return ranges;
}

/** Framings as a lane of cues has them: its cameras are the subjects. */
const cuesOf = (f: Framings) => ({
  id: f.id,
  subjects: f.cameras.map((entity) => ({ entity, anchor: null, offset: [0, 0, 0] as Vec3 })),
  cues: f.cues,
});
