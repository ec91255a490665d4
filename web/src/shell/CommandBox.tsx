import Dialog from '@mui/material/Dialog';
import { FoundList } from '../kit/FoundList';
import { closeWindow } from '../session/windows';
import { keysSaid } from '../shortcuts/words';
import type { Action } from './actions';

const SHOWN = 40;
const WIDTH_PX = 560;

/** Finds any action by a few letters of its words. */
export function CommandBox({ actions }: { actions: Action[] }) {
  return (
    <Dialog
      open
      onClose={closeWindow}
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
        closeWindow();
      }}
    >
      <FoundList
        label="Find any action"
        placeholder="What would you like to do?"
        all={actions.map((a) => ({ ...a, id: a.name }))}
        value={null}
        most={SHOWN}
        onChoose={(a) => {
          closeWindow();
          a.run();
        }}
        onClose={closeWindow}
      >
        {(a) => (
          <>
            {a.name}
            {a.keys && keysSaid(a.keys) ? <kbd className="mono">{keysSaid(a.keys)}</kbd> : null}
          </>
        )}
      </FoundList>
    </Dialog>
  );
}
