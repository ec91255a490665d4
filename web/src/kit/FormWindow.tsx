import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';
import { WrongText } from './WrongText';
import type { Wrong } from './useSending';

/** A window that asks for a few things and sends them with Enter or its button. */
export function FormWindow({
  title,
  action,
  busy,
  wrong,
  fields,
  onSend,
  onClose,
  children,
}: {
  title: string;
  action: string;
  busy: boolean;
  wrong: Wrong | null;
  /** The fields that show what is wrong with them; all else is said at the foot. */
  fields: string[];
  onSend: () => void;
  onClose: () => void;
  children: ReactNode;
}) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" transitionDuration={0} aria-label={title}>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          onSend();
        }}
      >
        <DialogTitle>{title}</DialogTitle>
        <DialogContent>
          <Stack sx={{ gap: 1, pt: 1 }}>{children}</Stack>
          <WrongText wrong={wrong} fields={fields} />
        </DialogContent>
        <DialogActions sx={{ p: 2 }}>
          <Button onClick={onClose} color="inherit">
            Cancel
          </Button>
          <Button type="submit" variant="contained" disabled={busy}>
            {action}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
