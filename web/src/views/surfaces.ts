import * as THREE from 'three';
import { useLayoutEffect, useRef, type RefObject } from 'react';

/** Finer screens than this are drawn no finer: nobody sees it, and it costs by its square. */
const MOST_PIXEL_RATIO = 2;

/** What a surface is drawn on for. What is drawn alike needs the same shaders. */
export type Use = 'lens' | 'set' | 'sheet';

/** A canvas and what draws on it. Its shaders stay made: making them is the longest part of opening a view. */
export interface Surface<C extends HTMLCanvasElement | OffscreenCanvas = HTMLCanvasElement> {
  readonly use: Use;
  readonly canvas: C;
  readonly renderer: THREE.WebGLRenderer;
}

type AnySurface = Surface<HTMLCanvasElement | OffscreenCanvas>;

/** Surfaces that no view has: a view that is opened takes one of these before one is made. */
const idle: AnySurface[] = [];

let software: boolean | undefined;

/** Whether drawing is done without a graphics card; asked once. */
export function inSoftware(): boolean {
  if (software !== undefined) return software;
  const probe = document.createElement('canvas').getContext('webgl2');
  const name = probe?.getExtension('WEBGL_debug_renderer_info') ? String(probe.getParameter(0x9246)) : '';
  probe?.getExtension('WEBGL_lose_context')?.loseContext();
  return (software = /swiftshader|llvmpipe|software/i.test(name));
}

/** Where drawing is done in software, edges stay unsmoothed so that the page stays quick. */
function made<C extends HTMLCanvasElement | OffscreenCanvas>(use: Use, canvas: C): Surface<C> {
  const r = new THREE.WebGLRenderer({ canvas, antialias: !inSoftware(), preserveDrawingBuffer: true });
  // asking for a shader's faults holds the page up until it is made
  r.debug.checkShaderErrors = import.meta.env.DEV;
  r.shadowMap.enabled = true;
  r.shadowMap.autoUpdate = false;
  return { use, canvas, renderer: r };
}

/** One that was given back, or undefined; one whose graphics side was lost is let go. */
function fromIdle(use: Use): AnySurface | undefined {
  for (;;) {
    const at = idle.findIndex((s) => s.use === use);
    if (at < 0) return undefined;
    const [s] = idle.splice(at, 1);
    if (!s.renderer.getContext().isContextLost()) return s;
    s.renderer.dispose();
  }
}

/**
 * A surface to draw on; it is given back with {@link giveBack}.
 *
 * @throws when the browser cannot draw in 3D
 */
export function takeSurface(use: 'lens' | 'set'): Surface {
  const s = (fromIdle(use) as Surface | undefined) ?? made(use, document.createElement('canvas'));
  const fine = Math.min(devicePixelRatio, MOST_PIXEL_RATIO);
  if (s.renderer.getPixelRatio() !== fine) s.renderer.setPixelRatio(fine);
  return s;
}

/** A surface of which the pictures are handed on; one pixel of it is one of the picture. */
export function takeSheet(): Surface<OffscreenCanvas> {
  return (
    (fromIdle('sheet') as Surface<OffscreenCanvas> | undefined) ?? made('sheet', new OffscreenCanvas(1, 1))
  );
}

/** Leaves a surface to the next view that is opened, as large as it is: most are opened as large again. What was drawn on it is gone. */
export function giveBack(s: AnySurface): void {
  s.renderer.setRenderTarget(null);
  s.renderer.clear();
  idle.push(s);
}

/** Sees to it that so many surfaces are there to be taken at once: the page goes on between one and the next. */
export async function makeAhead(use: 'lens' | 'set', count: number): Promise<void> {
  while (idle.filter((s) => s.use === use).length < count) {
    await new Promise((on) => setTimeout(on));
    try {
      idle.push(made(use, document.createElement('canvas')));
    } catch {
      return; // no 3D here: the view that is opened says so
    }
  }
}

/** Attributes of a canvas that say how large it is: the renderer's, which goes by what it set last. */
const SIZE = ['width', 'height', 'style'];

const had = new THREE.Vector2();

/**
 * Makes what a renderer draws on as large as said, in the page's pixels. A change of size waits for all that is being drawn
 * and wipes it, so none is made for nothing.
 */
export function fit({ canvas, renderer }: AnySurface, width: number, height: number): void {
  renderer.getSize(had);
  if (had.x !== width || had.y !== height)
    renderer.setSize(width, height, canvas instanceof HTMLCanvasElement);
}

/**
 * Puts a surface into a box, behind all else that is in it, for as long as the view is there.
 *
 * @param attributes of the canvas, as they are when the view is first shown
 * @returns null in it when the browser cannot draw in 3D
 */
export function useSurface(
  use: 'lens' | 'set',
  box: RefObject<HTMLElement | null>,
  attributes: Record<string, string>,
): RefObject<Surface | null> {
  const surface = useRef<Surface | null>(null);
  const first = useRef(attributes);
  useLayoutEffect(() => {
    let s: Surface;
    try {
      s = takeSurface(use);
    } catch (e) {
      console.warn('No 3D', e);
      return;
    }
    surface.current = s;
    for (const [name, value] of Object.entries(first.current)) s.canvas.setAttribute(name, value);
    box.current!.prepend(s.canvas);
    return () => {
      surface.current = null;
      s.canvas.remove();
      for (const name of s.canvas.getAttributeNames())
        if (!SIZE.includes(name)) s.canvas.removeAttribute(name);
      giveBack(s);
    };
  }, [use, box]);
  return surface;
}
