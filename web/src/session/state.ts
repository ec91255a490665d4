import { create } from 'zustand';
import type { Entity, Header } from '../core/types';
import type { Approval } from './approvals';
import type { Compared } from './comparing';
import type { Desk, Role } from './desks';
import type { Other } from './presence';

/** Whether a changed number gets a key: never by itself, where it has keys, or always. */
export type Keying = 'off' | 'keyed' | 'all';

/** What a drag in the lens view does. */
export type LensTool = 'turn' | 'orbit' | 'truck' | 'dolly' | 'roll' | 'zoom';

/** Cutting by letters: not now, into the reel, or for practice, which leaves it alone until it is kept. */
export type Cutting = 'off' | 'on' | 'practice';

/** A click that is waited for, in the set view or the lens view. */
export interface Picking {
  prompt: string;
  /** Takes what was clicked; the picking ends unless it returns true. */
  take: (hit: Hit) => boolean | void;
}

/** What a click met: a thing, and the point on its surface. */
export interface Hit {
  id: string;
  point: [number, number, number];
  normal: [number, number, number] | null;
}

/** A window over the desks. */
export type Dialog =
  | { kind: 'commands' }
  | { kind: 'keys' }
  | { kind: 'guide' }
  | { kind: 'news' }
  | { kind: 'standards' }
  | { kind: 'model'; files: File[] }
  | { kind: 'track'; file: File }
  | { kind: 'stage'; file: File; files: File[]; cameras: number; meshes: number }
  | { kind: 'cutFile'; file: File }
  | { kind: 'remove'; ids: string[] }
  | { kind: 'copies'; ids: string[] }
  | { kind: 'lettering'; id: string | null }
  | { kind: 'renumber' }
  | { kind: 'versions' }
  | { kind: 'sets' }
  | { kind: 'copyIn'; file: File }
  | { kind: 'history'; touching: string }
  | { kind: 'saveRig'; id: string }
  | { kind: 'bake'; id: string };

/** The document as it is shown, with what is dragged in it. Written by `document`. */
export interface DocumentState {
  id: string;
  header: Header;
  entities: Record<string, Entity>;
  revision: number;
  /** The revision that is looked at instead of the present one, or null. */
  moment: number | null;
  /** Grows with every change of the document or its preview. */
  version: number;
}

/** What is chosen, and what a click is waited for. Written by `selection`. */
export interface SelectionState {
  selected: string[];
  /** Chosen keys by lane (`id:address`): the frames they stand on. */
  chosenKeys: Record<string, number[]>;
  picking: Picking | null;
}

/** The frame that is shown. Written by `time`. */
export interface TimeState {
  /** Of the scene; sub-frames where a shot has a speed of its own. */
  frame: number;
  /** Of the programme, where that shows it, or null. */
  reel: number | null;
  /** The shot it is seen in, or was seen in last; '' for none. */
  shot: string;
  playing: boolean;
  /** How often its own speed it plays; below 0 backwards. */
  pace: number;
  /** The first and the last frame that are played over and over, of the time that is shown; null for all. */
  loop: [number, number] | null;
  /** Frames that were not drawn in time since playing began. */
  dropped: number;
}

/** What is looked at, and how. Written by `view`. */
export interface ViewState {
  desk: Desk;
  /** The camera the lens view looks through, unless it follows the cut. */
  camera: string;
  followCut: boolean;
  lensTool: LensTool;
  /** The subject that orbiting, composition and placing are about; '' for the nearest. */
  about: string;
  /** Whether what is sharp is tinted in the lens view. */
  sharpTint: boolean;
  /** Whether the selected camera's way and its subject's are drawn on the Move desk. */
  ghosts: boolean;
  /** What lies over both views: every camera's view of the frame, or the list of shots. */
  over: 'sheet' | 'shots' | 'dailies' | null;
  /** Id of the render that is looked at in the dailies; '' for the newest. */
  lookedAt: string;
  /** Whether a camera's letter, as a key or on a tile of the contact sheet, cuts to it. */
  cutting: Cutting;
  /** Whether shot, camera and timecode lie over the picture that follows the cut. */
  slate: boolean;
  /** Two versions of the camera's move in the lens view, or null. */
  compared: Compared | null;
  fourViews: boolean;
  /** Whether recipes are in the panel on the right: '' as they were left there, or the id of one to be opened, ready-made or kept; null for not. */
  recipes: string | null;
  /** What the handles in the set do to what is selected. */
  setTool: 'move' | 'turn' | 'scale';
  /** Pieces shown alone in the views, or null. */
  isolated: string[] | null;
  /** Set while a path is being drawn in the plan view. */
  drawing: [number, number, number][] | null;
}

/** How the lanes stand. Written by `laneState`. */
export interface LaneState {
  keying: Keying;
  openLanes: string[];
  /** Lanes that cannot be touched, and lanes that are not shown. */
  lockedLanes: string[];
  hiddenLanes: string[];
}

/** What lies over the desks. Written by `windows` and `said`. */
export interface WindowState {
  dialog: Dialog | null;
  message: { text: string; bad: boolean; at: number } | null;
}

/** What one may do here, who else is here. Written by `sync`, `approvals` and `presence`. */
export interface PeopleState {
  /** Look as a guest or reviewer, edit as an artist, also decide as a lead. */
  role: Role;
  mayEdit: boolean;
  /** Whether who looks at it may put markers and write notes on shots. */
  mayReview: boolean;
  /** What is approved, by the id of the camera or shot. */
  approvals: Record<string, Approval>;
  /** Who else has the sequence open, by their page. */
  others: Record<string, Other>;
  /** Whether the server tells of what happens; while it does not, it is asked. */
  live: boolean;
  /** The render that the server told of last, as it is now; whoever shows renders knows its form. */
  renderTold: { id: string } | null;
}

export type SequenceState = DocumentState &
  SelectionState &
  TimeState &
  ViewState &
  LaneState &
  WindowState &
  PeopleState;

const NO_DOCUMENT: DocumentState = {
  id: '',
  header: undefined as unknown as Header,
  entities: {},
  revision: 0,
  moment: null,
  version: 0,
};

const NOTHING_CHOSEN: SelectionState = { selected: [], chosenKeys: {}, picking: null };

const AT_REST: TimeState = {
  frame: 0,
  reel: null,
  shot: '',
  playing: false,
  pace: 1,
  loop: null,
  dropped: 0,
};

const FIRST_LOOK: ViewState = {
  desk: 'move',
  camera: '',
  followCut: false,
  lensTool: 'turn',
  about: '',
  sharpTint: false,
  ghosts: true,
  over: null,
  lookedAt: '',
  cutting: 'off',
  slate: false,
  compared: null,
  fourViews: false,
  recipes: null,
  setTool: 'move',
  isolated: null,
  drawing: null,
};

const LANES: LaneState = { keying: 'keyed', openLanes: [], lockedLanes: [], hiddenLanes: [] };

const NO_WINDOW: WindowState = { dialog: null, message: null };

const ALONE: PeopleState = {
  role: 'artist',
  mayEdit: true,
  mayReview: true,
  approvals: {},
  others: {},
  live: false,
  renderTold: null,
};

/**
 * All that is known of the open sequence, in parts that a file each writes. They are one store because they change together: a thing
 * that is taken away leaves document, selection and view in one step, and nothing is ever drawn of one without the other.
 */
export const useSequence = create<SequenceState>(() => ({
  ...NO_DOCUMENT,
  ...NOTHING_CHOSEN,
  ...AT_REST,
  ...FIRST_LOOK,
  ...LANES,
  ...NO_WINDOW,
  ...ALONE,
}));
