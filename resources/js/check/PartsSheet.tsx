import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { knotQuery } from '../api/queries';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { AreaField } from '../ui/Field';
import { Sheet } from '../ui/Sheet';
import { words } from '../words/en';
import type { Draft } from './events';
import { MistakePicker } from './MistakePicker';
import { TailPart, type Measured } from './TailPart';

type CheckSheet = Schemas['CheckSheet'];
type Looked = 'yes' | 'no' | 'not_looked';
type Parts = Omit<Draft, 'learner' | 'knot' | 'meeting'>;

const ANSWERS = [['yes', words.check.yes], ['no', words.check.no], ['not_looked', words.check.notLooked]] as const;
const TONE = { yes: 'bg-right', no: 'bg-notyet' };

export function PartsSheet({ sheet, row, onClose, onRecord }: { sheet: CheckSheet; row: CheckSheet['rows'][number]; onClose: () => void; onRecord: (parts: Parts) => void }) {
  const { knot, rope } = sheet;
  const [tying, setTying] = useState<Looked>('yes');
  const [dressing, setDressing] = useState<Looked>('yes');
  const [tail, setTail] = useState<Looked>('yes');
  const [measured, setMeasured] = useState<Measured | null>(null);
  const [prompts, setPrompts] = useState<'0' | '1' | '2'>('0');
  const [mistake, setMistake] = useState<string | null>(null);
  const [note, setNote] = useState('');
  // As this learner sees it: mirrored for the left-handed.
  const shown = useQuery({ ...knotQuery(knot.id, row.hand === 'left' ? 'left' : 'learner'), enabled: tying === 'no' });
  // A knot that is not tied right is tied again: its dressing and tail are not looked at.
  const closer = tying !== 'no';
  const parts = (): Parts => ({
    kind: 'result', tying,
    dressing: !knot.has_dressing ? 'not_applicable' : closer ? dressing : 'not_looked',
    tail: !knot.has_tail ? 'not_applicable' : closer ? tail : 'not_looked',
    how: closer && measured ? 'measured' : 'attested',
    ...(closer && measured && rope ? { measured_mm: measured.mm, measured_by: measured.by, rope: { diameter_mm: rope.diameter_mm, material: rope.material } } : {}),
    prompts: Number(prompts),
    ...(tying === 'no' && mistake ? { mistake } : {}),
    ...(note.trim() ? { note: note.trim() } : {}),
  });
  return (
    <Sheet open onClose={onClose} title={row.name} about={knot.name}>
      <div className="flex flex-col gap-4">
        <Part name={words.check.parts.tying} look={knot.checks.tying}><Choice label={words.check.parts.tying} value={tying} onChange={setTying} options={ANSWERS} tone={TONE} /></Part>
        {!closer && <MistakePicker mistakes={knot.mistakes} forms={shown.data?.wrong ?? []} value={mistake} onChange={setMistake} />}
        {closer && knot.has_dressing && <Part name={words.check.parts.dressing} look={knot.checks.dressing}><Choice label={words.check.parts.dressing} value={dressing} onChange={setDressing} options={ANSWERS} tone={TONE} /></Part>}
        {closer && knot.has_tail && (
          <Part name={words.check.parts.tail} look={sheet.tail ? [sheet.tail.reason] : knot.checks.tail}>
            <Choice label={words.check.parts.tail} value={tail} onChange={setTail} options={ANSWERS} tone={TONE} />
            {rope && <TailPart knot={knot.id} rope={rope} onMeasured={setMeasured} />}
          </Part>
        )}
        <Part name={words.check.prompts} look={[]}>
          <Choice label={words.check.prompts} value={prompts} onChange={setPrompts} options={[['0', words.check.promptWords[0]], ['1', words.check.promptWords[1]], ['2', words.check.promptWords[2]]]} />
        </Part>
        <AreaField label={words.check.note} rows={2} maxLength={500} value={note} onChange={(event) => setNote(event.target.value)} />
        <div className="flex gap-3">
          <Button look="signal" className="flex-1" onClick={() => onRecord(parts())}>{words.check.sentAs}</Button>
          <Button title={words.check.priorAbout} onClick={() => onRecord({ kind: 'prior' })}>{words.check.prior}</Button>
        </div>
      </div>
    </Sheet>
  );
}

function Part({ name, look, children }: { name: string; look: string[]; children: React.ReactNode }) {
  return (
    <div>
      <h3 className="text-lg">{name}</h3>
      {look.map((line) => <p key={line} className="mb-1 text-sm text-soft">{line}</p>)}
      {children}
    </div>
  );
}
