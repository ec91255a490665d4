import { replaceEqualDeep } from '@tanstack/react-query';
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

let known = { id: '', of: new Map<string, { version: number; settings: Settings }>() };

/** What is in force for a camera, or ('') for the sequence; the same object for as long as it says the same. */
export function settings(camera = ''): Settings {
  const { id, version } = useSequence.getState();
  if (known.id !== id) known = { id, of: new Map() };
  const was = known.of.get(camera);
  if (was?.version === version) return was.settings;
  const now = replaceEqualDeep(was?.settings, theCore().settings(camera)) as Settings;
  known.of.set(camera, { version, settings: now });
  return now;
}

/** As {@link settings}, following every change. */
export function useSettings(camera = ''): Settings {
  return useSequence(() => settings(camera));
}

export const framesPerSecond = ({ rate } = settings()): number => rate.numerator / rate.denominator;
