import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useRef, useState, type ReactNode } from 'react';
import { theCore } from '../core/load';
import type { Camera, Entity, RigPart } from '../core/types';
import { CameraCard } from '../frame/CameraCard';
import { CompositionCard } from '../frame/CompositionCard';
import { FocusCard } from '../frame/FocusCard';
import { LensCard } from '../frame/LensCard';
import { Fields, useChannels, type ChannelInfo } from '../fields/NumberField';
import { edit, newId, useSequence } from '../sequence/store';
import * as Icon from '../shell/icons';
import { Tip } from '../shell/Tip';
import { AttentionControls } from './AttentionControls';
import { Choice } from './Choice';
import { drawPath } from '../roster/create';

/** Part names with what each is for, and the accent each is drawn in. */
const PARTS: Record<RigPart['kind'], { name: string; for: string; accent: string }> = {
  base: { name: 'Base', for: 'Where the stack stands', accent: '#8fa3bf' },
  rail: { name: 'Rail', for: 'Rides a path at even speed', accent: 'var(--marigold)' },
  slide: {
    name: 'Slide',
    for: 'Truck, pedestal, dolly: one straight move, one curve',
    accent: 'var(--marigold)',
  },
  head: { name: 'Head', for: 'Pan, tilt and roll', accent: 'var(--coral)' },
  attention: {
    name: 'Attention',
    for: 'Looks at subjects and hands over between them',
    accent: 'var(--teal)',
  },
};

function fresh(kind: RigPart['kind']): RigPart {
  const id = newId(kind);
  switch (kind) {
    case 'base':
      return { kind, id, on: true, rides: null, takes: 'position', channels: {} };
    case 'rail':
      return { kind, id, on: true, path: null, facing: 'keep', level: true, channels: {} };
    case 'attention':
      return {
        kind,
        id,
        on: true,
        up: 'world',
        upPiece: null,
        blend: 'directions',
        subjects: [],
        cues: [],
        channels: {},
      };
    default:
      return { kind, id, on: true, channels: {} };
  }
}

/** A camera's equipment from the lens at the top down to the ground. */
export function RigStack({ camera }: { camera: Camera }) {
  const channels = useChannels(camera.id);
  const desk = useSequence((s) => s.desk);
  const lens = channels.filter((c) => !c.address.includes('/'));
  const of = (p: RigPart) => channels.filter((c) => c.address.startsWith(`${p.id}/`));
  return (
    <>
      <div className="panel-head">
        <span className="badge" style={{ background: camera.colour }}>
          {camera.letter}
        </span>
        <span className="name grow">{camera.name}</span>
        <AddPart camera={camera} />
      </div>
      <div className="scroll">
        <LensCard camera={camera} channels={lens} />
        {desk === 'frame' ? (
          <>
            <FocusCard camera={camera} />
            <CompositionCard camera={camera} />
            <CameraCard camera={camera} />
          </>
        ) : null}
        {[...camera.rig].reverse().map((p) => (
          <PartCard key={p.id} camera={camera} part={p} channels={of(p)} />
        ))}
        <div className="ground" aria-hidden />
      </div>
    </>
  );
}

function PartCard({ camera, part, channels }: { camera: Camera; part: RigPart; channels: ChannelInfo[] }) {
  const desk = useSequence((s) => s.desk);
  const [open, setOpen] = useState(desk !== 'frame');
  const about = PARTS[part.kind];
  const index = camera.rig.findIndex((p) => p.id === part.id);
  const button = (text: string, icon: ReactNode, work: () => void, disabled = false) => (
    <Tip text={text}>
      <button className="icon small" aria-label={`${text}: ${about.name}`} onClick={work} disabled={disabled}>
        {icon}
      </button>
    </Tip>
  );
  return (
    <div
      className={`card ${part.on ? '' : 'off'}`}
      style={{ borderLeftColor: about.accent }}
      data-part={part.kind}
    >
      <div className="card-head">
        <Tip text={about.for}>
          <button className="card-name" aria-expanded={open} onClick={() => setOpen(!open)}>
            {about.name}
          </button>
        </Tip>
        <span className="grow" />
        {button(
          'Raise',
          <Icon.Up />,
          () =>
            edit(`Raise ${about.name}`, {
              kind: 'movePart',
              camera: camera.id,
              part: part.id,
              index: index + 1,
            }),
          index === camera.rig.length - 1,
        )}
        {button(
          'Lower',
          <Icon.Down />,
          () =>
            edit(`Lower ${about.name}`, {
              kind: 'movePart',
              camera: camera.id,
              part: part.id,
              index: index - 1,
            }),
          index === 0,
        )}
        {button(part.on ? 'Switch off' : 'Switch on', part.on ? <Icon.Eye /> : <Icon.EyeShut />, () =>
          edit(`Switch ${about.name} ${part.on ? 'off' : 'on'}`, {
            kind: 'switchPart',
            camera: camera.id,
            part: part.id,
            on: !part.on,
          }),
        )}
        {button('Remove', <Icon.Bin />, () =>
          edit(`Remove ${about.name}`, { kind: 'removePart', camera: camera.id, part: part.id }),
        )}
      </div>
      {open ? (
        <>
          <PartControls camera={camera} part={part} />
          <Fields id={camera.id} name={camera.name} channels={channels} />
        </>
      ) : null}
    </div>
  );
}

function PartControls({ camera, part }: { camera: Camera; part: RigPart }) {
  const entities = useSequence((s) => s.entities);
  const frame = useSequence((s) => s.frame);
  const list = (holds: (e: Entity) => boolean): [string, string][] =>
    Object.values(entities)
      .filter((e) => holds(e) && e.id !== camera.id)
      .map((e) => [e.id, e.name]);
  const set = (label: string, next: RigPart) =>
    edit(label, { kind: 'setPart', camera: camera.id, part: next });
  if (part.kind === 'base') {
    const ride = (rides: string | null, takes: typeof part.takes) =>
      edit('Ride', { kind: 'ride', camera: camera.id, part: part.id, rides, takes, frame });
    return (
      <>
        <Choice
          label="Rides"
          value={part.rides ?? ''}
          options={[
            ['', 'nothing: stands in the world'],
            ...list((e) => e.kind === 'piece' || e.kind === 'mark' || e.kind === 'camera'),
          ]}
          onChange={(v) => ride(v || null, part.takes)}
        />
        {part.rides ? (
          <Choice
            label="Takes"
            value={part.takes}
            options={[
              ['position', 'its position'],
              ['heading', 'position and heading'],
              ['all', 'all of its motion'],
            ]}
            onChange={(v) => ride(part.rides, v as typeof part.takes)}
          />
        ) : null}
      </>
    );
  }
  if (part.kind === 'rail') {
    const report = part.path
      ? (JSON.parse(theCore().pathReport(part.path)) as { lengthM: number; tightestRadiusM: number | null })
      : null;
    return (
      <>
        <Choice
          label="Path"
          value={part.path ?? ''}
          options={[['', 'none yet'], ...list((e) => e.kind === 'path')]}
          onChange={(v) => set('Choose a path', { ...part, path: v || null })}
        />
        {report ? (
          <p className="says">
            {theCore().showNumber(report.lengthM, 'metres')} long
            {report.tightestRadiusM !== null
              ? `, tightest radius ${theCore().showNumber(report.tightestRadiusM, 'metres')}`
              : ', straight'}
          </p>
        ) : (
          <p className="says">
            Choose a path, or{' '}
            <button className="pill" onClick={drawPath}>
              draw one in plan
            </button>
          </p>
        )}
        <Choice
          label="Faces"
          value={part.facing}
          options={[
            ['keep', 'as the part below'],
            ['travel', 'along the travel'],
          ]}
          onChange={(v) => set('Facing', { ...part, facing: v as typeof part.facing })}
        />
        <Choice
          label="Horizon"
          value={part.level ? 'level' : 'path'}
          options={[
            ['level', 'level to the world'],
            ['path', 'leans with the path'],
          ]}
          onChange={(v) => set('Horizon', { ...part, level: v === 'level' })}
        />
      </>
    );
  }
  if (part.kind === 'attention') return <AttentionControls camera={camera} part={part} />;
  return null;
}

function AddPart({ camera }: { camera: Camera }) {
  const button = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  return (
    <>
      <Tip text="Put a part on the stack">
        <button ref={button} className="pill" aria-haspopup="menu" onClick={() => setOpen(true)}>
          + Part
        </button>
      </Tip>
      <Menu open={open} anchorEl={() => button.current} onClose={() => setOpen(false)}>
        {(Object.keys(PARTS) as RigPart['kind'][]).map((k) => (
          <MenuItem
            key={k}
            onClick={() => {
              setOpen(false);
              // a rail goes straight onto the base, everything else on top
              const base = camera.rig.findIndex((p) => p.kind === 'base');
              edit(`Add ${PARTS[k].name}`, {
                kind: 'addPart',
                camera: camera.id,
                part: fresh(k),
                index: k === 'base' ? 0 : k === 'rail' ? base + 1 : camera.rig.length,
              });
            }}
          >
            <div>
              <strong>{PARTS[k].name}</strong>
              <div className="muted" style={{ fontSize: 12 }}>
                {PARTS[k].for}
              </div>
            </div>
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
