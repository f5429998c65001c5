import { queryOptions } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { dayIn, timeIn } from '../api/time';
import { courseQuery, crewQuery, knotsQuery, queryClient } from '../api/queries';
import type { Evening } from '../outbox/store';

/** The sheet of an evening that was begun on this device, from what is kept here of the group: nothing is planned for it. */
export const eveningQuery = ({ id, at }: Evening, zone: string) =>
  queryOptions({
    queryKey: ['evening', id],
    queryFn: async (): Promise<Schemas['RunSheet']> => {
      const [crew, course, { knots }] = await Promise.all([
        queryClient.query(crewQuery),
        queryClient.query(courseQuery),
        queryClient.query(knotsQuery),
      ]);
      const date = dayIn(zone, at);
      const before = course.meetings.filter((one) => one.date <= date);
      return {
        meeting: {
          id,
          number: before.length + 1,
          date,
          starts_at: timeIn(zone, at),
          minutes: 0,
          checkers: 1,
          place: before.at(-1)?.place ?? null,
          objects: null,
          bans: [],
          state: 'tonight',
          blocks: [],
          introduced: [],
          revisited: [],
          present: 0,
          results: 0,
          remembered: null,
        },
        roll: crew.learners.map(({ id, name, age_band, patrol }) => ({
          id,
          name,
          age_band,
          hand: null,
          patrol: patrol ?? null,
          present: null,
        })),
        knots: Object.fromEntries(knots.map((one) => [one.id, one.name])),
        rigs: {},
        used: [],
        leads: {},
        clock: { now: new Date(at).toISOString(), started_at: null, ended_at: null, blocks: [] },
        badges: null,
        expected: null,
        proposal: null,
      };
    },
    staleTime: Infinity,
  });
