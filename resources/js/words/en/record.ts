import { count } from '../count';

/** The words of one learner's record, as it is printed. */
export const record = {
  record: {
    title: (name: string) => `The record of ${name}`,
    print: 'Look at it, and print',
    whole: 'Whole record',
    about: (group: string, day: string) =>
      `Everything that ${group} has written down about this learner, as of ${day}. If something should not be here, tell a lead.`,
    file: 'As a file',
    archived: 'archived',
    patrol: (name: string) => `patrol ${name}`,
    awards: 'Badges',
    toward: (badges: string) => `Works toward: ${badges}.`,
    noAwards: 'No badge has been decided.',
    decided: (day: string, by: string | null) => `decided ${day}${by === null ? '' : ` by ${by}`}`,
    handed: (day: string, by: string | null) => `handed over ${day}${by === null ? '' : ` by ${by}`}`,
    takenBack: (day: string, why: string | null) => `taken back ${day}${why === null ? '' : `: ${why}`}`,
    told: (office: string, passage: 'waiting' | 'sent' | 'taken' | 'refused', receipt: string | null) =>
      ({
        waiting: `to be told to ${office}`,
        sent: `being told to ${office}`,
        taken: `told to ${office}, receipt ${receipt ?? ''}`,
        refused: `told to ${office}, which refused it`,
      })[passage],
    knots: 'Knots',
    noKnots: 'No knot has been looked at.',
    knot: 'Knot',
    level: 'Level',
    hasIt: 'Had since',
    kept: 'Kept since',
    last: 'Last seen',
    ticks: 'Ticked off',
    gone: 'for a badge that asks for it no more',
    evenings: 'Evenings',
    noEvenings: 'No evening is marked.',
    evening: (present: number, of: number) =>
      `${count(present, 'evening', 'evenings')} here, of ${of} that were marked.`,
    away: 'away',
    practised: 'Practised at home, they say',
    checks: 'Every check',
    day: 'Day',
    what: 'What was seen',
    by: 'By',
    parts: { tying: 'tying', dressing: 'dressing', tail: 'tail' },
    isYes: (parts: string) => `${parts} right`,
    isNo: (parts: string) => `${parts} not`,
    prompts: (n: number) => count(n, 'prompt', 'prompts'),
    struck: 'taken back later',
    retract: 'Takes a check back',
  },
};
