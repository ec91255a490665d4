import Popover from '@mui/material/Popover';
import type { Listed } from './ChooseThing';
import { FoundList } from './FoundList';
import { Sign } from './Sign';

const WIDTH_PX = 250;

const SHOWN = 120;

/** The open list of a chooser: typed into at once, in crew order. */
export function ThingList({
  id,
  label,
  at,
  value,
  all,
  onChoose,
  onClose,
}: {
  id: string;
  label: string;
  at: HTMLElement;
  value: string;
  all: Listed[];
  onChoose: (id: string) => void;
  onClose: () => void;
}) {
  return (
    <Popover
      open
      anchorEl={at}
      onClose={onClose}
      transitionDuration={0}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      slotProps={{ paper: { sx: { width: Math.max(WIDTH_PX, at.clientWidth) } } }}
      onKeyDown={(e) => e.key !== 'Escape' && e.stopPropagation()}
    >
      <FoundList
        dense
        id={id}
        label={`${label}: find by name`}
        placeholder="Find by name"
        all={all}
        value={all.find((l) => l.id === value) ?? null}
        most={SHOWN}
        onChoose={(l) => onChoose(l.id)}
        onClose={onClose}
      >
        {(l) => (
          <>
            {l.thing ? <Sign entity={l.thing} /> : null}
            {l.name}
          </>
        )}
      </FoundList>
    </Popover>
  );
}
