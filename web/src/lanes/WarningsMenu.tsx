import MenuItem from '@mui/material/MenuItem';
import { useEffect, useState } from 'react';
import { Menu } from '../kit/Menu';
import type { Camera } from '../core/types';
import { core } from '../session/evaluated';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { goTo } from '../session/time';
import { Tip } from '../kit/Tip';
import { Chip } from '../kit/Chip';

interface Warning {
  kind: string;
  text: string;
  first: number;
  last: number;
  part: string;
}

const SETTLE_MS = 500;

/** What a careful assistant would point out about the camera's move; each goes to its frame. */
export function WarningsMenu({ camera }: { camera: Camera }) {
  const version = useSequence((s) => s.version);
  const playing = useSequence((s) => s.playing);
  const header = useSequence((s) => s.header);
  const [found, setFound] = useState<Warning[]>([]);
  const [at, setAt] = useState<HTMLElement | null>(null);
  useEffect(() => {
    if (playing) return;
    const t = setTimeout(
      () => setFound(core().warnings(camera.id, header.firstFrame, header.lastFrame)),
      SETTLE_MS,
    );
    return () => clearTimeout(t);
  }, [camera.id, version, playing, header.firstFrame, header.lastFrame]);
  if (!found.length) return null;
  return (
    <>
      <Tip text="What to look at in this camera’s move">
        <Chip warns aria-haspopup="menu" onClick={(e) => setAt(e.currentTarget)}>
          {found.length === 1 ? '1 to look at' : `${found.length} to look at`}
        </Chip>
      </Tip>
      <Menu open={at !== null} anchorEl={at} onClose={() => setAt(null)}>
        {found.map((w, i) => (
          <MenuItem
            key={i}
            style={{ whiteSpace: 'normal', maxWidth: 380 }}
            onClick={() => {
              setAt(null);
              select(camera.id);
              goTo(w.first);
            }}
          >
            {w.text}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
