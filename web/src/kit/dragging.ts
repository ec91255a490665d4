import { useDrag } from '@use-gesture/react';
import { useEffect, useRef } from 'react';
import type React from 'react';
import { commitPreview, endPreview } from '../session/document';

/** What follows a press. */
export interface Follow {
  /** Takes the pointer's offset from the press, in pixels. */
  moved: (dx: number, dy: number, now: { shiftKey: boolean }) => void;
  /** Ends it: what was moved is kept, or was taken back. */
  done?: (kept: boolean) => void;
}

/** What a press on a handle leads to; null when it is not to be dragged. */
export type Press = (e: React.PointerEvent) => Follow | null;

/** Followed on the window: what is drawn for a handle may be another element while it is dragged. Arrow keys are {@link heldArrows}'. */
const ON_THE_WINDOW = { pointer: { capture: false, keys: false } } as const;

/** A handle that is pressed. */
interface Pressed {
  follow: Follow | null;
  escape: (k: KeyboardEvent) => void;
}

/**
 * Lets a component's handles be dragged: `<rect {...handle(press)} />`. What is previewed becomes an edit on release; it is taken back
 * when the pointer is taken away, with Escape, and when the component goes.
 */
export function useHandles(): (press: Press) => React.HTMLAttributes<Element> & React.SVGAttributes<Element> {
  const pressed = useRef<Pressed | null>(null);
  const end = (kept: boolean) => {
    const p = pressed.current;
    if (!p) return; // ended before: the library tells of what was cancelled a moment later
    pressed.current = null;
    window.removeEventListener('keydown', p.escape, true);
    if (kept) commitPreview();
    else endPreview();
    p.follow?.done?.(kept);
  };
  useEffect(() => () => end(false), []);
  return useDrag<PointerEvent>(({ args, event, first, last, canceled, movement, cancel }) => {
    if (first) {
      event.stopPropagation();
      event.preventDefault();
      const escape = (k: KeyboardEvent) => {
        if (k.key !== 'Escape') return;
        k.preventDefault();
        k.stopPropagation();
        end(false);
        cancel();
      };
      window.addEventListener('keydown', escape, true);
      pressed.current = { follow: (args[0] as Press)(event as unknown as React.PointerEvent), escape };
    } else if (last) end(!canceled && event.type !== 'pointercancel');
    else pressed.current?.follow?.moved(...movement, event);
  }, ON_THE_WINDOW);
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
