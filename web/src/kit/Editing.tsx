import { Bare } from './Bare';
import type { KeyboardEvent, MouseEvent, ReactNode } from 'react';
import { Pill } from './Pill';
import { useSequence } from '../session/state';

/**
 * Controls that change the sequence, or what its production has agreed on: whoever may not sees them switched off, all
 * at once.
 */
export function Editing({
  leads = false,
  reviews = false,
  of = '',
  children,
}: {
  leads?: boolean;
  /** For those who review, too. */
  reviews?: boolean;
  /** The camera that the controls change: where it is approved, they are switched off. */
  of?: string;
  children: ReactNode;
}) {
  const mayEdit = useSequence((s) =>
    leads ? s.role === 'lead' : (reviews ? s.mayReview : s.mayEdit) && !s.approvals[of],
  );
  return (
    <fieldset className="editing" disabled={!mayEdit}>
      {children}
    </fieldset>
  );
}

/**
 * A button that only shows more: it works among controls that are switched off. With a class of its own it looks as that
 * says.
 */
export function Looking({
  onClick,
  className,
  ...rest
}: {
  onClick: () => void;
  children: ReactNode;
  className?: string;
  'aria-expanded'?: boolean;
}) {
  const does = {
    onClick: (e: MouseEvent<HTMLElement>) => {
      if (e.detail > 0) e.currentTarget.blur(); // the pointer gives the keyboard back to the desk
      onClick();
    },
    onKeyDown: (e: KeyboardEvent) => {
      if (e.key === 'Enter' || e.key === ' ') e.stopPropagation(); // not a key of the desk
    },
  };
  return className ? (
    <Bare component="span" className={className} {...does} {...rest} />
  ) : (
    <Pill component="span" {...does} {...rest} />
  );
}
