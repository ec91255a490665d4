import { saidEnough } from '../session/said';
import Snackbar from '@mui/material/Snackbar';
import { styled } from '@mui/material/styles';
import { IconAction } from '../kit/IconAction';
import * as Icon from '../kit/icons';
import { useSequence } from '../session/state';
import { palette } from '../theme/tokens';

const READING_MS = 4500;

/** What it lies over can still be clicked. */
const Bubble = styled('div', { shouldForwardProp: (p) => p !== 'bad' })<{ bad: boolean }>(({ bad }) => ({
  display: 'flex',
  alignItems: 'center',
  gap: 12,
  maxWidth: '70vw',
  padding: '9px 16px',
  borderRadius: 14,
  background: bad ? palette.wrong : palette.paper,
  color: bad ? palette.onWrong : palette.deep,
  fontWeight: 600,
  boxShadow: '0 8px 30px #0009',
  '& button': { pointerEvents: 'auto', color: 'inherit' },
}));

/** The last thing the application said, for as long as it takes to read; errors stay until closed. */
export function Said() {
  const message = useSequence((s) => s.message);
  const close = () => saidEnough();
  return (
    <Snackbar
      open={message !== null}
      key={message?.at}
      autoHideDuration={message?.bad ? null : READING_MS}
      onClose={(_, why) => why === 'timeout' && close()}
      transitionDuration={0}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
      sx={{ pointerEvents: 'none', zIndex: 2000 }}
    >
      <Bubble bad={message?.bad ?? false} role={message?.bad ? 'alert' : 'status'}>
        {message?.text}
        {message?.bad ? (
          <IconAction size="small" aria-label="Close" onClick={close}>
            <Icon.Cross />
          </IconAction>
        ) : null}
      </Bubble>
    </Snackbar>
  );
}
