import { useQuery } from '@tanstack/react-query';
import { ArrowLeft, Printer } from 'lucide-react';
import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { gaugesQuery } from '../api/queries';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { Failure, Loading } from '../ui/states';
import { length, millimetres } from '../words/format';
import { words } from '../words';

type Gauge = {
  rope: string;
  diameter_mm: number;
  strips: { class: keyof typeof words.gauges.classes; tail_mm: number }[];
};

/** The longest strip that fits across A4 with its margins, in mm; a longer tail is laid along it twice. */
const WIDEST = 180;

/** Strips at true size: lay the tail along one, and it is long enough when it reaches the mark. */
export function GaugePage() {
  const me = useMe();
  const gauges = useQuery(gaugesQuery);
  if (gauges.isPending) return <Loading />;
  if (gauges.isError) return <Failure error={gauges.error} retry={() => void gauges.refetch()} />;
  return (
    <div className="min-h-dvh bg-wash pb-10 print:bg-white print:pb-0">
      <style>{'@page { size: A4; margin: 10mm }'}</style>
      <div className="flex flex-wrap items-center gap-3 p-4 print:hidden">
        <Link to="/store" className="inline-flex min-h-12 items-center gap-2 px-2 font-semibold">
          <ArrowLeft aria-hidden className="size-5" /> {words.back}
        </Link>
        <Button look="signal" onClick={() => window.print()}>
          <Printer aria-hidden className="size-5" /> {words.handout.print}
        </Button>
        <p className="max-w-xl text-sm">{words.gauges.scale}</p>
      </div>
      {/* At true size a sheet is wider than a phone: it moves within its frame. */}
      <div className="relative overflow-x-auto print:overflow-visible">
        <main
          className="mx-auto w-[210mm] bg-white p-[10mm] text-black shadow-lg print:w-auto print:overflow-visible print:p-0 print:shadow-none"
          data-testid="gauges"
        >
          <h1 className="text-2xl">{words.gauges.title}</h1>
          <p className="mb-[4mm] text-sm">{words.gauges.about}</p>
          <Check />
          {gauges.data.gauges.map((gauge) => (
            <Ropes key={gauge.rope} gauge={gauge} units={me.group.units} />
          ))}
        </main>
      </div>
    </div>
  );
}

/** A line of known length: a bank card is 85.60 mm long (ISO/IEC 7810, ID-1). */
function Check() {
  return (
    <div className="mb-[6mm] text-xs">
      <svg width="180mm" height="9mm" viewBox="0 0 180 9" data-testid="check-line" aria-label={words.gauges.check}>
        <path d="M.2 1V6 M.2 3.5H100 M100 1V6 M85.6 2V5" stroke="black" strokeWidth=".35" fill="none" />
        {Array.from({ length: 11 }, (_, n) => (
          <path key={n} d={`M${n * 10 + (n === 0 ? 0.2 : 0)} 2.5V4.5`} stroke="black" strokeWidth=".2" />
        ))}
        <text x="101.5" y="4.6" fontSize="3.2">
          {millimetres(100)}
        </text>
        <text x="81" y="8.4" fontSize="2.6">
          {millimetres(85.6, 1)}
        </text>
      </svg>
      <p>{words.gauges.check}</p>
    </div>
  );
}

function Ropes({ gauge, units }: { gauge: Gauge; units: Schemas['Me']['group']['units'] }) {
  return (
    <section className="mb-[5mm] break-inside-avoid">
      <h2 className="mb-[1mm] text-lg">
        {words.gauges.rope({ name: gauge.rope, d: length(gauge.diameter_mm, units) })}
      </h2>
      {gauge.strips.map((strip) => {
        const twice = strip.tail_mm > WIDEST;
        const long = twice ? strip.tail_mm / 2 : strip.tail_mm;
        return (
          <svg
            key={strip.class}
            width={`${WIDEST + 1}mm`}
            height="13mm"
            viewBox={`0 0 ${WIDEST + 1} 13`}
            className="block"
            data-testid="strip"
            data-mm={strip.tail_mm}
            aria-label={words.gauges.strip({
              kind: words.gauges.classes[strip.class],
              mm: length(strip.tail_mm, units),
            })}
          >
            <rect
              x=".25"
              y=".25"
              width={WIDEST}
              height="11.5"
              fill="none"
              stroke="black"
              strokeWidth=".2"
              strokeDasharray="2 1.5"
            />
            <rect x=".25" y="7" width={long} height="4.75" fill="black" data-testid="bar" />
            <path d={`M${long + 0.25} .25V11.75`} stroke="black" strokeWidth=".6" />
            {/* Beside the mark where the strip is too short to hold the words. */}
            <text x={long < 60 ? long + 3 : 2} y="5" fontSize="3.6" fontWeight="bold">
              {words.gauges.classes[strip.class]}: {length(strip.tail_mm, units)}
              {twice && ` (${words.gauges.twice})`}
            </text>
          </svg>
        );
      })}
    </section>
  );
}
