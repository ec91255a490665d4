import { useEffect } from 'react';
import { core } from '../session/evaluated';
import { commitPreview, endPreview } from '../session/document';
import { mayKey } from '../session/laneState';
import { previewProposed } from '../session/proposals';
import { useSequence, type LensTool } from '../session/state';
import { lensCamera } from '../session/view';
import { play } from '../session/time';
import { aboutPoint } from '../doing/about';
import { remember } from '../doing/earlierViews';
import type { Surface } from '../views/surfaces';

const WHEEL_PAUSE_MS = 350;
const CLICK_PX = 4;
const state = useSequence.getState;
/** What an edit is called that a tool has made. */
const NAMES: Record<LensTool, string> = {
  turn: 'Turn the camera',
  orbit: 'Orbit',
  truck: 'Truck',
  dolly: 'Dolly',
  roll: 'Roll',
  zoom: 'Change the lens',
};

/** Takes hold of the camera: what a drag means does not drift while it lasts. */
function takeHold(): void {
  const about = aboutPoint();
  core().takeHold(lensCamera(state()), state().frame, ...about.at, about.alongM, mayKey());
}

/** Where a drag began, in pixels of the screen. */
interface Gesture {
  x: number;
  y: number;
  tool: LensTool;
}

/** Steps of the arrow keys while one is held. */
interface Steps {
  tool: LensTool;
  right: number;
  down: number;
}

/** Moves the camera itself: drags, wheel and keys become one edit each. Clicks go to `onClick`. */
export function useWalking(
  surface: React.RefObject<Surface | null>,
  onClick: (e: PointerEvent) => void,
): void {
  useEffect(() => {
    const el = surface.current?.canvas;
    if (!el) return;
    let g: Gesture | null = null;
    let moved = false;
    let arrow: Steps | null = null;
    let wheel = { dollyM: 0, notches: 0, timer: 0 };
    const ready = () => {
      if (core().slot(lensCamera(state())) < 0) return false;
      if (state().playing) play(false);
      return true;
    };
    const down = (e: PointerEvent) => {
      if (!ready()) return;
      el.setPointerCapture(e.pointerId);
      const tool: LensTool = e.shiftKey || e.button === 1 ? 'truck' : e.ctrlKey ? 'orbit' : state().lensTool;
      g = { x: e.clientX, y: e.clientY, tool };
      takeHold();
      moved = false;
    };
    const move = (e: PointerEvent) => {
      if (!g || state().picking) return;
      if (!moved && Math.hypot(e.clientX - g.x, e.clientY - g.y) < CLICK_PX) return;
      if (!moved) remember(lensCamera(state()));
      moved = true;
      const across = (e.clientX - g.x) / el.clientWidth;
      const down = (e.clientY - g.y) / el.clientHeight;
      const { tool } = g;
      previewProposed(NAMES[tool], () => core().lensDrag(tool, across, down));
    };
    const release = (e: PointerEvent) => {
      if (g && e.type === 'pointercancel') endPreview();
      else if (g && moved) commitPreview();
      else if (g) onClick(e);
      g = null;
    };
    const turn = (e: WheelEvent) => {
      e.preventDefault();
      if (!ready()) return;
      if (!wheel.timer) {
        remember(lensCamera(state()));
        takeHold();
      }
      clearTimeout(wheel.timer);
      const notch = -Math.sign(e.deltaY);
      if (e.altKey || state().lensTool === 'zoom') {
        wheel.notches += notch;
        previewProposed('Change the lens', () => core().lensZoom(wheel.notches));
      } else {
        wheel.dollyM += notch * core().notchM(aboutPoint().alongM);
        previewProposed('Dolly', () => core().lensDolly(wheel.dollyM));
      }
      wheel.timer = globalThis.setTimeout(() => {
        commitPreview();
        wheel = { dollyM: 0, notches: 0, timer: 0 };
      }, WHEEL_PAUSE_MS) as unknown as number;
    };
    const key = (e: KeyboardEvent) => {
      const arrows: Record<string, [number, number]> = {
        ArrowLeft: [-1, 0],
        ArrowRight: [1, 0],
        ArrowUp: [0, -1],
        ArrowDown: [0, 1],
      };
      const a = arrows[e.key];
      if (!a || e.altKey || !ready()) return;
      e.preventDefault();
      e.stopPropagation();
      const tool = e.shiftKey ? 'truck' : state().lensTool;
      // while an arrow is held its steps add up, and are one edit when it is let go
      if (!arrow || arrow.tool !== tool) {
        commitPreview();
        remember(lensCamera(state()));
        arrow = { tool, right: 0, down: 0 };
        takeHold();
      }
      const { right, down } = { right: arrow.right + a[0], down: arrow.down + a[1] };
      arrow = { tool, right, down };
      previewProposed(NAMES[tool], () => core().lensSteps(tool, right, down));
    };
    const keyUp = (e: KeyboardEvent) => {
      if (!arrow || !e.key.startsWith('Arrow')) return;
      arrow = null;
      commitPreview();
    };
    const blur = () => {
      if (arrow) commitPreview();
      arrow = null;
    };
    el.addEventListener('pointerdown', down);
    el.addEventListener('pointermove', move);
    el.addEventListener('pointerup', release);
    el.addEventListener('pointercancel', release);
    el.addEventListener('wheel', turn, { passive: false });
    el.addEventListener('keydown', key);
    el.addEventListener('keyup', keyUp);
    el.addEventListener('blur', blur);
    return () => {
      el.removeEventListener('pointerdown', down);
      el.removeEventListener('pointermove', move);
      el.removeEventListener('pointerup', release);
      el.removeEventListener('pointercancel', release);
      el.removeEventListener('wheel', turn);
      el.removeEventListener('keydown', key);
      el.removeEventListener('keyup', keyUp);
      el.removeEventListener('blur', blur);
    };
  }, [surface, onClick]);
}
