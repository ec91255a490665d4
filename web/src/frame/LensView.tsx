import { useWithKeys } from '../shortcuts/words';
import { BoardOver, fullScreen, GapSlate, SlateOver } from './SlateOver';
import { at } from '../session/http';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Camera } from '../core/types';
import { AimPlace } from './AimPlace';
import { DepthRuler } from './DepthRuler';
import { SubjectWay } from './SubjectWay';
import { GuideLines } from './GuideLines';
import { LensTools } from './LensTools';
import { useWalking } from './walking';
import { LensRow } from '../core/types';
import { core, evaluated, useCore } from '../session/evaluated';
import { useSettings } from '../session/settings';
import { edit, previewing } from '../session/document';
import { givePicked, endPicking } from '../session/selection';
import { useSequence } from '../session/state';
import { lensCamera, setView } from '../session/view';
import { Editing } from '../kit/Editing';
import * as Icon from '../kit/icons';
import { Tip } from '../kit/Tip';
import { CompareOver } from './CompareOver';
import { whenAskedForAxisPoint } from '../doing/axisPoint';
import { LensPicture, type Seen } from '../views/LensPicture';
import { stage } from '../views/stage';
import { drawnSoFar } from '../views/drawnSoFar';
import { fit as fitSurface, useSurface } from '../views/surfaces';
import { IconAction } from '../kit/IconAction';
import { Pill } from '../kit/Pill';
import './frame.css';

/** The delivery frame inside the view, in pixels. */
interface Frame {
  left: number;
  top: number;
  width: number;
  height: number;
}

const SETTLE_MS = 400;

const CANVAS = { tabindex: '0', 'aria-label': 'Delivery frame', 'data-testid': 'lens', 'data-keys': 'lens' };

/** What the camera delivers, and walking it about. */
export function LensView({ alone = false }: { alone?: boolean }) {
  const box = useRef<HTMLDivElement>(null);
  const surface = useSurface('lens', box, CANVAS);
  const picture = useRef<LensPicture | null>(null);
  const [failed, setFailed] = useState('');
  const [seen, setSeen] = useState<Seen | null>(null);
  const [inside, setInside] = useState('');
  const [frame, setFrame] = useState<Frame>({ left: 0, top: 0, width: 16, height: 9 });
  const id = useSequence(lensCamera);
  const camera = useSequence((s) => s.entities[lensCamera(s)] as Camera | undefined);
  const desk = useSequence((s) => s.desk);
  const picking = useSequence((s) => s.picking);
  // takes are compared while their shot is looked at
  const compared = useSequence((s) =>
    s.compared?.takes && s.compared.takes.shot !== s.shot ? null : s.compared,
  );
  const followCut = useSequence((s) => s.followCut);
  const slate = useSequence((s) => s.slate);
  const { deliveryWidth, deliveryHeight } = useSettings().cameraPackage;
  const aspect = deliveryWidth / deliveryHeight;
  const whole = !camera || camera.surround >= 1;

  useEffect(() => {
    if (!surface.current) {
      setFailed(
        'This browser cannot draw in 3D (WebGL 2 is off). Switch on hardware acceleration and reload.',
      );
      return;
    }
    const on = surface.current;
    const { renderer, canvas } = on;
    let asked = 0;
    let settle = 0;
    let wider: [number, number] = [1, 1];
    let exposing = 0;
    /** The picture as its open shutter sees it, a moment after the other while nothing else is drawn. */
    const expose = () => {
      const s = useSequence.getState();
      const next = s.playing || previewing() ? null : picture.current?.exposed(lensCamera(s), wider);
      let drawn = () => true;
      const go = () => {
        if (!drawn()) return void (exposing = requestAnimationFrame(go));
        if (!next!()) return void (canvas.dataset.exposed = `${s.frame}/${s.version}`);
        drawn = drawnSoFar(renderer);
        exposing = requestAnimationFrame(go);
      };
      if (next) exposing = requestAnimationFrame(go);
    };
    const look = () => {
      setInside(useSequence.getState().playing ? '' : (picture.current?.inside() ?? ''));
      expose();
    };
    const draw = () => {
      asked = 0;
      cancelAnimationFrame(exposing);
      const s = useSequence.getState();
      const now = picture.current!.draw(lensCamera(s), wider, true);
      setSeen((old) => (JSON.stringify(old) === JSON.stringify(now) ? old : now));
      canvas.dataset.drawn = `${s.frame}/${s.version}`;
      clearTimeout(settle);
      settle = globalThis.setTimeout(look, SETTLE_MS) as unknown as number;
    };
    let ready = false; // its shaders are made beside the page, which goes on meanwhile
    let shown = false;
    const ask = () => {
      if (!asked && ready && shown) asked = requestAnimationFrame(draw);
    };
    picture.current = new LensPicture(renderer, ask);
    void picture.current.prepare().then((can) => {
      ready = can;
      ask();
    });
    // whole pixels of the screen: what is drawn in a part of the picture, or by way of a target, falls on the same ones
    const fine = renderer.getPixelRatio();
    const exact = (px: number) => Math.floor(px * fine) / fine;
    const fit = () => {
      const r = box.current?.getBoundingClientRect();
      shown = !!r?.width; // it may be taken away just now, or lie under something
      if (!r || !shown) return;
      const room = whole ? 1 : 0.8; // leave some of the surround to be seen
      const w = exact(Math.max(16, Math.min(r.width, r.height * aspect) * room));
      const h = exact(Math.max(9, w / aspect));
      setFrame({ left: (r.width - w) / 2, top: (r.height - h) / 2, width: w, height: h });
      const size = whole ? [w, h] : [exact(Math.max(16, r.width)), exact(Math.max(9, r.height))];
      wider = [size[0] / w, size[1] / h];
      fitSurface(on, size[0], size[1]);
      ask();
    };
    const size = new ResizeObserver(fit);
    size.observe(box.current!);
    whenAskedForAxisPoint(() => picture.current?.pick(0, 0)?.point ?? null);
    fit();
    const leave = stage.listen(ask);
    return () => {
      ready = false;
      leave();
      size.disconnect();
      cancelAnimationFrame(asked);
      cancelAnimationFrame(exposing);
      clearTimeout(settle);
      picture.current?.dispose();
    };
  }, [aspect, whole, surface]);

  const click = useCallback(
    (e: PointerEvent) => {
      const s = useSequence.getState();
      const r = surface.current!.canvas.getBoundingClientRect();
      const hit = picture.current?.pick(
        ((e.clientX - r.left) / r.width) * 2 - 1,
        1 - ((e.clientY - r.top) / r.height) * 2,
      );
      if (s.picking && hit) givePicked(hit);
    },
    [surface],
  );
  useWalking(surface, click);

  const problem = inside
    ? `The camera is inside “${inside}”. Dolly back, or move the near clip out past it.`
    : (seen?.whyEmpty ?? '');
  return (
    <section className="view lens-view" aria-label="Lens view">
      <LensBar camera={camera} alone={alone} />
      {camera && !alone && desk !== 'handover' && desk !== 'cut' ? (
        <Editing>
          <LensTools camera={camera} />
        </Editing>
      ) : null}
      <div className={`view-ground ${picking ? 'picking' : ''}`} ref={box}>
        {failed ? <p className="empty">{failed}</p> : null}
        {camera && compared?.way !== 'beside' ? <GuideLines camera={camera} frame={frame} /> : null}
        {camera && compared ? <CompareOver compared={compared} frame={frame} /> : null}
        {camera && desk === 'move' && !compared ? <SubjectWay camera={camera} frame={frame} /> : null}
        {camera && desk === 'move' && !compared ? <AimPlace camera={camera} frame={frame} /> : null}
        {picking ? <PickPrompt /> : null}
        {!camera && followCut ? <GapSlate /> : null}
        {followCut ? <BoardOver frame={frame} /> : null}
        {slate ? <SlateOver /> : null}
        {problem ? (
          <p className="view-note" role="status" data-testid="why-empty">
            {problem}
            {!inside && seen?.clipsHide ? <CutNothing camera={id} /> : null}
          </p>
        ) : seen?.cut.length ? (
          <CutNote seen={seen} camera={id} />
        ) : null}
      </div>
      {camera && !alone && (desk === 'frame' || desk === 'move' || desk === 'set') ? (
        <DepthRuler camera={camera} />
      ) : null}
      <div className="view-foot">
        <LensLine />
      </div>
    </section>
  );
}

function PickPrompt() {
  const picking = useSequence((s) => s.picking)!;
  return (
    <div className="pick-prompt">
      <span>{picking.prompt}</span>
      <Pill onClick={endPicking}>Let it be</Pill>
    </div>
  );
}

/** Which plane cuts what, with the way out. */
function CutNote({ seen, camera }: { seen: Seen; camera: string }) {
  const by = (plane: 'near' | 'far') => {
    const cut = seen.cut.filter((x) => x[plane]);
    const more = cut.length > 1 ? ` and ${cut.length - 1} more` : '';
    return cut.length ? `by the ${plane} clip: ${cut[0].name}${more}` : '';
  };
  return (
    <p className="view-note small" role="status" data-testid="cut-note">
      <span>{`Cut off ${[by('near'), by('far')].filter(Boolean).join('; ')}`}</span>
      <CutNothing camera={camera} />
    </p>
  );
}

/** Moves the clips that cut. */
function CutNothing({ camera }: { camera: string }) {
  const mayEdit = useSequence((s) => s.mayEdit);
  return (
    <Pill
      disabled={!mayEdit}
      onClick={() => {
        const { header } = useSequence.getState();
        edit('Nothing is cut off', ...core().nothingCutOff(camera, header.firstFrame, header.lastFrame));
      }}
    >
      Nothing is cut off
    </Pill>
  );
}

function LensBar({ camera, alone }: { camera: Camera | undefined; alone: boolean }) {
  const withKeys = useWithKeys();
  const followCut = useSequence((s) => s.followCut);
  const sharpTint = useSequence((s) => s.sharpTint);
  const slate = useSequence((s) => s.slate);
  return (
    <div className="view-bar">
      {camera ? (
        <span className="badge" style={{ background: camera.colour }}>
          {camera.letter}
        </span>
      ) : null}
      <strong>{camera ? camera.name : followCut ? 'Gap in the cut' : 'No camera'}</strong>
      <span className="grow" />
      {camera ? (
        <>
          <Tip text="Tint what is sharp enough">
            <Pill tone="lilac" on={sharpTint} onClick={() => setView({ sharpTint: !sharpTint })}>
              Sharp
            </Pill>
          </Tip>
          <Editing>
            <Tip text="Depth-of-field blur for this camera, here and in the render">
              <Pill
                tone="lilac"
                on={camera.depthOfField}
                onClick={() =>
                  edit('Depth of field', {
                    kind: 'setDepthOfField',
                    camera: camera.id,
                    on: !camera.depthOfField,
                  })
                }
              >
                Blur
              </Pill>
            </Tip>
            <Tip text="Motion blur for this camera, as long as its shutter is open: here while the picture stands still, and in the render">
              <Pill
                tone="lilac"
                on={camera.motionBlur}
                aria-label="Shutter: motion blur"
                onClick={() =>
                  edit('Motion blur', { kind: 'setMotionBlur', camera: camera.id, on: !camera.motionBlur })
                }
              >
                Shutter
              </Pill>
            </Tip>
          </Editing>
        </>
      ) : null}
      <Tip text="Show the camera that the cut has live on each frame">
        <Pill on={followCut} aria-label="Follow the cut" onClick={() => setView({ followCut: !followCut })}>
          <span className="word">Follow the&nbsp;</span>cut
        </Pill>
      </Tip>
      {followCut ? (
        <Tip text="Shot, camera, frame and timecode over the picture">
          <Pill on={slate} onClick={() => setView({ slate: !slate })}>
            Slate
          </Pill>
        </Tip>
      ) : null}
      {followCut ? (
        <Tip text={withKeys('The picture fills the screen; Escape leaves', 'fullScreen')}>
          <IconAction size="small" aria-label="Full screen" onClick={fullScreen}>
            <Icon.Whole />
          </IconAction>
        </Tip>
      ) : null}
      {alone ? null : (
        <Tip text="Open this lens view in a window of its own, live">
          <IconAction size="small" aria-label="Open in a window of its own" onClick={openWindow}>
            <Icon.Apart />
          </IconAction>
        </Tip>
      )}
    </div>
  );
}

function openWindow(): void {
  window.open(at(`/?view=lens${location.hash}`), 'jolly-kite-lens', 'width=960,height=620');
}

/** Lens and limits of the camera in one line, as the core gives them. */
function LensLine() {
  const id = useSequence(lensCamera);
  const text = useCore((c) => {
    const slot = c.slot(id);
    if (slot < 0) return '';
    const { lens } = evaluated();
    const r = c.lensReport(id);
    const show = c.showNumber;
    const sharp = `${show(r.nearLimitM, 'metres')} – ${r.farLimitM === null ? '∞' : show(r.farLimitM, 'metres')}`;
    return `${show(lens[slot * LensRow.SIZE + LensRow.FOCAL], 'millimetres')} ${r.reach} · ${show(r.horizontalDegrees, 'degrees')} · f/${show(lens[slot * LensRow.SIZE + LensRow.F_STOP], 'fStop')} · sharp ${sharp}`;
  });
  return <span className="mono muted lens-line">{text}</span>;
}
