import Popover from '@mui/material/Popover';
import type { Camera, Cue, Ease, Light } from '../core/types';
import { TextNumber } from '../fields/TextNumber';
import { Choice } from '../kit/Choice';
import { edit } from '../session/document';
import { useSequence } from '../session/state';
import { Pill } from '../kit/Pill';
import './lanes.css';

export const EASE_NAMES: [string, string][] = [
  ['even', 'even speed'],
  ['slowStart', 'slow start'],
  ['slowStop', 'slow stop'],
  ['slowBoth', 'slow start and stop'],
];

/** A cue in numbers: its frame, its travel and ease, and the share of each subject. */
export function CueEditor({
  camera,
  part,
  subjects,
  cue,
  at,
  onClose,
}: {
  /** A camera, or a light that is aimed. */
  camera: Camera | Light;
  part: string;
  subjects: string[];
  cue: Cue;
  at: { left: number; top: number };
  onClose: (frame: number | null) => void;
}) {
  const entities = useSequence((s) => s.entities);
  const frame = useSequence((s) => s.frame);
  const put = (label: string, next: Cue): boolean =>
    edit(label, { kind: 'putCue', camera: camera.id, part, cue: next });
  const share = (id: string, v: number): boolean => {
    const mix: Record<string, number> = { ...cue.mix, [id]: v / 100 };
    if (!v) delete mix[id];
    return put('Shares of a cue', { ...cue, mix });
  };
  return (
    <Popover open anchorReference="anchorPosition" anchorPosition={at} onClose={() => onClose(cue.frame)}>
      <div className="menu-part" role="group" aria-label={`Cue on frame ${cue.frame}`}>
        <div className="numbers">
          <TextNumber
            label="Frame"
            unit="frame"
            value={cue.frame}
            onChange={(v) => {
              const done = edit('Move a cue', {
                kind: 'moveCue',
                camera: camera.id,
                part,
                frame: cue.frame,
                toFrame: v,
                travel: cue.travel,
              });
              if (done) onClose(v);
              return done;
            }}
          />
          <TextNumber
            label="Travels, frames"
            unit="frames"
            value={cue.travel}
            onChange={(v) => put('Travel of a cue', { ...cue, travel: v })}
          />
        </div>
        <Choice
          label="Ease"
          value={cue.ease}
          options={EASE_NAMES}
          onChange={(v) => put('Ease of a cue', { ...cue, ease: v as Ease })}
        />
        {subjects.map((id) => (
          <TextNumber
            key={id}
            label={entities[id]?.name ?? id}
            unit="percent"
            value={(cue.mix[id] ?? 0) * 100}
            onChange={(v) => share(id, v)}
          />
        ))}
        <div className="buttons">
          <Pill
            disabled={Math.round(frame) === cue.frame}
            onClick={() => put('Repeat a cue', { ...cue, frame: Math.round(frame) })}
          >
            Repeat on frame {Math.round(frame)}
          </Pill>
          <Pill
            onClick={() => {
              edit('Remove a cue', { kind: 'removeCue', camera: camera.id, part, frame: cue.frame });
              onClose(null);
            }}
          >
            Remove
          </Pill>
        </div>
      </div>
    </Popover>
  );
}
