import { endPicking } from '../session/selection';
import { setView } from '../session/view';
import { Choose } from '../kit/Choose';
import { Segments } from '../kit/Segments';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { Command } from '../core/types';
import { useShowNumber } from '../session/evaluated';
import { addStandIn, measure } from '../doing/create';
import { edit } from '../session/document';
import { newId } from '../session/ids';
import { say } from '../session/said';
import { useSequence } from '../session/state';
import { Editing } from '../kit/Editing';
import { Tip } from '../kit/Tip';
import * as Icon from '../kit/icons';
import { useWithKeys } from '../shortcuts/words';
import { SetViewer, type SetTool, type Side } from '../views/SetViewer';
import { fit, makeAhead, useSurface } from '../views/surfaces';
import { frameAll, frameSelection, setViewers } from '../views/setViewers';
import { Pill } from '../kit/Pill';
import './setting.css';

const SIDES: { id: Side; name: string; tip: string }[] = [
  { id: 'free', name: 'Free', tip: 'Orbit freely about the set' },
  { id: 'top', name: 'Plan', tip: 'Straight down, for placing and drawing paths' },
  { id: 'front', name: 'Front', tip: 'Along −Z' },
  { id: 'side', name: 'Side', tip: 'Along −X' },
];

/** Has all there to draw four views on before they are wanted. */
export const fourAhead = (): Promise<void> => makeAhead('set', SIDES.length - 1);

/** Whether four views are shown: from when they are wanted it takes until there is something to draw them on. */
function useFour(wanted: boolean): boolean {
  const [ready, setReady] = useState(false);
  useEffect(() => {
    if (!wanted) return setReady(false);
    let still = true;
    void fourAhead().then(() => setReady(still));
    return () => {
      still = false;
    };
  }, [wanted]);
  return wanted && ready;
}

/** A free view of the world, or four at once. Moving in it never moves a camera. */
export function SetView() {
  const withKeys = useWithKeys();
  const [side, setSide] = useState<Side>('free');
  const wanted = useSequence((s) => s.fourViews);
  const four = useFour(wanted);
  const drawing = useSequence((s) => s.drawing);
  const picking = useSequence((s) => s.picking);
  const drawingNow = drawing !== null;
  useEffect(() => {
    if (drawingNow) setSide('top');
  }, [drawingNow]);
  return (
    <section className="view set-view" aria-label="Set view">
      <div className="view-bar">
        <strong>Set</strong>
        {four ? null : (
          <Segments
            name="Direction"
            value={side}
            of={SIDES.map((s) => ({ value: s.id, shows: s.name, tip: s.tip }))}
            onChoose={setSide}
          />
        )}
        <Tip text={wanted ? 'One view again' : 'Free, plan, front and side at once'}>
          <Pill on={wanted} onClick={() => setView({ fourViews: !wanted })}>
            Four
          </Pill>
        </Tip>
        <span className="grow" />
        <Tip text={withKeys('Bring everything into view', 'frameAll')}>
          <Pill onClick={frameAll}>All</Pill>
        </Tip>
        <Tip text={withKeys('Bring the selection into view', 'frameSelection')}>
          <Pill onClick={frameSelection}>Find</Pill>
        </Tip>
      </div>
      <div className={`set-panes ${four ? 'four' : ''} ${picking ? 'picking' : ''}`}>
        {(four ? SIDES.map((s) => s.id) : [side]).map((s, i) => (
          <SetPane key={four ? s : 'one'} side={s} index={i} named={four} />
        ))}
        <SetTools />
        {picking ? (
          <div className="drawing-bar">
            <span>{picking.prompt}</span>
            <Pill onClick={endPicking}>Let it be</Pill>
          </div>
        ) : null}
        {drawing ? (
          <div className="drawing-bar">
            <span>
              Click places along the path · {drawing.length} {drawing.length === 1 ? 'point' : 'points'}
            </span>
            <Pill tone="teal" disabled={drawing.length < 2} onClick={finishPath}>
              Finish the path
            </Pill>
            <Pill onClick={() => setView({ drawing: null })}>Let it be</Pill>
          </div>
        ) : null}
      </div>
      <SetFoot />
    </section>
  );
}

const TOOLS: { tool: SetTool; name: string; tip: string; icon: () => React.ReactNode }[] = [
  { tool: 'move', name: 'Move', tip: 'Handles move what is selected', icon: Icon.MoveThing },
  { tool: 'turn', name: 'Turn', tip: 'Handles turn what is selected', icon: Icon.TurnThing },
  { tool: 'scale', name: 'Scale', tip: 'Handles scale the selected piece', icon: Icon.ScaleThing },
];

/** What the handles of the selected thing do. */
function SetTools() {
  const tool = useSequence((s) => s.setTool);
  return (
    <Editing>
      <div className="set-tools">
        <Segments
          name="Handles"
          upright
          value={tool}
          of={TOOLS.map((t) => ({
            value: t.tool,
            shows: <t.icon />,
            name: `${t.name} in the set`,
            tip: t.tip,
          }))}
          onChoose={(setTool) => setView({ setTool })}
        />
      </div>
    </Editing>
  );
}

/** The grid's cell and the unit, both to be changed here; neither changes the scene. */
function SetFoot() {
  const header = useSequence((s) => s.header);
  const show = useShowNumber();
  const put = (label: string, by: Partial<typeof header>) =>
    edit(label, { kind: 'setHeader', header: { ...header, ...by } });
  const grids: [string, number, number][] =
    header.displayUnit === 'in'
      ? [
          ['12 in, 1 in', 0.3048, 12],
          ['36 in, 12 in', 0.9144, 3],
          ['1 in, ⅛ in', 0.0254, 8],
        ]
      : header.displayUnit.startsWith('ft')
        ? [
            ['3 ft, 1 ft', 0.9144, 3],
            ['10 ft, 1 ft', 3.048, 10],
            ['1 ft, 1 in', 0.3048, 12],
          ]
        : [
            ['1 m, 10 cm', 1, 10],
            ['5 m, 1 m', 5, 5],
            ['10 cm, 1 cm', 0.1, 10],
          ];
  const now = `${header.gridM}/${header.gridLines}`;
  return (
    <Editing>
      <div className="view-foot set-foot">
        <label>
          <span className="word">Lengths in </span>
          <Choose
            aria-label="Display unit"
            value={header.displayUnit}
            onChange={(e) => put(`Show lengths in ${e.target.value}`, { displayUnit: e.target.value })}
          >
            {['m', 'cm', 'mm', 'ft', 'in', 'ft+in'].map((u) => (
              <option key={u}>{u}</option>
            ))}
          </Choose>
        </label>
        <label>
          <span className="word">Grid </span>
          <Choose
            aria-label="Grid"
            value={grids.some(([, m, l]) => `${m}/${l}` === now) ? now : ''}
            onChange={(e) => {
              const g = grids.find(([, m, l]) => `${m}/${l}` === e.target.value);
              if (g) put(`Grid of ${g[0]}`, { gridM: g[1], gridLines: g[2] });
            }}
          >
            {grids.map(([name, m, l]) => (
              <option key={name} value={`${m}/${l}`}>
                {name}
              </option>
            ))}
            {grids.some(([, m, l]) => `${m}/${l}` === now) ? null : (
              <option value="">{`${show(header.gridM, 'metres')}, ${show(header.gridM / header.gridLines, 'metres')}`}</option>
            )}
          </Choose>
        </label>
        <span className="grow" />
        <Tip text="Put a person of 1.83 m where the view looks">
          <Pill small onClick={() => addStandIn('adult')}>
            + Figure
          </Pill>
        </Tip>
        <Tip text="Two clicks measure between points of surfaces">
          <Pill small onClick={measure}>
            Measure
          </Pill>
        </Tip>
      </div>
    </Editing>
  );
}

/** One pane: a canvas with its own way of looking. */
function SetPane({ side, index, named }: { side: Side; index: number; named: boolean }) {
  const box = useRef<HTMLDivElement>(null);
  const surface = useSurface('set', box, {
    tabindex: '0',
    'data-testid': index === 0 ? 'set' : `set-${side}`,
    'aria-label': named ? `The set, ${SIDES.find((s) => s.id === side)!.name}` : 'The set',
  });
  const view = useRef<SetViewer | null>(null);
  const from = useRef(side);
  // all that open together have their sizes before one of them draws: a change of size waits for that
  useLayoutEffect(() => {
    const r = box.current!.getBoundingClientRect();
    if (surface.current && r.width) fit(surface.current, Math.floor(r.width), Math.floor(r.height));
  }, [surface]);
  useEffect(() => {
    from.current = side;
    view.current?.look(side);
  }, [side]);
  useEffect(() => {
    const on = surface.current;
    if (!on) return; // the lens view says why
    const begin = () => {
      const v = new SetViewer(on, box.current!, index);
      view.current = v;
      setViewers.push(v);
      v.look(from.current);
    };
    // the page goes on between one and the next
    const turn = index > 0 ? setTimeout(begin) : undefined;
    if (index === 0) begin();
    return () => {
      clearTimeout(turn);
      const v = view.current;
      if (!v) return;
      v.dispose();
      setViewers.splice(setViewers.indexOf(v), 1);
      view.current = null;
    };
  }, [index, surface]);
  return (
    <div className="view-ground" ref={box}>
      {named ? <span className="pane-name">{SIDES.find((s) => s.id === side)!.name}</span> : null}
    </div>
  );
}

/** Makes the drawn points a path, and puts the selected camera's rail on it when it has a free one. */
export function finishPath(): void {
  const s = useSequence.getState();
  if (!s.drawing || s.drawing.length < 2) return;
  const id = newId('path');
  const count = Object.values(s.entities).filter((e) => e.kind === 'path').length + 1;
  const commands: Command[] = [
    {
      kind: 'add',
      entity: {
        kind: 'path',
        id,
        name: `Path ${count}`,
        style: 'through',
        closed: false,
        points: s.drawing.map((at) => ({ at, in: [0, 0, 0], out: [0, 0, 0] })),
      },
    },
  ];
  const camera = s.entities[s.selected[0]];
  const rail = camera?.kind === 'camera' ? camera.rig.find((p) => p.kind === 'rail' && !p.path) : undefined;
  if (camera && rail?.kind === 'rail')
    commands.push({ kind: 'setPart', camera: camera.id, part: { ...rail, path: id } });
  if (edit('Draw a path', ...commands)) {
    setView({ drawing: null });
    say(
      rail ? 'The path is drawn and the rail runs on it. Key its progress to travel.' : 'The path is drawn.',
    );
  }
}
