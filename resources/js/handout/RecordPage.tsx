import { useQuery } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import type { ReactNode } from 'react';
import { useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { recordQuery } from '../api/record';
import { LINK } from '../ui/link';
import { Failure, Loading } from '../ui/states';
import { dayOf, listOf, millimetres } from '../words/format';
import { words } from '../words';
import { by } from '../words/saying';
import { PrintBar } from './PrintBar';

type LearnerRecord = Schemas['LearnerRecord'];
type Check = LearnerRecord['checks'][number];

const PARTS = ['tying', 'dressing', 'tail'] as const;

/** Everything there is of one learner, on paper, for a parent who asks. */
export function RecordPage() {
  const { learner: id = '' } = useParams();
  const found = useQuery(recordQuery(id));
  if (found.isPending) return <Loading />;
  if (found.isError) return <Failure error={found.error} retry={() => void found.refetch()} />;
  const record = found.data;
  const { learner } = record;
  return (
    <div className="min-h-dvh bg-wash pb-10 print:bg-white print:pb-0">
      <style>{'@page { margin: 14mm }'}</style>
      <PrintBar back={`/crew/${learner.id}`}>
        <a href={`/api/learners/${learner.id}/record`} download className={LINK}>
          <Download aria-hidden className="size-5" /> {words.record.file}
        </a>
      </PrintBar>
      <main
        className="mx-auto flex max-w-[210mm] flex-col gap-6 bg-white p-6 text-black shadow-lg sm:p-[14mm] print:max-w-none print:p-0 print:text-[9.5pt] print:shadow-none"
        data-testid="record"
      >
        <header className="border-b-2 border-black pb-2">
          <h1 className="text-3xl">{words.record.title({ name: learner.name })}</h1>
          <p>
            {[
              record.group,
              words.bands[learner.age_band],
              learner.hand === 'left' ? words.crew.left : null,
              learner.patrol === null ? null : words.record.patrol({ name: learner.patrol }),
              learner.archived ? words.record.archived : null,
            ]
              .filter((part) => part !== null)
              .join(', ')}
          </p>
          <p className="max-w-prose">
            {words.record.about({ group: record.group, day: dayOf(record.made_on, 'long') })}
          </p>
        </header>
        <Badges record={record} />
        <Knots record={record} />
        <Evenings record={record} />
        <Practised record={record} />
        <Checks record={record} />
      </main>
    </div>
  );
}

function Part({ title, none, children }: { title: string; none?: string | false; children: ReactNode }) {
  return (
    <section>
      <h2 className="mb-1 break-after-avoid text-xl">{title}</h2>
      {none ? <p>{none}</p> : children}
    </section>
  );
}

function Badges({ record }: { record: LearnerRecord }) {
  const held = new Set(record.awards.filter((award) => award.taken_back_on === null).map((award) => award.badge));
  const toward = record.badges.filter((badge) => !held.has(badge.badge)).map((badge) => badge.name);
  return (
    <Part title={words.record.awards}>
      {record.awards.length === 0 && <p>{words.record.noAwards}</p>}
      <ul>
        {record.awards.map((award) => (
          <li key={award.id} className="break-inside-avoid py-1">
            <strong>{award.name}</strong>:{' '}
            {[
              words.record.decided({ day: dayOf(award.decided_on) }) + by(award.decided_by),
              award.handed_on === null
                ? null
                : words.record.handed({ day: dayOf(award.handed_on) }) + by(award.handed_by),
              award.by_hand ? `${words.awards.byHand}: ${award.why ?? ''}` : null,
              award.taken_back_on === null
                ? null
                : words.record.takenBack({ day: dayOf(award.taken_back_on) }) +
                  (award.taken_back_why === null ? '' : `: ${award.taken_back_why}`),
              ...award.told.map((one) =>
                words.record.told[one.passage]({ office: one.office ?? '', receipt: one.receipt ?? '' }),
              ),
            ]
              .filter((part) => part !== null)
              .join('; ')}
          </li>
        ))}
      </ul>
      {toward.length > 0 && <p>{words.record.toward({ badges: listOf(toward) })}</p>}
      {record.ticks.length > 0 && (
        <>
          <h3 className="mt-2 font-bold">{words.record.ticks}</h3>
          <ul>
            {record.ticks.map((tick) => (
              <li key={tick.note}>
                {tick.words ?? words.record.gone}, {dayOf(tick.day)}
                {tick.by !== null && `, ${tick.by}`}
              </li>
            ))}
          </ul>
        </>
      )}
    </Part>
  );
}

const DAY = (day: string | null): string => (day === null ? '' : dayOf(day));

function Knots({ record }: { record: LearnerRecord }) {
  return (
    <Part title={words.record.knots} none={record.standings.length === 0 && words.record.noKnots}>
      <Table
        head={[words.record.knot, words.record.level, words.record.hasIt, words.record.kept, words.record.last]}
        rows={record.standings.map((one) => ({
          key: one.knot,
          cells: [
            <strong key="knot">{record.knots[one.knot] ?? one.knot}</strong>,
            one.level === null ? '' : words.levels[one.level],
            DAY(one.has_it_since),
            DAY(one.kept_since),
            DAY(one.day),
          ],
        }))}
      />
    </Part>
  );
}

function Evenings({ record }: { record: LearnerRecord }) {
  const here = record.evenings.filter((evening) => evening.present).length;
  return (
    <Part title={words.record.evenings} none={record.evenings.length === 0 && words.record.noEvenings}>
      <p>{words.record.evening({ present: here, of: record.evenings.length })}</p>
      <ul className="columns-2 gap-8 sm:columns-3">
        {record.evenings.map((evening) => (
          <li key={evening.meeting}>
            {DAY(evening.date)}
            {!evening.present && `: ${words.record.away}`}
          </li>
        ))}
      </ul>
    </Part>
  );
}

function Practised({ record }: { record: LearnerRecord }) {
  if (record.practised.length === 0) return null;
  return (
    <Part title={words.record.practised}>
      <ul className="columns-2 gap-8">
        {record.practised.map((one) => (
          <li key={`${one.knot} ${one.day}`}>
            {dayOf(one.day)}: {record.knots[one.knot] ?? one.knot}. {words.practice.feltAs[one.felt]}.
          </li>
        ))}
      </ul>
    </Part>
  );
}

function Checks({ record }: { record: LearnerRecord }) {
  const struck = new Set(record.checks.filter((check) => check.kind === 'retract').map((check) => check.target));
  return (
    <Part title={words.record.checks} none={record.checks.length === 0 && words.record.noKnots}>
      <Table
        head={[words.record.day, words.record.knot, words.record.what, words.record.by]}
        rows={record.checks.map((check) => ({
          key: check.id,
          cells: [
            <span key="day" className="whitespace-nowrap">
              {dayOf(check.day)}
            </span>,
            <strong key="knot">{record.knots[check.knot] ?? check.knot}</strong>,
            seen(check, struck.has(check.id)),
            check.by ?? '',
          ],
        }))}
      />
    </Part>
  );
}

/** A check in words: what it came to, which parts were right, and what was written beside it. */
function seen(check: Check, isStruck: boolean): string {
  const parts = (is: 'yes' | 'no'): string =>
    listOf(PARTS.filter((part) => check[part] === is).map((part) => words.record.parts[part]));
  const result = check.kind === 'result' || check.kind === 'overrule';
  return [
    check.kind === 'retract'
      ? words.record.retract
      : check.kind === 'prior'
        ? words.crew.prior
        : check.kind === 'used'
          ? words.crew.used({ rig: check.rig ?? '' })
          : words.verdicts[check.verdict],
    result && parts('yes') !== '' ? words.record.isYes({ parts: parts('yes') }) : '',
    result && parts('no') !== '' ? words.record.isNo({ parts: parts('no') }) : '',
    result && check.measured_mm != null ? millimetres(check.measured_mm) : '',
    result && check.prompts > 0 ? words.record.prompts({ n: check.prompts }) : '',
    check.note ?? '',
    isStruck ? words.record.struck : '',
  ]
    .filter((part) => part !== '')
    .join('; ');
}

function Table({ head, rows }: { head: string[]; rows: { key: string; cells: ReactNode[] }[] }) {
  return (
    <div className="overflow-x-auto print:overflow-visible" tabIndex={0} role="region" aria-label={head.join(', ')}>
      <table className="w-full border-collapse text-start">
        <thead>
          <tr className="border-b-2 border-black">
            {head.map((one) => (
              <th key={one} scope="col" className="py-1 pe-3 text-start">
                {one}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.key} className="break-inside-avoid border-b border-neutral-400 align-top">
              {row.cells.map((cell, n) => (
                <td key={head[n]} className="py-1 pe-3">
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
