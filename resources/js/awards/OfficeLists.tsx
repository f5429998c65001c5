import { useMutation } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { Link } from 'react-router';
import * as limits from '../api/limits';
import { type OfficeBoard, sendToOffice } from '../api/office';
import { Button } from '../ui/Button';
import { Faults } from '../ui/states';
import { dayOf } from '../words/format';
import { words } from '../words';
import { Station } from './Station';

type Told = OfficeBoard['awards'][number];
type Untold = OfficeBoard['never_sent'][number];

/** So many are shown before somebody asks for all of them. */
const AT_FIRST = 12;

/** The way of awards into the register: what it has refused, what is not there yet, what it has taken. */
export function OfficeLists({ board }: { board: OfficeBoard }) {
  const send = useMutation(sendToOffice);
  const [all, setAll] = useState(false);
  const refused = board.awards.filter((one) => one.state === 'refused');
  const underWay = board.awards.filter((one) => one.state === 'waiting');
  const taken = board.awards.filter((one) => !['refused', 'waiting'].includes(one.state));
  const untold = board.never_sent;
  const shown = all ? taken : taken.slice(0, AT_FIRST);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-x-8 gap-y-10 rail:grid-cols-3">
      <Station title={words.office.waiting} count={underWay.length + untold.length}>
        <Faults error={send.error} />
        <Rows none={words.office.none.waiting} count={underWay.length + untold.length}>
          {underWay.map((one) => (
            <Row key={one.award} one={one}>
              <span className="text-soft">{words.office.underWay}</span>
            </Row>
          ))}
          {untold.map((one) => (
            <Row key={one.award} one={one}>
              <Button
                disabled={send.isPending}
                aria-label={words.office.sendFor({ badge: one.name, learner: one.learner.name })}
                onClick={() => send.mutate([one.award])}
              >
                {words.office.send}
              </Button>
            </Row>
          ))}
        </Rows>
        {untold.length > 1 && (
          <Button
            look="signal"
            className="mt-3 w-full"
            disabled={send.isPending}
            onClick={() => send.mutate(untold.slice(0, limits.sendToOffice.awards.most).map((one) => one.award))}
          >
            {words.office.sendAll({ n: untold.length })}
          </Button>
        )}
      </Station>
      <Station title={words.office.refused} count={refused.length}>
        <Rows none={words.office.none.refused} count={refused.length}>
          {refused.map((one) => (
            <Row key={one.award} one={one} more={<Reason one={one} />}>
              <Button
                disabled={send.isPending}
                aria-label={words.office.againFor({ badge: one.name, learner: one.learner.name })}
                onClick={() => send.mutate([one.award])}
              >
                {words.office.again}
              </Button>
            </Row>
          ))}
        </Rows>
      </Station>
      <Station title={words.office.taken} count={taken.length}>
        <Rows none={words.office.none.taken} count={taken.length}>
          {shown.map((one) => (
            <Row key={one.award} one={one} more={<Receipt one={one} />} />
          ))}
        </Rows>
        {shown.length < taken.length && (
          <Button look="quiet" onClick={() => setAll(true)}>
            {words.awards.showAll({ n: taken.length })}
          </Button>
        )}
      </Station>
    </div>
  );
}

function Rows({ none, count, children }: { none: string; count: number; children: ReactNode }) {
  if (count === 0) return <p className="text-soft">{none}</p>;
  return <ul className="divide-y divide-line rounded-xl border border-line bg-card px-4">{children}</ul>;
}

function Row({ one, more, children }: { one: Told | Untold; more?: ReactNode; children?: ReactNode }) {
  return (
    <li className="py-3" data-testid="told">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="min-w-0 flex-1 basis-40 leading-tight">
          <Link
            to={`/crew/${one.learner.id}`}
            className="font-semibold underline decoration-hemp decoration-2 underline-offset-4"
          >
            {one.learner.name}
          </Link>
          <span className="block text-sm text-soft">
            {words.office.decided({ badge: one.name, day: dayOf(one.decided_on) })}
          </span>
        </span>
        {children}
      </div>
      {more}
    </li>
  );
}

function Reason({ one }: { one: Told }) {
  return (
    <p className="mt-1 border-l-4 border-notyet pl-3">
      {one.requirement !== null && (
        <strong className="block">{words.office.refusedFor({ requirement: one.requirement })}</strong>
      )}
      {one.reason ?? words.office.refusedBare}
    </p>
  );
}

function Receipt({ one }: { one: Told }) {
  const back = { taking_back: words.office.takingBack, taken_back: words.office.takenBack };
  return (
    <p className="text-sm">
      <span className="tabular-nums">{words.office.receipt({ receipt: one.receipt ?? '' })}</span>
      {one.answered_at && <span className="text-soft">, {dayOf(one.answered_at.slice(0, 10))}</span>}
      {(one.state === 'taking_back' || one.state === 'taken_back') && (
        <strong className="block">{back[one.state]}</strong>
      )}
    </p>
  );
}
