import { useEffect, useMemo, useRef, useState } from 'react';
import * as THREE from 'three';
import { theCore } from '../core/load';
import type { Camera, Command } from '../core/types';
import { evaluated, LENS } from '../sequence/evaluated';
import { commitPreview, edit, lensCamera, mayKey, preview, useSequence } from '../sequence/store';
import { Tip } from '../shell/Tip';
import { DepthOfFieldPass } from './depthOfField';
import { lookThrough } from './lensCamera';
import { rendererFor, stage } from './stage';

const WHEEL_PAUSE_MS = 350;

/** What the camera delivers, and walking it about. */
export function LensView() {
  const canvas = useRef<HTMLCanvasElement>(null);
  const box = useRef<HTMLDivElement>(null);
  const [failed, setFailed] = useState('');
  const camera = useSequence((s) => s.entities[lensCamera(s)] as Camera | undefined);
  const followCut = useSequence((s) => s.followCut);
  const header = useSequence((s) => s.header);
  const aspect = header.cameraPackage.deliveryWidth / header.cameraPackage.deliveryHeight;

  useEffect(() => {
    let renderer: THREE.WebGLRenderer;
    try {
      renderer = rendererFor(canvas.current!);
    } catch {
      setFailed(
        'This browser cannot draw in 3D (WebGL 2 is off). Switch on hardware acceleration and reload.',
      );
      return;
    }
    let shadows = -1;
    const eye = new THREE.PerspectiveCamera();
    const blur = new DepthOfFieldPass();
    let asked = 0;
    const draw = () => {
      asked = 0;
      const s = useSequence.getState();
      const id = lensCamera(s);
      stage.update();
      renderer.shadowMap.needsUpdate = shadows !== stage.shadows;
      shadows = stage.shadows;
      const c = s.entities[id] as Camera | undefined;
      if (!c || !lookThrough(id, eye)) {
        renderer.setClearColor('#000000');
        renderer.clear();
      } else if (c.depthOfField) blur.render(renderer, stage.scene, eye, id);
      else renderer.render(stage.scene, eye);
      canvas.current!.dataset.drawn = `${s.frame}/${s.version}`;
    };
    const ask = () => {
      if (!asked) asked = requestAnimationFrame(draw);
    };
    const fit = () => {
      const r = box.current!.getBoundingClientRect();
      const w = Math.max(16, Math.floor(Math.min(r.width, r.height * aspect)));
      renderer.setSize(w, Math.max(9, Math.round(w / aspect)));
      ask();
    };
    const size = new ResizeObserver(fit);
    size.observe(box.current!);
    fit();
    const leave = stage.listen(ask);
    return () => {
      leave();
      size.disconnect();
      cancelAnimationFrame(asked);
      renderer.dispose();
    };
  }, [aspect]);

  useWalking(canvas);
  const held = camera?.rig.some((p) => p.kind === 'attention' && p.on && p.subjects.length > 0);
  return (
    <section className="view lens-view" aria-label="Lens view">
      <div className="view-bar">
        {camera ? (
          <span className="badge" style={{ background: camera.colour }}>
            {camera.letter}
          </span>
        ) : null}
        <strong>{camera ? camera.name : followCut ? 'Gap in the cut' : 'No camera'}</strong>
        <span className="grow" />
        {camera ? (
          <Tip text="Depth-of-field blur for this camera, here and in the render">
            <button
              className={`pill lilac ${camera.depthOfField ? 'on' : ''}`}
              aria-pressed={camera.depthOfField}
              onClick={() =>
                edit('Depth of field', {
                  kind: 'setDepthOfField',
                  camera: camera.id,
                  on: !camera.depthOfField,
                })
              }
            >
              Blur
            </button>
          </Tip>
        ) : null}
        <Tip text="Show the camera that the cut has live on each frame">
          <button
            className={`pill ${followCut ? 'on' : ''}`}
            aria-pressed={followCut}
            onClick={() => useSequence.setState({ followCut: !followCut })}
          >
            Follow the cut
          </button>
        </Tip>
      </div>
      <div className="view-ground" ref={box}>
        {failed ? (
          <p className="empty">{failed}</p>
        ) : (
          <canvas ref={canvas} tabIndex={0} aria-label="Delivery frame" data-testid="lens" />
        )}
      </div>
      <div className="view-foot">
        <LensLine />
        <span className="grow" />
        <span>
          {held
            ? 'Attention holds the aim · Shift+drag trucks · wheel dollies'
            : 'Drag turns · Shift+drag trucks · wheel dollies · Alt+wheel changes the lens'}
        </span>
      </div>
    </section>
  );
}

/** Lens and limits of the camera in one line, as the core gives them. */
function LensLine() {
  const id = useSequence(lensCamera);
  const frame = useSequence((s) => s.frame);
  const version = useSequence((s) => s.version);
  const text = useMemo(() => {
    const slot = theCore().slot(id);
    if (slot < 0 || version < 0 || frame < 0) return '';
    const { lens } = evaluated();
    const r = JSON.parse(theCore().lensReport(id)) as {
      horizontalDegrees: number;
      nearLimitM: number;
      farLimitM: number | null;
    };
    const show = (v: number, unit: string) => theCore().showNumber(v, unit);
    const sharp = `${show(r.nearLimitM, 'metres')} – ${r.farLimitM === null ? '∞' : show(r.farLimitM, 'metres')}`;
    return `${show(lens[slot * LENS], 'millimetres')} · ${show(r.horizontalDegrees, 'degrees')} · f/${show(lens[slot * LENS + 1], 'fStop')} · sharp ${sharp}`;
  }, [id, frame, version]);
  return <span className="mono muted lens-line">{text}</span>;
}

/** Moves the camera itself: drags, wheel and arrow keys become one walk each. */
function useWalking(canvas: React.RefObject<HTMLCanvasElement | null>) {
  useEffect(() => {
    const el = canvas.current;
    if (!el) return;
    let from: { x: number; y: number; shift: boolean } | null = null;
    let wheel = { dolly: 0, lens: 1, timer: 0 };
    const state = useSequence.getState;
    const walk = (
      by: Partial<Record<'truck' | 'pedestal' | 'dolly' | 'pan' | 'tilt' | 'roll', number>>,
    ): Command => ({
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
    });
    const window = () => {
      const o = theCore().slot(lensCamera(state())) * LENS;
      return evaluated().lens.slice(o, o + LENS);
    };
    const ready = () => {
      if (theCore().slot(lensCamera(state())) < 0) return false;
      if (state().playing) useSequence.setState({ playing: false });
      return true;
    };
    const down = (e: PointerEvent) => {
      if (!ready()) return;
      el.setPointerCapture(e.pointerId);
      from = { x: e.clientX, y: e.clientY, shift: e.shiftKey || e.button === 1 };
    };
    const move = (e: PointerEvent) => {
      if (!from) return;
      const l = window();
      const dx = (e.clientX - from.x) / el.clientWidth;
      const dy = (e.clientY - from.y) / el.clientHeight;
      if (from.shift)
        preview('Truck', walk({ truck: -dx * (l[9] - l[8]) * l[2], pedestal: dy * (l[11] - l[10]) * l[2] }));
      else {
        const across = (Math.atan(l[9]) - Math.atan(l[8])) * (180 / Math.PI);
        const up = (Math.atan(l[11]) - Math.atan(l[10])) * (180 / Math.PI);
        preview('Turn the camera', walk({ pan: dx * across, tilt: dy * up }));
      }
    };
    const release = () => {
      if (from) commitPreview();
      from = null;
    };
    const turn = (e: WheelEvent) => {
      e.preventDefault();
      if (!ready()) return;
      clearTimeout(wheel.timer);
      const id = lensCamera(state());
      const l = window();
      if (e.altKey) {
        const c = JSON.parse(theCore().channels(id, state().frame)) as { address: string; value: number }[];
        if (wheel.lens === 1) wheel.lens = c.find((x) => x.address === 'focalLength')!.value;
        wheel.lens *= Math.exp(-Math.sign(e.deltaY) * 0.04);
        preview('Change the lens', {
          kind: 'setValue',
          id,
          channel: 'focalLength',
          frame: state().frame,
          value: Math.round(wheel.lens * 100) / 100,
          key: mayKey(),
        });
      } else {
        wheel.dolly -= Math.sign(e.deltaY) * Math.min(5, Math.max(0.05, l[2] * 0.04));
        preview('Dolly', walk({ dolly: wheel.dolly }));
      }
      wheel.timer = globalThis.setTimeout(() => {
        commitPreview();
        wheel = { dolly: 0, lens: 1, timer: 0 };
      }, WHEEL_PAUSE_MS) as unknown as number;
    };
    const key = (e: KeyboardEvent) => {
      const arrows: Record<string, [number, number]> = {
        ArrowLeft: [1, 0],
        ArrowRight: [-1, 0],
        ArrowUp: [0, 1],
        ArrowDown: [0, -1],
      };
      const a = arrows[e.key];
      if (!a || !ready()) return;
      e.preventDefault();
      e.stopPropagation();
      const step = window()[2] * 0.02;
      const c = e.shiftKey
        ? walk({ truck: -a[0] * step, pedestal: a[1] * step })
        : walk({ pan: a[0], tilt: a[1] });
      edit(e.shiftKey ? 'Truck' : 'Turn the camera', c);
    };
    el.addEventListener('pointerdown', down);
    el.addEventListener('pointermove', move);
    el.addEventListener('pointerup', release);
    el.addEventListener('pointercancel', release);
    el.addEventListener('wheel', turn, { passive: false });
    el.addEventListener('keydown', key);
    return () => {
      el.removeEventListener('pointerdown', down);
      el.removeEventListener('pointermove', move);
      el.removeEventListener('pointerup', release);
      el.removeEventListener('pointercancel', release);
      el.removeEventListener('wheel', turn);
      el.removeEventListener('keydown', key);
    };
  }, [canvas]);
}
