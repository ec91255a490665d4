import Autocomplete from '@mui/material/Autocomplete';
import InputBase from '@mui/material/InputBase';
import { styled } from '@mui/material/styles';
import { type ReactNode, useState } from 'react';
import { type Findable, found } from './found';
import { palette } from '../theme/tokens';

const Typed = styled(InputBase, { shouldForwardProp: (p) => p !== 'dense' })<{ dense: boolean }>(
  ({ dense }) => ({
    width: '100%',
    padding: dense ? '7px 12px' : '12px 18px',
    background: palette.deep,
    fontSize: dense ? 12.5 : 15,
  }),
);

const List = styled('div', { shouldForwardProp: (p) => p !== 'dense' })<{ dense: boolean }>(({ dense }) => ({
  '& .MuiAutocomplete-popper': {
    position: 'static !important' as 'static',
    transform: 'none !important',
    width: '100% !important',
  },
  '& .MuiAutocomplete-paper': {
    boxShadow: 'none',
    margin: 0,
    borderRadius: 0,
    fontSize: dense ? 12.5 : undefined,
  },
  '& .MuiAutocomplete-listbox': { maxHeight: dense ? 320 : '46vh', padding: dense ? 5 : 6 },
  '& .MuiAutocomplete-option': {
    borderRadius: 9,
    gap: dense ? 8 : 12,
    minHeight: dense ? 28 : 34,
    padding: dense ? '3px 10px !important' : undefined,
  },
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
  '& kbd': { marginLeft: 'auto', color: palette.soft, whiteSpace: 'nowrap' },
}));

/**
 * A list that is open, below a line to type in: whoever shows it has opened it. Arrows go through it, Enter chooses.
 *
 * @param label what the line is for, for those who do not see it
 * @param most how many are shown at once; the others are found by typing
 * @param value the one that is chosen, or null
 */
export function FoundList<T extends Findable>({
  id,
  label,
  placeholder,
  all,
  value,
  most,
  dense = false,
  children,
  onChoose,
  onClose,
}: {
  id?: string;
  label: string;
  placeholder: string;
  all: T[];
  value: T | null;
  most: number;
  dense?: boolean;
  children: (t: T) => ReactNode;
  onChoose: (t: T) => void;
  onClose: () => void;
}) {
  const [text, setText] = useState('');
  const grouped = all.some((t) => t.group !== undefined);
  return (
    <List dense={dense}>
      <Autocomplete
        open
        id={id}
        disablePortal
        autoHighlight
        forcePopupIcon={false}
        options={all}
        value={value}
        inputValue={text}
        onInputChange={(_, to, why) => why === 'input' && setText(to)}
        getOptionLabel={(t) => t.name}
        getOptionKey={(t) => t.id}
        groupBy={grouped ? (t) => t.group ?? '' : undefined}
        filterOptions={(every, typed) => found(every, typed.inputValue, most)}
        onChange={(_, t) => t && onChoose(t)}
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
            dense={dense}
            ref={p.slotProps.input.ref}
            inputProps={{ ...p.slotProps.htmlInput, 'aria-label': label }}
            autoFocus
            placeholder={placeholder}
          />
        )}
        renderOption={({ key, ...p }, t) => (
          <li key={key} {...p}>
            {children(t)}
          </li>
        )}
      />
    </List>
  );
}
