import type { KeyboardEvent, MouseEvent, ReactNode } from 'react';
import { useSequence } from '../sequence/store';

/** Controls that change the sequence: whoever may only look sees them switched off, all at once. */
export function Editing({ children }: { children: ReactNode }) {
  const mayEdit = useSequence((s) => s.mayEdit);
  return (
    <fieldset className="editing" disabled={!mayEdit}>
      {children}
    </fieldset>
  );
}

/** A button that only shows more: it works among controls that are switched off. */
export function Looking({
  onClick,
  children,
  ...rest
}: {
  onClick: () => void;
  children: ReactNode;
  className?: string;
  'aria-expanded'?: boolean;
}) {
  return (
    <span
      role="button"
      tabIndex={0}
      {...rest}
      onClick={(e: MouseEvent<HTMLElement>) => {
        if (e.detail > 0) e.currentTarget.blur(); // the pointer gives the keyboard back to the desk
        onClick();
      }}
      onKeyDown={(e: KeyboardEvent) => {
        if (e.key !== 'Enter' && e.key !== ' ') return;
        e.preventDefault();
        e.stopPropagation();
        onClick();
      }}
    >
      {children}
    </span>
  );
}
