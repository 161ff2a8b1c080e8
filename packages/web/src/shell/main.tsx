import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import { ThemeProvider } from '@mui/material/styles';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router/dom';
import './tokens.css';
import { askFirst } from './askFirst.ts';
import { makeRouter } from './router.tsx';
import { store } from './store.ts';
import { theme } from './theme.ts';

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? '';
const cache = createCache({ key: 'il', nonce });
const root = document.getElementById('root');
if (!root) throw new Error('the page has no root');

// Begins to fetch the script of the screen at once.
const router = makeRouter();
const draw = () => {
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
};

// The company mostly is there already; the script of the screen and the first drawing would keep what is asked for with it waiting, and the server idle.
const mostWaited = 80;
void Promise.race([askFirst(store, window.location), new Promise((resolve) => setTimeout(resolve, mostWaited))]).finally(draw);
