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
  queryFn: () => call('GET', '/api/along'),
  refetchInterval: (query) => (query.state.data?.files.some((file) => file.state === 'asked') ? MEANWHILE : false),
});

const keep = (now: AlongBoard): void => void queryClient.setQueryData(KEY, now);

/** Whether the group is only looked at here is said on every page. */
const moved = async (now: AlongBoard): Promise<void> => {
  keep(now);
  await queryClient.invalidateQueries({ queryKey: ['me'] });
};

export const askAlong = mutationOptions({
  mutationFn: (asked: { password?: string; leave: boolean }) => call('POST', '/api/along/files', { body: asked }),
  onSuccess: moved,
});

export const removeAlong = mutationOptions({
  mutationFn: (file: string) => call('DELETE', '/api/along/files/{file}', { params: { path: { file } } }),
  onSuccess: keep,
});

export const stayHere = mutationOptions({
  mutationFn: () => call('PUT', '/api/along/left', { body: { left: false } }),
  onSuccess: moved,
});

type Opened = { password?: string };

/** Where a zip is brought, part by part, and looked at: what the server asks besides, from whoever brings one there, is `About`. */
export type ZipWay<About> = {
  begin: (about: About, bytes: number) => Promise<{ file: string }>;
  part: (id: string, part: { place: number; data: string }) => Promise<unknown>;
  look: (id: string, about: About, opened: Opened) => Promise<TakenIn>;
};

/** To its own group. */
export const zipOfGroup: ZipWay<object> = {
  begin: (_, bytes) => call('POST', '/api/along/given', { body: { bytes } }),
  part: (given, body) => call('PUT', '/api/along/given/{given}/parts', { params: { path: { given } }, body }),
  look: (given, _, body) => call('POST', '/api/along/given/{given}/look', { params: { path: { given } }, body }),
};

/** To an empty house, by whoever has its code. */
export const zipToHouse: ZipWay<{ code: string }> = {
  begin: (about, bytes) => call('POST', '/api/setup/zip', { body: { ...about, bytes } }),
  part: (zip, body) => call('PUT', '/api/setup/zip/{zip}/parts', { params: { path: { zip } }, body }),
  look: (zip, about, opened) =>
    call('POST', '/api/setup/zip/{zip}/look', { params: { path: { zip } }, body: { ...about, ...opened } }),
};

/**
 * Brings a file, part by part.
 *
 * @param step told the share that is there, from 0 to 1
 * @returns the id by which it can be looked at
 */
export async function bring<About>(
  way: ZipWay<About>,
  file: Blob,
  about: About,
  step: (share: number) => void,
): Promise<string> {
  const { file: id } = await way.begin(about, file.size);
  for (let place = 0; place * PART < file.size; place++) {
    await way.part(id, { place, data: await base64(file.slice(place * PART, (place + 1) * PART)) });
    step(Math.min(1, ((place + 1) * PART) / file.size));
  }
  return id;
}
