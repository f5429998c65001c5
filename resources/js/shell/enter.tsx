import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import type { House, Schemas } from '../api/client';
import { startCatchingUp } from '../api/kept';
import { houseQuery, meQuery, queryClient } from '../api/queries';
import { App } from './App';

/** Draws the app in this place, with what is known already of the house and of whoever is signed in. */
export function enter(place: HTMLElement, { house, me }: { house?: House; me?: Schemas['Me'] }): void {
  if (house) queryClient.setQueryData(houseQuery.queryKey, house);
  if (me) queryClient.setQueryData(meQuery.queryKey, me);
  startCatchingUp(() => void queryClient.invalidateQueries({ type: 'active' }));
  place.replaceChildren();
  createRoot(place).render(
    <StrictMode>
      <QueryClientProvider client={queryClient}>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
  // What the first page does not need comes after it.
  void import('./start').then(({ start }) => start());
}
