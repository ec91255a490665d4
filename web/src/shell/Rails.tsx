import { camerasOf } from '../session/cameras';
import { styled } from '@mui/material/styles';
import { Bare } from '../kit/Bare';
import { IconAction } from '../kit/IconAction';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { useWithKeys } from '../shortcuts/words';
import { palette } from '../theme/tokens';
import { fold } from '../session/arrangement';
import * as Icon from '../kit/icons';
import { Tip } from '../kit/Tip';

const Rail = styled('aside')({
  height: '100%',
  display: 'flex',
  flexDirection: 'column',
  alignItems: 'center',
  gap: 5,
  padding: '7px 0',
  background: palette.panel,
  borderRadius: 14,
  overflow: 'hidden auto',
  scrollbarWidth: 'none',
  '& .upright': {
    writingMode: 'vertical-rl',
    padding: '8px 3px',
    borderRadius: 8,
    fontSize: 12,
    fontWeight: 700,
    color: palette.soft,
  },
  '& .upright:hover': { background: palette.raised },
  '& .looked': { outline: `2px solid ${palette.paper}`, outlineOffset: 1 },
});

/** The roster, folded: the cameras by their letters. */
export function RosterRail() {
  const withKeys = useWithKeys();
  const desk = useSequence((s) => s.desk);
  const entities = useSequence((s) => s.entities);
  const camera = useSequence((s) => s.camera);
  const cameras = camerasOf(entities);
  return (
    <Rail aria-label="Roster, folded">
      <Tip text={withKeys('Unfold the roster', 'roster')}>
        <IconAction aria-label="Unfold the roster" onClick={() => fold(desk, 'roster')}>
          <Icon.Unfold />
        </IconAction>
      </Tip>
      {cameras.map((c) => (
        <Tip key={c.id} text={`Look through camera ${c.letter}: ${c.name}`}>
          <Bare
            className={`badge ${c.id === camera ? 'looked' : ''}`}
            style={{ background: c.colour }}
            aria-label={`Look through camera ${c.letter}`}
            aria-pressed={c.id === camera}
            data-camera={c.id === camera ? 'looked through' : 'another'}
            onClick={() => select(c.id)}
          >
            {c.letter}
          </Bare>
        </Tip>
      ))}
    </Rail>
  );
}

/** The panel on the right, folded: its name, which unfolds it. */
export function SideRail() {
  const withKeys = useWithKeys();
  const desk = useSequence((s) => s.desk);
  const e = useSequence((s) => s.entities[s.selected[0]]);
  const unfold = () => fold(desk, 'side');
  const names =
    desk === 'handover' ? ['Hand over'] : e?.kind === 'camera' ? ['Lens', 'Rig'] : [e?.name ?? 'Selection'];
  return (
    <Rail aria-label="The panel on the right, folded">
      <Tip text={withKeys('Unfold the panel', 'side')}>
        <IconAction aria-label="Unfold the panel on the right" onClick={unfold}>
          <Icon.Fold />
        </IconAction>
      </Tip>
      {e?.kind === 'camera' && desk !== 'handover' ? (
        <span className="badge" style={{ background: e.colour }}>
          {e.letter}
        </span>
      ) : null}
      {names.map((n) => (
        <Bare key={n} className="upright" onClick={unfold}>
          {n}
        </Bare>
      ))}
    </Rail>
  );
}
