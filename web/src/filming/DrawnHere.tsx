import { useEffect } from 'react';
import { at } from '../session/http';
import { drawnHere, useDrawnHere, type Filmed } from './drawnHere';
import './filming.css';

/** Draws the previews of this page, each in a frame of its own that nobody sees, while work goes on. */
export function DrawnHere() {
  const drawn = useDrawnHere((s) => s.all.at(0));
  const job = drawn?.job;
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
  if (!drawn) return null;
  return (
    <iframe
      key={drawn.time}
      className="drawn-here"
      title="A preview film is being drawn"
      src={at(`/?preview=${drawn.job}`)}
      aria-hidden
      tabIndex={-1}
    />
  );
}
