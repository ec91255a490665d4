import { pick } from '../session/selection';
import { useState } from 'react';
import type { Camera, Command, Focus } from '../core/types';
import { edit } from '../session/document';
import { mayKey } from '../session/laneState';
import { editProposed } from '../session/proposals';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { PULL_FRAMES } from '../doing/cueing';
import { core, useCore, useShowNumber } from '../session/evaluated';
import { TextNumber } from '../fields/TextNumber';
import { Tip } from '../kit/Tip';
import { rulerOf, sighting, useAboutSubject } from '../doing/about';
import { IconAction } from '../kit/IconAction';
import { Pill } from '../kit/Pill';

/** How far the subject is: along the axis, which is what focus counts, and straight beside it. */
function Distances({ camera }: { camera: string }) {
  const id = useAboutSubject();
  const name = useSequence((s) => s.entities[id]?.name);
  const show = useShowNumber();
  const s = useCore(() => (id ? sighting(camera, id) : null));
  if (!s || s.alongM <= 0) return null;
  const [along, straight] = [show(s.alongM, 'metres'), show(s.straightM, 'metres')];
  return <p className="says mono">{`${name}: ${along} along the axis, ${straight} straight`}</p>;
}

/** What is sharp: a distance, a clicked point, subjects, or a pull from one to the next. */
export function FocusCard({ camera }: { camera: Camera }) {
  const frame = useSequence((s) => s.frame);
  const entities = useSequence((s) => s.entities);
  const [pull, setPull] = useState(PULL_FRAMES);
  const r = useCore(() => rulerOf(camera.id));
  const focus = camera.focus;
  const name = (id: string) => entities[id]?.name ?? 'a removed thing';
  const at = Math.round(frame);
  const setFocus = (label: string, next: Focus | null, ...more: Command[]) =>
    edit(label, { kind: 'setFocus', camera: camera.id, focus: next }, ...more);
  const distance = (m: number): Command => ({
    kind: 'setValue',
    id: camera.id,
    channel: 'focusDistance',
    frame,
    value: m,
    key: mayKey(),
  });
  const onPoint = () =>
    pick('Click what shall be sharp, in either view', (hit) => {
      const s = core().pointSighting(camera.id, ...hit.point);
      if (s.alongM <= 0) {
        say('That point is behind the camera. Click something in front of it.', true);
        return true;
      }
      const letGo: Command[] = focus ? [{ kind: 'setFocus', camera: camera.id, focus: null }] : [];
      edit('Focus on a point', ...letGo, distance(s.alongM));
    });
  const follow = () =>
    pick('Click the subject that focus shall follow', (hit) => {
      editProposed(`Focus follows ${name(hit.id)}`, () => core().followFocus(camera.id, hit.id, at));
    });
  const rack = () =>
    pick('Rack focus: click the first subject', (first) => {
      pick(`Rack focus from ${name(first.id)}: click the second`, (second) => {
        const does = () => core().rackFocus(camera.id, first.id, second.id, at, pull);
        if (editProposed(`Rack focus from ${name(first.id)} to ${name(second.id)}`, does))
          say(`Focus is pulled from ${name(first.id)} to ${name(second.id)} over ${pull} frames from here.`);
      });
      return true;
    });
  const both = useCore(() => {
    const [first, second] = (focus?.subjects ?? []).slice(0, 2).map((s) => sighting(camera.id, s.entity));
    return first && second && first.alongM > 0 && second.alongM > 0 ? [first.alongM, second.alongM] : null;
  });
  const held = useCore((c) => (both ? c.holdBoth(camera.id, both[0], both[1]) : null));
  const show = useShowNumber();
  return (
    <div className="card" style={{ borderLeftColor: 'var(--lilac)' }} data-card="focus">
      <div className="card-head">
        <span className="card-name">Focus</span>
        <span className="mono muted">{show(r.focusM, 'metres')}</span>
      </div>
      <Distances camera={camera.id} />
      <p className="says">
        {focus?.subjects.length
          ? `Follows ${focus.subjects.map((s) => name(s.entity)).join(', ')}.`
          : 'Stands at its distance, along the axis.'}
      </p>
      <div className="buttons">
        <Tip text="Click a point in the lens view or the set: focus goes to its distance">
          <Pill onClick={onPoint}>On a point …</Pill>
        </Tip>
        <Tip text="Focus stays on a subject wherever it and the camera go">
          <Pill onClick={follow}>Follow …</Pill>
        </Tip>
        <Tip text="Everything from half this distance to the horizon is sharp">
          <Pill onClick={() => setFocus('Focus at the hyperfocal distance', null, distance(r.hyperfocalM))}>
            Hyperfocal
          </Pill>
        </Tip>
      </div>
      <div className="line">
        <Tip text="Three clicks: this button, the first subject, the second. The pull begins on this frame.">
          <Pill tone="coral" onClick={rack}>
            Rack focus …
          </Pill>
        </Tip>
        <TextNumber
          label="Over, frames"
          unit="frames"
          value={pull}
          onChange={(v) => setPull(Math.max(1, Math.min(10000, Math.round(v))))}
        />
      </div>
      {focus?.subjects.map((s) => (
        <div className="line" key={s.entity}>
          <span className="grow">{name(s.entity)}</span>
          <Pill
            aria-label={`Pull focus to ${name(s.entity)} from this frame`}
            onClick={() =>
              editProposed(`Pull focus to ${name(s.entity)}`, () =>
                core().pullFocus(camera.id, s.entity, at, pull),
              )
            }
          >
            Pull to
          </Pill>
          <IconAction
            size="small"
            aria-label={`Focus lets go of ${name(s.entity)}`}
            onClick={() =>
              editProposed(`Let go of ${name(s.entity)}`, () =>
                core().letMemberGo(camera.id, 'focus', s.entity),
              )
            }
          >
            ×
          </IconAction>
        </div>
      ))}
      {focus ? (
        <Pill onClick={() => setFocus('Focus by hand', null, distance(r.focusM))}>
          Let go: by hand from here
        </Pill>
      ) : null}
      {held ? (
        <p className={`says ${held.can ? '' : 'warn'}`} data-testid="hold-both">
          {held.says}{' '}
          {held.can && !held.does ? (
            <Pill
              onClick={() =>
                edit('Hold both', {
                  kind: 'setLimits',
                  camera: camera.id,
                  frame,
                  nearM: Math.min(...both!),
                  farM: Math.max(...both!),
                  key: mayKey(),
                })
              }
            >
              Stop down
            </Pill>
          ) : null}
        </p>
      ) : null}
    </div>
  );
}
