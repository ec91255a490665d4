import { isOfTheCut } from '../session/programme';
import { openWindow } from '../session/windows';
import { READY } from '../recipes/ready/index';
import { layOver, openRecipes, setView } from '../session/view';
import { camerasOf } from '../session/cameras';
import type { Camera, RigPart } from '../core/types';
import { core } from '../session/evaluated';
import { askRender, PREVIEW } from '../doing/renders';
import { GUIDE_NAMES, toggleGuide } from '../frame/CompositionCard';
import { PULL_FRAMES, USUAL_TRAVEL } from '../doing/cueing';
import { askPreview, USUAL } from '../filming/ask';
import { addPart, PARTS } from '../doing/parts';
import { chooseCut, chooseSequence, chooseSounds } from '../doing/bring';
import { newTrack } from '../doing/sounds';
import { cutTo } from '../doing/cutting';
import { makeReadyRig, readyRigNames } from '../rig/ReadyRigs';
import { ADDED } from '../doing/adding';
import { MORE } from '../doing/withSelection';
import { beginAgain } from '../help/firstSteps';
import { SHORTCUTS, type ShortcutId } from '../shortcuts/list';
import { subjectsNow } from '../session/crew';
import { type Desk, desksFor } from '../session/desks';
import { edit } from '../session/document';
import { editProposed } from '../session/proposals';
import { say } from '../session/said';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { linkTo } from '../session/place';
import { at, call } from '../session/http';
import { REGIONS, toRegion } from './regions';
import { RUNS } from './runs';

export interface Action {
  name: string;
  /** The key that does the same, where there is one. */
  keys?: ShortcutId;
  run: () => void;
}

const get = useSequence.getState;

/** Everything that this account can do from the command box, at this moment. */
export function actions(): Action[] {
  return [...withShortcut(), ...looks(), ...(get().mayEdit ? edits() : [])];
}

/** What has a key, or could be given one. */
const withShortcut = (): Action[] =>
  SHORTCUTS.filter(
    (x) => !x.unlisted && (!x.edits || get().mayEdit) && (!x.reviews || get().mayReview) && isThere(x.id),
  ).map((x) => ({
    name: x.name,
    keys: x.id,
    run: () => void RUNS[x.id](),
  }));

/** A guest has a desk less. */
const isThere = (id: ShortcutId) => id !== 'desk5' || desksFor(get().role).length > 4;

/** What changes nothing of the sequence. */
function looks(): Action[] {
  const s = get();
  const entities = Object.values(s.entities);
  const cameras = camerasByLetter(s);
  return [
    ...(s.role === 'guest' ? [] : ofTheProduction()),
    {
      name: 'Go to a frame: type it',
      run: () => toField(() => document.querySelector('.transport [aria-label="Frame"]')),
    },
    ...REGIONS.map((r) => ({ name: `Keyboard to ${r.name}`, run: () => afterClosing(() => toRegion(r.at)) })),
    ...(s.role === 'guest' ? [] : [...PREVIEWS, ...RENDERS]),
    { name: 'Copy a link to this desk, camera and frame', run: () => void copyPlace() },
    { name: s.over === 'dailies' ? 'Close the dailies' : 'Dailies', run: () => layOver('dailies') },
    { name: s.over === 'shots' ? 'Close the shot list' : 'Shot list', run: () => layOver('shots') },
    {
      name: s.fourViews ? 'One set view' : 'Four set views',
      run: () => setView({ fourViews: !get().fourViews }),
    },
    {
      name: s.sharpTint ? 'Stop tinting what is sharp' : 'Tint what is sharp',
      run: () => setView({ sharpTint: !get().sharpTint }),
    },
    {
      name: s.followCut ? 'Stop following the cut' : 'Follow the cut in the lens view',
      run: () => setView({ followCut: !get().followCut }),
    },
    ...selectionActions(s, true),
    ...numberActions(s),
    ...cameras.map((c) => ({ name: `Look through camera ${c.letter}: ${c.name}`, run: () => select(c.id) })),
    ...entities
      .filter((e) => !isOfTheCut(e) && e.kind !== 'camera')
      .map((e) => ({ name: `Select ${e.name}`, run: () => select(e.id) })),
    { name: 'Guide: how things are done', run: () => openWindow({ kind: 'guide' }) },
    { name: 'What is new', run: () => openWindow({ kind: 'news' }) },
    { name: 'First steps: show the hints again', run: beginAgain },
    { name: 'Choose another sequence', run: () => (location.hash = '') },
    { name: 'Sign out', run: () => void call('POST', '/api/sign-out').then(() => (location.href = at('/'))) },
  ];
}

/** Films of the lens view, each with what is said once it was asked for. */
const PREVIEWS: Action[] = (
  [
    ['frame', 'Preview of this frame'],
    ['shot', 'Preview film of this shot'],
    ['cut', 'Preview film of the cut'],
  ] as const
).map(([what, name]) => ({
  name,
  run: () =>
    void askPreview(what, USUAL).then(
      (taken) => taken && say('It is being drawn: it comes on the Hand over desk.'),
    ),
}));

/** Renders on the server, each with what is said once it was asked for. */
const RENDERS: Action[] = (
  [
    ['frame', 'this frame'],
    ['shot', 'this shot'],
    ['cut', 'the cut'],
  ] as const
).map(([what, words]) => ({
  name: `Render ${words}`,
  run: () =>
    void askRender(what, PREVIEW).then(
      (taken) => taken && say(`Rendering ${words}: it comes on the Hand over desk.`),
    ),
}));

/** What guests are not shown. */
const ofTheProduction = (): Action[] => [
  {
    name: 'Versions: keep, compare, go back',
    run: () => openWindow({ kind: 'versions' }),
  },
  {
    name: 'Sets of the production: make, place, take a version',
    run: () => openWindow({ kind: 'sets' }),
  },
  {
    name: 'History: what happened, by whom, as it was then',
    run: () => openWindow({ kind: 'history', touching: '' }),
  },
  {
    name: 'Standards: camera package, kits, names, units',
    run: () => openWindow({ kind: 'standards' }),
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
    { name: 'Copy cameras and pieces from a sequence’s file', run: chooseSequence },
    { name: 'Read a cut that comes back, from a file', run: chooseCut },
    { name: 'Sounds over the programme: bring them in', run: chooseSounds },
    { name: 'A track for sounds', run: () => void newTrack() },
    ...(['move', 'turn', 'scale'] as const).map((setTool) => ({
      name: `Handles in the set: ${setTool} what is selected`,
      run: () => setView({ setTool }),
    })),
    ...selectionActions(s, false),
    ...(looked?.kind === 'camera'
      ? readyRigNames.map((r) => ({
          name: `${r.name} for camera ${looked.letter}`,
          run: () => makeReadyRig(looked, r.kind),
        }))
      : []),
    ...(looked?.kind === 'camera' ? cameraActions(looked, s) : []),
    ...guideActions(s),
    ...ADDED.map((a) => ({ name: a.command, run: a.run })),
    ...READY.map((r) => ({ name: `Recipe: ${r.name}`, run: () => openRecipes(r.id) })),
    ...cameras.map((c) => ({ name: `Cut to camera ${c.letter} on this frame`, run: () => cutTo(c.id) })),
    ...cameras.map((c) => ({
      name: `${c.depthOfField ? 'Switch off' : 'Switch on'} blur of camera ${c.letter}`,
      run: () => void edit('Depth of field', { kind: 'setDepthOfField', camera: c.id, on: !c.depthOfField }),
    })),
    ...cameras.map((c) => ({
      name: `${c.motionBlur ? 'Switch off' : 'Switch on'} motion blur of camera ${c.letter}`,
      run: () => void edit('Motion blur', { kind: 'setMotionBlur', camera: c.id, on: !c.motionBlur }),
    })),
  ];
}

const camerasByLetter = (s: ReturnType<typeof get>) => camerasOf(s.entities);

/** Other words people have for a number. */
const ALSO: Record<string, string> = {
  focalLength: 'lens, millimetres, zoom',
  fStop: 'aperture, iris, stop',
  focusDistance: 'focus',
  shutter: 'shutter angle',
  nearClip: 'near clipping',
  farClip: 'far clipping',
};

/** Does something once the command box has gone, and has given the keyboard back. */
function afterClosing(work: () => void): void {
  requestAnimationFrame(() => requestAnimationFrame(work));
}

/** Goes to a field of the selection's panel and puts the keyboard in it. */
function toField(find: () => HTMLElement | null, desk?: Desk): void {
  if (desk) setView({ desk });
  afterClosing(() => {
    const field = find();
    field?.scrollIntoView({ block: 'center' });
    field?.focus();
  });
}

/** Every number of what is selected, and the film back of a camera, by their names. */
function numberActions(s: ReturnType<typeof get>): Action[] {
  const e = s.entities[s.selected[0]] ?? s.entities[s.camera];
  if (!e || !('channels' in e)) return [];
  const of = e.kind === 'camera' ? `camera ${e.letter}` : e.name;
  const all = core().channels(e.id, s.frame);
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

/** Parts for a camera's stack, and what it looks at and is focused on. */
function cameraActions(c: Camera, s: ReturnType<typeof get>): Action[] {
  const frame = Math.round(s.frame);
  const subjects = [...subjectsNow()].map((id) => s.entities[id]).filter((e) => e && e.id !== c.id);
  const look = c.rig.findLast((p) => p.kind === 'attention' && p.on);
  const attended = look?.kind === 'attention' ? look.subjects.map((x) => x.entity) : [];
  return [
    ...(Object.keys(PARTS) as RigPart['kind'][]).map((k) => ({
      name: `Add ${PARTS[k].name.toLowerCase()} to camera ${c.letter}: ${PARTS[k].for.toLowerCase()}`,
      run: () => {
        select(c.id);
        addPart(c, k);
      },
    })),
    ...(look
      ? subjects.map((e) =>
          attended.includes(e.id)
            ? {
                name: `Turn camera ${c.letter} to ${e.name} from this frame`,
                run: () =>
                  void editProposed(`Turn to ${e.name}`, () =>
                    core().turnCuesTo(c.id, look.id, e.id, frame, USUAL_TRAVEL),
                  ),
              }
            : {
                name: `Camera ${c.letter} attends to ${e.name}`,
                run: () =>
                  void editProposed(`Attend to ${e.name}`, () => core().takeMember(c.id, look.id, e.id)),
              },
        )
      : []),
    ...subjects.map((e) => ({
      name: `Focus of camera ${c.letter} follows ${e.name}`,
      run: () => void editProposed(`Focus follows ${e.name}`, () => core().followFocus(c.id, e.id, frame)),
    })),
    ...subjects.map((e) => ({
      name: `Pull focus of camera ${c.letter} to ${e.name} from this frame`,
      run: () =>
        void editProposed(`Pull focus to ${e.name}`, () => core().pullFocus(c.id, e.id, frame, PULL_FRAMES)),
    })),
  ];
}

function guideActions(s: ReturnType<typeof get>): Action[] {
  const e = s.entities[s.selected[0]] ?? s.entities[s.camera];
  if (e?.kind !== 'camera') return [];
  return GUIDE_NAMES.map((g) => ({
    name: `${e.guides.some((x) => x.form === g.form) ? 'Hide' : 'Show'} guide: ${g.name.toLowerCase()}, camera ${e.letter}`,
    run: () => toggleGuide(e.id, g.form),
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
