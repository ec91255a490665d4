import type { Command, SequenceDocument } from './core.d.ts';

export type * from './core.d.ts';

/** What the server did not take: a code, the field it is about, and one sentence. */
export class Refused extends Error {
  readonly status: number;
  readonly code: string;
  readonly field: string;
}

export interface SequenceShown {
  id: string;
  code: string;
  title: string;
}

/** Signs in with a token that a person makes under My account, and can take back. */
export class KiteClient {
  /** @param given address of the application (http://127.0.0.1:8080/ where it is left out) and a token */
  constructor(given: { address?: string; token: string });
  productions(): Promise<{ id: string; code: string; name: string }[]>;
  sequences(): Promise<SequenceShown[]>;
  /** A sequence by its code or id. */
  sequence(codeOrId: string): Promise<SequenceClient>;
  /** Makes a sequence of a .kite.zip in a production. */
  import(
    production: string,
    bytes: Uint8Array,
    code?: string,
  ): Promise<{ id: string; code: string; differs: string[] }>;
}

/** What came of a recipe. */
export interface Ran {
  /** How many commands it made. */
  changes: number;
  /** Of the sequence after it; null where nothing was changed. */
  revision: number | null;
  said: { level: 'says' | 'warns'; text: string }[];
  /** The value of its last line, in words. */
  value: string;
  declared: Record<
    string,
    {
      form: string;
      label: string;
      usual?: unknown;
      unit?: string;
      of?: string[];
    }
  >;
  /** Where and why it failed: nothing was changed then. */
  fault: { line: number; text: string } | null;
  /** What it would ask for, where it was not kept. */
  wishes: { render?: RenderAsked }[];
  /** Ids of the renders that were begun, as it wished. */
  renders: string[];
}

/** How far a recipe is that runs as a job. */
export interface Run {
  id: string;
  state: 'WAITING' | 'WORKING' | 'DONE' | 'STOPPED' | 'FAILED';
  /** How much is done, 0–1, as the recipe says. */
  share: number;
  /** Why it ended without a result; '' else. */
  message: string;
  by: string;
  askedAt: string;
  /** Null until it has ended. */
  came: Ran | null;
}

/** How a recipe is run. */
export interface RunAsked {
  /** What is chosen for its parameters. */
  set?: Record<string, unknown>;
  /** What chance begins with. */
  seed?: number;
  /** That is the present one. */
  frame?: number;
  /** What its edit is called by. */
  name?: string;
  /** Whether nothing is to be changed. */
  dry?: boolean;
}

/** What a watcher is told. */
export interface Heard {
  /** The same each time it is told. */
  id: string;
  type: 'edit' | 'version' | 'render' | 'approval' | 'handover' | 'hello';
  timestamp: string;
  data: {
    production?: { id: string; code: string };
    sequence?: { id: string; code: string; title: string };
    by: string | null;
    [more: string]: unknown;
  };
}

/**
 * Reads what a watcher was told; throws where it does not come from who has the secret, or is older than five minutes.
 *
 * @param headers of the request, in small letters
 * @param body its text, to the letter
 * @param now seconds since 1970
 */
export function heard(
  secret: string,
  headers: Record<string, string | string[] | undefined>,
  body: string,
  now?: number,
): Heard;

export interface RenderAsked {
  what?: 'cut' | 'range' | 'shots' | 'shot' | 'frame';
  /** Ids of shots. */
  spans?: string[];
  /** First and last frame of the programme. */
  range?: [number, number];
  /** Id of a camera, for a frame. */
  camera?: string;
  frame?: number;
  /** Of the delivery size. */
  percent?: number;
  /** Lens rays a pixel has at the most. */
  samples?: number;
}

export interface Render {
  id: string;
  label: string;
  numbered: number;
  state: 'WAITING' | 'WORKING' | 'PAUSED' | 'DONE' | 'STOPPED' | 'FAILED';
  message: string;
  done: number;
  total: number;
}

/** Something that is pointed out before a sequence leaves. */
export interface Check {
  about: string;
  of: string;
  shot: string | null;
  severity: 'wrong' | 'look' | 'know';
  text: string;
  advice: string;
  /** The word it was accepted with. */
  accepted: string | null;
}

export class SequenceClient {
  readonly id: string;
  readonly code: string;
  readonly title: string;
  /** The document and the revision it is at. */
  document(): Promise<{
    id: string;
    revision: number;
    role: string;
    document: SequenceDocument;
  }>;
  /** Makes commands one edit, on the sequence as it is. */
  edit(commands: Command[], label?: string): Promise<{ revision: number }>;
  /** Runs a recipe: what it makes is one edit, unless it is dry. */
  run(script: string, how?: RunAsked): Promise<Ran>;
  /** Begins to run a recipe that may take longer than a request. */
  begin(script: string, how?: RunAsked): Promise<Run>;
  /** Waits until a run has ended. */
  ended(run: Run, told?: (now: Run) => void): Promise<Run>;
  /** Stops a run, soon. */
  stop(run: Run): Promise<Run>;
  /** What a recipe asks for. */
  parameters(script: string): Promise<Ran['declared']>;
  checks(): Promise<Check[]>;
  /** The sequence with its versions, models and images, as .kite.zip. */
  export(): Promise<Uint8Array>;
  /** A camera, by letter, name or id, baked to a plain one. */
  bake(camera: string, form?: 'usda' | 'glb'): Promise<Uint8Array>;
  render(asked: RenderAsked): Promise<Render>;
  /** Waits until a render has ended. */
  rendered(render: Render, told?: (now: Render) => void): Promise<Render>;
  /** A finished picture (PNG) of a render, from 1. */
  picture(render: Render, number?: number): Promise<Uint8Array>;
  /** The film (MP4) of a render. */
  film(render: Render): Promise<Uint8Array>;
}
