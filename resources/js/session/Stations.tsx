import { CheckCheck, Hand, Presentation } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { patrolAt } from '../course/people';
import { type Station, StationCard } from '../course/StationCard';
import { useMe } from '../device/me';
import { leadStations, moveLearner } from '../outbox/sync';
import { inSentence, listOf } from '../words/format';
import { words } from '../words';
import { DragBetween, OpenStation } from './Dragging';

type RunSheet = Schemas['RunSheet'];

const LOOK =
  'inline-flex min-h-12 items-center gap-2 rounded-lg border border-line bg-card px-4 font-semibold hover:bg-wash';

/** Straight to showing and checking a block's knot. */
export function BlockLinks({ knot, meeting }: { knot: string | null; meeting: string }) {
  if (knot === null) return null;
  return (
    <p className="mt-2 flex flex-wrap gap-2 print:hidden">
      <Link to={`/show/${knot}`} className={LOOK}>
        <Presentation aria-hidden className="size-5" /> {words.session.show}
      </Link>
      <Link to={`/check/${knot}?meeting=${meeting}`} className={LOOK}>
        <CheckCheck aria-hidden className="size-5" /> {words.session.check}
      </Link>
    </p>
  );
}

/** A block's stations side by side, one's own first, each with who is at it and who leads it. A block with one station has its links alone. */
export function Stations({
  of,
  place,
  sheet,
}: {
  of: Station & { beside: Schemas['Block'][] };
  /** Of a block that runs: its learners can be moved. */
  place?: number;
  sheet: RunSheet;
}) {
  const me = useMe();
  if (of.knot === null) return null;
  const stations = [of, ...of.beside].map((station, n) => ({ station, number: n + 1 }));
  const roll = sheet.roll;
  const patrolOf = (station: Station): string | undefined => patrolAt([...station.learners, ...station.helpers], roll);
  const mine = (station: Station): boolean =>
    leadersOf(station.knot, patrolOf(station), sheet).some((one) => one.id === me.user.id);
  if (stations.length === 1) return <BlockLinks knot={of.knot} meeting={sheet.meeting.id} />;
  const people = Object.fromEntries(sheet.roll.map((one) => [one.id, one.name]));
  const moves = me.may.teach ? place : undefined;
  const Card = moves === undefined ? StationCard : OpenStation;
  const cards = (
    <div className="mt-2 flex flex-wrap gap-2 print:mt-0 print:gap-1">
      {[...stations.filter((one) => mine(one.station)), ...stations.filter((one) => !mine(one.station))].map(
        ({ station, number }) => (
          <Card
            key={number}
            station={station}
            number={number}
            knots={sheet.knots}
            people={people}
            patrol={patrolOf(station)}
            own={mine(station)}
          >
            <Lead knot={station.knot ?? ''} patrol={patrolOf(station)} sheet={sheet} />
            {moves !== undefined && (
              <Move
                station={station}
                place={moves}
                others={stations.map((one) => one.station.knot ?? '')}
                sheet={sheet}
              />
            )}
            <BlockLinks knot={station.knot} meeting={sheet.meeting.id} />
          </Card>
        ),
      )}
    </div>
  );
  if (moves === undefined) return cards;
  return (
    <DragBetween people={people} onMove={(one, knot) => void moveLearner(sheet.meeting.id, moves, one, knot)}>
      {cards}
    </DragBetween>
  );
}

/** Whoever said to lead a knot's stations; while nobody has, those who go with the patrol that is there. */
function leadersOf(knot: string | null, patrol: string | undefined, sheet: RunSheet): { id: string; name: string }[] {
  const said = sheet.leads[knot ?? ''] ?? [];
  return said.length > 0 || patrol === undefined ? said : (sheet.helpers ?? []).filter((one) => one.patrol === patrol);
}

function Lead({ knot, patrol, sheet }: { knot: string; patrol: string | undefined; sheet: RunSheet }) {
  const me = useMe();
  const said = sheet.leads[knot] ?? [];
  const mine = said.some((one) => one.id === me.user.id);
  const names = leadersOf(knot, patrol, sheet).map((one) => one.name);
  return (
    <span className="mt-1 flex flex-wrap items-center gap-x-3 print:mt-0">
      {names.length > 0 && (
        <span className="text-sm font-semibold">
          {(said.length > 0 ? words.session.ledBy : words.session.theirs)({ names: listOf(names) })}
        </span>
      )}
      <button
        type="button"
        aria-pressed={mine}
        onClick={() => void leadStations(sheet.meeting.id, knot, !mine)}
        className="inline-flex min-h-12 items-center gap-2 text-sm font-semibold underline decoration-hemp decoration-2 underline-offset-4 print:hidden"
      >
        <Hand aria-hidden className="size-5" /> {mine ? words.session.leadNoMore : words.session.lead}
      </button>
    </span>
  );
}

/** A learner goes to another station with two taps. */
function Move({
  station,
  place,
  others,
  sheet,
}: {
  station: Station;
  place: number;
  others: string[];
  sheet: RunSheet;
}) {
  const at = sheet.roll.filter((one) => station.learners.includes(one.id));
  const to = others.filter((knot, n) => knot !== station.knot && others.indexOf(knot) === n);
  if (at.length === 0 || to.length === 0) return null;
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="inline-flex min-h-12 items-center text-sm font-semibold underline decoration-hemp decoration-2 underline-offset-4 print:hidden">
        {words.session.moveSomebody}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          className="z-40 max-h-(--radix-dropdown-menu-content-available-height) min-w-56 overflow-y-auto rounded-xl border border-line bg-card p-1 shadow-lg"
        >
          {at.flatMap((one) =>
            to.map((knot) => (
              <DropdownMenu.Item
                key={`${one.id} ${knot}`}
                onSelect={() => void moveLearner(sheet.meeting.id, place, one.id, knot)}
                className="flex min-h-12 cursor-pointer items-center rounded-lg px-3 outline-none data-[highlighted]:bg-wash"
              >
                {words.session.moveTo({ name: one.name, knot: inSentence(sheet.knots[knot] ?? knot) })}
              </DropdownMenu.Item>
            )),
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
