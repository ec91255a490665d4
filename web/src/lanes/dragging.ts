import type React from 'react';
import { commitPreview, endPreview } from '../sequence/store';

/** Follows a pressed pointer by its offset from the press; lets the preview become an edit on release. */
export function drag(
  e: React.PointerEvent,
  moved: (dx: number, dy: number, now: PointerEvent) => void,
  done?: () => void,
): void {
  e.stopPropagation();
  e.preventDefault();
  const { clientX, clientY, pointerId } = e;
  const move = (m: PointerEvent) =>
    m.pointerId === pointerId && moved(m.clientX - clientX, m.clientY - clientY, m);
  const stop = (keep: boolean) => () => {
    window.removeEventListener('pointermove', move);
    window.removeEventListener('pointerup', up);
    window.removeEventListener('pointercancel', cancel);
    if (keep) commitPreview();
    else endPreview();
    done?.();
  };
  const up = stop(true);
  const cancel = stop(false);
  window.addEventListener('pointermove', move);
  window.addEventListener('pointerup', up);
  window.addEventListener('pointercancel', cancel);
}
