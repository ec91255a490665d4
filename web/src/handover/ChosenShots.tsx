import { useRef, useState } from 'react';
import { useProgramme } from '../session/programme';
import { useSequence } from '../session/state';
import type { Camera } from '../core/types';
import { Menu } from '../kit/Menu';
import { Pill } from '../kit/Pill';
import { Tick } from '../kit/Tick';

/** Some of the cut's shots, ticked in a list and asked for together. */
export function ChosenShots({ verb, onAsk }: { verb: string; onAsk: (spans: string[]) => void }) {
  const anchor = useRef<HTMLButtonElement>(null);
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<string[]>([]);
  const spans = useProgramme();
  const entities = useSequence((s) => s.entities);
  const there = spans.filter((s) => chosen.includes(s.id));
  return (
    <>
      <Pill ref={anchor} wide disabled={!spans.length} aria-haspopup="dialog" onClick={() => setOpen(true)}>
        Shots …
      </Pill>
      <Menu
        open={open}
        anchorEl={() => anchor.current}
        onClose={() => setOpen(false)}
        slotProps={{ list: { component: 'div', role: 'group', 'aria-label': 'Shots' } }}
      >
        <div className="chosen-shots">
          {spans.map((s) => (
            <Tick
              key={s.id}
              checked={chosen.includes(s.id)}
              onChange={(e) =>
                setChosen(e.target.checked ? [...chosen, s.id] : chosen.filter((x) => x !== s.id))
              }
            >
              <span className="mono">{s.shot}</span>
              <span className="muted">
                {` ${(entities[s.camera ?? ''] as Camera | undefined)?.name ?? 'a gap'} · ${s.last - s.first + 1} frames`}
              </span>
            </Tick>
          ))}
          <Pill
            tone="coral"
            disabled={!there.length}
            onClick={() => {
              setOpen(false);
              onAsk(there.map((s) => s.id));
            }}
          >
            {there.length === 1 ? `${verb} this one` : `${verb} these ${there.length || ''}`}
          </Pill>
        </div>
      </Menu>
    </>
  );
}
