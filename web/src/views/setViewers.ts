import type { SetViewer } from './SetViewer';

/** The panes of the set view that are open. */
export const setViewers: SetViewer[] = [];

export function frameAll(): void {
  for (const v of setViewers) v.frameAll();
}

export function frameSelection(): void {
  for (const v of setViewers) v.frameSelection();
}
