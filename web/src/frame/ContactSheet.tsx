import { setView } from '../session/view';
import { camerasOf } from '../session/cameras';
import { useEffect, useRef, useState } from 'react';
import { LensRow } from '../core/types';
import { core, evaluated } from '../session/evaluated';
import { useSettings } from '../session/settings';
import { cutTo } from '../doing/cutting';
import { shownShot } from '../session/programme';
import { onReel } from '../session/time';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { LensPicture } from '../views/LensPicture';
import { stage } from '../views/stage';
import { drawnSoFar } from '../views/drawnSoFar';
import { fit, giveBack, takeSheet } from '../views/surfaces';
import { Bare } from '../kit/Bare';
import { IconAction } from '../kit/IconAction';
import * as Icon from '../kit/icons';
import { Pill } from '../kit/Pill';
import './frame.css';

/** Tiles on a page: more would be too small to judge, and too many to draw in step. */
const ON_A_PAGE = 12;

/** Widest picture of a tile, pixels. */
const MOST_PX = 640;

/** Every camera's view of this frame, live: one tile is drawn after the other, so nothing waits. */
export function ContactSheet() {
  'use no memo';
  const entities = useSequence((s) => s.entities);
  const frame = useSequence((s) => s.frame);
  useSequence((s) => s.version);
  const { cameraPackage } = useSettings();
  const aspect = cameraPackage.deliveryWidth / cameraPackage.deliveryHeight;
  const tiles = useRef(new Map<string, HTMLCanvasElement>());
  const all = camerasOf(entities);
  const pages = Math.max(1, Math.ceil(all.length / ON_A_PAGE));
  const [turned, setTurned] = useState(0);
  const page = Math.min(turned, pages - 1);
  const cameras = all.slice(page * ON_A_PAGE, (page + 1) * ON_A_PAGE);
  useEffect(() => {
    const sheet = takeSheet();
    const { canvas, renderer } = sheet;
    const waiting = new Set<string>();
    let [asked, ready, left] = [0, false, false];
    let drawn = () => true;
    const ask = () => {
      if (!asked && ready && !left) asked = requestAnimationFrame(next);
    };
    const all = () => {
      for (const id of tiles.current.keys()) waiting.add(id);
      ask();
    };
    const picture = new LensPicture(renderer, all);
    /** As large as the tiles are shown. */
    const fitTiles = () => {
      const [tile] = tiles.current.values();
      const width = Math.max(16, Math.min(MOST_PX, Math.round((tile?.clientWidth ?? 0) * devicePixelRatio)));
      fit(sheet, width, Math.round(width / aspect));
    };
    const next = () => {
      asked = 0;
      if (!drawn()) return ask(); // what one drawing asks of the graphics side would wait for the one before it
      const [id] = waiting;
      if (id === undefined) return;
      waiting.delete(id);
      const tile = tiles.current.get(id);
      if (tile) {
        fitTiles();
        picture.draw(id, [1, 1]);
        drawn = drawnSoFar(renderer);
        // handed over as it lies on the graphics side, so that nothing waits for it here
        tile.getContext('bitmaprenderer')!.transferFromImageBitmap(canvas.transferToImageBitmap());
        tile.dataset.drawn = String(useSequence.getState().frame);
      }
      if (waiting.size) ask();
    };
    fitTiles();
    void picture.prepare().then((can) => {
      ready = can;
      all();
    });
    const leave = stage.listen(all);
    return () => {
      left = true;
      leave();
      cancelAnimationFrame(asked);
      picture.dispose();
      giveBack(sheet);
    };
  }, [aspect, cameras.length, page]);
  const live = shownShot();
  const cuts = useSequence((s) => onReel(s) && (s.playing || s.cutting !== 'off'));
  useSequence((s) => s.reel);
  return (
    <section className="view contact-sheet" aria-label="Contact sheet">
      <div className="view-bar">
        <strong>Contact sheet</strong>
        <span className="muted">
          {`${all.length === 1 ? '1 camera' : `${all.length} cameras`} on frame ${Math.round(frame)}`}
          {cuts ? ': a tile cuts to its camera' : ''}
        </span>
        <span className="grow" />
        {pages > 1 ? (
          <>
            <IconAction aria-label="Page before" disabled={page === 0} onClick={() => setTurned(page - 1)}>
              <Icon.StepBack />
            </IconAction>
            <span className="mono">{`${page + 1} of ${pages}`}</span>
            <IconAction
              aria-label="Next page"
              disabled={page === pages - 1}
              onClick={() => setTurned(page + 1)}
            >
              <Icon.StepOn />
            </IconAction>
          </>
        ) : null}
        <Pill onClick={() => setView({ over: null })}>Back to the views</Pill>
      </div>
      {all.length === 0 ? <p className="empty">There is no camera yet. Add one in the roster.</p> : null}
      <div className="tiles">
        {cameras.map((c) => {
          const slot = core().slot(c.id);
          const { lens } = evaluated();
          const shot = live?.camera === c.id ? live : undefined;
          return (
            <Bare
              key={c.id}
              className={`tile ${shot ? 'live' : ''}`}
              data-tile={c.id}
              onClick={() => {
                if (cuts) return cutTo(c.id);
                select(c.id);
                setView({ over: null });
              }}
            >
              <canvas
                style={{ aspectRatio: aspect }}
                ref={(el) => {
                  if (el) tiles.current.set(c.id, el);
                  else tiles.current.delete(c.id);
                }}
              />
              <span className="tile-foot">
                <span className="badge" style={{ background: c.colour }}>
                  {c.letter}
                </span>
                <span className="name">{c.name}</span>
                <span className="mono muted">
                  {core().showNumber(lens[slot * LensRow.SIZE + LensRow.FOCAL], 'millimetres')}
                </span>
              </span>
              {shot ? <span className="mono tile-shot">{shot.shot}</span> : null}
            </Bare>
          );
        })}
      </div>
    </section>
  );
}
