import '@fontsource-variable/nunito-sans';
import '@fontsource/ibm-plex-mono/400.css';
import '@fontsource/ibm-plex-mono/600.css';
import './theme/base.css';
import './kit/kit.css';
import './shell/shell.css';
import CssBaseline from '@mui/material/CssBaseline';
import GlobalStyles from '@mui/material/GlobalStyles';
import { StyledEngineProvider, ThemeProvider } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { createRoot } from 'react-dom/client';
import { Tips } from './kit/Tips';
import { App } from './shell/App';
import { theme } from './theme/theme';
import { properties } from './theme/tokens';

createRoot(document.getElementById('root')!).render(
  <StyledEngineProvider injectFirst>
    <ThemeProvider theme={theme}>
      <CssBaseline />
      <GlobalStyles styles={{ ':root': properties }} />
      <QueryClientProvider
        client={new QueryClient({ defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: false } } })}
      >
        <App />
        <Tips />
      </QueryClientProvider>
    </ThemeProvider>
  </StyledEngineProvider>,
);
