import type { SequenceDocument } from '../core/types';

/** One of two that are compared: the address of a document below its sequence's, '' for the sequence as it is now. */
export interface Side {
  path: string;
  title: string;
  /** The document itself, where it is none of the server's. */
  document?: SequenceDocument;
}

/** Two versions of a camera's move, or two takes of a shot, looked at together in the lens view. */
export interface Compared {
  sides: [Side, Side];
  /** The takes and their shot, where it is takes. */
  takes?: { shot: string; ids: [string, string] };
  way: 'wipe' | 'beside';
  /** Where the wipe stands, as a share of the width. */
  at: number;
}
