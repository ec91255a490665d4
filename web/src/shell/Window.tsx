import Dialog from '@mui/material/Dialog';
import type { ReactNode } from 'react';
import { useSequence } from '../sequence/store';

export const closeDialog = () => useSequence.setState({ dialog: null });

/** A window over the desks: title, contents, and its buttons at the foot. */
export function Window({
  title,
  children,
  buttons,
  wide = false,
  aside = false,
  onClose = closeDialog,
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
      aria-label={title}
      slotProps={{
        paper: { className: `window ${wide ? 'wide' : ''}` },
        backdrop: { invisible: aside },
        container: { className: aside ? 'window-aside' : '' },
      }}
    >
      <h2>{title}</h2>
      <div className="window-body" onKeyDown={(e) => e.key !== 'Escape' && e.stopPropagation()}>
        {children}
      </div>
      <div className="window-foot">{buttons}</div>
    </Dialog>
  );
}
