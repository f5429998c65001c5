import { useMutation, useQuery } from '@tanstack/react-query';
import { Ruler, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import { measuresQuery, queryClient } from '../api/queries';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { SelectField, TextField } from '../ui/Field';
import { Part } from '../ui/Part';
import { Failure, Faults, Loading } from '../ui/states';
import { dayShort, inSentence, length, measureFor, number } from '../words/format';
import { words } from '../words';

/** What is measured fits between two hands: it is read in small measures. */
const HAND = 1000;

type Measures = Schemas['Measures'];
type Knot = Measures['knots'][number];

/** Mark, tie, untie, measure: what a knot takes in this group's hands. */
export function CalibratePage() {
  const measures = useQuery(measuresQuery);
  const [chosen, setChosen] = useState<string | null>(null);
  if (measures.isPending) return <Loading />;
  if (measures.isError) return <Failure error={measures.error} retry={() => void measures.refetch()} />;
  const { knots } = measures.data;
  const knot = knots.find((one) => one.id === chosen) ?? knots.find((one) => one.id === 'bowline') ?? knots[0];
  if (!knot) return null;
  return (
    <div className="flex max-w-5xl flex-col gap-6">
      <header>
        <h1 className="text-3xl">{words.bench.calibrate.title}</h1>
        <p className="text-soft">{words.bench.calibrate.about}</p>
      </header>
      <div className="grid gap-7 rail:grid-cols-[1fr_1fr]">
        <Measured key={knot.id} knot={knot} all={measures.data} onKnot={setChosen} />
        <Known knots={knots.filter((one) => one.measures.length > 0)} onKnot={setChosen} />
      </div>
    </div>
  );
}

const kept = (data: Measures): void => {
  queryClient.setQueryData(measuresQuery.queryKey, data);
  // Wherever rope is reckoned, it is reckoned anew.
  for (const key of ['rig', 'pack', 'knot', 'instrument']) void queryClient.invalidateQueries({ queryKey: [key] });
};

function Measured({ knot, all, onKnot }: { knot: Knot; all: Measures; onKnot: (id: string) => void }) {
  const me = useMe();
  const { units } = me.group;
  const by = measureFor(HAND, units);
  const [rope, setRope] = useState(all.ropes.find((one) => one.is_usual)?.id ?? all.ropes[0]?.id ?? '');
  const [typed, setTyped] = useState({ measured: '', object: String(all.object_mm), loop: '' });
  const mm = (text: string): number => Math.round(Number(text) * by.mm * 10) / 10;
  const add = useMutation({
    mutationFn: () =>
      call('POST', '/api/measures', {
        body: {
          knot: knot.id,
          rope,
          measured_mm: mm(typed.measured),
          ...(knot.turns > 0 ? { turns: knot.turns, object_mm: Number(typed.object) } : {}),
          ...(knot.loop && typed.loop !== '' ? { loop_mm: mm(typed.loop) } : {}),
        },
      }),
    onSuccess: (data) => {
      setTyped((now) => ({ ...now, measured: '' }));
      kept(data);
    },
  });
  const unit = ` (${by.mark})`;
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate();
      }}
    >
      <SelectField
        label={words.bench.calibrate.knot}
        value={knot.id}
        options={all.knots.map((one) => [one.id, one.name] as const)}
        onChange={(event) => onKnot(event.target.value)}
      />
      <SelectField
        label={words.bench.rope}
        value={rope}
        options={all.ropes.map((one) => [one.id, one.name] as const)}
        onChange={(event) => setRope(event.target.value)}
      />
      <ol className="flex list-decimal flex-col gap-2 pl-6 marker:font-semibold">
        {stepsOf(knot).map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ol>
      {knot.turns > 0 && (
        <NumberField
          label={words.bench.calibrate.object}
          value={typed.object}
          onText={(object) => setTyped({ ...typed, object })}
        />
      )}
      {knot.loop && (
        <NumberField
          label={words.bench.calibrate.loop + unit}
          value={typed.loop}
          onText={(loop) => setTyped({ ...typed, loop })}
        />
      )}
      <NumberField
        label={words.bench.calibrate.measured + unit}
        value={typed.measured}
        onText={(measured) => setTyped({ ...typed, measured })}
      />
      <Faults error={add.error} />
      {me.may.teach && (
        <Button look="signal" type="submit" className="min-h-14" disabled={typed.measured === '' || add.isPending}>
          <Ruler aria-hidden className="size-5" /> {words.bench.calibrate.keep}
        </Button>
      )}
      <Estimate knot={knot} />
    </form>
  );
}

/** How a knot is measured: whatever it goes round, and its loop, are measured besides. */
function stepsOf({ name, turns, loop }: Knot): string[] {
  const say = words.bench.calibrate.steps;
  const knot = inSentence(name);
  return [say.mark, turns > 0 ? say.tieRound({ knot }) : say.tie({ knot }), loop ? say.endLoop : say.end, say.untie];
}

function estimateOf({ estimate, start }: Knot): string {
  const say = words.bench.calibrate.estimate;
  const [now, began] = [number(estimate ?? start, 1), number(start, 1)];
  return now === began ? say.same({ now }) : say.changed({ now, start: began });
}

function NumberField({ label, value, onText }: { label: string; value: string; onText: (text: string) => void }) {
  return (
    <TextField
      label={label}
      type="number"
      inputMode="decimal"
      step="any"
      value={value}
      onChange={(event) => onText(event.target.value)}
    />
  );
}

function Estimate({ knot }: { knot: Knot }) {
  const me = useMe();
  const { units } = me.group;
  const undo = useMutation({
    mutationFn: (id: string) => call('DELETE', '/api/measures/{measure}', { params: { path: { measure: id } } }),
    onSuccess: kept,
  });
  return (
    <div>
      <p role="status" className="text-lg">
        {estimateOf(knot)}
      </p>
      <p className="text-soft">{knot.sure}</p>
      <Faults error={undo.error} />
      <ul className="mt-2 flex flex-col">
        {knot.measures.map((one) => (
          <li key={one.id} className="flex min-h-12 items-center justify-between gap-3 border-t border-line">
            <span>
              {dayShort(one.day)}: <strong>{length(one.measured_mm, units)}</strong>{' '}
              {words.bench.calibrate.inRope({
                thick: length(one.diameter_mm, units),
                material: words.materials[one.material],
              })}
            </span>
            {me.may.teach && (
              <Button look="quiet" onClick={() => undo.mutate(one.id)}>
                <Undo2 aria-hidden className="size-5" /> {words.bench.calibrate.undo}
              </Button>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}

function Known({ knots, onKnot }: { knots: Knot[]; onKnot: (id: string) => void }) {
  if (knots.length === 0) return <p className="text-soft">{words.bench.calibrate.none}</p>;
  return (
    <Part title={words.bench.calibrate.known}>
      {knots.map((one) => (
        <li key={one.id}>
          <button
            type="button"
            className="flex min-h-14 w-full items-baseline justify-between gap-3 py-2 text-left"
            onClick={() => onKnot(one.id)}
          >
            <strong>{one.name}</strong>
            <span className="text-sm text-soft tabular-nums">
              {words.bench.calibrate.changed({
                start: number(one.start, 1),
                now: number(one.estimate ?? one.start, 1),
                n: one.measures.length,
              })}
            </span>
          </button>
        </li>
      ))}
    </Part>
  );
}
