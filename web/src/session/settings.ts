import { theCore } from '../core/load';
import type { CameraPackage, Rate } from '../core/types';
import { useSequence } from './state';

/** Rate and camera package in force, as the core resolves them from standards and overrides. */
export interface Settings {
  rate: Rate;
  cameraPackage: CameraPackage;
  filmBackName: string;
  circleMm: number;
}

const known = new Map<string, Settings>();
let version = -1;

/** What is in force for a camera, or ('') for the sequence. */
export function settings(camera = ''): Settings {
  const now = useSequence.getState().version;
  if (now !== version) known.clear();
  version = now;
  let s = known.get(camera);
  if (!s) known.set(camera, (s = theCore().settings(camera)));
  return s;
}

/** As {@link settings}, following every change. */
export function useSettings(camera = ''): Settings {
  useSequence((s) => s.version);
  return settings(camera);
}

export const framesPerSecond = (): number => {
  const { rate } = settings();
  return rate.numerator / rate.denominator;
};
