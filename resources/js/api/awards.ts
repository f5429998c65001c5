import { mutationOptions, queryOptions } from '@tanstack/react-query';
import { call } from './client';
import { queryClient } from './queries';

export const awardsQuery = queryOptions({
  queryKey: ['awards'],
  queryFn: () => call('GET', '/api/awards'),
});

/** One award with what met it. */
export const awardQuery = (award: string) =>
  queryOptions({
    queryKey: ['awards', award],
    queryFn: () => call('GET', '/api/awards/{award}', { params: { path: { award } } }),
  });

/** Certificates of these awards; of none, how they look. */
export const certificatesQuery = (awards: string[]) =>
  queryOptions({
    queryKey: ['awards', 'certificates', ...awards],
    queryFn: () =>
      call('GET', '/api/certificates', { params: { query: awards.length > 0 ? { awards: awards.join(',') } : {} } }),
  });

/** As many certificates as are asked for at once: an address holds no more. */
export const CERTIFICATES = 100;

/** The page that prints them. */
export const certificatesOf = (awards: { id: string }[]): string =>
  `/certificates?awards=${awards
    .slice(0, CERTIFICATES)
    .map((award) => award.id)
    .join(',')}`;

/** That these were handed over, today. */
export const handOver = mutationOptions({
  mutationFn: (awards: string[]) => call('PUT', '/api/awards/handed', { body: { awards } }),
  onSettled: () => void queryClient.invalidateQueries(),
});

/** The address of the group's picture: another for another picture, so that each is asked for once. */
export const groupPicture = (hash: string): string => `/api/certificate/picture?of=${hash}`;

export const signingQuery = queryOptions({
  queryKey: ['awards', 'signing'],
  queryFn: () => call('GET', '/api/signing'),
});

export const trustedQuery = queryOptions({
  queryKey: ['awards', 'trusted'],
  queryFn: () => call('GET', '/api/trusted'),
});
