import { queryOptions } from '@tanstack/react-query';
import { call } from './client';

/** Everything there is of one learner. */
export const recordQuery = (learner: string) =>
  queryOptions({
    queryKey: ['record', learner],
    queryFn: () => call('GET', '/api/learners/{learner}/record', { params: { path: { learner } } }),
  });
