import { createTheme } from '@mui/material/styles';
import { palette } from './tokens';

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
  typography: {
    fontFamily: '"Nunito Sans Variable", sans-serif',
    fontSize: 13,
    button: { textTransform: 'none', fontWeight: 700 },
  },
  components: {
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
