import { createTheme, keyframes } from '@mui/material/styles';
import { palette } from './tokens';

/** Of its own width, 40 % of the whole: from before it to behind it. */
const across = keyframes`from { transform: translateX(-100%) } to { transform: translateX(250%) }`;

/** The component library's parts, made to look like Jolly Kite. */
export const theme = createTheme({
  palette: {
    mode: 'dark',
    background: { default: palette.ink, paper: palette.panel },
    text: { primary: palette.paper, secondary: palette.soft },
    primary: { main: palette.coral, contrastText: palette.onAccent },
    secondary: { main: palette.teal },
    warning: { main: palette.marigold },
    info: { main: palette.lilac },
  },
  shape: { borderRadius: 10 },
  motion: { reducedMotion: 'system' }, // who asks the system for less of it gets none
  typography: {
    fontFamily: '"Nunito Sans Variable", sans-serif',
    fontSize: 13,
    button: { textTransform: 'none', fontWeight: 700 },
  },
  components: {
    // moved as a picture: as the component comes, the page would be laid out anew for each step of it, while it has work to do
    MuiLinearProgress: {
      styleOverrides: {
        bar1: {
          '@media (prefers-reduced-motion: no-preference)': {
            '.MuiLinearProgress-indeterminate > &': {
              left: 0,
              right: 'auto',
              width: '40%',
              animation: `${across} 1.6s ease-in-out infinite`,
            },
          },
        },
        bar2: { '.MuiLinearProgress-indeterminate > &': { display: 'none' } },
      },
    },
    MuiPaper: { styleOverrides: { root: { backgroundImage: 'none' } } },
    MuiDialog: { styleOverrides: { paper: { borderRadius: 18 } } },
    MuiListItemButton: { styleOverrides: { root: { borderRadius: 10 } } },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiTooltip: {
      styleOverrides: {
        tooltip: { backgroundColor: palette.paper, color: palette.deep, fontSize: 12, fontWeight: 600 },
        arrow: { color: palette.paper },
      },
    },
  },
});
