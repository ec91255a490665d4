import { useEffect } from 'react';
import { theCore } from '../core/load';
import type { Command } from '../core/types';
import { evaluated, LENS } from '../session/evaluated';
import {
  commitPreview,
  endPreview,
  lensCamera,
  mayKey,
  preview,
  useSequence,
  type LensTool,
} from '../session/store';
import { aboutPoint } from './about';
import { remember } from './history';

const WHEEL_PAUSE_MS = 350;
const CLICK_PX = 4;
const state = useSequence.getState;
type Amounts = Partial<Record<'truck' | 'pedestal' | 'dolly' | 'pan' | 'tilt' | 'roll', number>>;

/** What an edit is called that a tool has made. */
const NAMES: Record<LensTool, string> = {
  turn: 'Turn the camera',
  orbit: 'Orbit',
  truck: 'Truck',
  dolly: 'Dolly',
  roll: 'Roll',
  zoom: 'Change the lens',
};

function walk(by: Amounts): Command {
  return {
    kind: 'walk',
    camera: lensCamera(state()),
    frame: state().frame,
    truck: 0,
    pedestal: 0,
    dolly: 0,
    pan: 0,
    tilt: 0,
    roll: 0,
    ...by,
    key: mayKey(),
  };
}

function lensNow(): Float64Array {
  const o = theCore().slot(lensCamera(state())) * LENS;
  return evaluated().lens.slice(o, o + LENS);
}

const setLens = (mm: number): Command => ({
  kind: 'setValue',
  id: lensCamera(state()),
  channel: 'focalLength',
  frame: state().frame,
  value: Math.round(Math.max(1, Math.min(5000, mm)) * 100) / 100,
  key: mayKey(),
});

/** A gesture's start: the lens then, and what it turns about; nothing of it drifts while dragging. */
interface Gesture {
  x: number;
  y: number;
  tool: LensTool;
  lens: Float64Array;
  about: ReturnType<typeof aboutPoint>;
}

/** What a drag by shares of the frame means. */
function dragged(g: Gesture, dx: number, dy: number): Command {
  const l = g.lens;
  const reach = g.about.alongM;
  switch (g.tool) {
    case 'truck':
      return walk({ truck: -dx * (l[9] - l[8]) * reach, pedestal: dy * (l[11] - l[10]) * reach });
    case 'dolly':
      return walk({ dolly: -dy * reach * 1.5 });
    case 'roll':
      return walk({ roll: dx * 90 });
    case 'zoom':
      return setLens(l[0] * Math.exp(-dy * 1.6));
    case 'orbit':
      return {
        kind: 'orbit',
        camera: lensCamera(state()),
        frame: state().frame,
        about: g.about.at,
        across: -dx * 180,
        up: dy * 90,
        key: mayKey(),
      };
    default: {
      const across = (Math.atan(l[9]) - Math.atan(l[8])) * (180 / Math.PI);
      const up = (Math.atan(l[11]) - Math.atan(l[10])) * (180 / Math.PI);
      return walk({ pan: dx * across, tilt: dy * up });
    }
  }
}

/** Moves the camera itself: drags, wheel and keys become one edit each. Clicks go to `onClick`. */
export function useWalking(
  canvas: React.RefObject<HTMLCanvasElement | null>,
  onClick: (e: PointerEvent) => void,
): void {
  useEffect(() => {
    const el = canvas.current;
    if (!el) return;
    let g: Gesture | null = null;
    let moved = false;
    let arrow: Gesture | null = null;
    let wheel = { dolly: 0, lens: 1, timer: 0 };
    const ready = () => {
      if (theCore().slot(lensCamera(state())) < 0) return false;
      if (state().playing) useSequence.setState({ playing: false });
      return true;
    };
    const down = (e: PointerEvent) => {
      if (!ready()) return;
      el.setPointerCapture(e.pointerId);
      const tool: LensTool = e.shiftKey || e.button === 1 ? 'truck' : e.ctrlKey ? 'orbit' : state().lensTool;
      g = { x: e.clientX, y: e.clientY, tool, lens: lensNow(), about: aboutPoint() };
      moved = false;
    };
    const move = (e: PointerEvent) => {
      if (!g || state().picking) return;
      if (!moved && Math.hypot(e.clientX - g.x, e.clientY - g.y) < CLICK_PX) return;
      if (!moved) remember(lensCamera(state()));
      moved = true;
      preview(
        NAMES[g.tool],
        dragged(g, (e.clientX - g.x) / el.clientWidth, (e.clientY - g.y) / el.clientHeight),
      );
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
      if (wheel.dolly === 0 && wheel.lens === 1) remember(lensCamera(state()));
      clearTimeout(wheel.timer);
      if (e.altKey || state().lensTool === 'zoom') {
        if (wheel.lens === 1) wheel.lens = lensNow()[0];
        wheel.lens *= Math.exp(-Math.sign(e.deltaY) * 0.04);
        preview('Change the lens', setLens(wheel.lens));
      } else {
        const reach = aboutPoint().alongM;
        wheel.dolly -= Math.sign(e.deltaY) * Math.min(5, Math.max(0.02, reach * 0.04));
        preview('Dolly', walk({ dolly: wheel.dolly }));
      }
      wheel.timer = globalThis.setTimeout(() => {
        commitPreview();
        wheel = { dolly: 0, lens: 1, timer: 0 };
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
        arrow = { x: 0, y: 0, tool, lens: lensNow(), about: aboutPoint() };
      }
      arrow.x += a[0];
      arrow.y += a[1];
      // an arrow up does what dragging up does, but that truck and roll go where it points
      const up = tool === 'dolly' || tool === 'zoom' || tool === 'orbit' ? 1 : -1;
      preview(
        NAMES[tool],
        tool === 'turn'
          ? walk({ pan: -arrow.x, tilt: -arrow.y })
          : dragged(arrow, -arrow.x * 0.02, arrow.y * 0.02 * up),
      );
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
  }, [canvas, onClick]);
}
