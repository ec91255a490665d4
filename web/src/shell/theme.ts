import { createTheme } from '@mui/material/styles';

/** An evening sky over a harbour; the same colours stand in look.css as custom properties. */
export const theme = createTheme({
  palette: {
    mode: 'dark',
    background: { default: '#0f1a2b', paper: '#1b2a42' },
    text: { primary: '#f6efe0', secondary: '#b9c3d3' },
    primary: { main: '#f0785a', contrastText: '#14110f' },
    secondary: { main: '#37b6a8' },
    warning: { main: '#f2b441' },
    info: { main: '#b48af0' },
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
        tooltip: { backgroundColor: '#f6efe0', color: '#14203a', fontSize: 12, fontWeight: 600 },
        arrow: { color: '#f6efe0' },
      },
    },
  },
});
