import { queryOptions } from '@tanstack/react-query';
import { call, type Schemas } from './client';

/** Everything there is of one learner. */
export const recordQuery = (learner: string) =>
  queryOptions({
    queryKey: ['record', learner],
    queryFn: () => call<Schemas['LearnerRecord']>('GET', `/api/learners/${learner}/record`),
  });
