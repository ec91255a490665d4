import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { getJson } from '../session/http';
import { useSequence } from '../session/state';
import type { Form } from '../doing/renders';

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
  state: 'WAITING' | 'WORKING' | 'DONE' | 'STOPPED' | 'FAILED';
  message: string;
  done: number;
  total: number;
  width: number;
  height: number;
  samples: number;
  /** Of the files that a frame is handed on in. */
  form: Form;
  film: boolean;
  /** That its frames took on the average; null before the first. */
  secondsAFrame: number | null;
  /** What the frames to come will take by that; null while nobody works at them. */
  secondsLeft: number | null;
}

export const underWay = (j: RenderShown): boolean => j.state === 'WAITING' || j.state === 'WORKING';

/** Progress is told over the live line; while that is away it is asked for so often. */
const POLL_MS = 5000;

/** The newest renders and previews of the open sequence, kept current. */
export function useRenderJobs() {
  const id = useSequence((s) => s.id);
  const client = useQueryClient();
  const jobs = useQuery({
    queryKey: ['renders', id],
    queryFn: () => getJson<RenderShown[]>(`/api/sequences/${id}/renders`),
    refetchInterval: (q) => (q.state.data?.some(underWay) ? POLL_MS : false),
  });
  const renew = () => client.invalidateQueries({ queryKey: ['renders', id] });
  useEffect(
    () =>
      useSequence.subscribe((now, before) => {
        if (now.rendersMoved !== before.rendersMoved)
          void client.invalidateQueries({ queryKey: ['renders', id] });
      }),
    [client, id],
  );
  return { jobs, renew };
}
