import { Printer } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { CERTIFICATES, certificatesOf } from '../api/awards';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { LINK } from '../ui/link';
import { dayOf } from '../words/format';
import { words } from '../words';
import { by } from '../words/saying';
import { AwardRow } from './AwardRow';
import { type Award, Station } from './Station';

/** So many are shown before somebody asks for all of them; from so many on they can be sifted. */
const AT_FIRST = 8;

/** The record: what was handed over, the latest first. */
export function Kept({ awards, names }: { awards: Award[]; names: Record<string, string> }) {
  const [text, setText] = useState('');
  const [all, setAll] = useState(false);
  const wanted = text.trim().toLowerCase();
  const found = [...awards]
    .sort((a, b) => (b.handed_on ?? '').localeCompare(a.handed_on ?? ''))
    .filter((award) => `${award.learner.name} ${award.name}`.toLowerCase().includes(wanted));
  const shown = all || wanted !== '' ? found : found.slice(0, AT_FIRST);
  return (
    <Station title={words.awards.kept} count={awards.length}>
      {awards.length === 0 && <p className="text-soft">{words.awards.keptNone}</p>}
      {awards.length > AT_FIRST && (
        <div className="mb-3">
          <TextField
            label={words.awards.find}
            type="search"
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </div>
      )}
      {shown.length > 0 && (
        <ul className="divide-y divide-line rounded-xl border border-line bg-card px-4">
          {shown.map((award) => (
            <AwardRow key={award.id} award={award} names={names} />
          ))}
        </ul>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-x-4">
        {shown.length < found.length && (
          <Button look="quiet" onClick={() => setAll(true)}>
            {words.awards.showAll({ n: found.length })}
          </Button>
        )}
        {shown.length > 1 && (
          <Link to={certificatesOf(shown)} className={LINK}>
            <Printer aria-hidden className="size-5" />{' '}
            {words.awards.certificatesOf({ n: Math.min(CERTIFICATES, shown.length) })}
          </Link>
        )}
      </div>
    </Station>
  );
}

/** They stay in the record, out of the way. */
export function TakenBack({ awards }: { awards: Award[] }) {
  if (awards.length === 0) return null;
  return (
    <details>
      <summary className="inline-flex min-h-12 cursor-pointer items-center font-semibold">
        {words.awards.takenBack({ n: awards.length })}
      </summary>
      <ul className="max-w-3xl divide-y divide-line">
        {awards.map((award) => (
          <li key={award.id} className="py-2">
            <strong>{words.awards.nameFor({ badge: award.name, learner: award.learner.name })}</strong>
            <span className="block text-sm text-soft">
              {award.taken_back && `${dayOf(award.taken_back.on)}${by(award.taken_back.by)}: `}
              {award.taken_back?.why}
            </span>
          </li>
        ))}
      </ul>
    </details>
  );
}
