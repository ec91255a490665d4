import { styled } from '@mui/material/styles';
import { useLayoutEffect, type ReactNode } from 'react';
import { Group, Panel, Separator, useGroupRef, type Layout } from 'react-resizable-panels';
import { useSequence } from '../session/state';
import { palette } from '../theme/tokens';
import { arrange, RAIL, usualArrangement } from '../session/arrangement';
import { useArrangement } from './useArrangement';

const GAP = 6;

/** Height of what is above the desks, with the gap below them, pixels. */
const TOP = 52;

const Bar = styled(Separator)({
  flexBasis: GAP,
  width: GAP,
  borderRadius: 4,
  '&[aria-orientation=horizontal]': { width: 'auto', height: GAP },
  '&:hover, &:focus-visible, &[data-separator=active]': { background: palette.line },
});

const ViewsRoom = styled('div')({
  height: '100%',
  display: 'flex',
  flexDirection: 'column',
  gap: GAP,
  '&[hidden]': { display: 'none' },
});

/**
 * The window's parts with the bars between them, as the desk that is open has them. What is dragged is kept for that desk; a
 * double click on a bar gives it the room it usually has.
 */
export function Desks(parts: {
  roster: ReactNode;
  rosterRail: ReactNode;
  side: ReactNode;
  sideRail: ReactNode;
  set: ReactNode;
  lens: ReactNode;
  /** What lies over both views while it is open. */
  sheet: ReactNode;
  shots: ReactNode;
  dailies: ReactNode;
  /** What was made, above the views of the desk where it is handed over. */
  results: ReactNode;
  time: ReactNode;
}) {
  const desk = useSequence((s) => s.desk);
  const over = useSequence((s) => s.over);
  const { arrangement: a, width, height } = useArrangement();
  const whole = useGroupRef();
  const across = useGroupRef();
  const views = useGroupRef();
  const inside = width - 2 * GAP;
  const shares = { roster: (a.roster / inside) * 100, side: (a.side / inside) * 100 };
  const time = (a.time / (height - TOP)) * 100;
  useLayoutEffect(() => {
    across.current?.setLayout({
      'roster-room': shares.roster,
      'views-room': 100 - shares.roster - shares.side,
      'side-room': shares.side,
    });
    views.current?.setLayout({ 'set-room': a.set * 100, 'lens-room': 100 - a.set * 100 });
    whole.current?.setLayout({ 'desk-room': 100 - time, 'time-room': time });
  }, [across, views, whole, shares.roster, shares.side, a.set, time]);
  const again = () => usualArrangement(desk);
  /** Keeps what was dragged, whichever bar it was. */
  const keep =
    (take: (layout: Layout) => Parameters<typeof arrange>[1]) =>
    (layout: Layout, how: { isUserInteraction: boolean }) => {
      if (how.isUserInteraction) arrange(desk, take(layout));
    };
  return (
    <Group
      orientation="vertical"
      groupRef={whole}
      onLayoutChanged={keep((l) => ({ time: (l['time-room'] / 100) * (height - TOP) }))}
    >
      <Panel id="desk-room" defaultSize={`${100 - time}%`} minSize="200px">
        <Group
          groupRef={across}
          onLayoutChanged={keep((l) => {
            const [roster, side] = [(l['roster-room'] / 100) * inside, (l['side-room'] / 100) * inside];
            return {
              rosterFolded: roster < RAIL + 2,
              sideFolded: side < RAIL + 2,
              ...(roster < RAIL + 2 ? {} : { roster }),
              ...(side < RAIL + 2 ? {} : { side }),
            };
          })}
        >
          <Panel
            id="roster-room"
            defaultSize={`${shares.roster}%`}
            minSize="170px"
            maxSize="420px"
            collapsible
            collapsedSize={RAIL}
          >
            {a.rosterFolded ? parts.rosterRail : parts.roster}
          </Panel>
          <Bar aria-label="Width of the roster" onDoubleClick={again} />
          <Panel id="views-room" minSize="300px">
            {over === 'sheet'
              ? parts.sheet
              : over === 'shots'
                ? parts.shots
                : over === 'dailies'
                  ? parts.dailies
                  : null}
            <ViewsRoom hidden={over !== null}>
              {desk === 'handover' && over === null ? parts.results : null}
              <Group
                style={{ flex: 1, height: 'auto', minHeight: 0 }}
                groupRef={views}
                onLayoutChanged={keep((l) => ({ set: l['set-room'] / 100 }))}
              >
                <Panel id="set-room" defaultSize={`${a.set * 100}%`} minSize="12%">
                  {parts.set}
                </Panel>
                <Bar aria-label="Divider between the views" onDoubleClick={again} />
                <Panel id="lens-room" minSize="12%">
                  {parts.lens}
                </Panel>
              </Group>
            </ViewsRoom>
          </Panel>
          <Bar aria-label="Width of the panel on the right" onDoubleClick={again} />
          <Panel
            id="side-room"
            defaultSize={`${shares.side}%`}
            minSize="260px"
            maxSize="720px"
            collapsible
            collapsedSize={RAIL}
          >
            {a.sideFolded ? parts.sideRail : parts.side}
          </Panel>
        </Group>
      </Panel>
      <Bar aria-label="Height of the lanes" onDoubleClick={again} />
      <Panel id="time-room" defaultSize={`${time}%`} minSize="90px">
        {parts.time}
      </Panel>
    </Group>
  );
}
