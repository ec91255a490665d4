import Button from '@mui/material/Button';
import Dialog, { type DialogProps } from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import type { ReactNode } from 'react';

/** A window in which several things can be looked at and done, until it is closed. What is typed in it stays in it. */
export function PlainWindow({
  name,
  title,
  width = 'sm',
  onClose,
  children,
}: {
  /** What it is, for those who do not see it. */
  name: string;
  title: string;
  width?: DialogProps['maxWidth'];
  onClose: () => void;
  children: ReactNode;
}) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth={width} transitionDuration={0} aria-label={name}>
      <DialogTitle>{title}</DialogTitle>
      <DialogContent onKeyDown={(e) => e.key !== 'Escape' && e.stopPropagation()}>
        <Stack sx={{ gap: 1.5, pt: 1 }}>{children}</Stack>
      </DialogContent>
      <DialogActions sx={{ p: 2 }}>
        <Button onClick={onClose} color="inherit">
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
