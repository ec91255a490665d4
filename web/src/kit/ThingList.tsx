import Autocomplete from '@mui/material/Autocomplete';
import InputBase from '@mui/material/InputBase';
import Popover from '@mui/material/Popover';
import { styled } from '@mui/material/styles';
import { useState } from 'react';
import { palette } from '../theme/tokens';
import type { Listed } from './ChooseThing';
import { Sign } from './Sign';

const [WIDTH_PX, HIGH_PX] = [250, 320];

/** As many as are shown at once: more are found by typing. */
const SHOWN = 120;

const Typed = styled(InputBase)({
  width: '100%',
  padding: '7px 12px',
  background: palette.deep,
  fontSize: 12.5,
});

const List = styled('div')({
  '& .MuiAutocomplete-popper': {
    position: 'static !important' as 'static',
    transform: 'none !important',
    width: '100% !important',
  },
  '& .MuiAutocomplete-paper': { boxShadow: 'none', margin: 0, borderRadius: 0, fontSize: 12.5 },
  '& .MuiAutocomplete-listbox': { maxHeight: HIGH_PX, padding: 5 },
  '& .MuiAutocomplete-option': { borderRadius: 8, gap: 8, minHeight: 28, padding: '3px 10px !important' },
  '& .MuiAutocomplete-option.Mui-focused': { background: `${palette.raised} !important` },
  '& .MuiAutocomplete-groupLabel': {
    background: palette.panel,
    color: palette.soft,
    fontSize: 11,
    fontWeight: 800,
    lineHeight: '26px',
    padding: '0 10px',
  },
  '& .MuiAutocomplete-groupUl': { padding: 0 },
});

/** Those whose name, or the heading they stand under, has every word that is typed. */
function found(all: Listed[], typed: string): Listed[] {
  const words = typed.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const has = (l: Listed) => words.every((w) => `${l.name} ${l.group}`.toLowerCase().includes(w));
  return all.filter(has).slice(0, SHOWN);
}

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
  const [text, setText] = useState('');
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
      <List>
        <Autocomplete
          open
          id={id}
          disablePortal
          autoHighlight
          forcePopupIcon={false}
          options={all}
          value={all.find((l) => l.id === value) ?? null}
          inputValue={text}
          onInputChange={(_, to, why) => why === 'input' && setText(to)}
          getOptionLabel={(l) => l.name}
          getOptionKey={(l) => l.id}
          groupBy={(l) => l.group}
          filterOptions={(every, typed) => found(every, typed.inputValue)}
          onChange={(_, l) => l && onChoose(l.id)}
          onClose={(_, why) => why === 'escape' && onClose()}
          noOptionsText="Nothing by that name."
          renderGroup={(g) => (
            <li key={g.key}>
              {g.group ? <div className="MuiAutocomplete-groupLabel">{g.group}</div> : null}
              <ul className="MuiAutocomplete-groupUl">{g.children}</ul>
            </li>
          )}
          renderInput={(p) => (
            <Typed
              ref={p.slotProps.input.ref}
              inputProps={{ ...p.slotProps.htmlInput, 'aria-label': `${label}: find by name` }}
              autoFocus
              placeholder="Find by name"
            />
          )}
          renderOption={({ key, ...p }, l) => (
            <li key={key} {...p}>
              {l.thing ? <Sign entity={l.thing} /> : null}
              {l.name}
            </li>
          )}
        />
      </List>
    </Popover>
  );
}
