import Chip from '@mui/material/Chip';
import { joinOther } from '../session/presence';
import { useSequence } from '../session/state';
import { Tip } from '../kit/Tip';

/** More people than these are a number. */
const MOST_SHOWN = 3;

/** Who else has the sequence open, with camera and frame; a click looks through their camera. */
export function Others() {
  const others = Object.values(useSequence((s) => s.others)).sort((a, b) => a.name.localeCompare(b.name));
  if (!others.length) return null;
  const more = others.length - MOST_SHOWN;
  return (
    <span className="others" role="group" aria-label="Others here">
      {others.slice(0, MOST_SHOWN).map((o) => (
        <Tip
          key={o.page}
          text={`${o.name} looks through camera ${o.camera || '–'} on frame ${o.frame}. Click to look along.`}
        >
          <Chip
            size="small"
            label={`${o.name} · ${o.camera} ${o.frame}`}
            onClick={() => joinOther(o)}
            aria-label={`Look along with ${o.name}`}
          />
        </Tip>
      ))}
      {more > 0 ? <span className="muted">{`and ${more} more`}</span> : null}
    </span>
  );
}
