import { QueryClient, queryOptions } from '@tanstack/react-query';
import { ApiProblem, call, type Fault, type Schemas, type Untidiness } from './client';
import { byCode } from './corner';
import type { paths } from './schema';

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      // Without a network the worker answers with what it has.
      networkMode: 'always',
      retry: (count, error) => count < 2 && !(error instanceof ApiProblem && error.status >= 400 && error.status < 500),
    },
  },
});

export const houseQuery = queryOptions({
  queryKey: ['house'],
  queryFn: () => call('GET', '/api/house'),
  staleTime: 60_000,
});

export const meQuery = queryOptions({
  queryKey: ['me'],
  queryFn: async (): Promise<Schemas['Me'] | null> => {
    try {
      return await call('GET', '/api/me');
    } catch (error) {
      if (error instanceof ApiProblem && error.status === 401) return null;
      throw error;
    }
  },
  staleTime: 60_000,
});

export const courseQuery = queryOptions({
  queryKey: ['course'],
  queryFn: () => call('GET', '/api/course'),
});

/** What takes longer to lay out: a better plan, where there is one, and what either pace would come to. */
export const outlookQuery = queryOptions({
  queryKey: ['outlook'],
  queryFn: () => call('GET', '/api/course/outlook'),
  staleTime: 60_000,
  // A better plan is looked for once this is answered.
  refetchInterval: ({ state }) => (state.data?.improving ? 8_000 : false),
});

/** An answer from which much else follows: shown at once, and all else that is shown is asked for anew. */
export function tookIn(queryKey: readonly [string], now: object): void {
  queryClient.setQueryData(queryKey, now);
  void queryClient.invalidateQueries({ predicate: (query) => query.queryKey[0] !== queryKey[0] });
}

/** The course after a change of plan: shown at once, and whatever else was laid out from the plan is asked for anew. */
export function tookPlan(now: Schemas['Course']): void {
  queryClient.setQueryData(courseQuery.queryKey, now);
  void queryClient.invalidateQueries({ queryKey: outlookQuery.queryKey });
  void queryClient.invalidateQueries({ queryKey: ['meeting'] });
}

export const runSheetQuery = (meeting: string) =>
  queryOptions({
    queryKey: ['meeting', meeting],
    queryFn: () => call('GET', '/api/meetings/{meeting}', { params: { path: { meeting } } }),
  });

/** Where a meeting's clock stands and who is here, every few seconds: written into the run sheet that is shown. */
export const meetingNowQuery = (meeting: string) =>
  queryOptions({
    queryKey: ['meeting', meeting, 'now'],
    queryFn: async ({ client, signal }) => {
      const before = client.getQueryData<Schemas['MeetingNow']>(['meeting', meeting, 'now']);
      const now = await call('GET', '/api/meetings/{meeting}/clock', { params: { path: { meeting } } });
      // Called off meanwhile: a step was taken that this answer does not know of.
      if (signal.aborted) return now;
      const { queryKey } = runSheetQuery(meeting);
      client.setQueryData(queryKey, (sheet) => sheet && withNow(sheet, now));
      if (before && before.sheet !== now.sheet) void client.invalidateQueries({ queryKey, exact: true });
      return now;
    },
    refetchInterval: 5_000,
  });

function withNow(sheet: Schemas['RunSheet'], { clock, present }: Schemas['MeetingNow']): Schemas['RunSheet'] {
  return { ...sheet, clock, roll: sheet.roll.map((one) => ({ ...one, present: present[one.id] ?? null })) };
}

export const knotsQuery = queryOptions({
  queryKey: ['knots'],
  queryFn: () => call('GET', '/api/knots'),
  staleTime: Infinity,
});

export type View = NonNullable<NonNullable<paths['/api/knots/{knot}']['parameters']['query']>['view']>;

export const knotQuery = (knot: string, view: View, method?: string) =>
  queryOptions({
    queryKey: ['knot', knot, view, method ?? ''],
    queryFn: () =>
      call('GET', '/api/knots/{knot}', { params: { path: { knot }, query: { view, ...(method && { method }) } } }),
    staleTime: Infinity,
  });

/** What a learner's knot is held against while it is checked, from their side. */
export const comparedQuery = (knot: string, view: View) =>
  queryOptions({
    queryKey: ['compared', knot, view],
    queryFn: () => call('GET', '/api/knots/{knot}/compared', { params: { path: { knot }, query: { view } } }),
    staleTime: Infinity,
  });

export const openForQuery = (learner: string) =>
  queryOptions({
    queryKey: ['check', 'of', learner],
    queryFn: () => call('GET', '/api/learners/{learner}/check', { params: { path: { learner } } }),
  });

/** The address at which a drawing is a file: a step from 1, or the finished knot, loose or drawn up. */
export const drawingFile = (knot: Schemas['Knot'], view: string, shown: number | 'loose' | 'tight'): string =>
  `/api/knots/${knot.id}/drawing.svg?method=${encodeURIComponent(knot.method)}&view=${view}${shown === 'loose' ? '' : shown === 'tight' ? '&tight=yes' : `&step=${shown}`}`;

/** Where knots are read, and what opens the way to them: a card's code in the practice corner, which knows nobody. */
const reading = { code: null as string | null };

/** From here on knots are read in the practice corner. */
export function readByCode(code: string): void {
  reading.code = code;
}

/** A knot as ropes in space, from loose to tight; of its usual method, from tight to pulled at; or with a fault in its dressing. */
export const knotInSpaceQuery = (
  knot: string,
  method: string | null,
  pulled = false,
  untidy: Untidiness | null = null,
) =>
  queryOptions({
    queryKey: ['space', knot, pulled ? 'pulled' : method, untidy],
    queryFn: () => {
      const path = { knot };
      const query = pulled ? ({ pulled: 'yes' } as const) : method === null ? {} : { method };
      return reading.code === null
        ? call('GET', '/api/knots/{knot}/space', {
            params: { path, query: untidy === null ? query : { ...query, untidy } },
          })
        : call('GET', '/api/corner/knots/{knot}/space', {
            params: { path, query },
            headers: byCode(reading.code),
          });
    },
    staleTime: Infinity,
  });

/** The address of the same as a picture: turned by whole degrees, loose (0) to tight (1), or as far as it has come in a step. */
export function spacePicture(
  knot: { id: string; method: string | null },
  yaw: number,
  pitch: number,
  shown: { tightness: number } | { step: number },
  ink: 'colour' | 'grey' = 'colour',
): string {
  const asked = new URLSearchParams({ yaw: `${Math.round(yaw) % 360}`, pitch: `${Math.round(pitch)}` });
  if (knot.method !== null) asked.set('method', knot.method);
  if ('step' in shown) asked.set('step', `${shown.step}`);
  else asked.set('tight', `${Math.round(shown.tightness * 100) / 100}`);
  if (ink === 'grey') asked.set('ink', ink);
  return `/api/knots/${knot.id}/space.svg?${asked}`;
}

export const nextKnotsQuery = (learner: string) =>
  queryOptions({
    queryKey: ['next', learner],
    queryFn: () => call('GET', '/api/learners/{learner}/next', { params: { path: { learner } } }),
  });

export const checkSheetQuery = (knot: string, meeting: string | null, rope: string | null) =>
  queryOptions({
    queryKey: ['check', knot, meeting, rope],
    queryFn: () =>
      call('GET', '/api/check/{knot}', {
        params: { path: { knot }, query: { ...(meeting && { meeting }), ...(rope && { rope }) } },
      }),
  });

export const cardsQuery = queryOptions({
  queryKey: ['practice-cards'],
  queryFn: () => call('GET', '/api/practice/cards'),
});

export const crewQuery = queryOptions({ queryKey: ['crew'], queryFn: () => call('GET', '/api/crew') });

export const learnerQuery = (learner: string) =>
  queryOptions({
    queryKey: ['learner', learner],
    queryFn: () => call('GET', '/api/learners/{learner}', { params: { path: { learner } } }),
  });

export const groupQuery = queryOptions({
  queryKey: ['group'],
  queryFn: () => call('GET', '/api/group'),
});

export const packQuery = (meeting: string) =>
  queryOptions({
    queryKey: ['pack', meeting],
    queryFn: () => call('GET', '/api/meetings/{meeting}/pack', { params: { path: { meeting } } }),
  });

export const storeQuery = queryOptions({
  queryKey: ['store'],
  queryFn: () => call('GET', '/api/store'),
});

export const gaugesQuery = queryOptions({
  queryKey: ['gauges'],
  queryFn: () => call('GET', '/api/gauges'),
});

export const peopleQuery = queryOptions({
  queryKey: ['people'],
  queryFn: () => call('GET', '/api/people'),
});

export const badgesQuery = queryOptions({
  queryKey: ['badges'],
  queryFn: () => call('GET', '/api/badges'),
  staleTime: Infinity,
});

export const rigsQuery = queryOptions({
  queryKey: ['rigs'],
  queryFn: () => call('GET', '/api/rigs'),
});

export type RigAsked = {
  rig: string;
  answers: Record<string, unknown>;
  knots: Record<string, string>;
  rope: string | null;
  meeting: string | null;
};

/** The last that was worked out, whatever was asked; nothing looks it up. */
const lastQuery = <Found>(kind: string, id: string) =>
  queryOptions({
    queryKey: [kind, id, 'stood'],
    queryFn: (): Found | null => null,
    enabled: false,
    staleTime: Infinity,
  });

/** Why nothing can be worked out from what is asked; nothing where it can. What is worked out is kept beside. */
const workedQuery = (kind: string, id: string, asked: object, work: () => Promise<unknown>) =>
  queryOptions({
    queryKey: [kind, id, asked],
    queryFn: async ({ client, signal }): Promise<Fault[]> => {
      try {
        const found = await work();
        // Called off meanwhile: a newer question is on its way.
        if (!signal.aborted) client.setQueryData([kind, id, 'stood'], found);
        return [];
      } catch (error) {
        if (error instanceof ApiProblem && error.status === 422) return error.faults;
        throw error;
      }
    },
    staleTime: 0,
    gcTime: 0,
  });

export const stoodQuery = (rig: string) => lastQuery<Schemas['Rig']>('rig', rig);

export const rigQuery = ({ rig, answers, knots, rope, meeting }: RigAsked) => {
  const query = {
    answers: JSON.stringify(answers),
    knots: JSON.stringify(knots),
    ...(rope !== null && { rope }),
    ...(meeting !== null && { meeting }),
  };
  return workedQuery('rig', rig, query, () => call('GET', '/api/rigs/{rig}', { params: { path: { rig }, query } }));
};

export const instrumentsQuery = queryOptions({
  queryKey: ['instruments'],
  queryFn: () => call('GET', '/api/instruments'),
  staleTime: Infinity,
});

export const lastReadQuery = (instrument: string) => lastQuery<Schemas['Instrument']>('instrument', instrument);

export const instrumentQuery = (instrument: string, answers: Record<string, unknown>, rope: string | null) => {
  const query = { answers: JSON.stringify(answers), ...(rope !== null && { rope }) };
  return workedQuery('instrument', instrument, query, () =>
    call('GET', '/api/instruments/{instrument}', { params: { path: { instrument }, query } }),
  );
};

export const measuresQuery = queryOptions({
  queryKey: ['measures'],
  queryFn: () => call('GET', '/api/measures'),
});

export const rigPackQuery = (rig: string) =>
  queryOptions({
    queryKey: ['rig-pack', rig],
    queryFn: () => call('GET', '/api/rigs/{rig}/pack', { params: { path: { rig } } }),
    staleTime: 0,
    gcTime: 0,
  });

export const choiceQuery = (job: object) =>
  queryOptions({
    queryKey: ['choice', JSON.stringify(job)],
    queryFn: () => call('GET', '/api/choice', { params: { query: { job: JSON.stringify(job) } } }),
    staleTime: Infinity,
  });
