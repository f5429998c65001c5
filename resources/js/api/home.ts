import { mutationOptions } from '@tanstack/react-query';
import { call } from './client';
import { cardsQuery, queryClient } from './queries';

/** Sets a knot for home, or no longer. */
export const setHome = mutationOptions({
  mutationFn: ({ knot, home }: { knot: string; home: boolean }) =>
    call('PUT', '/api/practice/home/{knot}', { params: { path: { knot } }, body: { home } }),
  onSuccess: (now) =>
    void queryClient.setQueryData(cardsQuery.queryKey, (before) => (before ? { ...before, home: now.home } : before)),
});
