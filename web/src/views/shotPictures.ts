import { useEffect, useRef, useState } from 'react';
import { sceneVersion } from '../session/programme';
import { atFrame, takeOf } from '../session/evaluated';
import { useSequence } from '../session/state';
import { drawnSoFar } from './drawnSoFar';
import { LensPicture } from './LensPicture';
import { stage } from './stage';
import { fit, giveBack, takeSheet } from './surfaces';

/** How wide a shot's picture is, pixels. */
const WIDE_PX = 192;

/** Nothing was edited for so long before pictures are drawn anew, ms. */
const QUIET_MS = 900;

/** A shot of which there is to be a picture: of a frame of the scene in its middle. */
export interface Pictured {
  id: string;
  camera: string | null;
  middle: number;
}

/** Draws shots' middle frames one after the other, and hands each over as the address of an image. */
class Drawing {
  private readonly sheet = takeSheet();
  private readonly picture = new LensPicture(this.sheet.renderer, () => {});
  private waiting: Pictured[] = [];
  private ready = false;
  private gone = false;
  private asked = 0;
  private drawn = () => true;
  /** What each picture was made of, by the shot's id. */
  private readonly made = new Map<string, string>();

  constructor(
    private readonly aspect: number,
    private readonly came: (id: string, address: string) => void,
  ) {
    void this.picture.prepare().then((can) => {
      this.ready = can;
      this.ask();
    });
  }

  all(rows: Pictured[]): void {
    this.waiting = rows.filter((r) => r.camera && this.made.get(r.id) !== this.of(r));
    this.ask();
  }

  /** Takes it that all look different: what they show has come from the server since. */
  forget(): void {
    this.made.clear();
  }

  private of(r: Pictured): string {
    return `${r.camera} ${r.middle} ${takeOf(r.id)} ${sceneVersion()}`;
  }

  private ask(): void {
    if (!this.asked && this.ready && !this.gone && this.waiting.length)
      this.asked = requestAnimationFrame(() => this.next());
  }

  private next(): void {
    this.asked = 0;
    if (!this.drawn()) return this.ask(); // what one drawing asks of the graphics side would wait for the one before it
    const row = this.waiting.shift();
    if (!row) return;
    this.made.set(row.id, this.of(row));
    const { canvas, renderer } = this.sheet;
    fit(this.sheet, WIDE_PX, Math.round(WIDE_PX / this.aspect));
    atFrame(row.middle, () => this.picture.draw(row.camera!, [1, 1]), 1, takeOf(row.id));
    this.drawn = drawnSoFar(renderer);
    void canvas.convertToBlob({ type: 'image/jpeg' }).then((blob) => {
      if (!this.gone) this.came(row.id, URL.createObjectURL(blob));
    });
    this.ask();
  }

  dispose(): void {
    this.gone = true;
    cancelAnimationFrame(this.asked);
    this.picture.dispose();
    giveBack(this.sheet);
  }
}

/** A picture of each shot's middle frame as the lens view shows it, by the shot's id: the address of an image. */
export function useShotPictures(rows: Pictured[], aspect: number): Record<string, string> {
  const version = useSequence((s) => s.version);
  const [pictures, setPictures] = useState<Record<string, string>>({});
  const [came, setCame] = useState(0);
  const drawing = useRef<Drawing>(null);
  useEffect(() => {
    const addresses = new Map<string, string>();
    const d = new Drawing(aspect, (id, address) => {
      const was = addresses.get(id);
      addresses.set(id, address);
      setPictures((p) => ({ ...p, [id]: address }));
      if (was) setTimeout(() => URL.revokeObjectURL(was), QUIET_MS); // it may be shown for a moment yet
    });
    drawing.current = d;
    return () => {
      drawing.current = null;
      d.dispose();
      for (const a of addresses.values()) URL.revokeObjectURL(a);
      setPictures({});
    };
  }, [aspect]);
  useEffect(() => {
    const seen = () => {
      const { frame, version, shot } = useSequence.getState();
      return [frame, version, shot].join();
    };
    let was = seen();
    return stage.listen(() => {
      // neither another frame nor an edit: models or pictures have come
      if (seen() === was) {
        drawing.current?.forget();
        setCame((n) => n + 1);
      }
      was = seen();
    });
  }, []);
  const asked = rows.map((r) => `${r.id} ${r.camera} ${r.middle}`).join();
  useEffect(() => {
    const quiet = setTimeout(() => drawing.current?.all(rows), QUIET_MS);
    return () => clearTimeout(quiet);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the rows are what `asked` says
  }, [version, asked, came, aspect]);
  return pictures;
}
