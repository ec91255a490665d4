import type { LensTool } from '../session/state';

/** Where in the Keys window a shortcut stands. */
export const GROUPS = [
  'Everywhere',
  'Time',
  'On the reel',
  'Cameras',
  'Attention and framings',
  'In the set',
  'In the lens view',
] as const;

export interface Shortcut {
  id: ShortcutId;
  group: (typeof GROUPS)[number];
  /** What it does, for the command box, menus and the Keys window. */
  name: string;
  /** As it is usually: `$mod` is Ctrl, or ⌘ where that is its place. Several keys may do the same. */
  keys: string[];
  /** The control that must have the keyboard. */
  within?: 'lens';
  /** Whether it makes an edit: it is not for those who only look. */
  edits?: boolean;
  /** Whether it makes an edit that who reviews may make, too. */
  reviews?: boolean;
  /** Whether its keys stay as they are: they mean the same in most programs, or belong together. */
  fixed?: boolean;
  /** Left out of the command box: it only means something at the place it is pressed. */
  unlisted?: boolean;
}

export type ShortcutId =
  | 'commands'
  | 'keys'
  | 'undo'
  | 'redo'
  | 'leave'
  | 'sheet'
  | 'shots'
  | 'recipes'
  | `desk${1 | 2 | 3 | 4 | 5}`
  | 'roster'
  | 'side'
  | 'nextPart'
  | 'earlierPart'
  | 'play'
  | 'preRoll'
  | 'back'
  | 'on'
  | 'first'
  | 'last'
  | 'backwards'
  | 'still'
  | 'forwards'
  | 'nextCut'
  | 'earlierCut'
  | 'loopShot'
  | 'rangeIn'
  | 'rangeOut'
  | 'rangeOff'
  | 'split'
  | 'join'
  | 'lift'
  | 'insertShot'
  | 'overwriteShot'
  | 'beginHere'
  | 'endHere'
  | 'longer'
  | 'shorter'
  | 'rollBack'
  | 'rollOn'
  | 'slipBack'
  | 'slipOn'
  | 'slideBack'
  | 'slideOn'
  | 'orderEarlier'
  | 'orderLater'
  | 'nextTake'
  | 'compareTakes'
  | 'letters'
  | 'fullScreen'
  | 'marker'
  | 'nextMarker'
  | 'earlierMarker'
  | 'copy'
  | 'paste'
  | 'nextCamera'
  | 'earlierCamera'
  | 'earlierView'
  | 'laterView'
  | 'turnTo'
  | 'hold'
  | 'holdAtOnce'
  | 'duplicate'
  | 'group'
  | 'alone'
  | 'remove'
  | 'finishPath'
  | 'frameAll'
  | 'frameSelection'
  | `lens-${LensTool}`
  | 'level';

function standing(group: Shortcut['group'], of: Omit<Shortcut, 'group'>[]): Shortcut[] {
  return of.map((s) => ({ ...s, group }));
}

/** Every key of the page, each with what it does. */
export const SHORTCUTS: Shortcut[] = [
  ...standing('Everywhere', [
    { id: 'commands', name: 'Find any action', keys: ['$mod+k'], unlisted: true },
    { id: 'keys', name: 'Keys: see them, change them', keys: ['Shift+?'] },
    { id: 'undo', name: 'Undo', keys: ['$mod+z'], edits: true },
    { id: 'redo', name: 'Redo', keys: ['$mod+Shift+z', '$mod+y'], edits: true },
    { id: 'leave', name: 'Let it be: leave what is begun', keys: ['Escape'], fixed: true, unlisted: true },
    { id: 'desk1', name: 'Set desk', keys: ['Alt+1'] },
    { id: 'desk2', name: 'Frame desk', keys: ['Alt+2'] },
    { id: 'desk3', name: 'Move desk', keys: ['Alt+3'] },
    { id: 'desk4', name: 'Cut desk', keys: ['Alt+4'] },
    { id: 'desk5', name: 'Hand over desk', keys: ['Alt+5'] },
    { id: 'roster', name: 'Fold or unfold the roster', keys: ['Alt+r'] },
    { id: 'side', name: 'Fold or unfold the panel on the right', keys: ['Alt+p'] },
    { id: 'nextPart', name: 'Keyboard to the next part of the window', keys: ['F6'] },
    { id: 'earlierPart', name: 'Keyboard to the part before', keys: ['Shift+F6'] },
  ]),
  ...standing('Time', [
    { id: 'play', name: 'Play or stop', keys: ['Space'] },
    { id: 'preRoll', name: 'Play from two seconds before here (pre-roll), or stop', keys: ['Shift+Space'] },
    { id: 'back', name: 'One frame back', keys: [','] },
    { id: 'on', name: 'One frame on', keys: ['.'] },
    { id: 'first', name: 'First frame', keys: ['Home'] },
    { id: 'last', name: 'Last frame', keys: ['End'] },
    { id: 'backwards', name: 'Run backwards; again for faster', keys: ['j'] },
    { id: 'still', name: 'Stop', keys: ['k'] },
    { id: 'forwards', name: 'Run forwards; again for faster', keys: ['l'] },
    { id: 'nextCut', name: 'To the next cut', keys: ['PageDown'] },
    { id: 'earlierCut', name: 'To the cut before', keys: ['PageUp'] },
    { id: 'rangeIn', name: 'What is played over and over begins here', keys: ['i'] },
    { id: 'rangeOut', name: 'What is played over and over ends here', keys: ['o'] },
    { id: 'rangeOff', name: 'Play all again', keys: ['Shift+i'] },
    { id: 'copy', name: 'Copy the chosen keys', keys: ['$mod+c'], fixed: true, unlisted: true },
    {
      id: 'paste',
      name: 'Paste keys, the first on this frame',
      keys: ['$mod+v'],
      edits: true,
      fixed: true,
      unlisted: true,
    },
  ]),
  ...standing('On the reel', [
    { id: 'letters', name: 'Letters cut to their cameras, or no more', keys: ['Shift+x'], edits: true },
    { id: 'split', name: 'Split the shot on the playhead', keys: ['x'], edits: true },
    { id: 'join', name: 'Join a shot and the next', keys: ['Shift+j'], edits: true },
    { id: 'lift', name: 'Lift a shot: a gap in its place', keys: ['Shift+Delete'], edits: true },
    { id: 'insertShot', name: 'Insert a shot of this camera', keys: ['Insert'], edits: true },
    {
      id: 'overwriteShot',
      name: 'Lay a shot of this camera over what is here',
      keys: ['Shift+Insert'],
      edits: true,
    },
    { id: 'beginHere', name: 'The shot begins here', keys: ['['], edits: true },
    { id: 'endHere', name: 'The shot ends here', keys: [']'], edits: true },
    { id: 'longer', name: 'A frame longer', keys: ['Shift+ArrowRight'], edits: true },
    { id: 'shorter', name: 'A frame shorter', keys: ['Shift+ArrowLeft'], edits: true },
    { id: 'rollBack', name: 'Roll its first cut a frame earlier', keys: ['Alt+['], edits: true },
    { id: 'rollOn', name: 'Roll its first cut a frame later', keys: ['Alt+]'], edits: true },
    { id: 'slipBack', name: 'Slip: action a frame earlier', keys: ['Alt+ArrowLeft'], edits: true },
    { id: 'slipOn', name: 'Slip: action a frame later', keys: ['Alt+ArrowRight'], edits: true },
    {
      id: 'slideBack',
      name: 'Slide between its neighbours, earlier',
      keys: ['Alt+Shift+ArrowLeft'],
      edits: true,
    },
    {
      id: 'slideOn',
      name: 'Slide between its neighbours, later',
      keys: ['Alt+Shift+ArrowRight'],
      edits: true,
    },
    { id: 'orderEarlier', name: 'Before the shot before it', keys: ['$mod+ArrowLeft'], edits: true },
    { id: 'orderLater', name: 'Behind the next shot', keys: ['$mod+ArrowRight'], edits: true },
    { id: 'nextTake', name: 'Its next take', keys: ['t'], edits: true },
    { id: 'compareTakes', name: 'Compare it with its next take, or no more', keys: ['Shift+t'] },
    { id: 'marker', name: 'A marker on this frame', keys: ['m'], reviews: true },
    { id: 'nextMarker', name: 'To the next marker', keys: ['Shift+PageDown'] },
    { id: 'earlierMarker', name: 'To the marker before', keys: ['Shift+PageUp'] },
    { id: 'loopShot', name: 'Play this shot over and over, or all again', keys: ['q'] },
  ]),
  ...standing('Cameras', [
    { id: 'nextCamera', name: 'Look through the next camera', keys: ['Alt+ArrowDown'] },
    { id: 'earlierCamera', name: 'Look through the camera before', keys: ['Alt+ArrowUp'] },
    { id: 'sheet', name: 'Contact sheet', keys: ['Shift+s'] },
    { id: 'shots', name: 'Shot list', keys: ['Shift+l'] },
    { id: 'recipes', name: 'Recipes: build and change by script', keys: ['Shift+r'] },
    { id: 'fullScreen', name: 'The lens view fills the screen', keys: ['Shift+f'] },
    { id: 'earlierView', name: 'This camera’s earlier view', keys: ['Alt+,'], edits: true },
    { id: 'laterView', name: 'This camera’s later view', keys: ['Alt+.'], edits: true },
  ]),
  ...standing('Attention and framings', [
    {
      id: 'turnTo',
      name: 'Turn to the first, second … of its subjects',
      keys: ['1', '2', '3', '4', '5', '6', '7', '8', '9'],
      edits: true,
      fixed: true,
      unlisted: true,
    },
    { id: 'hold', name: 'Hold this mix: a cue on this frame', keys: ['c'], edits: true },
    { id: 'holdAtOnce', name: 'Hold this mix at once, without easing out', keys: ['Shift+c'], edits: true },
  ]),
  ...standing('In the set', [
    { id: 'duplicate', name: 'Duplicate the selection', keys: ['$mod+d'], edits: true },
    { id: 'group', name: 'Group the selection', keys: ['$mod+g'], edits: true },
    { id: 'alone', name: 'See the selection alone, or everything again', keys: [] },
    {
      id: 'remove',
      name: 'Remove the chosen keys, else the selection',
      keys: ['Delete', 'Backspace'],
      edits: true,
    },
    {
      id: 'finishPath',
      name: 'Finish the path that is being drawn',
      keys: ['Enter'],
      edits: true,
      fixed: true,
      unlisted: true,
    },
    { id: 'frameAll', name: 'Bring everything into view', keys: ['Shift+a'] },
    { id: 'frameSelection', name: 'Bring the selection into view', keys: ['Shift+v'] },
  ]),
  ...standing('In the lens view', [
    { id: 'lens-turn', name: 'A drag in the lens view: turn', keys: ['t'], within: 'lens' },
    { id: 'lens-orbit', name: 'A drag in the lens view: orbit', keys: ['o'], within: 'lens' },
    { id: 'lens-truck', name: 'A drag in the lens view: truck', keys: ['k'], within: 'lens' },
    { id: 'lens-dolly', name: 'A drag in the lens view: dolly', keys: ['d'], within: 'lens' },
    { id: 'lens-roll', name: 'A drag in the lens view: roll', keys: ['r'], within: 'lens' },
    { id: 'lens-zoom', name: 'A drag in the lens view: zoom', keys: ['z'], within: 'lens' },
    { id: 'level', name: 'Level the horizon', keys: ['h'], within: 'lens', edits: true },
  ]),
];
