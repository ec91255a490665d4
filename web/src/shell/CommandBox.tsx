import Autocomplete from '@mui/material/Autocomplete';
import Dialog from '@mui/material/Dialog';
import InputBase from '@mui/material/InputBase';
import { styled } from '@mui/material/styles';
import { useState } from 'react';
import { keysSaid } from '../shortcuts/words';
import { palette } from '../theme/tokens';
import type { Action } from './actions';
import { closeDialog } from '../kit/Window';

const SHOWN = 40;
const WIDTH_PX = 560;

/** The actions that have every word, in whatever order they were typed; first those that have them as they were typed. */
function found(all: Action[], typed: string): Action[] {
  const text = typed.trim().toLowerCase();
  const words = text.split(/\s+/).filter(Boolean);
  const having = all.filter((a) => words.every((w) => a.name.toLowerCase().includes(w)));
  const asTyped = (a: Action) => a.name.toLowerCase().includes(text);
  return [...having.filter(asTyped), ...having.filter((a) => !asTyped(a))].slice(0, SHOWN);
}

const Typed = styled(InputBase)({
  width: '100%',
  padding: '12px 18px',
  background: palette.deep,
  fontSize: 15,
});

const Found = styled('div')({
  '& .MuiAutocomplete-popper': {
    position: 'static !important' as 'static',
    transform: 'none !important',
    width: '100% !important',
  },
  '& .MuiAutocomplete-paper': { boxShadow: 'none', margin: 0, borderRadius: 0 },
  '& .MuiAutocomplete-listbox': { maxHeight: '46vh', padding: 6 },
  '& .MuiAutocomplete-option': { borderRadius: 9, gap: 12, minHeight: 34 },
  '& .MuiAutocomplete-option.Mui-focused': { background: `${palette.raised} !important` },
  '& kbd': { marginLeft: 'auto', color: palette.soft, whiteSpace: 'nowrap' },
});

/** Finds any action by a few letters of its words. */
export function CommandBox({ actions }: { actions: Action[] }) {
  const [text, setText] = useState('');
  const run = (a: Action | null) => {
    if (!a) return;
    closeDialog();
    a.run();
  };
  return (
    <Dialog
      open
      onClose={closeDialog}
      maxWidth={false}
      transitionDuration={0}
      slotProps={{
        container: { sx: { alignItems: 'flex-start' } },
        paper: {
          'aria-label': 'Find any action',
          'aria-labelledby': undefined,
          sx: { width: WIDTH_PX, mt: '12vh', overflow: 'hidden' },
        },
      }}
      onKeyDown={(e) => {
        if (!(e.key.toLowerCase() === 'k' && (e.ctrlKey || e.metaKey))) return;
        e.preventDefault();
        closeDialog();
      }}
    >
      <Found>
        <Autocomplete
          open
          disablePortal
          autoHighlight
          forcePopupIcon={false}
          options={actions}
          value={null}
          inputValue={text}
          onInputChange={(_, to, why) => why === 'input' && setText(to)}
          getOptionLabel={(a) => a.name}
          getOptionKey={(a) => a.name}
          filterOptions={(all, typed) => found(all, typed.inputValue)}
          onChange={(_, a) => run(a)}
          onClose={(_, why) => why === 'escape' && closeDialog()}
          noOptionsText="Nothing by that name."
          renderInput={(p) => (
            <Typed
              ref={p.slotProps.input.ref}
              inputProps={{ ...p.slotProps.htmlInput, 'aria-label': 'Find any action' }}
              autoFocus
              placeholder="What would you like to do?"
            />
          )}
          renderOption={({ key, ...p }, a) => (
            <li key={key} {...p}>
              {a.name}
              {a.keys && keysSaid(a.keys) ? <kbd className="mono">{keysSaid(a.keys)}</kbd> : null}
            </li>
          )}
        />
      </Found>
    </Dialog>
  );
}
