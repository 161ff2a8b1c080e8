import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import { ThemeProvider } from '@mui/material/styles';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router/dom';
import './tokens.css';
import { askFirst } from './askFirst.ts';
import { router } from './router.tsx';
import { store } from './store.ts';
import { theme } from './theme.ts';

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? '';
const cache = createCache({ key: 'il', nonce });
const root = document.getElementById('root');
if (!root) throw new Error('the page has no root');

void askFirst(store, window.location);
createRoot(root).render(
  <StrictMode>
    <CacheProvider value={cache}>
      <ThemeProvider theme={theme} defaultMode="system">
        <Provider store={store}>
          <RouterProvider router={router} />
        </Provider>
      </ThemeProvider>
    </CacheProvider>
  </StrictMode>,
);
