import { useEffect } from 'react';
import { at } from '../session/http';
import { drawnHere, useDrawnHere, type Filmed } from './drawnHere';
import './filming.css';

/** Draws the previews of this page, each in a frame of its own that nobody sees, while work goes on. */
export function DrawnHere() {
  const job = useDrawnHere((s) => s.jobs[0]) as string | undefined;
  useEffect(() => {
    if (!job) return;
    const told = (e: MessageEvent) => {
      if (e.origin === location.origin && (e.data as Partial<Filmed>)?.filmed === job) drawnHere(job);
    };
    const leaving = (e: BeforeUnloadEvent) => e.preventDefault(); // asks whether to stay
    window.addEventListener('message', told);
    window.addEventListener('beforeunload', leaving);
    return () => {
      window.removeEventListener('message', told);
      window.removeEventListener('beforeunload', leaving);
    };
  }, [job]);
  if (!job) return null;
  return (
    <iframe
      key={job}
      className="drawn-here"
      title="A preview film is being drawn"
      src={at(`/?preview=${job}`)}
      aria-hidden
      tabIndex={-1}
    />
  );
}
