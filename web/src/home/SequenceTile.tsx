import ButtonBase from '@mui/material/ButtonBase';
import Divider from '@mui/material/Divider';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { Menu } from '../kit/Menu';
import { ago } from '../kit/ago';
import { at } from '../session/http';
import { type Listed, type Status, STATUSES, type Where } from './library';

/** What can be done with a sequence without opening it. */
export interface TileDoings {
  rename: (s: Listed) => void;
  duplicate: (s: Listed) => void;
  move: (s: Listed, to: Where) => void;
  remove: (s: Listed) => void;
  guests: (s: Listed) => void;
  carry: (s: Listed) => void;
  asFile: (s: Listed) => void;
  say: (s: Listed, status: Status) => void;
}

/** A sequence on Home: its code under an evening sky, its title, and who edited it last. */
export function SequenceTile({
  sequence: s,
  where,
  now,
  showsProduction,
  doings,
  onStar,
}: {
  sequence: Listed;
  where: Where;
  now: number;
  showsProduction: boolean;
  /** Null for those who only look. */
  doings: TileDoings | null;
  onStar: () => void;
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
            entry('Into another production …', () => doings.carry(s)),
            entry('As a file (.kite.zip)', () => doings.asFile(s)),
            entry('Guests: links to look …', () => doings.guests(s)),
            entry('Put into the archive', () => doings.move(s, 'archive')),
            entry('Put into the bin', () => doings.move(s, 'bin')),
            <Divider key="status" />,
            ...STATUSES.filter((x) => x.id !== s.status).map((x) =>
              entry(`It is ${x.name.toLowerCase()}`, () => doings.say(s, x.id)),
            ),
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
      <ButtonBase className="home-tile-open" href={`#${s.id}`}>
        <TilePicture sequence={s} />
        <span className="home-tile-text">
          <Typography component="strong" noWrap sx={{ fontWeight: 700 }}>
            {s.title || 'Untitled'}
          </Typography>
          <Typography component="span" variant="body2" noWrap sx={{ color: 'text.secondary' }}>
            {showsProduction ? `${s.production} · ` : ''}
            {s.editedAt ? `${s.author}, ${ago(s.editedAt, now)}` : 'Not edited yet'}
          </Typography>
          <Typography component="span" variant="body2" sx={{ color: 'text.secondary' }}>
            <span className={`status ${s.status}`}>{STATUSES.find((x) => x.id === s.status)?.name}</span>
            {s.shots ? ` · ${s.shots === 1 ? '1 shot' : `${s.shots} shots`}, ${s.frames} frames` : ''}
          </Typography>
        </span>
      </ButtonBase>
      <IconButton
        size="small"
        className={`home-tile-star ${s.favourite ? 'on' : ''}`}
        aria-label={s.favourite ? `${s.code} is a favourite` : `Make ${s.code} a favourite`}
        aria-pressed={s.favourite}
        onClick={onStar}
      >
        {s.favourite ? '★' : '☆'}
      </IconButton>
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

/** The first picture is made when it is first asked for: it is looked for again. */
const AGAIN_MS = 4000,
  MOST_TRIES = 8;

/** The picture of its cut with its code, or its code under an evening sky where there is none yet. */
function TilePicture({ sequence: s }: { sequence: Listed }) {
  const [tries, setTries] = useState(0);
  const [none, setNone] = useState(false);
  useEffect(() => {
    if (!none || tries >= MOST_TRIES) return;
    const again = setTimeout(() => {
      setNone(false);
      setTries(tries + 1);
    }, AGAIN_MS);
    return () => clearTimeout(again);
  }, [none, tries]);
  return (
    <span className="home-tile-sky">
      {none ? (
        s.code
      ) : (
        <>
          <img
            key={tries}
            src={at(`/api/sequences/${s.id}/picture.png`)}
            alt=""
            loading="lazy"
            onError={() => setNone(true)}
          />
          <span className="home-tile-code">{s.code}</span>
        </>
      )}
    </span>
  );
}
