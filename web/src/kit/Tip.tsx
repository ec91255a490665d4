import type { ReactElement } from 'react';

/** What stands on the element that a tooltip is about. */
export const TIP = 'data-tip';

/** A tooltip, for whoever points at what it is about or comes to it by keyboard. One shows all of them: `Tips`. */
export function Tip({ text, children }: { text: string; children: ReactElement }) {
  return (
    <span className="tip" {...{ [TIP]: text }}>
      {children}
    </span>
  );
}
