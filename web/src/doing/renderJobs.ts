import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { getJson } from '../session/http';
import { useSequence } from '../session/state';
import type { Form, Urgency } from './renders';

/** A render or a preview as the server tells of it. */
export interface RenderShown {
  id: string;
  label: string;
  /** The how-manieth of its kind and name, from 1. */
  numbered: number;
  /** Whether it is a film of the lens view. */
  preview: boolean;
  /** Whether a preview is drawn by a browser of the server's own. */
  byServer: boolean;
  state: 'WAITING' | 'WORKING' | 'PAUSED' | 'DONE' | 'STOPPED' | 'FAILED';
  message: string;
  urgency: Urgency;
  done: number;
  /** Frames that could not be made. */
  failed: number;
  total: number;
  /** Of the work that is done, 0 to 1; parts of large frames count too. */
  share: number;
  /** Number of the frame that came last; 0 before the first. */
  newest: number;
  /** Number of the frame that stands for it; 0 before the first. */
  picture: number;
  /** Frames that workers are at. */
  underWay: { number: number; worker: string }[];
  width: number;
  height: number;
  samples: number;
  /** Of the files that a frame is handed on in. */
  form: Form;
  film: boolean;
  /** That its frames took on the average; null before the first. */
  secondsAFrame: number | null;
  /** About how long it goes on with those who work at it; null when that is not known. */
  secondsLeft: number | null;
}

export const underWay = (j: RenderShown): boolean =>
  j.state === 'WAITING' || j.state === 'WORKING' || j.state === 'PAUSED';

/** While the live line, which tells of progress, is away, it is asked for so often. */
const POLL_MS = 5000;

/** Puts what was told of a job in its place; one that is new comes first. */
function taken(told: RenderShown) {
  return (all: RenderShown[] | undefined): RenderShown[] | undefined =>
    all?.some((j) => j.id === told.id)
      ? all.map((j) => (j.id === told.id ? told : j))
      : all && [told, ...all];
}

/** The newest renders and previews of the open sequence, kept current. */
export function useRenderJobs() {
  const id = useSequence((s) => s.id);
  const live = useSequence((s) => s.live);
  const client = useQueryClient();
  const jobs = useQuery({
    queryKey: ['renders', id],
    queryFn: () => getJson<RenderShown[]>(`/api/sequences/${id}/renders`),
    refetchInterval: live ? false : POLL_MS,
  });
  const renew = () => client.invalidateQueries({ queryKey: ['renders', id] });
  useEffect(
    () =>
      useSequence.subscribe((now, before) => {
        if (now.renderTold && now.renderTold !== before.renderTold)
          client.setQueryData(['renders', id], taken(now.renderTold as RenderShown));
        // what was said while the line was away
        if (now.live && !before.live) void client.invalidateQueries({ queryKey: ['renders', id] });
      }),
    [client, id],
  );
  return { jobs, renew };
}

/** A frame of a render that is there or could not be made. */
export interface FrameShown {
  number: number;
  /** That it took; null where it failed. */
  seconds: number | null;
  /** Who made it; null for those of earlier builds. */
  worker: string | null;
  /** Why it could not be made; null where it is there. */
  trouble: string | null;
}

/** Frames are asked for no oftener than this while a render goes on. */
const FRAMES_MS = 1000;

/** The frames of a render, kept current while it goes on. */
export function useFrames(job: RenderShown): FrameShown[] {
  const client = useQueryClient();
  const { id, done, failed, newest } = job;
  const frames = useQuery({
    queryKey: ['frames', id],
    queryFn: () => getJson<FrameShown[]>(`/api/renders/${id}/frames`),
    staleTime: FRAMES_MS,
  });
  const soon = useRef(false);
  useEffect(() => {
    if (soon.current) return;
    soon.current = true;
    setTimeout(() => {
      soon.current = false;
      void client.invalidateQueries({ queryKey: ['frames', id] });
    }, FRAMES_MS);
  }, [client, id, done, failed, newest]);
  return frames.data ?? [];
}
