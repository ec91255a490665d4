import { useState } from 'react';
import { align, setDown, toGrid, toOther, toSurface } from '../doing/withSelection';
import { useSequence } from '../session/state';
import { Tip } from '../kit/Tip';
import { Chip } from '../kit/Chip';
import { Pill } from '../kit/Pill';

/** Setting things down, snapping them, and lining several up with the first. */
export function Arrange() {
  const many = useSequence((s) => s.selected.length > 1);
  const [axes, setAxes] = useState('xz');
  const axis = (a: string) => (
    <Chip
      on={axes.includes(a)}
      key={a}
      onClick={() => setAxes(axes.includes(a) ? axes.replace(a, '') : axes + a)}
    >
      {a.toUpperCase()}
    </Chip>
  );
  return (
    <>
      <div className="buttons">
        <Tip text="Set the lowest point at height 0">
          <Pill onClick={setDown}>To the ground</Pill>
        </Tip>
        <Tip text="Click the surface it shall stand on">
          <Pill onClick={toSurface}>To a surface</Pill>
        </Tip>
        <Tip text="Click the thing whose place it shall have">
          <Pill onClick={toOther}>To a point</Pill>
        </Tip>
        <Tip text="To the nearest crossing of the grid’s lines">
          <Pill onClick={toGrid}>To the grid</Pill>
        </Tip>
      </div>
      {many ? (
        <div className="line" role="group" aria-label="Align with the first">
          <span className="line-label">Align</span>
          {['x', 'y', 'z'].map(axis)}
          <Pill onClick={() => align(axes, 'least')}>Least</Pill>
          <Pill onClick={() => align(axes, 'centre')}>Centres</Pill>
          <Pill onClick={() => align(axes, 'most')}>Most</Pill>
        </div>
      ) : null}
    </>
  );
}
