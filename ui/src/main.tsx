import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { ApiError } from './api/client';
import { App } from './App';
import { askFirst } from './first';
import { goOnTyping } from './parts/fields/typing';
import './styles.css';

const queries = new QueryClient({
  defaultOptions: {
    // Whether there is a connection shows by asking; the browser's own guess would only make it wait without a word.
    mutations: { networkMode: 'always' },
    queries: {
      networkMode: 'always',
      refetchOnWindowFocus: false,
      retry: (failures, error) => failures < 2 && error instanceof ApiError && error.isOffline,
    },
  },
});

askFirst(queries, window.location.pathname).catch(() => undefined);

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}
goOnTyping();
