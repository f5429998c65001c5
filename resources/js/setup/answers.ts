import type { Schemas } from '../api/client';
import { namesIn } from '../crew/AddLearners';
import { words } from '../words';

/** The set-up as typed, before it is sent. */
export type Answers = {
  code: string;
  name: string;
  from: string;
  to: string;
  zone: string;
  units: 'mm' | 'inches';
  person: string;
  email: string;
  password: string;
  learners: string;
  band: Schemas['AgeBand'];
  rope: string;
  diameter: string;
  material: Schemas['Material'];
  badges: string[];
  due: string;
  /** A badge of the group's own, made by ticking knots; `any` so many of them, or all where it is empty. */
  ownName: string;
  ownKnots: string[];
  ownAny: string;
  dates: string[];
  startsAt: string;
  minutes: string;
  checkers: string;
};

export function emptyAnswers(today: string): Answers {
  return {
    code: /(?:^|[#&])code=([^&]+)/.exec(window.location.hash)?.[1] ?? '',
    name: '',
    from: '8',
    to: '13',
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
    units: 'mm',
    person: '',
    email: '',
    password: '',
    learners: '',
    band: '8-10',
    rope: words.setup.defaultRope,
    diameter: '10',
    material: 'polyester',
    badges: [],
    due: '',
    ownName: '',
    ownKnots: [],
    ownAny: '',
    dates: weekly(today, 10),
    startsAt: '18:30',
    minutes: '60',
    checkers: '2',
  };
}

/** A date every week from the first on. */
export function weekly(first: string, times: number): string[] {
  const start = Date.parse(`${first}T12:00:00Z`);
  return Number.isNaN(start)
    ? []
    : Array.from({ length: Math.max(0, Math.min(52, times)) }, (_, n) =>
        new Date(start + n * 7 * 86_400_000).toISOString().slice(0, 10),
      );
}

export function toRequest(answers: Answers): Schemas['SetUp'] {
  const due = answers.due === '' ? null : answers.due;
  return {
    code: answers.code,
    group: {
      name: answers.name,
      age_from: Number(answers.from),
      age_to: Number(answers.to),
      time_zone: answers.zone,
      units: answers.units,
    },
    leader: { name: answers.person, email: answers.email, password: answers.password },
    learners: namesIn(answers.learners).map((name) => ({ name, age_band: answers.band })),
    rope: { name: answers.rope, diameter_mm: Number(answers.diameter.replace(',', '.')), material: answers.material },
    badges: answers.badges.map((badge) => ({ badge, due_on: due })),
    ...(answers.ownKnots.length > 0
      ? {
          own_badges: [
            {
              name: answers.ownName,
              knots: answers.ownKnots,
              any: answers.ownAny === '' ? null : Number(answers.ownAny),
              due_on: due,
            },
          ],
        }
      : {}),
    meetings: {
      dates: [...answers.dates].sort(),
      starts_at: answers.startsAt,
      minutes: Number(answers.minutes),
      checkers: Number(answers.checkers),
    },
  };
}

/** The question a refused field belongs to. */
export function stepOf(field: string): number {
  if (field.startsWith('/code')) return 0;
  if (field.startsWith('/own_badges')) return 4;
  const order = ['/group', '/leader', '/learners', '/rope', '/badges', '/meetings'];
  return Math.max(
    0,
    order.findIndex((start) => field.startsWith(start)),
  );
}
