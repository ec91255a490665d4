import type React from 'react';
import { commitPreview, endPreview } from '../session/document';

/**
 * Follows a pressed pointer by its offset from the press. What is previewed becomes an edit on release; it is taken back
 * when the pointer is taken away, or with Escape.
 */
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
    window.removeEventListener('keydown', key, true);
    if (keep) commitPreview();
    else endPreview();
    done?.();
  };
  const up = stop(true);
  const cancel = stop(false);
  const key = (k: KeyboardEvent) => {
    if (k.key !== 'Escape') return;
    k.preventDefault();
    k.stopPropagation();
    cancel();
  };
  window.addEventListener('pointermove', move);
  window.addEventListener('pointerup', up);
  window.addEventListener('pointercancel', cancel);
  window.addEventListener('keydown', key, true);
}

interface Held {
  x: number;
  y: number;
  moved: (dx: number, dy: number) => void;
  done?: (dx: number, dy: number) => void;
}

let held: Held | null = null;

/** How many steps one press makes while Shift is down. */
const BIG = 10;

/**
 * Follows arrow keys that are held, by all their steps since the first press: each is shown, and together
 * they become one edit when the key is let go. Escape reverts. Gives false for any other key.
 *
 * @param moved steps to the right and downwards
 */
export function heldArrows(e: React.KeyboardEvent, moved: Held['moved'], done?: Held['done']): boolean {
  const x = e.key === 'ArrowLeft' ? -1 : e.key === 'ArrowRight' ? 1 : 0;
  const y = e.key === 'ArrowUp' ? -1 : e.key === 'ArrowDown' ? 1 : 0;
  if ((!x && !y) || e.altKey) return false;
  e.preventDefault();
  e.stopPropagation();
  if (!held) {
    // what is drawn moves with the preview: the first press knows where it began
    held = { x: 0, y: 0, moved, done };
    window.addEventListener('keyup', letGo, true);
    window.addEventListener('keydown', revert, true);
    window.addEventListener('blur', release);
    window.addEventListener('pointerdown', release, true);
  }
  const by = e.shiftKey ? BIG : 1;
  held.x += x * by;
  held.y += y * by;
  held.moved(held.x, held.y);
  return true;
}

const letGo = (e: KeyboardEvent) => e.key.startsWith('Arrow') && release();

function revert(e: KeyboardEvent): void {
  if (e.key !== 'Escape') return;
  e.preventDefault();
  e.stopPropagation();
  endPreview();
  forgetHeld();
}

function release(): void {
  const h = held;
  forgetHeld();
  commitPreview();
  if (h) h.done?.(h.x, h.y);
}

function forgetHeld(): void {
  held = null;
  window.removeEventListener('keyup', letGo, true);
  window.removeEventListener('keydown', revert, true);
  window.removeEventListener('blur', release);
  window.removeEventListener('pointerdown', release, true);
}
