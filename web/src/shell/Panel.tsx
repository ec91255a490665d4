import type { ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { useSequence } from '../session/state';
import { Pill } from '../kit/Pill';

/**
 * Keeps a fault in one part of the window to that part: the rest, and what was made, go on. What is drawn
 * of it is tried again with the next edit, another selection or desk, or on request.
 */
export function Panel({
  name,
  area,
  children,
}: {
  name: string;
  /** Its class in the window's grid. */
  area: string;
  children: ReactNode;
}) {
  const version = useSequence((s) => s.version);
  const selected = useSequence((s) => s.selected);
  const desk = useSequence((s) => s.desk);
  return (
    <ErrorBoundary
      resetKeys={[version, selected, desk]}
      onError={(e) => console.error(`${name} could not be shown`, e)}
      fallbackRender={({ resetErrorBoundary }) => (
        <section className={`${area} broken`} role="alert">
          <p>
            {name} could not be shown. Nothing is lost: every edit is kept. Try again, or reload the page.
          </p>
          <Pill onClick={resetErrorBoundary}>Show it again</Pill>
        </section>
      )}
    >
      {children}
    </ErrorBoundary>
  );
}
