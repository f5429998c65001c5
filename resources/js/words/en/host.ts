import { count } from '../count';
import { dayOf, number } from '../format';

const most = (have: number, of: number | null): string =>
  of === null ? number(have) : `${number(have)} of ${number(of)}`;

/** A house of many groups, and whoever hosts it. */
export const host = {
  host: {
    title: 'This house',
    lead: 'Room for groups, and how they fare. What a group writes down is its own: no learner is shown here.',
    nav: 'This house',
    switching: (group: string) => `Open ${group}`,
    switchingAbout:
      'Some of what was written down on this device has not reached the computer yet. Send it first: it belongs to the group that is open now.',
    sum: (groups: number, learners: number, checks: number, days: number) =>
      `${count(groups, 'group', 'groups')}, ${count(learners, 'learner', 'learners')}, ${count(checks, 'check', 'checks')} in ${count(days, 'day', 'days')}`,
    health: {
      works: 'Work waiting',
      oldest: (minutes: number) => `the oldest for ${number(minutes)} min`,
      troubled: (n: number) => `${number(n)} in trouble`,
      disk: 'Free on disk',
      gigabytes: (mb: number) => `${number(mb / 1000, mb < 10_000 ? 1 : 0)} GB`,
      left: 'Checks put aside',
    },
    groups: 'Groups',
    none: 'No group yet. Make a place for the first, and pass its link on to whoever leads it.',
    find: {
      name: 'Find a group',
      show: 'Show',
      shown: (days: number) => ({
        all: 'All',
        open: 'Those that are open',
        quiet: `Open, and no check in ${count(days, 'day', 'days')}`,
        shut: 'Closed, moved or being removed',
      }),
      order: 'In order of',
      orders: { name: 'Name', quiet: 'Longest without a check', learners: 'Most learners', new: 'Newest' },
      nothing: 'No group is like that.',
      before: 'Before',
      next: 'Next',
      page: (page: number, pages: number, found: number) =>
        `Page ${number(page)} of ${number(pages)}, ${count(found, 'group', 'groups')}`,
    },
    column: {
      learners: 'Learners',
      people: 'People',
      checks: (days: number) => `Checks, ${number(days)} days`,
      kept: 'Files kept',
      last: 'Last check',
    },
    most,
    since: (day: string) => `here since ${dayOf(day)}`,
    never: 'none yet',
    states: { open: 'open', moved: 'moved elsewhere', closed: 'closed', removing: 'being removed' },
    change: 'Change',
    changeOf: (group: string) => `Change: ${group}`,
    limits: 'How many it may have',
    learnersMost: 'Learners at most',
    peopleMost: 'People at most',
    mostAbout:
      'Empty: as many as there are. Nobody is taken away by a limit; whoever comes along on an evening is always let in.',
    close: 'Close this group',
    closeAbout: 'Nobody of the group is let in. Nothing is lost, and phones keep what they have not sent.',
    reopen: 'Open it again',
    remove: 'Remove it for good',
    removeAbout: (group: string) =>
      `All it has written down goes, for everybody; signed badges can no longer be looked up here. Its leads can take it along as long as it is open. Type its name, ${group}, if that is what you want.`,
    removeName: 'The name of the group',
    removing: 'It is being removed.',
    places: 'Make a place',
    placesAbout:
      'One group moves in by this link, within two weeks: it is set up anew, or brought along from another house as a zip.',
    placeFor: 'For whom',
    make: 'Make a place',
    made: (name: string) => `A place for ${name}. This is shown once: pass it on now.`,
    code: (code: string) => `The code in it is ${code}.`,
    waiting: 'Places that wait',
    until: (day: string) => `until ${dayOf(day)}`,
    begin:
      'Your group has a place in this house. Five minutes, once. Learners, leaders and meetings can be added at any time.',
  },
};
