import { useEffect, useRef, useState } from 'react';
import { Words } from '../kit/Words';
import { does, look, useRunning } from './running';

/** How long after the last letter a line is looked at. */
const LATER_MS = 250;

/** What recipes say, and a line that answers while one types. */
export function Console({ readOnly }: { readOnly: boolean }) {
  const lines = useRunning((s) => s.lines);
  const fault = useRunning((s) => s.fault);
  const [text, setText] = useState('');
  const [answer, setAnswer] = useState('');
  const before = useRef<string[]>([]);
  const at = useRef(0);
  const end = useRef<HTMLDivElement>(null);
  useEffect(() => void end.current?.scrollIntoView({ block: 'nearest' }), [lines, fault]);
  useEffect(() => {
    let left = false;
    const later = setTimeout(
      () =>
        void (text.trim() ? look(text) : Promise.resolve({ value: '', makes: 0, fault: '' }))
          .then((a) => {
            if (left) return;
            const makes = a.makes ? `${a.makes} ${a.makes === 1 ? 'change' : 'changes'} on Enter` : '';
            setAnswer(a.fault || [a.value, makes].filter(Boolean).join(' · '));
          })
          .catch(() => !left && setAnswer('')),
      LATER_MS,
    );
    return () => {
      left = true;
      clearTimeout(later);
    };
  }, [text]);
  const earlier = (by: number) => {
    at.current = Math.max(0, Math.min(before.current.length, at.current + by));
    setText(before.current[at.current] ?? '');
  };
  return (
    <div className="recipe-console">
      <div className="recipe-lines" role="log" aria-label="What the recipe says" tabIndex={0}>
        {lines.map((l, i) => (
          <div key={i} className={l.level}>
            {l.text}
          </div>
        ))}
        {fault ? (
          <div className="wrong" role="alert">
            {fault.line ? `Line ${fault.line}: ` : ''}
            {fault.text}
            {fault.text.endsWith('.') ? '' : '.'} Nothing was changed.
          </div>
        ) : null}
        <div ref={end} />
      </div>
      <Words
        aria-label="Console"
        className="recipe-line"
        placeholder="Try a line: kite.now.camera.sees(kite.find('Pim'))"
        value={text}
        readOnly={readOnly}
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'ArrowUp') earlier(-1);
          else if (e.key === 'ArrowDown') earlier(1);
          else if (e.key === 'Enter' && text.trim()) {
            before.current.push(text);
            at.current = before.current.length;
            void does(text);
            setText('');
          }
        }}
      />
      <output className="recipe-answer mono">{answer}</output>
    </div>
  );
}
