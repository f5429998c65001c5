import { count } from '../count';
import { number } from '../format';

/** The words of the award office. */
export const office = {
  office: {
    title: 'Award office',
    about:
      'Your organisation’s register of who holds which badge. What is decided here is told there by itself; what was given by hand only when you say so.',
    leadOnly: 'A lead looks after the award office.',
    setUp: 'Tell an office of your awards',
    setUpAbout:
      'The learner’s name, the badge, and each requirement with the day on which it was met leave your house for it. Set it up only if your organisation and the parents agree to that.',
    address: 'Its address',
    addressHint: 'As your organisation gave it to you: https://…',
    client: 'Id of your group there',
    secret: 'Secret',
    secretKept: 'Leave it empty to keep the one you have.',
    setGo: 'Ask it, and set it up',
    asking: 'Asking the office…',
    change: 'Id and secret',
    changeGo: 'Ask it, and keep this',
    leave: 'Leave this office',
    leaveAbout:
      'It is told nothing more. What it has taken stays in its register; its receipts stay here. You can come back to it.',
    leaveGo: 'Leave it',
    at: (address: string) => `At ${address}`,
    allTold: 'The office knows everything it is to know.',
    toldBut: (n: number) => `The office knows everything; ${count(n, 'award was', 'awards were')} refused.`,
    nothing: 'No award has been told to it yet.',
    waits: (n: number) => `${count(n, 'award waits', 'awards wait')} to be told.`,
    running: (done: number, of: number) => `Telling the office: ${number(done)} of ${number(of)}`,
    nextAt: (time: string) => `It is tried again at ${time}.`,
    now: 'Try now',
    decided: (badge: string, day: string) => `${badge}, decided ${day}`,
    refused: 'Refused',
    refusedFor: (requirement: string) => `For: ${requirement}`,
    refusedBare: 'It does not say why.',
    again: 'Send again',
    againFor: (badge: string, learner: string) => `Send again: ${badge} for ${learner}`,
    waiting: 'Not there yet',
    underWay: 'under way',
    send: 'Send',
    sendFor: (badge: string, learner: string) => `Send ${badge} for ${learner}`,
    sendAll: (n: number) => `Send all ${number(n)}`,
    taken: 'Taken',
    receipt: (receipt: string) => `Receipt ${receipt}`,
    none: { refused: 'It has refused nothing.', waiting: 'Nothing waits.', taken: 'It has taken nothing yet.' },
    takingBack: 'taken back here; the office is still to be told',
    takenBack: 'taken back here, and there',
    notForgotten: (n: number, address: string) =>
      `The office at ${address} still keeps ${count(n, 'award', 'awards')} of a learner who was erased.`,
    toldSoon: 'It is told as soon as it answers.',
    tellThem: 'You have left it: ask it yourselves to take that out.',
  },
};
