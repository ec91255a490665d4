import Tooltip from '@mui/material/Tooltip';
import type { ReactElement } from 'react';

/** A tooltip that also opens on keyboard focus. */
export function Tip({ text, children }: { text: string; children: ReactElement }) {
  return (
    <Tooltip title={text} enterDelay={400} arrow describeChild disableInteractive>
      <span className="tip">{children}</span>
    </Tooltip>
  );
}
