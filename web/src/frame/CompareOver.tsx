import { setView } from '../session/view';
import { Segments } from '../kit/Segments';
import { Tip } from '../kit/Tip';
import type { Compared } from '../session/comparing';
import { endCompare, chooseCompared } from '../doing/compared';
import { useSequence } from '../session/state';
import { Pill } from '../kit/Pill';
import './frame.css';

/** Over the lens view while two versions or takes are compared: what is where, the wipe, and the way out. */
export function CompareOver({
  compared,
  frame,
}: {
  compared: Compared;
  frame: { left: number; top: number; width: number; height: number };
}) {
  const set = (by: Partial<Compared>) => setView({ compared: { ...compared, ...by } });
  const mayEdit = useSequence((s) => s.mayEdit);
  const [a, b] = compared.sides;
  const wipe = compared.way === 'wipe';
  const to = (clientX: number, box: DOMRect) =>
    set({ at: Math.max(0, Math.min(1, (clientX - box.left) / box.width)) });
  return (
    <div className="compare" style={frame} data-testid="compare">
      <span className="compare-name left">{a.title}</span>
      <span className="compare-name right">{b.title}</span>
      {wipe ? (
        <div
          className="compare-line"
          role="slider"
          tabIndex={0}
          aria-label="Wipe between the two"
          aria-valuenow={Math.round(compared.at * 100)}
          style={{ left: `${compared.at * 100}%` }}
          onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
          onPointerMove={(e) =>
            e.buttons && to(e.clientX, e.currentTarget.parentElement!.getBoundingClientRect())
          }
          onKeyDown={(e) => {
            const by = e.key === 'ArrowLeft' ? -0.05 : e.key === 'ArrowRight' ? 0.05 : 0;
            if (!by) return;
            e.stopPropagation();
            set({ at: Math.max(0, Math.min(1, compared.at + by)) });
          }}
        />
      ) : null}
      <div className="compare-bar">
        <Segments
          name="Way of comparing"
          value={wipe ? 'wipe' : 'beside'}
          of={[
            { value: 'wipe', shows: 'Wipe' },
            { value: 'beside', shows: 'Side by side' },
          ]}
          onChoose={(way) => set({ way })}
        />
        {compared.takes
          ? ([0, 1] as const).map((side) => (
              <Pill key={side} disabled={!mayEdit} onClick={() => chooseCompared(side)}>
                {`Use ${compared.sides[side].title}`}
              </Pill>
            ))
          : null}
        <Tip
          text={
            compared.takes
              ? 'Each on the frame that it would show, without blur and plates'
              : 'Both cameras in the set as it is now, without blur and plates'
          }
        >
          <Pill onClick={endCompare}>Done comparing</Pill>
        </Tip>
      </div>
    </div>
  );
}
