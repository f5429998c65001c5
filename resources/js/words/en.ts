import { along } from './en/along';
import { awards } from './en/awards';
import { bench } from './en/bench';
import { check } from './en/check';
import { course } from './en/course';
import { crew } from './en/crew';
import { host } from './en/host';
import { house } from './en/house';
import { office } from './en/office';
import { pack } from './en/pack';
import { practice } from './en/practice';
import { record } from './en/record';
import { session } from './en/session';
import { show } from './en/show';
import { app, signIn, unknown } from './signIn';

/** Every sentence of the interface, room by room. A translation is other files of this shape. */
export const words = {
  app,
  loading: 'One moment…',
  retry: 'Try again',
  close: 'Close',
  cancel: 'Cancel',
  back: 'Back',
  save: 'Save',
  unknown,
  offline: 'No network: everything is as it was last seen. Show and check all the same.',
  clocksApart: (device: string, computer: string) =>
    `This device says ${device}, the group’s computer ${computer}. What is written down is dated by the computer: if that is the wrong one, put its clock right before you check.`,
  notFound: 'There is nothing at this address.',
  nav: {
    label: 'Main',
    course: 'Course',
    tonight: 'Tonight',
    next: 'Next',
    show: 'Show',
    check: 'Check',
    crew: 'Crew',
    bench: 'Bench',
    menu: 'Group and account',
    people: 'People',
    store: 'Rope store',
    house: 'Group and badges',
    cards: 'Practice cards',
    awards: 'Awards',
    dark: 'Dark colours',
    light: 'Light colours',
    signOut: 'Sign out',
    skip: 'Skip to the page',
  },
  roles: { lead: 'lead', instructor: 'instructor', helper: 'helper' },
  roleAbout: {
    lead: 'plans, awards, looks after people',
    instructor: 'teaches, checks, replans',
    helper: 'checks knots',
  },
  bands: { '5-7': '5 to 7', '8-10': '8 to 10', '11-13': '11 to 13', '14+': '14 and over' },
  materials: {
    natural: 'Natural fibre',
    polyester: 'Polyester braid',
    nylon: 'Nylon',
    polypropylene: 'Polypropylene',
    hmpe: 'HMPE',
  },
  levels: {
    seen: 'seen',
    with_help: 'with help',
    has_it: 'has it',
    kept: 'kept',
    uses_it: 'uses it',
    teaches_it: 'teaches it',
  },
  verdicts: {
    has_it: 'Has it',
    with_help: 'With help',
    tie_again: 'Tie again',
    tidy_it: 'Tidy it',
    feed_tail: 'Feed tail',
    incomplete: 'Not finished',
  },
  signIn,
  ...host,
  ...house,
  ...office,
  ...record,
  reset: { title: 'Set a new password', go: 'Set password', done: 'Done. Sign in with the new password.' },
  ...course,
  ...session,
  ...bench,
  ...pack,
  ...show,
  ...check,
  ...crew,
  ...practice,
  ...along,
  ...awards,
} as const;
