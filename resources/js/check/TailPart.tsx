import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { call, type Schemas } from '../api/client';
import { finger_mm } from '../api/limits';
import { Ruler as RulerIcon } from 'lucide-react';
import { Button } from '../ui/Button';
import { words } from '../words';
import { fingerMm, keepFinger } from './device';
import { type Measure, measureOf, toMillimetres, type Unit } from './measure';
import { useMe } from '../device/me';
import { Ruler } from './Ruler';

export type Measured = { mm: number; by: Measure };

/** A measured tail, judged by the core as it is entered. */
export function TailPart({
  knot,
  rope,
  onMeasured,
}: {
  knot: string;
  rope: Schemas['RopeInHand'];
  onMeasured: (measured: Measured | null) => void;
}) {
  const me = useMe();
  const [by, setBy] = useState<Unit>(me.group.units);
  const [text, setText] = useState('');
  const [ruler, setRuler] = useState(false);
  // Of tape its width counts, as its diameter does of rope.
  const across = rope.width_mm ?? rope.diameter_mm;
  const measured = toMillimetres(text, by, across);
  const judged = useQuery({
    queryKey: ['tail', knot, rope, measured, by],
    queryFn: () =>
      call('POST', '/api/tail', {
        body: {
          knot,
          rope,
          measured_mm: measured,
          measured_by: measureOf(by),
        },
      }),
    enabled: measured !== null,
    staleTime: Infinity,
  });
  const change = (nextText: string, nextBy: Unit): void => {
    setText(nextText);
    setBy(nextBy);
    const mm = toMillimetres(nextText, nextBy, across);
    onMeasured(mm === null ? null : { mm, by: measureOf(nextBy) });
  };
  return (
    <div className="mt-2">
      <div className="flex gap-2">
        <input
          aria-label={words.check.measure}
          placeholder={words.check.measure}
          inputMode="decimal"
          value={text}
          onChange={(event) => change(event.target.value, by)}
          className="min-h-12 w-full min-w-0 rounded-lg border border-soft bg-card px-3"
        />
        <select
          aria-label={words.check.by}
          value={by}
          onChange={(event) => change(text, event.target.value as Unit)}
          className="min-h-12 rounded-lg border border-soft bg-card px-2"
        >
          {(['mm', 'inches', 'gauge', 'finger', 'diameters'] as const).map((one) => (
            <option key={one} value={one}>
              {one === 'diameters' && rope.width_mm !== undefined ? words.check.tapeWidths : words.check.units[one]}
            </option>
          ))}
        </select>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Button onClick={() => setRuler(true)}>
          <RulerIcon aria-hidden className="size-5" /> {words.ruler.title}
        </Button>
        {by === 'finger' && (
          <label className="flex items-center gap-2 text-sm">
            {words.ruler.finger}
            <input
              inputMode="decimal"
              defaultValue={fingerMm()}
              onChange={(event) => {
                const mm = Number(event.target.value.replace(',', '.'));
                if (mm >= finger_mm.min && mm <= finger_mm.max) keepFinger(mm);
                change(text, by);
              }}
              className="min-h-12 w-20 rounded-lg border border-soft bg-card px-2"
            />
          </label>
        )}
      </div>
      {ruler && (
        <Ruler
          onClose={() => setRuler(false)}
          onMeasured={(mm) => {
            setRuler(false);
            change(String(mm), 'mm');
          }}
        />
      )}
      <p
        role="status"
        className={`mt-1 min-h-6 text-sm ${judged.data?.verdict === 'short' ? 'font-semibold text-notyet' : ''}`}
      >
        {measured !== null && (judged.data?.reason ?? (judged.isError ? words.ruler.later : ''))}
      </p>
    </div>
  );
}
