import type { Command, SequenceDocument } from '../../core/types';
import type { Declared } from '../vocabulary/parameters';

/** What a recipe is run with. */
export interface Run {
  /** JavaScript: types are taken out before. */
  code: string;
  /** Names of its lines in faults. */
  name: string;
  document: SequenceDocument;
  /** Nodes and clips of models, as the server gives them, by what the pieces name. */
  models: Record<string, string>;
  /** What was chosen for its parameters; null to be told which there are, and no more. */
  chosen: Record<string, unknown> | null;
  seed: number;
  now: { frame: number; camera: string; selected: string[] };
}

/** Where in the recipe and why. */
export interface Fault {
  line: number;
  text: string;
}

export interface Line {
  level: 'says' | 'warns';
  text: string;
}

/** What is to be done once a recipe is kept. */
export interface Wish {
  render?: { camera: string; frame: number; percent: number; samples: number };
}

/** What came of a recipe. */
export interface Ran {
  /** The edit that it is; none where it failed. */
  commands: Command[];
  said: Line[];
  wishes: Wish[];
  /** The value of its last line, in words. */
  value: string;
  declared: Record<string, Declared>;
  fault: Fault | null;
}
