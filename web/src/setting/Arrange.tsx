import { useState } from 'react';
import { align, setDown, toGrid, toOther, toSurface } from '../roster/selectionActions';
import { useSequence } from '../sequence/store';
import { Tip } from '../shell/Tip';

/** Setting things down, snapping them, and lining several up with the first. */
export function Arrange() {
  const many = useSequence((s) => s.selected.length > 1);
  const [axes, setAxes] = useState('xz');
  const axis = (a: string) => (
    <button
      key={a}
      className={`chip ${axes.includes(a) ? 'on' : ''}`}
      aria-pressed={axes.includes(a)}
      onClick={() => setAxes(axes.includes(a) ? axes.replace(a, '') : axes + a)}
    >
      {a.toUpperCase()}
    </button>
  );
  return (
    <>
      <div className="buttons">
        <Tip text="Set the lowest point at height 0">
          <button className="pill" onClick={setDown}>
            To the ground
          </button>
        </Tip>
        <Tip text="Click the surface it shall stand on">
          <button className="pill" onClick={toSurface}>
            To a surface
          </button>
        </Tip>
        <Tip text="Click the thing whose place it shall have">
          <button className="pill" onClick={toOther}>
            To a point
          </button>
        </Tip>
        <Tip text="To the nearest crossing of the grid’s lines">
          <button className="pill" onClick={toGrid}>
            To the grid
          </button>
        </Tip>
      </div>
      {many ? (
        <div className="line" role="group" aria-label="Align with the first">
          <span className="line-label">Align</span>
          {['x', 'y', 'z'].map(axis)}
          <button className="pill" onClick={() => align(axes, 'least')}>
            Least
          </button>
          <button className="pill" onClick={() => align(axes, 'centre')}>
            Centres
          </button>
          <button className="pill" onClick={() => align(axes, 'most')}>
            Most
          </button>
        </div>
      ) : null}
    </>
  );
}
