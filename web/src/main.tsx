import '@fontsource-variable/fraunces/index.css';
import '@fontsource/atkinson-hyperlegible/400.css';
import '@fontsource/atkinson-hyperlegible/700.css';
import '@fontsource/noto-sans-math/400.css';
import './look/theme.scss';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { asideQuery, newQueries, ribbonQuery, shelfQuery } from './api/queries';
import { App } from './App';

const queries = newQueries();
if (location.pathname === '/') {
  // The shelf is asked for beside the workshop, not after it: it is the first page of most days.
  void queries.prefetchQuery(shelfQuery);
  void queries.prefetchQuery(ribbonQuery);
  void queries.prefetchQuery(asideQuery);
}

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <BrowserRouter>
        <App />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
