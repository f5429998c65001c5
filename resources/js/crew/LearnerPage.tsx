import { useQuery } from '@tanstack/react-query';
import { Printer } from 'lucide-react';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { certificatesOf } from '../api/awards';
import type { Schemas } from '../api/client';
import { learnerQuery } from '../api/queries';
import { Mark } from '../drawing/Mark';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { Failure, Loading } from '../ui/states';
import { dayOf, dayShort, millimetres, number } from '../words/format';
import { words } from '../words';
import { markWords, seenWords } from '../drawing/markWords';
import { OutlineTree } from './OutlineTree';
import { Overrule } from './Overrule';
import { KeepLearner } from './KeepLearner';

type Page = Schemas['LearnerPage'];

export function LearnerPage() {
  const { learner: id = '' } = useParams();
  const me = useMe();
  const page = useQuery(learnerQuery(id));
  const [keeping, setKeeping] = useState(false);
  if (page.isPending) return <Loading />;
  if (page.isError) return <Failure error={page.error} retry={() => void page.refetch()} />;
  const { learner, marks, knots, awards, history, practised } = page.data;
  // What is held stands above, as it was when it was decided.
  const badges = page.data.badges.filter((badge) => !badge.held);
  return (
    <div className="flex max-w-5xl flex-col gap-8">
      <div>
        <Link to="/crew" className="inline-flex min-h-12 items-center text-soft underline">
          {words.crew.title}
        </Link>
        <div className="flex flex-wrap items-center justify-between gap-3">
          <h1 className="text-3xl">{learner.name}</h1>
          {me.may.people && (
            <span className="flex flex-wrap items-center gap-x-5">
              <Link to={`/record/${learner.id}`} className={LINK}>
                <Printer aria-hidden className="size-5" /> {words.record.whole}
              </Link>
              <Button onClick={() => setKeeping(true)}>{words.crew.change}</Button>
            </span>
          )}
        </div>
        <p className="text-soft">
          {words.bands[learner.age_band]}
          {learner.hand === 'left' && `, ${words.crew.left}`}
        </p>
      </div>
      <ul className="flex flex-wrap gap-3">
        {Object.entries(marks).map(([knot, mark]) => (
          <li
            key={knot}
            className="flex min-w-56 flex-1 items-center gap-3 rounded-xl border border-line bg-card px-3 py-2 sm:flex-none"
          >
            <Mark mark={mark} label="" size={36} />
            <span>
              <strong className="block leading-tight">{knots[knot]}</strong>
              <span className="text-sm text-soft">{markWords(mark)}</span>
            </span>
          </li>
        ))}
      </ul>
      <div className="grid gap-8 rail:grid-cols-2">
        <section aria-labelledby="badges">
          <h2 id="badges" className="mb-3 text-xl">
            {words.crew.badges}
          </h2>
          {awards.map((award) => (
            <Held key={award.id} award={award} />
          ))}
          {badges.length === 0 && awards.length === 0 && <p className="text-soft">{words.crew.noBadges}</p>}
          {badges.map((badge) => (
            <div key={badge.badge} className="mb-4 rounded-xl border border-line bg-card p-4">
              <h3 className="mb-2 text-lg">
                {badge.name}{' '}
                <span className="font-sans text-sm font-normal text-soft">
                  {badge.complete ? words.crew.complete : `${number(badge.met)} / ${number(badge.needed)}`}
                </span>
              </h3>
              <OutlineTree outline={badge.outline} knots={knots} learner={me.may.teach ? learner.id : null} />
            </div>
          ))}
        </section>
        <History history={history} knots={knots} learner={learner} />
      </div>
      {practised.length > 0 && (
        <section aria-labelledby="practised" className="rounded-xl border-2 border-dashed border-line p-4">
          <h2 id="practised" className="text-xl">
            {words.cards.practised}
          </h2>
          <p className="mb-2 text-soft">{words.cards.practisedAbout}</p>
          <ul className="columns-1 gap-8 sm:columns-2">
            {practised.map((one) => (
              <li key={`${one.knot} ${one.day}`}>
                {dayShort(one.day)}: {knots[one.knot]}.{' '}
                <span className="text-soft">{words.practice.feltAs[one.felt]}.</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {keeping && <KeepLearner learner={learner} onClose={() => setKeeping(false)} />}
    </div>
  );
}

/** A badge they have, and its certificate. */
function Held({ award }: { award: Page['awards'][number] }) {
  const me = useMe();
  return (
    <div className="mb-4 flex flex-wrap items-center justify-between gap-x-4 rounded-xl border-2 border-right bg-card px-4 py-2">
      <p>
        <strong className="font-display text-lg">{award.name}</strong>{' '}
        <span className="text-soft">
          {award.handed_on === null
            ? words.awards.decidedOn({ day: dayOf(award.decided_on) })
            : words.awards.handedOn({ day: dayOf(award.handed_on) })}
        </span>
      </p>
      {me.may.teach && (
        <Link to={certificatesOf([award])} className={LINK}>
          <Printer aria-hidden className="size-5" /> {words.awards.certificate}
        </Link>
      )}
    </div>
  );
}

function History({
  history,
  knots,
  learner,
}: {
  history: Page['history'];
  knots: Page['knots'];
  learner: Page['learner'];
}) {
  const me = useMe();
  const [about, setAbout] = useState<Page['history'][number] | null>(null);
  return (
    <section aria-labelledby="history">
      <h2 id="history" className="mb-3 text-xl">
        {words.crew.history}
      </h2>
      {history.length === 0 && <p className="text-soft">{words.crew.historyEmpty}</p>}
      <ol className="flex flex-col divide-y divide-line">
        {history.map((entry) => (
          <li key={entry.id} className={`py-2 ${entry.taken_back ? 'line-through opacity-70' : ''}`}>
            <span className="flex flex-wrap justify-between gap-x-3">
              <strong>
                {knots[entry.knot] ?? entry.knot}:{' '}
                {entry.kind === 'prior'
                  ? words.crew.prior
                  : entry.rig !== null
                    ? words.crew.used({ rig: entry.rig })
                    : words.verdicts[entry.verdict]}
              </strong>
              <span className="text-sm text-soft">
                {dayShort(entry.day)} {words.crew.by({ name: entry.by })}
              </span>
            </span>
            <span className="text-sm text-soft">
              {[
                entry.rig === null ? seenWords(entry) : '',
                entry.measured_mm === null ? '' : words.crew.measured({ mm: millimetres(entry.measured_mm) }),
                entry.took_s === null ? '' : words.crew.took({ seconds: number(entry.took_s, 1) }),
                entry.kind === 'overrule' ? words.crew.overrule : '',
                entry.clock_off ? words.crew.clockOff : '',
                entry.day_by_server ? words.crew.dayByServer : '',
                entry.sent_by === null ? '' : words.crew.sentBy({ name: entry.sent_by }),
                entry.note ?? '',
              ]
                .filter((part) => part !== '')
                .join(' ')}
              {entry.taken_back && <span className="inline-block pl-2">({words.crew.takenBack})</span>}
            </span>
            {me.may.teach && !entry.taken_back && (
              <button
                type="button"
                className="block min-h-12 text-sm text-soft underline"
                onClick={() => setAbout(entry)}
              >
                {words.crew.otherwise}
                <span className="sr-only">
                  : {knots[entry.knot] ?? entry.knot}, {dayShort(entry.day)}
                </span>
              </button>
            )}
          </li>
        ))}
      </ol>
      {about && (
        <Overrule
          entry={about}
          learner={learner}
          knot={knots[about.knot] ?? about.knot}
          onClose={() => setAbout(null)}
        />
      )}
    </section>
  );
}
