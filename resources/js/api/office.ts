import { mutationOptions, queryOptions } from '@tanstack/react-query';
import { call, type Schemas } from './client';
import { queryClient } from './queries';

export type OfficeBoard = Schemas['OfficeBoard'];

/** So often is asked, in milliseconds, while somebody is at it. */
const MEANWHILE = 2000;

const KEY = ['office'];

/** The award office, looked at again as long as it is being told of something. */
export const officeQuery = queryOptions({
  queryKey: KEY,
  queryFn: () => call('GET', '/api/office'),
  refetchInterval: (query) => {
    const work = query.state.data?.work;
    return work && work.state !== 'done' ? MEANWHILE : false;
  },
});

const keep = (now: OfficeBoard): void => void queryClient.setQueryData(KEY, now);

/** Puts awards on the way there; none: whatever waits, at once. */
export const sendToOffice = mutationOptions({
  mutationFn: (awards: string[]) => call('POST', '/api/office/awards', { body: { awards } }),
  onSuccess: keep,
});

export const setOffice = mutationOptions({
  mutationFn: (office: { address: string; client: string; secret?: string }) =>
    call('PUT', '/api/office', { body: office }),
  onSuccess: keep,
});

export const leaveOffice = mutationOptions({
  mutationFn: () => call('DELETE', '/api/office'),
  onSuccess: keep,
});
