import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { choiceQuery } from '../api/queries';
import { SelectField, TextField } from '../ui/Field';
import { LINK } from '../ui/link';
import { Faults, Loading } from '../ui/states';
import { Toggle } from '../ui/Toggle';
import { words } from '../words';

const { job } = words.bench;

type Task = keyof typeof job.tasks;

const keys = <Key extends string>(of: Record<Key, string>): Key[] => Object.keys(of) as Key[];

/** Which knot for this? Plain questions, three knots at the most with their reasons, and the tempting ones with theirs. */
export function WhichPage() {
  const [task, setTask] = useState<Task>('hitch');
  const [to, setTo] = useState<keyof typeof job.things>('pole');
  const [load, setLoad] = useState<keyof typeof job.loads>('steady');
  const [undo, setUndo] = useState<keyof typeof job.undoing>('any');
  const [wet, setWet] = useState(false);
  const [rope, setRope] = useState({ diameter: '8', material: 'polyester' });
  const [other, setOther] = useState({ diameter: '8', material: 'polyester' });
  const [age, setAge] = useState('');
  const b = thing(to, other);
  const choice = useQuery(
    choiceQuery({
      task,
      a: thing('rope', rope),
      ...(asksFor(task) ? { b } : {}),
      load,
      undo,
      wet,
      ...(age === '' ? {} : { age_band: age }),
    }),
  );
  return (
    <div className="flex max-w-6xl flex-col gap-6">
      <header>
        <h1 className="text-3xl">{words.bench.which}</h1>
        <p className="text-soft">{job.about}</p>
      </header>
      <div className="grid gap-7 rail:grid-cols-2">
        <div className="flex flex-col gap-5">
          <Row label={job.task} of={job.tasks} value={task} onValue={setTask} />
          {asksFor(task) && <Row label={job.to} of={job.things} value={to} onValue={setTo} />}
          <Row label={job.load} of={job.loads} value={load} onValue={setLoad} />
          <Row label={job.undo} of={job.undoing} value={undo} onValue={setUndo} />
          <RopeFields label={words.bench.rope} rope={rope} onRope={setRope} />
          {asksFor(task) && to === 'rope' && <RopeFields label={job.other} rope={other} onRope={setOther} />}
          <div className="flex flex-wrap items-end gap-4">
            <Toggle on={wet} onClick={() => setWet(!wet)}>
              {job.wet}
            </Toggle>
            <SelectField
              label={job.age}
              value={age}
              options={[['', job.anyone], ...Object.entries(words.bands)]}
              onChange={(event) => setAge(event.target.value)}
            />
          </div>
        </div>
        <div aria-live="polite" className="flex flex-col gap-5">
          {choice.isPending && <Loading />}
          <Faults error={choice.error} />
          {choice.data && (
            <>
              <ol className="flex flex-col gap-3">
                {choice.data.answers.map((one, n) => (
                  <li
                    key={one.id}
                    className={`rounded-xl border bg-card p-4 ${n === 0 ? 'border-2 border-right' : 'border-line'}`}
                  >
                    <strong className={n === 0 ? 'text-2xl' : 'text-lg'}>{one.name}</strong>
                    <p>{one.reason}</p>
                    <Link
                      to={`/show/${one.id}${one.method ? `?method=${encodeURIComponent(one.method)}` : ''}`}
                      className={LINK}
                    >
                      {job.show}
                    </Link>
                  </li>
                ))}
              </ol>
              {choice.data.left_out.length > 0 && (
                <section>
                  <h2 className="mb-1 text-xl">{job.leftOut}</h2>
                  <ul className="divide-y divide-line rounded-xl border border-line bg-card px-4">
                    {choice.data.left_out.map((one) => (
                      <li key={one.id} className="py-2">
                        <strong>{one.name}</strong> <span className="text-soft">{one.reason}</span>
                      </li>
                    ))}
                  </ul>
                </section>
              )}
            </>
          )}
          <p className="border-l-4 border-hemp pl-3 text-sm">{words.bench.local}</p>
        </div>
      </div>
    </div>
  );
}

/** Whether it matters what is at the other end. */
const asksFor = (task: Task): boolean => task !== 'stop' && task !== 'shorten';

function thing(kind: string, rope: { diameter: string; material: string }): object {
  if (kind !== 'rope') return { kind };
  const diameter = Number(rope.diameter);
  return { kind, material: rope.material, ...(diameter > 0 ? { diameter_mm: diameter } : {}) };
}

function Row<Key extends string>({
  label,
  of,
  value,
  onValue,
}: {
  label: string;
  of: Record<Key, string>;
  value: Key;
  onValue: (value: Key) => void;
}) {
  return (
    <fieldset>
      <legend className="mb-2 font-semibold">{label}</legend>
      <div className="flex flex-wrap gap-2">
        {keys(of).map((one) => (
          <Toggle key={one} on={one === value} onClick={() => onValue(one)}>
            {of[one]}
          </Toggle>
        ))}
      </div>
    </fieldset>
  );
}

function RopeFields({
  label,
  rope,
  onRope,
}: {
  label: string;
  rope: { diameter: string; material: string };
  onRope: (rope: { diameter: string; material: string }) => void;
}) {
  return (
    <fieldset className="grid grid-cols-2 gap-2">
      <legend className="mb-1 font-semibold">{label}</legend>
      <TextField
        label={`${words.bench.diameter} (mm)`}
        type="number"
        inputMode="decimal"
        step="any"
        value={rope.diameter}
        onChange={(event) => onRope({ ...rope, diameter: event.target.value })}
      />
      <SelectField
        label={words.bench.material}
        value={rope.material}
        options={Object.entries(words.materials)}
        onChange={(event) => onRope({ ...rope, material: event.target.value })}
      />
    </fieldset>
  );
}
