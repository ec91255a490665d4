import { useRef, useState } from 'react';
import { TextNumber } from '../fields/TextNumber';
import { Menu } from '../kit/Menu';
import { Pill } from '../kit/Pill';
import { shownShot, useProgramme } from '../session/programme';

/** A stretch of the programme, whatever shots it lies in: the shot that is shown, unless other frames are typed. */
export function Range({ verb, onAsk }: { verb: string; onAsk: (range: [number, number]) => void }) {
  const anchor = useRef<HTMLButtonElement>(null);
  const [range, setRange] = useState<[number, number] | null>(null);
  const placed = useProgramme();
  const [first, last] = [placed.at(0)?.first ?? 0, placed.at(-1)?.last ?? 0];
  const fault = (v: number) => (v < first || v > last ? `The programme goes from ${first} to ${last}.` : '');
  return (
    <>
      <Pill
        ref={anchor}
        wide
        disabled={!placed.length}
        aria-haspopup="dialog"
        onClick={() => {
          const here = shownShot();
          setRange(here ? [here.first, here.last] : [first, last]);
        }}
      >
        Range …
      </Pill>
      <Menu
        open={range !== null}
        anchorEl={() => anchor.current}
        onClose={() => setRange(null)}
        slotProps={{ list: { component: 'div', role: 'group', 'aria-label': 'Range' } }}
      >
        {range ? (
          <div className="chosen-shots">
            <TextNumber
              label="From"
              unit="frame"
              value={range[0]}
              fault={fault(range[0])}
              onChange={(v) => setRange([Math.round(v), range[1]])}
            />
            <TextNumber
              label="To"
              unit="frame"
              value={range[1]}
              fault={fault(range[1]) || (range[1] < range[0] ? 'It ends before it begins.' : '')}
              onChange={(v) => setRange([range[0], Math.round(v)])}
            />
            <Pill
              tone="coral"
              disabled={fault(range[0]) !== '' || fault(range[1]) !== '' || range[1] < range[0]}
              onClick={() => {
                setRange(null);
                onAsk(range);
              }}
            >
              {`${verb} these ${range[1] - range[0] + 1} frames`}
            </Pill>
          </div>
        ) : null}
      </Menu>
    </>
  );
}
