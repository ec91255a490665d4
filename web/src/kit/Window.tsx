import { closeWindow } from '../session/windows';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import type { ReactNode } from 'react';

/** Widths of a window, pixels. */
const [PLAIN_PX, WIDE_PX] = [440, 740];

/** A window over the desks: title, contents, and its buttons at the foot. */
export function Window({
  title,
  children,
  buttons,
  wide = false,
  aside = false,
  onClose = closeWindow,
}: {
  title: string;
  children: ReactNode;
  buttons: ReactNode;
  wide?: boolean;
  /** Whether it stands to the side and dims nothing: what it does is seen in the views. */
  aside?: boolean;
  onClose?: () => void;
}) {
  return (
    <Dialog
      open
      onClose={onClose}
      maxWidth={false}
      transitionDuration={0}
      slotProps={{
        paper: { sx: { width: wide ? WIDE_PX : PLAIN_PX, maxHeight: '88vh' } },
        backdrop: { invisible: aside },
        container: aside ? { sx: { alignItems: 'flex-end', justifyContent: 'flex-end' } } : undefined,
      }}
    >
      <DialogTitle sx={{ px: 2.75, pt: 2.25, pb: 0.75, fontSize: 19, fontWeight: 800 }}>{title}</DialogTitle>
      <DialogContent
        sx={{ px: 2.75, pt: 0.5, pb: 1.25, fontSize: 13, minHeight: 120 }}
        onKeyDown={(e) => e.key !== 'Escape' && e.stopPropagation()}
      >
        {children}
      </DialogContent>
      <DialogActions sx={{ px: 2.75, pt: 1.5, pb: 2.25 }}>{buttons}</DialogActions>
    </Dialog>
  );
}
