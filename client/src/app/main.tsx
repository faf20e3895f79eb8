import '@fontsource-variable/bricolage-grotesque/wght.css';
import '@fontsource-variable/hanken-grotesk';
import './styles.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { RouterProvider } from '@tanstack/react-router';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Refused } from '../api/wire/client';
import { keepFocus } from './keepFocus';
import { makeRouter } from './router';

// Parts that inject a style element ask for the page's nonce under this name.
const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
Object.assign(globalThis, { __webpack_nonce__: nonce });

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => !(error instanceof Refused) && count < 2,
      refetchOnWindowFocus: true,
      staleTime: 2000,
    },
  },
});

keepFocus();

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={makeRouter(queries)} />
    </QueryClientProvider>
  </StrictMode>,
);
