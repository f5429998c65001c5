import { useQuery } from '@tanstack/react-query';
import { Smartphone } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { KnotPicture } from '../drawing/KnotPicture';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Sheet } from '../ui/Sheet';
import { WithAdult } from '../ui/WithAdult';
import { words } from '../words';
import { type Kept, picturesQuery, tieWith, today, wipe } from './kept';
import { standing, whatNext, type Why } from './next';

/** When this visit began. */
const began = Date.now();

/** One thing to do next, and all knots below it. */
export function HomePage({ kept }: { kept: Kept }) {
  const { corner, days } = kept;
  const { data: pictures } = useQuery(picturesQuery(corner));
  const [open, setOpen] = useState(false);
  const enough = useEnough(corner.enough_minutes);
  const next = whatNext(corner, days, today());
  return (
    <main className="[--ground:var(--paper)] mx-auto flex min-h-dvh max-w-4xl flex-col gap-6 p-4 pb-[max(2rem,env(safe-area-inset-bottom))] sm:p-6">
      <header className="flex items-center justify-between gap-3">
        <h1 className="text-2xl">{words.practice.title}</h1>
        <button
          type="button"
          aria-label={words.practice.device}
          title={words.practice.device}
          onClick={() => setOpen(true)}
          className="grid size-12 shrink-0 place-items-center rounded-full border border-line bg-card hover:bg-wash"
        >
          <Smartphone aria-hidden className="size-5" />
        </button>
      </header>
      {enough.isOver ? (
        <section className="rounded-2xl border-2 border-right bg-card p-5" data-testid="enough">
          <h2 className="text-3xl">{words.practice.enough}</h2>
          <p className="mt-1 mb-4 text-lg text-soft">{words.practice.enoughAbout}</p>
          <Button onClick={enough.goOn}>{words.practice.onward}</Button>
        </section>
      ) : next ? (
        <Link
          to={`/${next.knot.id}`}
          className="flex flex-col overflow-hidden rounded-2xl border-2 border-line bg-card [--ground:var(--card)] hover:border-ink sm:flex-row"
          data-testid="next"
        >
          <span className="grid flex-1 place-items-center p-3">
            <Small of={pictures?.[next.knot.id]} className="h-44 w-full sm:h-56" />
          </span>
          <span className="flex flex-1 flex-col justify-center gap-1 bg-wash p-5">
            <span className="font-semibold text-signal">{words.practice.next}</span>
            <strong className="font-display text-3xl">{next.knot.name}</strong>
            <span className="text-soft">{sayWhy(next.why)}</span>
          </span>
        </Link>
      ) : (
        <p className="rounded-2xl bg-wash p-5 text-lg" data-testid="next">
          {words.practice.allTied}
        </p>
      )}
      <section aria-labelledby="all">
        <h2 id="all" className="mb-2 text-xl">
          {words.practice.all}
        </h2>
        <ul className="grid grid-cols-2 gap-3 sm:grid-cols-3 lg:grid-cols-4">
          {corner.knots.map((knot) => {
            const at = standing(corner, days, knot.id, today());
            return (
              <li key={knot.id}>
                <Link
                  to={`/${knot.id}`}
                  className="flex h-full flex-col gap-1 rounded-xl border border-line bg-card p-3 [--ground:var(--card)] hover:border-ink"
                >
                  <span className="h-20">
                    <Small of={pictures?.[knot.id]} className="size-full" />
                  </span>
                  <strong className="leading-tight">{knot.name}</strong>
                  {knot.with_adult && <WithAdult className="flex text-signal" />}
                  {at && <span className="text-sm text-soft">{words.practice.old({ days: at.ago })}</span>}
                </Link>
              </li>
            );
          })}
        </ul>
      </section>
      <p className="border-l-4 border-hemp pl-3 text-soft">{words.practice.where}</p>
      <OnThisDevice kept={kept} open={open} onClose={() => setOpen(false)} />
    </main>
  );
}

function Small({ of, className }: { of: Schemas['CornerPicture'] | undefined; className: string }) {
  return of && <KnotPicture drawing={of.drawing} moment={null} text="" className={className} />;
}

function sayWhy(why: Why): string {
  return why.kind === 'due' ? words.practice.why.due({ days: why.days }) : words.practice.why[why.kind];
}

/** Whether this visit has lasted long enough; asked again after as long, once somebody goes on. */
function useEnough(minutes: number): { isOver: boolean; goOn: () => void } {
  const [until, setUntil] = useState(began + minutes * 60_000);
  const [isOver, setOver] = useState(false);
  useEffect(() => {
    const wait = window.setTimeout(() => setOver(true), Math.max(0, until - Date.now()));
    return () => clearTimeout(wait);
  }, [until]);
  return {
    isOver,
    goOn: () => {
      setOver(false);
      setUntil(Date.now() + minutes * 60_000);
    },
  };
}

/** What is kept here, and the button that wipes it. */
function OnThisDevice({ kept, open, onClose }: { kept: Kept; open: boolean; onClose: () => void }) {
  const [missing, setMissing] = useState(false);
  const tied = new Set(kept.days.map((one) => one.day)).size;
  return (
    <Sheet open={open} onClose={onClose} title={words.practice.device} about={words.practice.deviceAbout}>
      <ul className="mb-4 list-disc pl-5">
        <li>{words.practice.deviceList.code}</li>
        <li>{words.practice.deviceList.knots}</li>
        <li>{words.practice.deviceList.days({ days: tied })}</li>
      </ul>
      <p className="mb-1 font-semibold">{words.practice.hand}</p>
      <Choice
        label={words.practice.hand}
        options={(['learner', 'left'] as const).map((view) => [view, words.practice.hands[view]])}
        value={kept.corner.view}
        onChange={(view) => void tieWith(view).then((has) => setMissing(!has))}
      />
      {missing && (
        <p role="alert" className="mt-2 font-semibold">
          {words.practice.handNetwork}
        </p>
      )}
      <p className="my-4">{kept.corner.hints ? words.practice.hints : words.practice.noHints}</p>
      <Button className="w-full" onClick={() => void wipe().then(onClose)}>
        {words.practice.wipe}
      </Button>
    </Sheet>
  );
}
