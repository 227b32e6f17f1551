import '@fontsource-variable/source-sans-3';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { readyClient } from './api/client';
import { mayPass } from './api/problem';
import { App } from './app/App';
import './shell/shell.css';

readyClient();
const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      // Once more where that may help; what was refused is told at once.
      retry: (failures, problem) => failures < 1 && mayPass(problem),
    },
  },
});

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <App />
    </QueryClientProvider>
  </StrictMode>,
);
