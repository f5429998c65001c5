import { useQuery } from '@tanstack/react-query';
import { Check, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { checkSheetQuery, crewQuery, openForQuery } from '../api/queries';
import { Mark } from '../drawing/Mark';
import { useMe } from '../device/me';
import { Failure, Faults, Loading } from '../ui/states';
import { percent } from '../words/format';
import { words } from '../words';
import { markWords } from '../drawing/markWords';
import { CheckHead } from './CheckHead';
import { FindBox, startsWith } from './FindBox';
import { withDone } from './inPlace';
import { PartsSheet } from './PartsSheet';
import { PassButton } from './PassButton';
import { UndoBar } from './UndoBar';
import { cleanPass, type Checks, useChecks } from './useChecks';

type OpenFor = Schemas['OpenFor'];

/** One learner in front of you, and all that is open for them. */
export function ByLearnerPage() {
  const { learner } = useParams();
  return (
    <div className="flex max-w-3xl flex-col gap-4">
      <CheckHead by="learner" />
      {learner ? <OneLearner key={learner} id={learner} /> : <PickLearner />}
    </div>
  );
}

function PickLearner() {
  const crew = useQuery(crewQuery);
  const navigate = useNavigate();
  const [text, setText] = useState('');
  if (crew.isPending) return <Loading />;
  if (crew.isError) return <Failure error={crew.error} retry={() => void crew.refetch()} />;
  const shown = crew.data.learners.filter((one) => startsWith(one.name, text));
  return (
    <>
      <p>{crew.data.learners.length === 0 ? words.check.none : words.check.pickLearner}</p>
      <FindBox
        label={words.check.find}
        value={text}
        onChange={setText}
        onEnter={() => {
          if (shown[0]) void navigate(`/check/of/${shown[0].id}`);
        }}
      />
      <ul className="grid gap-2 sm:grid-cols-2">
        {shown.map((one) => (
          <li key={one.id}>
            <Link
              to={`/check/of/${one.id}`}
              className="flex min-h-16 items-center justify-between gap-3 rounded-xl border border-line bg-card px-4 text-lg font-semibold hover:bg-wash"
            >
              {one.name}
              <ChevronRight aria-hidden className="size-5 text-soft" />
            </Link>
          </li>
        ))}
      </ul>
    </>
  );
}

function OneLearner({ id }: { id: string }) {
  const page = useQuery(openForQuery(id));
  const checks = useChecks();
  const [open, setOpen] = useState<string | null>(null);
  // As they stood at the first tap: what is done stays where it was, so that the next tap hits what it was meant for.
  const [held, setHeld] = useState<OpenFor['knots'] | null>(null);
  if (page.isPending) return <Loading />;
  if (page.isError) return <Failure error={page.error} retry={() => void page.refetch()} />;
  const { learner, knots, meeting } = page.data;
  return (
    <>
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2 className="text-2xl">{learner.name}</h2>
        <Link to="/check/of" className="inline-flex min-h-12 items-center text-soft underline">
          {words.check.pickLearner}
        </Link>
      </div>
      <Faults error={checks.error} />
      {knots.length === 0 && held === null && <p>{words.check.nothingOpen}</p>}
      <ul className="flex flex-col gap-2">
        {withDone(knots, held).map(({ row: knot, isDone }) => (
          <KnotRow
            key={knot.id}
            knot={knot}
            isDone={isDone}
            busy={checks.busy === `${learner.id} ${knot.id}`}
            onOpen={() => {
              setHeld(held ?? knots);
              setOpen(knot.id);
            }}
            onPass={() => {
              setHeld(held ?? knots);
              void checks.send(
                {
                  learner: learner.id,
                  name: `${learner.name}, ${knot.name}`,
                  knot: knot.id,
                  meeting: meeting?.id ?? null,
                },
                cleanPass(knot),
                knot.clean,
              );
            }}
          />
        ))}
      </ul>
      {open !== null && <Closer knot={open} learner={learner} checks={checks} onClose={() => setOpen(null)} />}
      <UndoBar last={checks.last} onUndo={() => void checks.undo()} />
    </>
  );
}

function KnotRow({
  knot,
  isDone,
  busy,
  onOpen,
  onPass,
}: {
  knot: OpenFor['knots'][number];
  /** Nothing is open of it any more. */
  isDone: boolean;
  busy: boolean;
  onOpen: () => void;
  onPass: () => void;
}) {
  const notes = isDone
    ? [words.check.done]
    : [
        knot.wanted ? words.check.wants({ level: words.levels[knot.wanted] }) : '',
        knot.mark?.due && knot.mark.chance !== null ? words.check.due({ share: percent(knot.mark.chance) }) : '',
      ].filter((note) => note !== '');
  return (
    <li className="flex items-stretch gap-3" data-knot={knot.id}>
      <button
        type="button"
        onClick={onOpen}
        className="flex min-h-16 min-w-0 flex-1 items-center gap-3 rounded-xl border border-line bg-card px-3 text-left hover:bg-wash"
      >
        {isDone ? (
          <Check aria-hidden className="size-8.5 shrink-0 text-right" strokeWidth={3} />
        ) : (
          <Mark mark={knot.mark} label={markWords(knot.mark)} size={34} />
        )}
        <span className="min-w-0 flex-1">
          <strong className="block text-lg leading-tight">
            {knot.name}
            <span className="sr-only">: {words.check.closer}</span>
          </strong>
          <span className="line-clamp-2 block text-sm leading-snug text-soft">{notes.join('; ')}</span>
        </span>
        <ChevronRight aria-hidden className="size-5 shrink-0 text-soft" />
      </button>
      <PassButton of={knot.name} busy={busy} onPass={onPass} />
    </li>
  );
}

/** The same sheet as by knot, for this one learner. */
function Closer({
  knot,
  learner,
  checks,
  onClose,
}: {
  knot: string;
  learner: Schemas['Learner'];
  checks: Checks;
  onClose: () => void;
}) {
  const me = useMe();
  const sheet = useQuery(checkSheetQuery(knot, me.tonight, null));
  return sheet.data ? (
    <PartsSheet sheet={sheet.data} row={learner} checks={checks} onClose={onClose} />
  ) : sheet.isError ? (
    <Failure error={sheet.error} retry={() => void sheet.refetch()} />
  ) : null;
}
