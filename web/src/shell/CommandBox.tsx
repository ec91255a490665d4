import { Words } from '../kit/Words';
import { useState } from 'react';
import type { Action } from './actions';

const SHOWN = 40;

/** Finds any action by a few letters of its words. */
export function CommandBox({ actions, onClose }: { actions: Action[]; onClose: () => void }) {
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = actions.filter((a) => words.every((w) => a.name.toLowerCase().includes(w))).slice(0, SHOWN);
  const run = (a?: Action) => {
    onClose();
    a?.run();
  };
  return (
    <div className="commands" onClick={onClose}>
      <div role="dialog" aria-label="Find any action" onClick={(e) => e.stopPropagation()}>
        <Words
          autoFocus
          placeholder="What would you like to do?"
          aria-label="Find any action"
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            setAt(0);
          }}
          onKeyDown={(e) => {
            if (e.key === 'Escape') onClose();
            else if (e.key === 'Enter') run(found[at]);
            else if (e.key === 'ArrowDown') setAt(Math.min(found.length - 1, at + 1));
            else if (e.key === 'ArrowUp') setAt(Math.max(0, at - 1));
            else return;
            e.preventDefault();
          }}
        />
        <ul role="listbox">
          {found.map((a, i) => (
            <li
              key={a.name}
              role="option"
              aria-selected={i === at}
              className={i === at ? 'on' : ''}
              onClick={() => run(a)}
              onPointerEnter={() => setAt(i)}
            >
              {a.name}
              {a.shortcut ? <span className="mono">{a.shortcut}</span> : null}
            </li>
          ))}
          {found.length === 0 ? <li className="muted">Nothing by that name.</li> : null}
        </ul>
      </div>
    </div>
  );
}
