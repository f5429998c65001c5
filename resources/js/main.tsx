import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { queryClient } from './api/queries';
import './app.css';
import { startSync } from './outbox/sync';
import { App } from './shell/App';
import { startLeaving, startWorker } from './shell/offline';
import { applyScheme } from './shell/scheme';

applyScheme();
startWorker();
startLeaving();
startSync();

const root = document.getElementById('app');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queryClient}>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}
