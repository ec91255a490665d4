import ButtonBase from '@mui/material/ButtonBase';
import { styled } from '@mui/material/styles';
import { Suspense, useId, useState } from 'react';
import type { Entity } from '../core/types';
import { CREW, inCrew, subjectsNow } from '../session/crew';
import { palette } from '../theme/tokens';
import { fetched } from './fetched';
import { Sign } from './Sign';

const ThingList = fetched(async () => (await import('./ThingList')).ThingList);

/** One of the list that a chooser opens. */
export interface Listed {
  id: string;
  name: string;
  /** The heading it stands under; '' for what stands first, without one. */
  group: string;
  thing?: Entity;
}

const Field = styled(ButtonBase)({
  justifyContent: 'flex-start',
  gap: 6,
  minWidth: 0,
  flex: 1,
  padding: '3px 22px 3px 8px',
  minHeight: 26,
  borderRadius: 8,
  background: palette.deep,
  fontSize: 12.5,
  position: 'relative',
  '& .chosen': { overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' },
  '&::after': {
    content: '""',
    position: 'absolute',
    right: 9,
    top: 'calc(50% - 2px)',
    border: '4px solid transparent',
    borderTopColor: palette.soft,
    borderBottom: 0,
  },
  '&.Mui-disabled': { opacity: 0.55 },
});

/**
 * A labelled choice among things of the sequence, in crew order and to be found by typing. The list comes when it is opened:
 * there may be hundreds.
 *
 * @param words what stands before the things: none, or what is no thing, each value with what it is called
 * @param named how a thing is called here, where that is not its name
 */
export function ChooseThing({
  label,
  value,
  words,
  things,
  named = (e) => e.name,
  onChange,
}: {
  label: string;
  value: string;
  words: [string, string][];
  things: Entity[];
  named?: (e: Entity) => string;
  onChange: (id: string) => void;
}) {
  'use no memo';
  const [at, setAt] = useState<HTMLElement | null>(null);
  const listId = useId();
  const thing = things.find((e) => e.id === value);
  const close = () => setAt(null);
  return (
    <div className="line">
      <span className="line-label">{label}</span>
      <Field
        role="combobox"
        aria-label={label}
        aria-haspopup="listbox"
        aria-expanded={at !== null}
        aria-controls={at ? listId : undefined}
        onClick={(e) => setAt(e.currentTarget)}
        onKeyDown={(e) => {
          if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
            e.preventDefault();
            e.stopPropagation();
            setAt(e.currentTarget);
          }
        }}
      >
        {thing ? <Sign entity={thing} /> : null}
        <span className="chosen">{thing ? named(thing) : words.find(([v]) => v === value)?.[1]}</span>
      </Field>
      {at ? (
        <Suspense>
          <ThingList
            id={listId}
            label={label}
            at={at}
            value={value}
            all={[
              ...words.map(([id, name]): Listed => ({ id, name, group: '' })),
              ...listed(things).map((l) => ({ ...l, name: named(l.thing!) })),
            ]}
            onClose={close}
            onChoose={(id) => {
              close();
              onChange(id);
            }}
          />
        </Suspense>
      ) : null}
    </div>
  );
}

function listed(things: Entity[]): Listed[] {
  const subjects = subjectsNow();
  return CREW.flatMap((g) =>
    things
      .filter((e) => g.holds(e, subjects))
      .sort(inCrew)
      .map((thing) => ({ id: thing.id, name: thing.name, group: g.name, thing })),
  );
}
