import { useEffect } from 'react';
import { at } from '../session/http';
import { say } from '../session/said';
import { drawnHere, useDrawnHere, type Filmed } from './drawnHere';
import './filming.css';

/** Draws the previews of this page, each in a frame of its own that nobody sees, while work goes on. */
export function DrawnHere() {
  const drawn = useDrawnHere((s) => s.all.at(0));
  const job = drawn?.job;
  useEffect(() => {
    if (!job) return;
    const told = (e: MessageEvent) => {
      const said = e.data as Partial<Filmed> | null;
      if (e.origin !== location.origin || said?.filmed !== job) return;
      if (said.failure) say(`The film was not drawn: ${said.failure}`, true);
      drawnHere(job);
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
