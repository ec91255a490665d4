import MenuItem from '@mui/material/MenuItem';
import { useState, type ReactNode } from 'react';
import { Menu } from '../kit/Menu';
import type { Camera, ChannelInfo, RigPart } from '../core/types';
import { Fields } from '../fields/NumberField';
import { useCore } from '../session/evaluated';
import { edit } from '../session/document';
import { useSequence } from '../session/state';
import { Looking } from '../kit/Editing';
import * as Icon from '../kit/icons';
import { Tip } from '../kit/Tip';
import { AttentionControls } from '../fields/AttentionControls';
import { BaseControls } from './BaseControls';
import { Choice } from '../kit/Choice';
import { DollyZoomControls } from './DollyZoomControls';
import { FramingsControls } from './FramingsControls';
import { OperatorControls, SpringPlot } from './OperatorControls';
import { copyOf, PARTS } from '../doing/parts';
import { RailControls } from './RailControls';
import { TrimControls } from './TrimControls';
import { IconAction } from '../kit/IconAction';
import './rig.css';

/** One rig part: what it is doing, its few controls, and moving it about the stack. */
export function PartCard({
  camera,
  part,
  channels,
}: {
  camera: Camera;
  part: RigPart;
  channels: ChannelInfo[];
}) {
  const desk = useSequence((s) => s.desk);
  const [open, setOpen] = useState(desk !== 'frame');
  const [over, setOver] = useState(false);
  const mayEdit = useSequence((s) => s.mayEdit);
  const about = PARTS[part.kind];
  const alike = camera.rig.filter((p) => p.kind === part.kind);
  const nth = alike.length > 1 ? ` ${alike.indexOf(part) + 1}` : '';
  const partName = `the ${about.name.toLowerCase()}${nth} of ${camera.name}`;
  const index = camera.rig.findIndex((p) => p.id === part.id);
  const moveTo = (id: string, to: number) =>
    edit('Move a part', { kind: 'movePart', camera: camera.id, part: id, index: to });
  const button = (text: string, icon: ReactNode, work: () => void, disabled = false) => (
    <Tip text={text}>
      <IconAction size="small" aria-label={`${text}: ${about.name}`} onClick={work} disabled={disabled}>
        {icon}
      </IconAction>
    </Tip>
  );
  return (
    <div
      className={`card ${part.on ? '' : 'off'} ${over ? 'over' : ''}`}
      style={{ borderLeftColor: about.accent }}
      data-part={part.kind}
      onDragOver={(e) => {
        if (!e.dataTransfer.types.includes('rig-part')) return;
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        setOver(false);
        const id = e.dataTransfer.getData('rig-part');
        if (id && id !== part.id) moveTo(id, index);
      }}
    >
      <div
        className="card-head"
        draggable={mayEdit}
        onDragStart={(e) => e.dataTransfer.setData('rig-part', part.id)}
      >
        <Tip text={`${about.for}. Drag to another place in the stack.`}>
          <Looking className="card-name" aria-expanded={open} onClick={() => setOpen(!open)}>
            {about.name}
            {part.kind === 'trim' && part.label ? <span className="muted"> · {part.label}</span> : null}
          </Looking>
        </Tip>
        <span className="grow" />
        {button('Raise', <Icon.Up />, () => moveTo(part.id, index + 1), index === camera.rig.length - 1)}
        {button('Lower', <Icon.Down />, () => moveTo(part.id, index - 1), index === 0)}
        {button(part.on ? 'Switch off' : 'Switch on', part.on ? <Icon.Eye /> : <Icon.EyeShut />, () =>
          edit(`Switch ${about.name} ${part.on ? 'off' : 'on'}`, {
            kind: 'switchPart',
            camera: camera.id,
            part: part.id,
            on: !part.on,
          }),
        )}
        <More camera={camera} part={part} index={index} />
      </div>
      {open ? (
        <>
          <Says camera={camera} part={part} />
          <Controls camera={camera} part={part} />
          <Fields id={camera.id} name={partName} channels={channels} />
        </>
      ) : null}
    </div>
  );
}

function Says({ camera, part }: { camera: Camera; part: RigPart }) {
  const frame = useSequence((s) => s.frame);
  const says = useCore((c) => c.partSays(camera.id, part.id, frame));
  return (
    <p className="says" data-testid={`says-${part.kind}`}>
      {says}
    </p>
  );
}

function Controls({ camera, part }: { camera: Camera; part: RigPart }) {
  switch (part.kind) {
    case 'base':
      return <BaseControls camera={camera} part={part} />;
    case 'rail':
      return <RailControls camera={camera} part={part} />;
    case 'attention':
      return <AttentionControls camera={camera} part={part} />;
    case 'framings':
      return <FramingsControls camera={camera} part={part} />;
    case 'trim':
      return <TrimControls camera={camera} part={part} />;
    case 'dollyZoom':
      return <DollyZoomControls camera={camera} part={part} />;
    case 'operator':
      return <OperatorControls camera={camera} part={part} />;
    case 'spring':
      return <SpringPlot camera={camera} part={part} />;
    case 'arm':
      return (
        <Choice
          label="Its head"
          value={part.level ? 'level' : 'tilts'}
          options={[
            ['level', 'stays level'],
            ['tilts', 'tilts with the arm'],
          ]}
          onChange={(v) =>
            edit('Head of the arm', {
              kind: 'setPart',
              camera: camera.id,
              part: { ...part, level: v === 'level' },
            })
          }
        />
      );
    default:
      return null;
  }
}

/** Duplicating, copying to another camera, removing. */
function More({ camera, part, index }: { camera: Camera; part: RigPart; index: number }) {
  const entities = useSequence((s) => s.entities);
  const [at, setAt] = useState<HTMLElement | null>(null);
  const name = PARTS[part.kind].name;
  const others = Object.values(entities).filter(
    (e): e is Camera => e.kind === 'camera' && e.id !== camera.id,
  );
  const choose = (work: () => void) => () => {
    setAt(null);
    work();
  };
  const copyTo = (to: Camera, place: number) =>
    edit(to === camera ? `Duplicate ${name}` : `Copy ${name} to camera ${to.letter}`, {
      kind: 'addPart',
      camera: to.id,
      part: copyOf(part),
      index: place,
    });
  return (
    <>
      <Tip text="Duplicate, copy, remove">
        <IconAction
          size="small"
          aria-label={`More: ${name}`}
          aria-haspopup="menu"
          onClick={(e) => setAt(e.currentTarget)}
        >
          <Icon.More />
        </IconAction>
      </Tip>
      <Menu open={at !== null} anchorEl={at} onClose={() => setAt(null)}>
        <MenuItem onClick={choose(() => copyTo(camera, index + 1))}>Duplicate</MenuItem>
        {others.map((c) => (
          <MenuItem key={c.id} onClick={choose(() => copyTo(c, c.rig.length))}>
            <span className="badge" style={{ background: c.colour, marginRight: 10 }}>
              {c.letter}
            </span>
            Copy to {c.name}
          </MenuItem>
        ))}
        <MenuItem
          onClick={choose(() =>
            edit(`Remove ${name}`, { kind: 'removePart', camera: camera.id, part: part.id }),
          )}
        >
          Remove
        </MenuItem>
      </Menu>
    </>
  );
}
