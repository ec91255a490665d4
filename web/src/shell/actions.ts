import { theCore } from '../core/load';
import { GUIDE_NAMES, toggleGuide } from '../frame/CompositionCard';
import { PARTS } from '../rig/parts';
import { chooseModel, choosePlate, chooseSequence, chooseTrack } from '../importing/bring';
import { chosen, copyKeys, hasCopied, pasteKeys, removeChosen } from '../lanes/chosen';
import { cutHere } from '../lanes/CutLane';
import { cueHere, turnTo } from '../rig/cueing';
import { makeReadyRig, readyRigNames } from '../rig/ReadyRigs';
import {
  addCamera,
  addGroup,
  addLayer,
  addMark,
  addMarkAhead,
  addMarkOnSurface,
  addPathShape,
  addStandIn,
  cameraFromView,
  drawPath,
  duplicateSelected,
  groupSelected,
  measure,
  measureFromCamera,
  PATH_SHAPES,
  removeSelected,
  STAND_INS,
} from '../roster/create';
import { addAir, addLight, LIGHTS } from '../roster/createLight';
import { MORE } from '../roster/selectionActions';
import { play } from '../sequence/playing';
import { type Desk, desksFor, edit, goTo, redo, say, select, undo, useSequence } from '../sequence/store';
import { linkTo } from '../sequence/place';
import { at, call } from './http';
import { finishPath } from '../views/SetView';

export interface Action {
  name: string;
  shortcut?: string;
  run: () => void;
}

const get = useSequence.getState;

/** Everything that this account can do from the command box, at this moment. */
export function actions(): Action[] {
  return [...looks(), ...(get().mayEdit ? edits() : [])];
}

/** What changes nothing of the sequence. */
function looks(): Action[] {
  const s = get();
  const entities = Object.values(s.entities);
  const cameras = camerasByLetter(s);
  return [
    { name: s.playing ? 'Stop playing' : 'Play', shortcut: 'Space', run: () => play(!get().playing) },
    ...desksFor(s.role).map((d, i) => ({
      name: `${d.name} desk`,
      shortcut: `Alt+${i + 1}`,
      run: () => useSequence.setState({ desk: d.id }),
    })),
    ...(s.role === 'guest' ? [] : ofTheProduction()),
    { name: 'Copy a link to this desk, camera and frame', run: () => void copyPlace() },
    {
      name: s.contactSheet ? 'Close the contact sheet' : 'Contact sheet',
      run: () => useSequence.setState({ contactSheet: !get().contactSheet }),
    },
    {
      name: s.fourViews ? 'One set view' : 'Four set views',
      run: () => useSequence.setState({ fourViews: !get().fourViews }),
    },
    {
      name: s.sharpTint ? 'Stop tinting what is sharp' : 'Tint what is sharp',
      run: () => useSequence.setState({ sharpTint: !get().sharpTint }),
    },
    {
      name: s.followCut ? 'Stop following the cut' : 'Follow the cut in the lens view',
      run: () => useSequence.setState({ followCut: !get().followCut }),
    },
    ...selectionActions(s, true),
    ...numberActions(s),
    ...cameras.map((c) => ({ name: `Look through camera ${c.letter}: ${c.name}`, run: () => select(c.id) })),
    ...entities
      .filter((e) => e.kind !== 'cutEntry' && e.kind !== 'camera')
      .map((e) => ({ name: `Select ${e.name}`, run: () => select(e.id) })),
    { name: 'Choose another sequence', run: () => (location.hash = '') },
    { name: 'Sign out', run: () => void call('POST', '/api/sign-out').then(() => (location.href = at('/'))) },
  ];
}

/** What guests are not shown. */
const ofTheProduction = (): Action[] => [
  {
    name: 'Versions: keep, compare, go back',
    run: () => useSequence.setState({ dialog: { kind: 'versions' } }),
  },
  {
    name: 'Sets of the production: make, place, take a version',
    run: () => useSequence.setState({ dialog: { kind: 'sets' } }),
  },
  {
    name: 'History: what happened, by whom, as it was then',
    run: () => useSequence.setState({ dialog: { kind: 'history', touching: '' } }),
  },
  {
    name: 'Standards: camera package, kits, names, units',
    run: () => useSequence.setState({ dialog: { kind: 'standards' } }),
  },
];

async function copyPlace(): Promise<void> {
  await navigator.clipboard.writeText(linkTo(get()));
  say('The link is copied: whoever may look at this sequence comes to this frame by it.');
}

/** What makes an edit. */
function edits(): Action[] {
  const s = get();
  const cameras = camerasByLetter(s);
  const looked = s.entities[s.camera];
  return [
    { name: 'Undo', shortcut: 'Ctrl+Z', run: undo },
    { name: 'Redo', shortcut: 'Ctrl+Shift+Z or Ctrl+Y', run: redo },
    { name: 'Bring in a model from a file', run: chooseModel },
    { name: 'Bring in a camera track from a file', run: chooseTrack },
    { name: 'Bring in a plate from images', run: choosePlate },
    { name: 'Copy cameras and pieces from a sequence’s file', run: chooseSequence },
    ...(['move', 'turn', 'scale'] as const).map((setTool) => ({
      name: `Handles in the set: ${setTool} what is selected`,
      run: () => useSequence.setState({ setTool }),
    })),
    ...LIGHTS.map((l) => ({ name: `Add ${l.name.toLowerCase()} light`, run: () => addLight(l.form) })),
    { name: 'Add haze and background', run: addAir },
    { name: 'Add a layer', run: addLayer },
    { name: 'Add lettering', run: () => useSequence.setState({ dialog: { kind: 'lettering', id: null } }) },
    { name: 'Add a mark on a surface', run: addMarkOnSurface },
    { name: 'Add a mark where the axis meets the set', run: addMarkAhead },
    { name: 'Add a camera from the set view', run: cameraFromView },
    { name: 'Measure between points', run: measure },
    { name: 'Measure from the camera', run: measureFromCamera },
    ...selectionActions(s, false),
    { name: 'Hold this mix: a cue on this frame', shortcut: 'C', run: () => void cueHere() },
    { name: 'Hold this mix at once, without easing out', shortcut: 'Shift+C', run: () => void cueHere(true) },
    ...(looked?.kind === 'camera'
      ? readyRigNames.map((r) => ({
          name: `${r.name} for camera ${looked.letter}`,
          run: () => makeReadyRig(looked, r.kind),
        }))
      : []),
    ...guideActions(s),
    { name: 'Add a camera', run: addCamera },
    ...STAND_INS.map((x) => ({
      name: `Add ${x.name.toLowerCase()} stand-in`,
      run: () => addStandIn(x.form),
    })),
    { name: 'Add a mark', run: addMark },
    { name: 'Add a group', run: addGroup },
    { name: 'Draw a path in plan', run: drawPath },
    ...PATH_SHAPES.map((p) => ({
      name: `Add a ${p.name.toLowerCase()}`,
      run: () => addPathShape(p.form),
    })),
    { name: 'Remove the selection', shortcut: 'Delete', run: removeSelected },
    ...cameras.map((c) => ({ name: `Cut to camera ${c.letter} on this frame`, run: () => cutHere(c.id) })),
    ...cameras.map((c) => ({
      name: `${c.depthOfField ? 'Switch off' : 'Switch on'} blur of camera ${c.letter}`,
      run: () => void edit('Depth of field', { kind: 'setDepthOfField', camera: c.id, on: !c.depthOfField }),
    })),
  ];
}

const camerasByLetter = (s: ReturnType<typeof get>) =>
  Object.values(s.entities)
    .filter((e) => e.kind === 'camera')
    .sort((a, b) => a.letter.localeCompare(b.letter));

/** Other words people have for a number. */
const ALSO: Record<string, string> = {
  focalLength: 'lens, millimetres, zoom',
  fStop: 'aperture, iris, stop',
  focusDistance: 'focus',
  shutter: 'shutter angle',
  nearClip: 'near clipping',
  farClip: 'far clipping',
};

/** Goes to a field of the selection's panel and puts the keyboard in it. */
function toField(find: () => HTMLElement | null, desk?: Desk): void {
  if (desk) useSequence.setState({ desk });
  requestAnimationFrame(() =>
    requestAnimationFrame(() => {
      const field = find();
      field?.scrollIntoView({ block: 'center' });
      field?.focus();
    }),
  );
}

/** Every number of what is selected, and the film back of a camera, by their names. */
function numberActions(s: ReturnType<typeof get>): Action[] {
  const e = s.entities[s.selected[0]] ?? s.entities[s.camera];
  if (!e || !('channels' in e)) return [];
  const of = e.kind === 'camera' ? `camera ${e.letter}` : e.name;
  const all = JSON.parse(theCore().channels(e.id, s.frame)) as { address: string; label: string }[];
  const numbers = all.map((c) => {
    const part = e.kind === 'camera' ? e.rig.find((p) => p.id === c.address.split('/')[0]) : undefined;
    const also = ALSO[c.address] ? ` (${ALSO[c.address]})` : '';
    return {
      name: `${part ? `${PARTS[part.kind].name}: ` : ''}${c.label} of ${of}${also}`,
      run: () => {
        if (s.selected[0] !== e.id) select(e.id);
        toField(() => document.querySelector(`aside.right [data-channel="${c.address}"]`));
      },
    };
  });
  if (e.kind !== 'camera') return numbers;
  return [
    ...numbers,
    {
      name: `Film back of camera ${e.letter} (sensor, aperture size)`,
      run: () => {
        if (s.selected[0] !== e.id) select(e.id);
        toField(() => document.querySelector('aside.right [aria-label="Film back"]'), 'frame');
      },
    },
  ];
}

function guideActions(s: ReturnType<typeof get>): Action[] {
  const e = s.entities[s.selected[0]] ?? s.entities[s.camera];
  if (e?.kind !== 'camera') return [];
  return GUIDE_NAMES.map((g) => ({
    name: `${e.guides.some((x) => x.form === g.form) ? 'Hide' : 'Show'} guide: ${g.name.toLowerCase()}, camera ${e.letter}`,
    run: () => toggleGuide(e, g.form),
  }));
}

/** What fits the selection's first thing. */
function selectionActions(s: ReturnType<typeof get>, looks: boolean): Action[] {
  const first = s.entities[s.selected[0]];
  return first
    ? MORE.filter((m) => m.fits(first) && !!m.looks === looks).map((m) => ({
        name: `${m.name}: ${first.name}`,
        run: m.run,
      }))
    : [];
}

/** Whether keys go into what has the keyboard: only where text is typed they do. */
function takesText(at: HTMLElement): boolean {
  if (at instanceof HTMLTextAreaElement || at instanceof HTMLSelectElement || at.isContentEditable)
    return true;
  return (
    at instanceof HTMLInputElement && !['checkbox', 'radio', 'range', 'color', 'button'].includes(at.type)
  );
}

/** Runs what a key stands for, unless someone is typing. */
export function runShortcut(e: KeyboardEvent): void {
  const at = e.target as HTMLElement;
  if (takesText(at)) return;
  const s = get();
  const ctrl = e.ctrlKey || e.metaKey;
  const frame = Math.round(s.frame);
  let done = true;
  if (ctrl && e.key.toLowerCase() === 'z') (e.shiftKey ? redo : undo)();
  else if (ctrl && e.key.toLowerCase() === 'y') redo();
  else if (ctrl && e.key.toLowerCase() === 'd') duplicateSelected(false);
  else if (ctrl && e.key.toLowerCase() === 'g') groupSelected();
  else if (ctrl && e.key.toLowerCase() === 'c' && chosen().length) say(`${copyKeys()} keys copied.`);
  else if (ctrl && e.key.toLowerCase() === 'v' && hasCopied()) pasteKeys();
  else if (ctrl) done = false;
  else if (e.altKey && /^[1-5]$/.test(e.key)) {
    const desk = desksFor(get().role)[Number(e.key) - 1];
    if (desk) useSequence.setState({ desk: desk.id });
  } else if (e.key === ' ' && !(at instanceof HTMLButtonElement)) play(!s.playing);
  else if (/^[1-9]$/.test(e.key)) done = turnTo(Number(e.key) - 1);
  else if (e.key.toLowerCase() === 'c') done = cueHere(e.shiftKey);
  else if (e.key === ',') goTo(frame - 1);
  else if (e.key === '.') goTo(frame + 1);
  else if (e.key === 'Home') goTo(s.header.firstFrame);
  else if (e.key === 'End') goTo(s.header.lastFrame);
  else if (e.key === 'Enter' && s.drawing) finishPath();
  else if (e.key === 'Escape' && s.picking) useSequence.setState({ picking: null });
  else if (e.key === 'Escape' && s.drawing) useSequence.setState({ drawing: null });
  else if (e.key === 'Escape' && s.contactSheet) useSequence.setState({ contactSheet: false });
  else if (e.key === 'Escape' && chosen().length) useSequence.setState({ chosenKeys: {} });
  else if (e.key === 'Delete' || e.key === 'Backspace') {
    if (!removeChosen()) removeSelected();
  } else done = false;
  if (done) e.preventDefault();
}
