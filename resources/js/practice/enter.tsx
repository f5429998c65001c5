import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { queryClient } from '../api/queries';
import { Corner } from './Corner';

/** Draws the practice corner in this place: nothing else of the app comes with it. */
export function enterCorner(place: HTMLElement): void {
  place.replaceChildren();
  createRoot(place).render(
    <StrictMode>
      <QueryClientProvider client={queryClient}>
        <BrowserRouter basename="/practice">
          <Corner />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}
