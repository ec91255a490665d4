import type { SequenceDocument } from '../core/types';
import type { Shows } from '../views/LensPicture';

/** What a preview shows: of the picture, and laid over it. */
export interface Look extends Shows {
  /** Guides, of cameras that show some. */
  guides: boolean;
  /** A line that says what it is of. */
  slate: boolean;
}

/** A run of frames through one camera; null for a gap. */
export interface FilmShot {
  camera: string | null;
  first: number;
  last: number;
  code: string | null;
}

/** A preview as the server hands it to the page that draws it. */
export interface ToDraw {
  sequence: string;
  document: SequenceDocument;
  shots: FilmShot[];
  width: number;
  height: number;
  /** Frames a second, as a fraction. */
  rate: [number, number];
  look: Look;
  numbered: number;
  askedBy: string;
  askedAt: string;
  /** Numbers of frames that are there already, from 1. */
  done: number[];
}

/** One frame of a film. */
export interface FilmFrame {
  /** In the film, from 1. */
  number: number;
  frame: number;
  shot: FilmShot;
}

/** Every frame of a film, in order. */
export function framesOf(shots: FilmShot[]): FilmFrame[] {
  const all: FilmFrame[] = [];
  for (const shot of shots)
    for (let frame = shot.first; frame <= shot.last; frame++)
      all.push({ number: all.length + 1, frame, shot });
  return all;
}
