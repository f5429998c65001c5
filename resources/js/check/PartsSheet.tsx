import { Check } from 'lucide-react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { comparedQuery, knotQuery } from '../api/queries';
import * as limits from '../api/limits';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { AreaField } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { words } from '../words';
import { HeldUp } from './HeldUp';
import { lookUp } from './lookUp';
import { MistakePicker } from './MistakePicker';
import { TidyPair } from './TidyPair';
import { TailPart, type Measured } from './TailPart';
import { TimePart } from './TimePart';
import { cleanPass, type Checks, type Parts, type Subject } from './useChecks';

type CheckSheet = Schemas['CheckSheet'];
type Looked = 'yes' | 'no' | 'not_looked';

const ANSWERS = [
  ['yes', words.check.yes],
  ['no', words.check.no],
  ['not_looked', words.check.notLooked],
] as const;
const TONE = { yes: 'bg-right', no: 'bg-notyet' };

/** One learner's knot, closer: what is wrong in one more tap, the rest for those who want it. */
export function PartsSheet({
  sheet,
  row,
  checks,
  onClose,
}: {
  sheet: CheckSheet;
  row: { id: string; name: string; hand: string | null };
  checks: Checks;
  onClose: () => void;
}) {
  const { knot, in_hand: rope } = sheet;
  // Nothing counts as right that nobody has looked at.
  const [tying, setTying] = useState<Looked>('not_looked');
  const [dressing, setDressing] = useState<Looked>('not_looked');
  const [tail, setTail] = useState<Looked>('not_looked');
  const [measured, setMeasured] = useState<Measured | null>(null);
  const [prompts, setPrompts] = useState<'0' | '1' | '2'>('0');
  const [purpose, setPurpose] = useState<Looked>('not_looked');
  const [test, setTest] = useState<Looked>('not_looked');
  const [mistake, setMistake] = useState<string | null>(null);
  const [took, setTook] = useState<number | null>(null);
  const [note, setNote] = useState('');
  /** What the quick tap recorded, while the leader may still say what it looks like. */
  const [recorded, setRecorded] = useState<string | null>(null);
  // As this learner sees it: mirrored for the left-handed.
  const view = row.hand === 'left' ? 'left' : 'learner';
  const shown = useQuery({ ...knotQuery(knot.id, view), enabled: tying === 'no' });
  const compared = useQuery(comparedQuery(knot.id, view)).data;
  const subject: Subject = { learner: row.id, name: row.name, knot: knot.id, meeting: sheet.meeting?.id ?? null };
  const put = (parts: Parts): Promise<string | null> => checks.send(subject, parts, lookUp(sheet, parts));
  const record = (parts: Parts): void => {
    onClose();
    void (recorded === null ? put(parts) : checks.replace(recorded, subject, parts, lookUp(sheet, parts)));
  };
  // A knot that is not tied right is tied again: its dressing and tail are not looked at.
  const closer = tying !== 'no';
  const again = (named: Partial<Parts>): Parts => ({
    ...cleanPass(knot),
    tying: 'no',
    ...(knot.has_dressing ? { dressing: 'not_looked' as const } : {}),
    ...(knot.has_tail ? { tail: 'not_looked' as const } : {}),
    ...named,
  });
  const seen = (): Parts => ({
    kind: 'result',
    tying,
    dressing: !knot.has_dressing ? 'not_applicable' : closer ? dressing : 'not_looked',
    tail: !knot.has_tail ? 'not_applicable' : closer ? tail : 'not_looked',
    how: closer && measured ? 'measured' : 'attested',
    ...(closer && measured && rope ? { measured_mm: measured.mm, measured_by: measured.by, rope } : {}),
    prompts: Number(prompts),
    purpose,
    test,
    ...(tying === 'no' && mistake ? { mistake } : {}),
    ...(took === null ? {} : { took_s: took }),
    ...(note.trim() ? { note: note.trim() } : {}),
  });
  /** Named after all: the sheet stays, with the place ringed and what mends it. */
  const named = async (id: string, parts: Parts): Promise<void> => {
    const now = await checks.replace(id, subject, parts, lookUp(sheet, parts));
    if (now !== null) setRecorded(now);
  };
  /** One tap for all that has not been looked at part by part: it was looked at as a whole. */
  const unlooked =
    tying === 'not_looked' ||
    (closer &&
      ((knot.has_dressing && dressing === 'not_looked') ||
        (knot.has_tail && tail === 'not_looked' && measured === null)));
  const restRight = (): void => {
    if (tying === 'not_looked') setTying('yes');
    if (dressing === 'not_looked') setDressing('yes');
    if (tail === 'not_looked' && measured === null) setTail('yes');
  };
  const tyingWrong = async (): Promise<void> => {
    setTying('no');
    setRecorded(await put(again({})));
  };
  const picker = !closer && (
    <MistakePicker
      mistakes={knot.mistakes}
      forms={shown.data?.wrong ?? []}
      compared={compared}
      value={mistake}
      onChange={(id) => {
        setMistake(id);
        if (recorded !== null && id !== null) void named(recorded, again({ mistake: id }));
      }}
      onFound={(words) => {
        if (recorded !== null) record(again({ note: words }));
        else setNote(words);
      }}
      onGood={(form) => record({ ...cleanPass(knot), method: form.method })}
    />
  );
  if (recorded !== null) {
    return (
      <Sheet open onClose={onClose} title={row.name} about={words.check.recordedAgain({ knot: knot.name })}>
        <div className="flex flex-col gap-4">
          {picker}
          <Button look="signal" onClick={onClose}>
            {words.check.enough}
          </Button>
        </div>
      </Sheet>
    );
  }
  return (
    <Sheet open onClose={onClose} title={row.name} about={knot.name}>
      <div className="flex flex-col gap-4">
        <div role="group" aria-label={words.check.quick} className="grid grid-cols-2 gap-2">
          <Quick name={words.check.withHelp} onClick={() => record({ ...cleanPass(knot), prompts: 1 })} />
          <Quick name={words.check.wrong.tying} onClick={() => void tyingWrong()} />
          {knot.has_dressing && (
            <Quick name={words.check.wrong.dressing} onClick={() => record({ ...cleanPass(knot), dressing: 'no' })} />
          )}
          {knot.has_tail && (
            <Quick name={words.check.wrong.tail} onClick={() => record({ ...cleanPass(knot), tail: 'no' })} />
          )}
        </div>
        <Button className="min-h-14 border-2 border-right" disabled={!unlooked} onClick={restRight}>
          <Check aria-hidden className="size-5 text-(--right)" strokeWidth={3} /> {words.check.restRight}
        </Button>
        <HeldUp knot={knot.id} view={view} />
        <Part name={words.check.parts.tying} look={knot.checks.tying}>
          <Choice label={words.check.parts.tying} value={tying} onChange={setTying} options={ANSWERS} tone={TONE} />
        </Part>
        {picker}
        {closer && knot.has_dressing && (
          <Part name={words.check.parts.dressing} look={knot.checks.dressing}>
            {compared && <TidyPair knot={knot} view={view} compared={compared} />}
            <Choice
              label={words.check.parts.dressing}
              value={dressing}
              onChange={setDressing}
              options={ANSWERS}
              tone={TONE}
            />
          </Part>
        )}
        {closer && knot.has_tail && (
          <Part name={words.check.parts.tail} look={sheet.tail ? [sheet.tail.reason] : knot.checks.tail}>
            <Choice label={words.check.parts.tail} value={tail} onChange={setTail} options={ANSWERS} tone={TONE} />
            {rope && <TailPart knot={knot.id} rope={rope} onMeasured={setMeasured} />}
          </Part>
        )}
        <Part name={words.check.prompts} look={[]}>
          <Choice
            label={words.check.prompts}
            value={prompts}
            onChange={setPrompts}
            options={[
              ['0', words.check.promptWords[0]],
              ['1', words.check.promptWords[1]],
              ['2', words.check.promptWords[2]],
            ]}
          />
        </Part>
        {closer && knot.test !== '' && (
          <Part name={words.check.test} look={[knot.test]}>
            <Choice label={words.check.test} value={test} onChange={setTest} options={ANSWERS} tone={TONE} />
          </Part>
        )}
        <Part name={words.check.purpose} look={[]}>
          <Choice label={words.check.purpose} value={purpose} onChange={setPurpose} options={ANSWERS} tone={TONE} />
        </Part>
        <Part name={words.check.time} look={[]}>
          <TimePart onTime={setTook} />
        </Part>
        <AreaField
          label={words.check.note}
          rows={2}
          {...limits.NewCheckEvent.note}
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
        <div className="flex gap-3">
          <Button look="signal" className="flex-1" onClick={() => record(seen())}>
            {words.check.sentAs}
          </Button>
          <Button title={words.check.priorAbout} onClick={() => record({ kind: 'prior' })}>
            {words.check.prior}
          </Button>
        </div>
        <Link to={`/check/of/${row.id}`} className="inline-flex min-h-12 items-center underline">
          {words.check.allOf({ name: row.name })}
        </Link>
      </div>
    </Sheet>
  );
}

function Quick({ name, onClick }: { name: string; onClick: () => void }) {
  return (
    <button
      type="button"
      onClick={onClick}
      className="min-h-16 rounded-xl border-2 border-notyet bg-card px-2 text-lg leading-tight font-semibold hover:bg-wash"
    >
      {name}
    </button>
  );
}

function Part({ name, look, children }: { name: string; look: string[]; children: React.ReactNode }) {
  return (
    <div>
      <h3 className="text-lg">{name}</h3>
      {look.map((line) => (
        <p key={line} className="mb-1 text-sm text-soft">
          {line}
        </p>
      ))}
      {children}
    </div>
  );
}
