import { count } from '../count';
import { number } from '../format';

/** The words of an evening, its clock and what waits to be sent. */
export const session = {
  session: {
    roll: 'Who is here',
    here: 'here',
    away: 'away',
    count: (n: number, all: number) => `${number(n)} of ${number(all)} here`,
    blocks: 'Run sheet',
    cards: 'Cards to print',
    pack: 'What to pack',
    show: 'Show',
    check: 'Check',
    kinds: {
      welcome: 'Welcome',
      tries: 'Second tries',
      old: 'Old knot',
      new: 'New knot',
      again: 'Once more',
      raise: 'Raise',
      inspect: 'Check it stands',
      strike: 'Strike',
      free: 'Use the knots',
      clear_up: 'Clear up',
    },
    rigList: (done: number, all: number) => `${number(done)} of ${number(all)} done`,
    rigHeld: 'An adult looks first: the steps come when its checks are ticked.',
    pickRig: 'Build something with them',
    rigOpen: 'On the bench',
    rigUsed: 'Who tied what',
    rigRules: 'The organisation’s rules, local rules and qualified people come first.',
    past: 'This meeting is over. What was checked is on the crew board.',
    noPlan: 'Nothing is planned: every need is met.',
    mark: (name: string) => `${name}, here or away`,
    markHelp: 'Tap a name: here, and again: away.',
    cannot: 'Helpers check knots; a leader marks who is here.',
    start: 'Start the meeting',
    startTonight: 'Start an evening now',
    nextBlock: 'Next',
    skip: 'Skip',
    split: 'Half now, half later',
    carry: 'Next meeting',
    more: 'More',
    end: 'End the meeting',
    running: 'Now',
    over: (n: number) => `${count(n, 'minute', 'minutes')} over`,
    left: (n: number) => `${count(n, 'minute', 'minutes')} left`,
    behind: (n: number) =>
      n > 0
        ? `The evening is ${count(n, 'minute', 'minutes')} behind.`
        : n < 0
          ? `The evening is ${count(-n, 'minute', 'minutes')} ahead.`
          : 'On time.',
    part: (part: 'show' | 'along' | 'tries' | 'check', minutes: number) =>
      `${{ show: 'show', along: 'tie along', tries: 'tries', check: 'check' }[part]} ${number(minutes)}`,
    expected: 'Expected, and what came',
    expectedOf: (n: number, all: number) => `${number(n)} of ${number(all)}`,
    came: (passed: number, tried: number) => (tried === 0 ? 'not checked' : `${number(passed)} of ${number(tried)}`),
    expectedHead: { knot: 'Knot', expected: 'Expected to pass', came: 'Passed, of those checked' },
    states: { waiting: '', running: 'now', done: 'done', skipped: 'skipped', carried: 'next meeting' },
    took: (taken: number, planned: number) => `${number(taken)} of ${number(planned)} min`,
    summary: 'How it went',
    summaryLine: (done: number, skipped: number, carried: number) =>
      `${count(done, 'block', 'blocks')} done, ${number(skipped)} skipped, ${number(carried)} for the next meeting.`,
    checks: (n: number) => `${count(n, 'check', 'checks')} recorded`,
    sheet: 'Run sheet to print',
    clock: 'The clock',
    overAlready: (n: number) => `${count(n, 'block', 'blocks')} over`,
    refused: (step: 'start' | 'next' | 'skip' | 'carry' | 'split' | 'end', why: string) =>
      `${{ start: 'The meeting was not started', next: 'The next block was not begun', skip: 'Nothing was skipped', carry: 'Nothing was carried over', split: 'Nothing was split', end: 'The meeting was not ended' }[step]}. ${why}`,
    seen: 'All right',
    none: 'No meeting is planned yet. Add one on the course.',
    edge: (from: string, to: string) => `${from} to ${to}`,
  },
  ruler: {
    title: 'Ruler on the screen',
    set: 'Set the ruler once',
    setAbout:
      'Lay a bank card on the screen, its left edge on the left edge of the box, and draw the box as wide as the card. Every bank card is 85.60 mm long.',
    wide: 'As wide as the card',
    fits: 'The card fits',
    about: 'Lay the tail along the edge from the top, and draw the mark to its end.',
    take: (mm: string) => `Take ${mm} mm`,
    again: 'Set it anew',
    finger: 'My finger is, in mm',
    later: 'Judged when there is a network.',
  },
  sync: {
    waiting: (n: number, notes: number) =>
      `${n === 0 ? count(notes, 'note of the evening waits', 'notes of the evening wait') : notes === 0 ? count(n, 'check waits', 'checks wait') : `${count(n, 'check', 'checks')} and ${count(notes, 'note of the evening', 'notes of the evening')} wait`} on this device.`,
    refused: (n: number) => `${count(n, 'check was', 'checks were')} not taken.`,
    others: (n: number, names: string, may: boolean) =>
      `${count(n, 'check', 'checks')} by ${names} ${n === 1 ? 'waits' : 'wait'} here for them to sign in${may ? ', or for you to send on under both names' : ''}.`,
    sendOn: 'Send theirs on',
    tappedBy: (name: string) => `by ${name}`,
    now: 'Send now',
    look: 'Look',
    title: 'Not on the server yet',
    about: 'In the order they were made. They stay here until the server has each of them.',
    letGo: 'Let it go',
    file: 'Save them as a file',
    trouble: {
      none: 'Being sent.',
      network: 'No network: sent as soon as there is one.',
      'sign-in': 'Sign in again, and they are sent.',
    },
    provisional: 'Reckoned on this device; it counts once it is sent.',
    full: 'This device could not keep the check: its storage is full or closed. Nothing was recorded; write it down.',
    leaving: (n: number, notes: number) =>
      `${[n > 0 ? count(n, 'check', 'checks') : '', notes > 0 ? count(notes, 'note of the evening', 'notes of the evening') : ''].filter(Boolean).join(' and ')} ${n + notes === 1 ? 'is' : 'are'} not sent yet. Signing out takes ${n + notes === 1 ? 'it' : 'them'} off this device.`,
    leaveFile: 'Save them as a file, then sign out',
    leave: 'Sign out all the same',
    stay: 'Stay',
  },
} as const;
