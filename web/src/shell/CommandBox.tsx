import Dialog from '@mui/material/Dialog';
import { FoundList } from '../kit/FoundList';
import { closeDialog } from '../kit/Window';
import { keysSaid } from '../shortcuts/words';
import type { Action } from './actions';

const SHOWN = 40;
const WIDTH_PX = 560;

/** Finds any action by a few letters of its words. */
export function CommandBox({ actions }: { actions: Action[] }) {
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
      <FoundList
        label="Find any action"
        placeholder="What would you like to do?"
        all={actions.map((a) => ({ ...a, id: a.name }))}
        value={null}
        most={SHOWN}
        onChoose={(a) => {
          closeDialog();
          a.run();
        }}
        onClose={closeDialog}
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
