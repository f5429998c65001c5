import { Minus, Plus } from 'lucide-react';
import { useState } from 'react';
import type { Fault, Schemas } from '../api/client';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { SelectField, TextField } from '../ui/Field';
import { length, measureFor } from '../words/format';
import { words } from '../words';

type Question = Schemas['RigQuestion'];
type Answers = Record<string, unknown>;
type Asking = { answers: Answers; faults: Fault[]; onAnswer: (id: string, answer: unknown) => void };

/** What a rig asks: what has to be answered first, the rest when it is wanted. */
export function Questions({ questions, ...asking }: Asking & { questions: Question[] }) {
  const [more, setMore] = useState(false);
  const first = questions.filter((one) => !one.optional);
  const rest = questions.filter((one) => one.optional);
  const open = more || rest.some((one) => faultOf(asking.faults, one.id) !== undefined);
  return (
    <div className="flex flex-col gap-4">
      {first.map((one) => (
        <Asked key={one.id} question={one} {...asking} />
      ))}
      {rest.length > 0 && (
        <Button aria-expanded={open} onClick={() => setMore(!open)}>
          {words.bench.more}
        </Button>
      )}
      {open && rest.map((one) => <Asked key={one.id} question={one} {...asking} />)}
    </div>
  );
}

function faultOf(faults: Fault[], id: string): string | undefined {
  return faults.find((fault) => fault.field === `/answers/${id}` || fault.field.startsWith(`/answers/${id}/`))?.message;
}

function Asked({ question, answers, faults, onAnswer }: Asking & { question: Question }) {
  const value = answers[question.id] ?? question.start;
  const fault = faultOf(faults, question.id);
  const set = (answer: unknown): void => onAnswer(question.id, answer);
  switch (question.kind) {
    case 'choice':
      return (
        <fieldset className="flex flex-col gap-1">
          <legend className="mb-1 font-semibold">{question.ask}</legend>
          <Choice
            label={question.ask}
            value={String(value)}
            onChange={set}
            options={question.choices.map((one) => [one.id, one.name] as const)}
          />
        </fieldset>
      );
    case 'yes':
      return (
        <label className="flex min-h-12 items-center gap-3">
          <input
            type="checkbox"
            className="size-6 accent-signal"
            checked={value === true}
            onChange={(event) => set(event.target.checked)}
          />
          <span className="font-semibold">{question.ask}</span>
        </label>
      );
    case 'numbers':
      return (
        <fieldset className="flex flex-col gap-1">
          <legend className="mb-1 font-semibold">{question.ask}</legend>
          <div className="grid grid-cols-3 gap-2">
            {list(value).map((one, n) => (
              <Sized
                key={n}
                label={words.bench.pole({ n: n + 1 })}
                question={question}
                value={one}
                fault={n === 0 ? fault : undefined}
                onValue={(next) => set(list(value).map((old, at) => (at === n ? next : old)))}
              />
            ))}
          </div>
          <Offers question={question} onTake={(size) => set(list(value).map(() => size))} />
        </fieldset>
      );
    case 'rows':
      return <Rows question={question} rows={list(value) as Answers[]} fault={fault} onRows={set} />;
    case 'rope':
      return <OtherRope question={question} rope={value as Answers} fault={fault} onRope={set} />;
    case 'number':
    case 'count':
      return (
        <div className="flex flex-col gap-1">
          <Sized label={question.ask} question={question} value={value} fault={fault} onValue={set} />
          <Offers question={question} onTake={set} />
        </div>
      );
  }
}

/** The group's own poles, taken with a tap. */
function Offers({ question, onTake }: { question: Question; onTake: (value: number) => void }) {
  const { units } = useMe().group;
  if (question.offers.length === 0) return null;
  return (
    <p className="flex flex-wrap items-center gap-x-4 text-sm">
      <span className="text-soft">{words.poles.ours}</span>
      {question.offers.map((one) => (
        <button
          key={one.name}
          type="button"
          className="min-h-11 font-semibold underline decoration-hemp underline-offset-4"
          onClick={() => onTake(one.value)}
        >
          {words.poles.take({ name: one.name, size: length(one.value, units) })}
        </button>
      ))}
    </p>
  );
}

const list = (value: unknown): unknown[] => (Array.isArray(value) ? (value as unknown[]) : []);

/** A number with its measure; what is half typed is not answered yet. */
function Sized({
  label,
  question,
  value,
  fault,
  onValue,
}: {
  label: string;
  question: Question;
  value: unknown;
  fault?: string | undefined;
  onValue: (value: number) => void;
}) {
  const { units } = useMe().group;
  const by = question.unit === 'mm' ? measureFor(question.to, units) : { mark: MARKS[question.unit], mm: 1, digits: 2 };
  const shown = typeof value === 'number' ? String(Number((value / by.mm).toFixed(by.digits))) : '';
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <TextField
      label={by.mark === '' ? label : `${label} (${by.mark})`}
      fault={fault}
      type="number"
      inputMode="decimal"
      step="any"
      value={typed ?? shown}
      onChange={(event) => {
        setTyped(event.target.value);
        const next = Number(event.target.value);
        if (event.target.value !== '' && Number.isFinite(next)) onValue(Number((next * by.mm).toFixed(3)));
      }}
      onBlur={() => setTyped(null)}
    />
  );
}

const MARKS = { mm: 'mm', n: 'N', n_per_m: 'N/m', count: '', ratio: '' };

function Rows({
  question,
  rows,
  fault,
  onRows,
}: {
  question: Question;
  rows: Answers[];
  fault: string | undefined;
  onRows: (rows: Answers[]) => void;
}) {
  return (
    <fieldset className="flex flex-col gap-3">
      <legend className="mb-1 font-semibold">{question.ask}</legend>
      {rows.map((row, n) => (
        <div key={n} className="grid grid-cols-2 gap-2">
          <span className="col-span-2 text-sm text-soft">{words.bench.row({ n: n + 1 })}</span>
          {question.fields.map((field) => (
            <Asked
              key={field.id}
              question={field}
              answers={row}
              faults={[]}
              onAnswer={(id, answer) => onRows(rows.map((old, at) => (at === n ? { ...old, [id]: answer } : old)))}
            />
          ))}
        </div>
      ))}
      {fault && <p className="font-semibold text-notyet">{fault}</p>}
      <div className="flex gap-2">
        <Button
          disabled={rows.length >= question.times.to}
          onClick={() => onRows([...rows, { ...rows[rows.length - 1] }])}
        >
          <Plus aria-hidden className="size-5" /> {words.bench.addRow}
        </Button>
        <Button disabled={rows.length <= question.times.from} onClick={() => onRows(rows.slice(0, -1))}>
          <Minus aria-hidden className="size-5" /> {words.bench.lessRow}
        </Button>
      </div>
    </fieldset>
  );
}

function OtherRope({
  question,
  rope,
  fault,
  onRope,
}: {
  question: Question;
  rope: Answers;
  fault: string | undefined;
  onRope: (rope: Answers) => void;
}) {
  return (
    <fieldset className="grid grid-cols-2 gap-2">
      <legend className="mb-1 font-semibold">{question.ask}</legend>
      <TextField
        label={`${words.bench.diameter} (mm)`}
        type="number"
        inputMode="decimal"
        step="any"
        fault={fault}
        value={String(rope['diameter_mm'])}
        onChange={(event) => onRope({ ...rope, diameter_mm: Number(event.target.value) })}
      />
      <SelectField
        label={words.bench.material}
        value={String(rope['material'])}
        options={Object.entries(words.materials)}
        onChange={(event) => onRope({ ...rope, material: event.target.value })}
      />
    </fieldset>
  );
}
