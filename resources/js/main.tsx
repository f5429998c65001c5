import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { queryClient } from './api/queries';
import './app.css';
import { App } from './shell/App';
import { watchTheWayBack } from './device/leaving';
import { applyScheme } from './device/scheme';

applyScheme();
watchTheWayBack();

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

// What the first page does not need comes after it.
void import('./shell/start').then(({ start }) => start());
