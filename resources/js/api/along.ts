import { mutationOptions, queryOptions } from '@tanstack/react-query';
import { base64 } from './bytes';
import { call, type Schemas } from './client';
import { queryClient } from './queries';

export type AlongBoard = Schemas['AlongBoard'];
export type TakenIn = Schemas['TakenIn'];
export type Sheet = Schemas['Sheet'];

/** So often is asked, in milliseconds, while a zip is being written. */
const MEANWHILE = 1500;

/** A part of a file that is brought, in bytes: as large as the server takes at a time. */
const PART = 1024 * 1024;

const KEY = ['along'];

/** The zips there are, looked at again as long as one is being written. */
export const alongQuery = queryOptions({
  queryKey: KEY,
  queryFn: () => call<AlongBoard>('GET', '/api/along'),
  refetchInterval: (query) => (query.state.data?.files.some((file) => file.state === 'asked') ? MEANWHILE : false),
});

const keep = (now: AlongBoard): void => void queryClient.setQueryData(KEY, now);

/** Whether the group is only looked at here is said on every page. */
const moved = async (now: AlongBoard): Promise<void> => {
  keep(now);
  await queryClient.invalidateQueries({ queryKey: ['me'] });
};

export const askAlong = mutationOptions({
  mutationFn: (asked: { password?: string; leave: boolean }) => call<AlongBoard>('POST', '/api/along/files', asked),
  onSuccess: moved,
});

export const removeAlong = mutationOptions({
  mutationFn: (file: string) => call<AlongBoard>('DELETE', `/api/along/files/${file}`),
  onSuccess: keep,
});

export const stayHere = mutationOptions({
  mutationFn: () => call<AlongBoard>('PUT', '/api/along/left', { left: false }),
  onSuccess: moved,
});

/**
 * Brings a file, part by part.
 *
 * @param to where zips are brought: of this group, or to an empty house
 * @param step told the share that is there, from 0 to 1
 * @returns where it can be looked at
 */
export async function bring(
  to: string,
  file: Blob,
  about: Record<string, string>,
  step: (share: number) => void,
): Promise<string> {
  const { file: id } = await call<{ file: string }>('POST', to, { ...about, bytes: file.size });
  for (let place = 0; place * PART < file.size; place++) {
    const data = await base64(file.slice(place * PART, (place + 1) * PART));
    await call('PUT', `${to}/${id}/parts`, { place, data });
    step(Math.min(1, ((place + 1) * PART) / file.size));
  }
  return `${to}/${id}`;
}
