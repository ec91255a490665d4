import Slider from '@mui/material/Slider';
import { useState } from 'react';
import { IconAction } from '../kit/IconAction';
import * as Icon from '../kit/icons';
import { Floating } from '../kit/Floating';
import { Tick } from '../kit/Tick';
import { Tip } from '../kit/Tip';
import { useVolume } from '../session/hearing';
import { useSequence } from '../session/state';
import { palette } from '../theme/tokens';

/** How loud this window is: for whoever sits here, and for nobody else. */
export function Volume() {
  const { volume, off } = useVolume();
  const sounds = useSequence((s) => Object.values(s.entities).some((e) => e.kind === 'sound'));
  const [at, setAt] = useState<HTMLElement | null>(null);
  if (!sounds) return null;
  return (
    <>
      <Tip text="How loud it is here">
        <IconAction aria-label="Loudness" aria-haspopup="dialog" onClick={(e) => setAt(e.currentTarget)}>
          {off ? <Icon.SoundOff /> : <Icon.Sound />}
        </IconAction>
      </Tip>
      <Floating
        name="Loudness here"
        className="menu-part volume-menu"
        open={at !== null}
        anchorEl={at}
        onClose={() => setAt(null)}
      >
        <Slider
          autoFocus
          size="small"
          aria-label="Loudness here"
          min={0}
          max={1}
          step={0.05}
          value={volume}
          disabled={off}
          onChange={(_, v) => useVolume.setState({ volume: v })}
          sx={{ color: palette.teal }}
        />
        <Tick checked={off} onChange={(e) => useVolume.setState({ off: e.target.checked })}>
          Silent here
        </Tick>
      </Floating>
    </>
  );
}
