import { mutationOptions } from '@tanstack/react-query';
import { call } from './client';
import { cardsQuery, queryClient } from './queries';

/** Makes a practice card: the group's, or that of the learner whose id is given. */
export const makeCard = mutationOptions({
  mutationFn: (learner?: string) =>
    call('POST', '/api/practice/cards', { body: learner === undefined ? {} : { learner } }),
  onSuccess: () => queryClient.invalidateQueries({ queryKey: cardsQuery.queryKey }),
});
