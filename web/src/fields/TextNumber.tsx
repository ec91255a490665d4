import { useId, useRef, useState } from 'react';
import { Refused } from '../core/answer';
import type { Unit } from '../core/types';
import { core, useShowNumber } from '../session/evaluated';
import { takeRefusal } from '../session/said';
import { useSequence } from '../session/state';
import { Words } from '../kit/Words';
import { Fault, faulty } from './Fault';
import './fields.css';

/** In a window or a menu the keyboard stays there: the desk is behind it. */
const inWindow = (at: HTMLElement) => at.closest('[role=dialog], [role=menu], [role=presentation]') !== null;

/** A number that is no channel: typed with units and arithmetic, taken on Enter or when left. */
export function TextNumber({
  label,
  value,
  unit,
  disabled = false,
  fault: found = '',
  onChange,
}: {
  label: string;
  value: number;
  /** Or a frame of the sequence, or a number of frames: seconds and timecode may be typed for them. */
  unit: Unit | 'frame' | 'frames';
  disabled?: boolean;
  /** What is wrong with the value as it stands; '' when nothing is. */
  fault?: string;
  /** Gives false when it was refused: the text then stays to be mended. */
  onChange: (v: number) => boolean | void;
}) {
  const [text, setText] = useState<string | null>(null);
  const [refused, setRefused] = useState('');
  const mayEdit = useSequence((s) => s.mayEdit);
  const faultId = useId();
  const fault = refused || (text === null ? found : '');
  const leaving = useRef(false);
  const framed = unit === 'frame' || unit === 'frames';
  const shown = useShowNumber()(value, framed ? 'factor' : unit);
  const commit = () => {
    if (text === null || leaving.current) return true;
    if (text.trim() === shown) {
      setText(null);
      return true;
    }
    try {
      const v = framed
        ? core().readFrames(text, value, unit === 'frames')
        : core().readNumber(text, unit, value);
      if (onChange(v) === false) {
        setRefused(takeRefusal());
        return false;
      }
      setText(null);
      setRefused('');
      return true;
    } catch (e) {
      if (!(e instanceof Refused)) throw e;
      setRefused(e.message);
      return false;
    }
  };
  const leave = (input: HTMLInputElement) => {
    leaving.current = true;
    input.blur();
    leaving.current = false;
  };
  return (
    <div className="text-number">
      <label>
        <span>{label}</span>
        <Words
          className="mono"
          value={text ?? shown}
          disabled={disabled || !mayEdit}
          {...faulty(faultId, fault)}
          onFocus={(e) => e.currentTarget.select()}
          onChange={(e) => {
            setText(e.target.value);
            setRefused('');
          }}
          onBlur={commit}
          onKeyDown={(e) => {
            // a first Escape takes back what was typed, a second closes the window around it
            if (e.key !== 'Escape' || text !== null) e.stopPropagation();
            if (e.key === 'Enter' && commit() && !inWindow(e.currentTarget)) leave(e.currentTarget);
            if (e.key === 'Escape') {
              setText(null);
              setRefused('');
              if (!inWindow(e.currentTarget)) leave(e.currentTarget);
            }
          }}
        />
      </label>
      <Fault id={faultId} text={fault} />
    </div>
  );
}
