import ButtonBase from '@mui/material/ButtonBase';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { Menu } from '../kit/Menu';
import { ago } from './ago';
import type { Listed, Where } from './library';

/** What can be done with a sequence without opening it. */
export interface TileDoings {
  rename: (s: Listed) => void;
  duplicate: (s: Listed) => void;
  move: (s: Listed, to: Where) => void;
  remove: (s: Listed) => void;
}

/** A sequence on Home: its code under an evening sky, its title, and who edited it last. */
export function SequenceTile({
  sequence: s,
  where,
  now,
  showsProduction,
  doings,
}: {
  sequence: Listed;
  where: Where;
  now: number;
  showsProduction: boolean;
  /** Null for those who only look. */
  doings: TileDoings | null;
}) {
  const button = useRef<HTMLButtonElement>(null);
  const [menu, setMenu] = useState(false);
  const entry = (name: string, run: () => void) => (
    <MenuItem
      key={name}
      onClick={() => {
        setMenu(false);
        run();
      }}
    >
      {name}
    </MenuItem>
  );
  const entries = () =>
    doings
      ? where === 'here'
        ? [
            entry('Code and title …', () => doings.rename(s)),
            entry('Duplicate …', () => doings.duplicate(s)),
            entry('Put into the archive', () => doings.move(s, 'archive')),
            entry('Put into the bin', () => doings.move(s, 'bin')),
          ]
        : where === 'archive'
          ? [
              entry('Bring it back', () => doings.move(s, 'here')),
              entry('Put into the bin', () => doings.move(s, 'bin')),
            ]
          : [
              entry('Bring it back', () => doings.move(s, 'here')),
              entry('Delete for good …', () => doings.remove(s)),
            ]
      : [];
  return (
    <article className="home-tile" aria-label={`${s.code} ${s.title}`}>
      <ButtonBase className="home-tile-open" href={`#${s.id}`} aria-label={`Open ${s.code} ${s.title}`}>
        <span className="home-tile-sky">{s.code}</span>
        <span className="home-tile-text">
          <Typography component="strong" noWrap sx={{ fontWeight: 700 }}>
            {s.title || 'Untitled'}
          </Typography>
          <Typography component="span" variant="body2" noWrap sx={{ color: 'text.secondary' }}>
            {showsProduction ? `${s.production} · ` : ''}
            {s.editedAt ? `${s.author}, ${ago(s.editedAt, now)}` : 'Not edited yet'}
          </Typography>
        </span>
      </ButtonBase>
      {doings ? (
        <>
          <IconButton
            ref={button}
            size="small"
            className="home-tile-more"
            aria-label={`More for ${s.code}`}
            aria-haspopup="menu"
            onClick={() => setMenu(true)}
          >
            ⋯
          </IconButton>
          <Menu open={menu} anchorEl={() => button.current} onClose={() => setMenu(false)}>
            {menu ? entries() : null}
          </Menu>
        </>
      ) : null}
    </article>
  );
}
