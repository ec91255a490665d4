import { useRef, useState } from 'react';
import { answer, Refused, theCore } from '../core/load';
import type { Unit } from '../core/types';
import { say } from '../sequence/store';

/** In a window or a menu the keyboard stays there: the desk is behind it. */
const inWindow = (at: HTMLElement) => at.closest('[role=dialog], [role=menu], [role=presentation]') !== null;

/** A number that is no channel: typed with units and arithmetic, taken on Enter or when left. */
export function TextNumber({
  label,
  value,
  unit,
  disabled = false,
  onChange,
}: {
  label: string;
  value: number;
  unit: Unit;
  disabled?: boolean;
  /** Gives false when it was refused: the text then stays to be mended. */
  onChange: (v: number) => boolean | void;
}) {
  const [text, setText] = useState<string | null>(null);
  const [bad, setBad] = useState(false);
  const leaving = useRef(false);
  const shown = theCore().showNumber(value, unit);
  const commit = () => {
    if (text === null || leaving.current) return true;
    if (text.trim() === shown) {
      setText(null);
      return true;
    }
    try {
      const v = answer<{ value: number }>(theCore().readNumber(text, unit, value)).value;
      if (onChange(v) === false) {
        setBad(true);
        return false;
      }
      setText(null);
      setBad(false);
      return true;
    } catch (e) {
      if (!(e instanceof Refused)) throw e;
      say(e.message, true);
      setBad(true);
      return false;
    }
  };
  const leave = (input: HTMLInputElement) => {
    leaving.current = true;
    input.blur();
    leaving.current = false;
  };
  return (
    <label className="text-number">
      <span>{label}</span>
      <input
        type="text"
        className="mono"
        value={text ?? shown}
        disabled={disabled}
        aria-invalid={bad}
        onFocus={(e) => e.currentTarget.select()}
        onChange={(e) => {
          setText(e.target.value);
          setBad(false);
        }}
        onBlur={commit}
        onKeyDown={(e) => {
          // a first Escape takes back what was typed, a second closes the window around it
          if (e.key !== 'Escape' || text !== null) e.stopPropagation();
          if (e.key === 'Enter' && commit() && !inWindow(e.currentTarget)) leave(e.currentTarget);
          if (e.key === 'Escape') {
            setText(null);
            setBad(false);
            if (!inWindow(e.currentTarget)) leave(e.currentTarget);
          }
        }}
      />
    </label>
  );
}
