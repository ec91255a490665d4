import Box from '@mui/material/Box';
import Skeleton from '@mui/material/Skeleton';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { PlacedSet } from '../core/types';
import { useSettings } from '../session/settings';
import { useSequence } from '../session/state';
import { lensCamera } from '../session/view';
import { numbered } from './sets';

/** What the camera of the lens view sees now, and with another version of a placed set, rendered. */
export function BeforeAndAfter({ placed, number }: { placed: PlacedSet; number: number }) {
  const id = useSequence((s) => s.id);
  const camera = useSequence(lensCamera);
  // of the moment it was asked for: a playing sequence asks for no picture of every frame
  const [frame] = useState(() => Math.round(useSequence.getState().frame));
  if (!camera) return null;
  const of = (n: number) =>
    `api/sequences/${id}/sets/placed/${placed.id}/versions/${n}.png?camera=${camera}&frame=${frame}`;
  return (
    <Stack direction="row" sx={{ gap: 1, mb: 1 }}>
      <Rendered src={of(placed.version)} says="As it is now" />
      <Rendered src={of(number)} says={`With ${numbered(number)}`} />
    </Stack>
  );
}

function Rendered({ src, says }: { src: string; says: string }) {
  const { cameraPackage: p } = useSettings();
  const [state, setState] = useState<'coming' | 'here' | 'failed'>('coming');
  return (
    <Box component="figure" sx={{ flex: 1, minWidth: 0, m: 0 }}>
      <Box sx={{ position: 'relative', aspectRatio: p.deliveryWidth / p.deliveryHeight }}>
        {state === 'coming' ? (
          <Skeleton variant="rounded" sx={{ position: 'absolute', inset: 0, height: 'auto' }} />
        ) : null}
        {state === 'failed' ? (
          <Typography variant="caption" sx={{ color: 'text.secondary' }}>
            The server made no picture. “Look at both” shows it in the lens view.
          </Typography>
        ) : (
          <Box
            component="img"
            src={src}
            alt={says}
            onLoad={() => setState('here')}
            onError={() => setState('failed')}
            sx={{ width: 1, display: 'block', borderRadius: 1, opacity: state === 'here' ? 1 : 0 }}
          />
        )}
      </Box>
      <Typography component="figcaption" variant="caption" sx={{ color: 'text.secondary' }}>
        {says}
      </Typography>
    </Box>
  );
}
