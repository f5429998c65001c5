import { useMutation, useQuery } from '@tanstack/react-query';
import { Save, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { call } from '../api/client';
import { queryClient, rigPackQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { AreaField, TextField } from '../ui/Field';
import { Failure, Faults, Loading } from '../ui/states';
import { words } from '../words';

type Question = { id: string; ask: string; unit?: string; start?: number };
type Place = { id: string; where: string; knots: { knot: string; why: string }[] };
type Formula = { name: string; is: string };
type Member = { id: string; name: string; length?: string };
type Pack = {
  name: string;
  stands: string;
  purpose: string;
  learners: { purpose: string };
  minutes: number;
  ages: { from: number; to: number };
  cautions: string[];
  gates?: string[];
  checks: { before: string[]; while: string[]; after: string[] };
  raise: string[];
  strike: string[];
  questions: Question[];
  places: Place[];
  lets: Formula[];
  members: Member[];
};

const text = (lines: string[]): string => lines.join('\n');
const lines = (typed: string): string[] => typed.split('\n').filter((line) => line.trim() !== '');

/** A copy of a rig, to be changed: words and lists, which knots may stand where, where its questions begin, and its formulas. */
export function OwnRigPage() {
  const { rig = '' } = useParams();
  const read = useQuery(rigPackQuery(rig));
  if (read.isPending) return <Loading />;
  if (read.isError) return <Failure error={read.error} retry={() => void read.refetch()} />;
  return <Editor rig={rig} first={read.data.pack as unknown as Pack} />;
}

function Editor({ rig, first }: { rig: string; first: Pack }) {
  const [pack, setPack] = useState(first);
  const navigate = useNavigate();
  const gone = (): void => {
    for (const key of ['rigs', 'rig', 'rig-pack']) queryClient.removeQueries({ queryKey: [key] });
  };
  const save = useMutation({
    mutationFn: () => call('PUT', '/api/rigs/{rig}', { params: { path: { rig } }, body: { pack } }),
    onSuccess: () => {
      gone();
      void navigate(`/bench/${rig}`);
    },
  });
  const remove = useMutation({
    mutationFn: () => call('DELETE', '/api/rigs/{rig}', { params: { path: { rig } } }),
    onSuccess: () => {
      gone();
      void navigate('/bench');
    },
  });
  const set = (part: Partial<Pack>): void => setPack({ ...pack, ...part });
  const says = words.bench.own;
  const area = (label: string, value: string[], onLines: (value: string[]) => void, hint?: string) => (
    <AreaField
      label={label}
      hint={hint}
      rows={Math.max(2, value.length + 1)}
      defaultValue={text(value)}
      onChange={(event) => onLines(lines(event.target.value))}
    />
  );
  return (
    <form
      className="flex max-w-3xl flex-col gap-5"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <header>
        <h1 className="text-3xl">{says.title({ name: first.name })}</h1>
        <p className="text-soft">{says.about}</p>
      </header>
      <TextField label={says.name} value={pack.name} onChange={(event) => set({ name: event.target.value })} />
      <TextField label={says.stands} value={pack.stands} onChange={(event) => set({ stands: event.target.value })} />
      <TextField label={says.purpose} value={pack.purpose} onChange={(event) => set({ purpose: event.target.value })} />
      <TextField
        label={says.learners}
        value={pack.learners.purpose}
        onChange={(event) => set({ learners: { purpose: event.target.value } })}
      />
      <div className="grid grid-cols-2 gap-4">
        <TextField
          label={says.minutes}
          type="number"
          value={pack.minutes}
          onChange={(event) => set({ minutes: Number(event.target.value) })}
        />
        <TextField
          label={says.from}
          type="number"
          value={pack.ages.from}
          onChange={(event) => set({ ages: { ...pack.ages, from: Number(event.target.value) } })}
        />
      </div>
      {pack.gates && area(says.gates, pack.gates, (gates) => set({ gates }), says.kept)}
      {area(words.bench.cautions, pack.cautions, (cautions) => set({ cautions }), says.kept)}
      {(['before', 'while', 'after'] as const).map((when) => (
        <div key={when}>
          {area(`${words.bench.checks}: ${words.bench[when]}`, pack.checks[when], (value) =>
            set({ checks: { ...pack.checks, [when]: value } }),
          )}
        </div>
      ))}
      {area(words.bench.steps, pack.raise, (raise) => set({ raise }))}
      {area(words.bench.strike, pack.strike, (strike) => set({ strike }))}
      <Places pack={pack} onPlaces={(places) => set({ places })} />
      <Starts pack={pack} onQuestions={(questions) => set({ questions })} />
      <Formulas pack={pack} onPack={set} />
      <Faults error={save.error ?? remove.error} />
      <div className="sticky bottom-20 flex flex-wrap gap-3 bg-paper py-3 rail:bottom-0">
        <Button look="signal" type="submit" className="min-h-14" disabled={save.isPending}>
          <Save aria-hidden className="size-5" /> {says.save}
        </Button>
        <Button className="min-h-14" onClick={() => remove.mutate()} disabled={remove.isPending}>
          <Trash2 aria-hidden className="size-5" /> {says.remove}
        </Button>
      </div>
    </form>
  );
}

/** The first of a place is the one that is taken; a tap puts another at the head. */
function Places({ pack, onPlaces }: { pack: Pack; onPlaces: (places: Place[]) => void }) {
  const several = pack.places.filter((place) => place.knots.length > 1);
  if (several.length === 0) return null;
  return (
    <fieldset className="flex flex-col gap-3">
      <legend className="mb-1 text-xl">{words.bench.own.places}</legend>
      {several.map((place) => (
        <div key={place.id}>
          <p className="font-semibold">{place.where}</p>
          <p className="flex flex-wrap gap-2">
            {place.knots.map((knot, n) => (
              <Button
                key={`${knot.knot} ${knot.why}`}
                aria-pressed={n === 0}
                look={n === 0 ? 'signal' : 'plain'}
                onClick={() =>
                  onPlaces(
                    pack.places.map((one) =>
                      one === place ? { ...one, knots: [knot, ...one.knots.filter((other) => other !== knot)] } : one,
                    ),
                  )
                }
              >
                {knot.knot.replaceAll('-', ' ')}
              </Button>
            ))}
          </p>
        </div>
      ))}
    </fieldset>
  );
}

function Starts({ pack, onQuestions }: { pack: Pack; onQuestions: (questions: Question[]) => void }) {
  const numbers = pack.questions.filter((one) => typeof one.start === 'number');
  if (numbers.length === 0) return null;
  return (
    <fieldset className="grid gap-3 rail:grid-cols-2">
      <legend className="mb-1 text-xl">{words.bench.own.starts}</legend>
      {numbers.map((question) => (
        <TextField
          key={question.id}
          label={`${question.ask} (${question.unit ?? ''})`}
          type="number"
          step="any"
          value={question.start}
          onChange={(event) =>
            onQuestions(
              pack.questions.map((one) => (one === question ? { ...one, start: Number(event.target.value) } : one)),
            )
          }
        />
      ))}
    </fieldset>
  );
}

function Formulas({ pack, onPack }: { pack: Pack; onPack: (part: Partial<Pack>) => void }) {
  return (
    <details>
      <summary className="flex min-h-12 cursor-pointer items-center text-xl">{words.bench.own.formulas}</summary>
      <p className="mb-3 text-soft">{words.bench.own.formulasAbout}</p>
      <div className="flex flex-col gap-3">
        {pack.lets.map((one) => (
          <TextField
            key={one.name}
            label={one.name}
            value={one.is}
            onChange={(event) =>
              onPack({ lets: pack.lets.map((other) => (other === one ? { ...one, is: event.target.value } : other)) })
            }
          />
        ))}
        {pack.members
          .filter((one) => one.length !== undefined)
          .map((one) => (
            <TextField
              key={one.id}
              label={one.name}
              value={one.length}
              onChange={(event) =>
                onPack({
                  members: pack.members.map((other) =>
                    other === one ? { ...one, length: event.target.value } : other,
                  ),
                })
              }
            />
          ))}
      </div>
    </details>
  );
}
