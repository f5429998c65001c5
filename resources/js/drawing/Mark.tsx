import type { Schemas } from '../api/client';

type MarkData = Schemas['Mark'];
type Look = 'straight' | 'wavy' | 'broken' | 'dotted';

const LOOKS: Record<Look, { d: string; className: string; width: number; dash?: string }> = {
  straight: { d: 'M2 0H22', className: 'stroke-ink', width: 4.6 },
  wavy: { d: 'M2 0c2.5-3.4 4.2-3.4 6.7 0s4.2 3.4 6.6 0 4.2-3.4 6.7 0', className: 'stroke-hemp-deep', width: 2.8 },
  broken: { d: 'M2 1.6L9 -0.6M14.5 1.2L22 -1.6', className: 'stroke-notyet', width: 3.4 },
  dotted: { d: 'M3 0H22', className: 'stroke-soft', width: 1.8, dash: '0.1 3.7' },
};

function look(seen: Schemas['Seen'], prompts: number): Look | null {
  if (seen === 'not_applicable') return null;
  if (seen === 'no') return 'broken';
  if (seen === 'not_looked') return 'dotted';
  return prompts > 0 ? 'wavy' : 'straight';
}

function Strands({ mark }: { mark: MarkData }) {
  const looks = [mark.tying, mark.dressing, mark.tail].map((seen) => look(seen, mark.prompts));
  return looks.map((one, row) => {
    if (one === null) return null;
    const { d, className, width, dash } = LOOKS[one];
    return (
      <path
        key={row}
        d={d}
        transform={`translate(0 ${5 + row * 7})`}
        className={className}
        strokeWidth={width}
        strokeDasharray={dash}
        strokeLinecap={one === 'straight' ? 'butt' : 'round'}
      />
    );
  });
}

const LAY = [3, 7.4, 11.8, 16.2].map((x) => `M${x} 18C${x + 1.4} 13.6 ${x + 3.2} 10.4 ${x + 4.6} 6`).join('');

/** All three right: the strands twist into a laid rope. Whipped when kept; it pales as it fades, to a bare outline when due. */
function LaidRope({ kept, due, chance }: { kept: boolean; due: boolean; chance: number }) {
  return (
    <>
      <rect
        x={1}
        y={5.6}
        width={22}
        height={12.8}
        rx={2.6}
        className={due ? 'fill-none stroke-soft' : 'fill-hemp stroke-ink'}
        strokeWidth={due ? 1.3 : 1.8}
        strokeDasharray={due ? '2.2 1.7' : undefined}
        fillOpacity={chance}
      />
      <path
        d={LAY}
        className={due ? 'stroke-soft' : 'stroke-ink'}
        strokeWidth={due ? 1 : 1.7}
        strokeDasharray={due ? '2.2 1.7' : undefined}
      />
      {kept && (
        <>
          <rect x={16.6} y={4} width={6.8} height={16} rx={1.2} className="fill-ink" />
          <path d="M18.9 4.6V19.4M21.2 4.6V19.4" className="stroke-card" strokeWidth={0.9} />
        </>
      )}
    </>
  );
}

/** A standing as three short strands: tying, dressing, tail. */
export function Mark({ mark, label, size = 28 }: { mark: MarkData | null; label: string; size?: number }) {
  const has =
    mark !== null &&
    (mark.level === 'has_it' || mark.level === 'kept' || mark.level === 'uses_it' || mark.level === 'teaches_it');
  return (
    <svg
      viewBox="0 0 24 24"
      width={size}
      height={size}
      fill="none"
      {...(label === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
      className="shrink-0"
    >
      {mark === null ? (
        <circle cx={12} cy={12} r={1.7} className="fill-line" />
      ) : has ? (
        <LaidRope kept={mark.level === 'kept'} due={mark.due} chance={mark.chance ?? 1} />
      ) : (
        <Strands mark={mark} />
      )}
    </svg>
  );
}
