import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react';
import type { Schemas } from '../api/client';

type Sketch = Schemas['RigSketch'];
type Mark = Sketch['marks'][number];
type Handle = Sketch['handles'][number];

/** In screen pixels: room round the sketch, the tallest and the least of it, a letter, a thumb. */
const ROOM = 46;
const TALLEST = 440;
const LEAST = 170;
const LETTER = 15;
const THUMB = 24;

/** What is drawn as a line, and how: colour, least width in pixels, and whether its thickness is to scale. */
type Line = { stroke: string; width: number; scaled?: boolean; dash?: string; edge?: string };

const LINES: Partial<Record<Mark['as'], Line>> = {
  ground: { stroke: 'var(--soft)', width: 3 },
  tree: { stroke: 'var(--wood)', width: 9, scaled: true, edge: 'var(--grain)' },
  pole: { stroke: 'var(--wood)', width: 5, scaled: true, edge: 'var(--grain)' },
  load: { stroke: 'var(--line)', width: 10, scaled: true, edge: 'var(--soft)' },
  person: { stroke: 'var(--soft)', width: 8 },
  bar: { stroke: 'var(--rope-1)', width: 8, scaled: true, edge: 'var(--rope-line)' },
  clear: { stroke: 'var(--notyet)', width: 9, dash: '10 8' },
};

/**
 * A rig to scale as the core drew it. Its handles are dragged, or moved by the arrow keys; each says by how much its answer changes.
 */
export function RigSketch({
  sketch,
  title,
  measure,
  number,
  handleName,
  valueOf,
  say = (answer) => measure(valueOf(answer)),
  step = () => 10,
  onHandle,
}: {
  sketch: Sketch;
  title: string;
  measure: (mm: number) => string;
  number: (place: string) => number;
  handleName: (answer: string) => string;
  valueOf: (answer: string) => number;
  /** What an answer is in words; a length, unless something else is said. */
  say?: (answer: string) => string;
  /** How much an arrow key changes it. */
  step?: (answer: string) => number;
  onHandle?: (handle: Handle, millimetres: number) => void;
}) {
  const box = useRef<HTMLDivElement>(null);
  const [wide, setWide] = useState(0);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const watch = new ResizeObserver(() => setWide(element.clientWidth));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  // Millimetres in a pixel: as much as makes the width fit, and the height into what a screen spares for it.
  const scale = Math.max(sketch.width / Math.max(1, wide - 2 * ROOM), sketch.height / (TALLEST - 2 * ROOM), 1e-6);
  const tall = Math.max(LEAST, sketch.height / scale + 2 * ROOM);
  const view = [
    sketch.width / 2 - (wide * scale) / 2,
    sketch.height / 2 - (tall * scale) / 2,
    wide * scale,
    tall * scale,
  ];
  return (
    <div ref={box} className="rounded-xl border border-line bg-card print:border-0">
      {wide > 0 && (
        <svg
          viewBox={view.join(' ')}
          width={wide}
          height={tall}
          role="group"
          aria-label={title}
          className="block print:h-52 print:w-full"
        >
          <g role="img" aria-label={title}>
            {sketch.marks.map((mark, n) => (
              <Drawn key={n} mark={mark} scale={scale} measure={measure} number={number} />
            ))}
          </g>
          {onHandle &&
            sketch.handles.map((handle) => (
              <Grip
                key={handle.answer}
                handle={handle}
                scale={scale}
                name={handleName(handle.answer)}
                value={valueOf(handle.answer)}
                says={say(handle.answer)}
                step={step(handle.answer)}
                onMove={onHandle}
              />
            ))}
        </svg>
      )}
    </div>
  );
}

const path = (points: Mark['points']): string => points.map(([x, y], n) => `${n === 0 ? 'M' : 'L'}${x} ${y}`).join('');

function Drawn({
  mark,
  scale,
  measure,
  number,
}: {
  mark: Mark;
  scale: number;
  measure: (mm: number) => string;
  number: (place: string) => number;
}) {
  const [x = 0, y = 0] = mark.points[0] ?? [];
  if (mark.as === 'measure') return <Measured mark={mark} scale={scale} text={measure(mark.value_mm ?? 0)} />;
  if (mark.as === 'knot') {
    return (
      <g>
        <circle cx={x} cy={y} r={12 * scale} fill="var(--card)" stroke="var(--ink)" strokeWidth={2 * scale} />
        <text
          x={x}
          y={y}
          fontSize={LETTER * scale}
          textAnchor="middle"
          dominantBaseline="central"
          fill="var(--ink)"
          className="font-semibold"
        >
          {number(mark.place ?? '')}
        </text>
      </g>
    );
  }
  if (mark.as === 'peg')
    return (
      <path d={`M${x - 5 * scale} ${y - 8 * scale}h${10 * scale}L${x} ${y + 9 * scale}Z`} fill="var(--hemp-deep)" />
    );
  if (mark.as === 'cover')
    return (
      <path
        d={`${path(mark.points)}Z`}
        fill="var(--hemp)"
        fillOpacity={0.45}
        stroke="var(--hemp-deep)"
        strokeWidth={1.5 * scale}
      />
    );
  if (mark.shape === 'circle')
    return (
      <circle
        cx={x}
        cy={y}
        r={Math.max(mark.radius ?? 0, 8 * scale)}
        {...(mark.as === 'rope'
          ? { fill: 'none', stroke: 'var(--rope-1)', strokeWidth: 4 * scale }
          : { fill: 'var(--wood)', stroke: 'var(--grain)', strokeWidth: 2 * scale })}
      />
    );
  if (mark.as === 'rope')
    return (
      <g fill="none" strokeLinejoin="round" strokeLinecap="round">
        <path d={path(mark.points)} stroke="var(--rope-line)" strokeWidth={6 * scale} />
        <path d={path(mark.points)} stroke="var(--rope-1)" strokeWidth={3.6 * scale} />
        {mark.label && <Label mark={mark} scale={scale} />}
      </g>
    );
  const look = LINES[mark.as];
  if (!look) return null;
  const width = Math.max(look.width * scale, look.scaled ? (mark.value_mm ?? 0) : 0);
  const dash = look.dash?.split(' ').map((part) => Number(part) * scale);
  return (
    <g fill="none" strokeLinecap={mark.as === 'person' ? 'round' : 'butt'}>
      {look.edge && <path d={path(mark.points)} stroke={look.edge} strokeWidth={width + 3 * scale} />}
      <path
        d={path(mark.points)}
        stroke={look.stroke}
        strokeWidth={width}
        {...(dash ? { strokeDasharray: dash.join(' ') } : {})}
      />
      {mark.label && <Label mark={mark} scale={scale} above={mark.as === 'bar' ? width / 2 : undefined} />}
    </g>
  );
}

/** Over the middle of a line; of a bar at its beginning, above all of its thickness. */
function Label({ mark, scale, above }: { mark: Mark; scale: number; above?: number | undefined }) {
  const from = mark.points[0] ?? [0, 0];
  const to = mark.points[mark.points.length - 1] ?? from;
  return (
    <text
      x={above === undefined ? ((from[0] ?? 0) + (to[0] ?? 0)) / 2 : (from[0] ?? 0)}
      y={((from[1] ?? 0) + (to[1] ?? 0)) / 2 - (above ?? 4 * scale) - 8 * scale}
      fontSize={LETTER * scale}
      textAnchor={above === undefined ? 'middle' : 'start'}
      fill="var(--ink)"
      stroke="var(--card)"
      strokeWidth={4 * scale}
      paintOrder="stroke"
    >
      {mark.label}
    </text>
  );
}

/** A measure: a thin line with its ends, and what it says, upright or along it. */
function Measured({ mark, scale, text }: { mark: Mark; scale: number; text: string }) {
  const [ax = 0, ay = 0] = mark.points[0] ?? [];
  const [bx = 0, by = 0] = mark.points[1] ?? [];
  const upright = Math.abs(by - ay) > Math.abs(bx - ax);
  const end = 5 * scale;
  const [cx, cy] = [(ax + bx) / 2, (ay + by) / 2];
  const [tx, ty] = upright ? [cx - 9 * scale, cy] : [cx, cy + 15 * scale];
  return (
    <g stroke="var(--soft)" strokeWidth={1.5 * scale}>
      <path d={`M${ax} ${ay}L${bx} ${by}`} />
      {[
        [ax, ay],
        [bx, by],
      ].map(([x = 0, y = 0], n) => (
        <path key={n} d={upright ? `M${x - end} ${y}h${2 * end}` : `M${x} ${y - end}v${2 * end}`} />
      ))}
      <text
        x={tx}
        y={ty}
        fontSize={LETTER * scale}
        fill="var(--ink)"
        stroke="var(--card)"
        strokeWidth={4 * scale}
        paintOrder="stroke"
        textAnchor="middle"
        dominantBaseline="central"
        {...(upright ? { transform: `rotate(-90 ${tx} ${ty})` } : {})}
      >
        {text}
      </text>
    </g>
  );
}

function Grip({
  handle,
  scale,
  name,
  value,
  says,
  step,
  onMove,
}: {
  handle: Handle;
  scale: number;
  name: string;
  value: number;
  says: string;
  step: number;
  onMove: (handle: Handle, millimetres: number) => void;
}) {
  const held = useRef<{ x: number; y: number; scale: number } | null>(null);
  const along = handle.axis === 'x';
  const [x = 0, y = 0] = handle.at;
  const move = (event: PointerEvent): void => {
    const from = held.current;
    if (!from) return;
    // The frame may grow while it is dragged: the hand keeps the scale it began with.
    const pixels = along ? event.clientX - from.x : from.y - event.clientY;
    onMove(handle, pixels * from.scale);
    held.current = { x: event.clientX, y: event.clientY, scale: from.scale };
  };
  const key = (event: KeyboardEvent): void => {
    const steps = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 10, PageDown: -10 }[event.key];
    if (steps === undefined) return;
    event.preventDefault();
    // The answer grows with right and up, whichever way its handle goes.
    onMove(handle, (steps * step) / handle.by);
  };
  const arrows = along ? 'M-15 0l6 -5v10zM15 0l-6 -5v10z' : 'M0 -15l-5 6h10zM0 15l-5 -6h10z';
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-orientation={along ? 'horizontal' : 'vertical'}
      aria-valuenow={value}
      aria-valuetext={says}
      className={`touch-none outline-offset-2 ${along ? 'cursor-ew-resize' : 'cursor-ns-resize'} print:hidden`}
      transform={`translate(${x} ${y}) scale(${scale})`}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = { x: event.clientX, y: event.clientY, scale };
      }}
      onPointerMove={move}
      onPointerUp={() => (held.current = null)}
      onPointerCancel={() => (held.current = null)}
      onKeyDown={key}
      data-handle={handle.answer}
    >
      <circle r={THUMB} fill="transparent" />
      <circle r={17} fill="var(--signal)" fillOpacity={0.16} stroke="var(--signal)" strokeWidth={2.5} />
      <path d={arrows} fill="var(--signal)" />
    </g>
  );
}
