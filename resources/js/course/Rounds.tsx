import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { SelectField } from '../ui/Field';
import { LINK } from '../ui/link';
import { dayShort, number } from '../words/format';
import { words } from '../words';
import { HomeAfter } from './HomeAfter';
import { patrolAt } from './people';
import { StationCard } from './StationCard';

type Meeting = Schemas['CourseMeeting'];
type Block = Schemas['Block'];

const WITH_PEOPLE = ['tries', 'old', 'new', 'again'];

/** One evening at a glance: round by round, station by station, who is where. */
export function Rounds({ course }: { course: Schemas['Course'] }) {
  const ahead = course.meetings.filter((one) => one.state !== 'past');
  const [id, setId] = useState('');
  const meeting = ahead.find((one) => one.id === id) ?? ahead[0];
  if (!meeting) return null;
  return (
    <section aria-labelledby="rounds" className="print:hidden">
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <h2 id="rounds" className="text-xl">
          {words.course.rounds}
        </h2>
        <SelectField
          label={words.course.ofMeeting}
          value={meeting.id}
          onChange={(event) => setId(event.target.value)}
          options={ahead.map(
            (one) => [one.id, `${words.course.meeting({ n: one.number })}, ${dayShort(one.date)}`] as const,
          )}
        />
      </div>
      <Evening meeting={meeting} course={course} />
    </section>
  );
}

function Evening({ meeting, course }: { meeting: Meeting; course: Schemas['Course'] }) {
  const roll = Object.entries(course.patrols ?? {}).map(([id, patrol]) => ({ id, patrol }));
  const blocks = meeting.blocks.filter((one) => WITH_PEOPLE.includes(one.kind) || one.kind === 'raise');
  return (
    <>
      <ol className="flex flex-col gap-2">
        {together(blocks).map(({ block, stations, minutes }, n) => (
          <li key={n} className="grid gap-x-4 gap-y-1 rail:grid-cols-[9rem_1fr]">
            <p className="pt-2 leading-tight">
              <span className="font-semibold">{words.session.kinds[block.kind]}</span>{' '}
              <span className="text-sm text-soft rail:block">{words.course.minutes({ n: Math.round(minutes) })}</span>
            </p>
            {block.kind === 'raise' ? (
              <p className="self-center font-semibold">{course.rigs[block.rig ?? ''] ?? block.rig}</p>
            ) : (
              <div className="flex flex-wrap gap-2">
                {stations.map((station, k, all) => (
                  <StationCard
                    key={k}
                    station={station}
                    number={all.length > 1 && block.kind !== 'old' ? k + 1 : undefined}
                    knots={course.knots}
                    people={course.people}
                    patrol={patrolAt([...station.learners, ...station.helpers], roll)}
                  />
                ))}
              </div>
            )}
          </li>
        ))}
      </ol>
      {blocks.length === 0 && <p className="text-soft">{words.course.emptyEvening}</p>}
      <Free meeting={meeting} />
      <HomeAfter meeting={meeting} />
      {meeting.remembered && meeting.remembered.learned > 0 && (
        <p className="mt-3 text-sm text-soft">
          {words.course.knownThen({
            known: number(meeting.remembered.known),
            learned: number(meeting.remembered.learned),
          })}
        </p>
      )}
    </>
  );
}

/** Old knots one after another stand side by side: each is a few minutes with everybody. */
function together(blocks: Block[]): { block: Block; stations: Block[]; minutes: number }[] {
  const rows: { block: Block; stations: Block[]; minutes: number }[] = [];
  for (const block of blocks) {
    const last = rows[rows.length - 1];
    if (block.kind === 'old' && last?.block.kind === 'old') {
      last.stations.push(block);
      last.minutes += block.minutes;
    } else rows.push({ block, stations: [block, ...block.beside], minutes: block.minutes });
  }
  return rows;
}

/** Time that nothing is planned for is offered for what uses the knots. */
function Free({ meeting }: { meeting: Meeting }) {
  const free = meeting.blocks.reduce((sum, one: Block) => sum + (one.kind === 'free' ? one.minutes : 0), 0);
  if (free < 8) return null;
  return (
    <p className="mt-2 flex flex-wrap items-center gap-x-4">
      <span>{words.course.freeTime({ n: Math.round(free) })}</span>
      <Link to={`/bench?meeting=${meeting.id}`} className={LINK}>
        {words.session.pickRig}
      </Link>
    </p>
  );
}
