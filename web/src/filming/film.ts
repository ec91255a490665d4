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
  /** The frame of the scene that each shows; null where that is its number. */
  scenes: number[] | null;
  /** The take it is of, so that what is laid over that alone shows; null for none. */
  take: string | null;
  /** The image that is seen in place of what the camera sees; null for none. */
  board: string | null;
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
  /** As its slate counts it. */
  counted: number;
  /** Of the scene, and how many of those pass until the next. */
  frame: number;
  rate: number;
  shot: FilmShot;
}

/** Every frame of a film, in order. */
export function framesOf(shots: FilmShot[]): FilmFrame[] {
  const all: FilmFrame[] = [];
  for (const shot of shots)
    for (let counted = shot.first; counted <= shot.last; counted++) {
      const i = counted - shot.first;
      const scenes = shot.scenes ?? [];
      const frame = scenes[i] ?? counted;
      // the last goes on as it came
      const rate =
        scenes.length > 1 ? (i + 1 < scenes.length ? scenes[i + 1] - frame : frame - scenes[i - 1]) : 1;
      all.push({ number: all.length + 1, counted, frame, rate, shot });
    }
  return all;
}
