import { Tick } from '../kit/Tick';
import { useSettings } from '../session/settings';
import { useState } from 'react';
import type { Camera, ChannelInfo, Fit, LensReport, Side } from '../core/types';
import { core, useCore, useCoreStill } from '../session/evaluated';
import { Fields } from '../fields/NumberField';
import { TextNumber } from '../fields/TextNumber';
import { Choice } from '../kit/Choice';
import { edit } from '../session/document';
import { mayKey } from '../session/laneState';
import { editProposed } from '../session/proposals';
import { attempt } from '../session/said';
import { useSequence } from '../session/state';
import { Looking } from '../kit/Editing';
import { Tip } from '../kit/Tip';
import { FIT_NAMES } from '../fields/choices';
import { useAboutSubject } from '../doing/about';
import { remember } from '../doing/earlierViews';
import { Chip } from '../kit/Chip';
import { Pill } from '../kit/Pill';

/** Focal length with the kit's stops, what it sees, and the film back it sees it on. */
export function LensCard({ camera, channels }: { camera: Camera; channels: ChannelInfo[] }) {
  const [more, setMore] = useState(false);
  const [keep, setKeep] = useState(false);
  const frame = useSequence((s) => s.frame);
  const desk = useSequence((s) => s.desk);
  const kits = useSequence((s) => s.header.standards.kits);
  const entities = useSequence((s) => s.entities);
  const r = useCore((c) => c.lensReport(camera.id));
  const full = desk === 'frame';
  const focal = channels.find((c) => c.address === 'focalLength')!;
  const subject = useAboutSubject();
  const setLens = (mm: number): boolean => {
    remember(camera.id);
    if (keep && subject)
      return editProposed(
        `${core().showNumber(mm, 'millimetres')}, keeping ${entities[subject].name}’s size`,
        () => core().keepSize(camera.id, subject, mm, frame, mayKey()),
      );
    return edit(`Lens ${core().showNumber(mm, 'millimetres')}`, {
      kind: 'setValue',
      id: camera.id,
      channel: 'focalLength',
      frame,
      value: mm,
      key: mayKey(),
    });
  };
  const angle = (side: Side) => (v: number) =>
    attempt(() => setLens(core().focalLengthFor(camera.id, v, side))) ?? false;
  const fitting = kits.filter((k) => k.squeeze === r.squeeze);
  const primes = [
    ...new Set(
      fitting.flatMap((k) => k.lenses.filter((l) => l.shortestMm === l.longestMm).map((l) => l.shortestMm)),
    ),
  ].sort((a, b) => a - b);
  const first = ['focalLength', 'fStop', 'focusDistance', 'nearClip', 'farClip'];
  return (
    <div className="card" style={{ borderLeftColor: 'var(--lilac)' }} data-card="lens">
      <div className="card-head">
        <span className="card-name">Lens</span>
        <span className="tag" data-testid="reach">
          {r.reach}
        </span>
        <Looking aria-expanded={more} onClick={() => setMore(!more)}>
          {more ? 'Less' : 'More'}
        </Looking>
      </div>
      {r.note ? <p className="says warn">{r.note}</p> : null}
      {r.beyondFilm ? <p className="says warn">{r.beyondFilm}</p> : null}
      {full ? (
        <div className="primes" role="group" aria-label="Primes of the kit">
          {primes.map((mm) => (
            <Chip
              on={Math.abs(mm - focal.value) < 0.005}
              key={mm}

              onClick={() => setLens(mm)}
            >
              {mm}
            </Chip>
          ))}
        </div>
      ) : null}
      {full ? (
        <Tick checked={keep} onChange={(e) => setKeep(e.target.checked)}>
          {subject
            ? `Keep ${entities[subject]?.name ?? 'the subject'}’s size: the camera dollies`
            : 'Keep the subject’s size (there is none in frame)'}
        </Tick>
      ) : null}
      <div className="numbers">
        <TextNumber
          label="Sees across"
          value={r.horizontalDegrees}
          unit="degrees"
          onChange={angle('across')}
        />
        {full ? (
          <>
            <TextNumber label="Sees up" value={r.verticalDegrees} unit="degrees" onChange={angle('up')} />
            <TextNumber
              label="Diagonal"
              value={r.diagonalDegrees}
              unit="degrees"
              onChange={angle('diagonal')}
            />
          </>
        ) : null}
      </div>
      <Fields
        id={camera.id}
        name={camera.name}
        channels={channels.filter((c) => more || first.includes(c.address))}
      />
      {full ? <FilmBackChoice camera={camera} report={r} /> : null}
    </div>
  );
}

/** The film back: the sequence's, one of the trade's, or one of your own measures. */
function FilmBackChoice({ camera, report }: { camera: Camera; report: LensReport }) {
  const backs = useCoreStill((c) => c.filmBacks());
  const own = camera.filmBack;
  const set = (filmBack: Camera['filmBack'], fit: Fit | null) =>
    edit('Film back', { kind: 'setBack', camera: camera.id, filmBack, fit });
  const { filmBackName: shared } = useSettings();
  const named = useCoreStill((c) => own && c.filmBackName(own));
  return (
    <>
      <Choice
        label="Film back"
        value={own ? (named ?? 'own') : ''}
        options={[
          ['', `the sequence’s: ${own ? shared : report.filmBack}`],
          ...backs.map((b): [string, string] => [b.name, b.name]),
          ['own', 'other measures …'],
        ]}
        onChange={(v) => {
          if (v === '') set(null, camera.fit);
          else if (v === 'own') set(own ?? { widthMm: 25, heightMm: 15, squeeze: 1 }, camera.fit);
          else {
            set(backs.find((b) => b.name === v)!.back, camera.fit);
          }
        }}
      />
      {own ? (
        <div className="numbers">
          <TextNumber
            label="Width"
            unit="millimetres"
            value={own.widthMm}
            onChange={(v) => set({ ...own, widthMm: v }, camera.fit)}
          />
          <TextNumber
            label="Height"
            unit="millimetres"
            value={own.heightMm}
            onChange={(v) => set({ ...own, heightMm: v }, camera.fit)}
          />
          <TextNumber
            label="Squeeze"
            unit="factor"
            value={own.squeeze}
            onChange={(v) => set({ ...own, squeeze: v }, camera.fit)}
          />
        </div>
      ) : null}
      <Choice
        label="Fit"
        value={camera.fit ?? ''}
        options={[['', 'the sequence’s'], ...FIT_NAMES]}
        onChange={(v) => set(camera.filmBack, (v || null) as Fit | null)}
      />
      {own || camera.fit ? (
        <p className="says own">
          This camera decides for itself.{' '}
          <Tip text="Follow the sequence’s film back and fit again">
            <Pill onClick={() => set(null, null)}>Follow again</Pill>
          </Tip>
        </p>
      ) : null}
    </>
  );
}
