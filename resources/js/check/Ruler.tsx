import { useRef, useState } from 'react';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { millimetres, number } from '../words/format';
import { words } from '../words';
import { CARD_MM, type Scale, keepScale, scaleOf } from './device';

/** A ruler on the screen: lay the tail along it and draw the mark to its end. Set once for a device, against a bank card. */
export function Ruler({ onClose, onMeasured }: { onClose: () => void; onMeasured: (mm: number) => void }) {
  const [scale, setScale] = useState<Scale | null>(scaleOf);
  const [card, setCard] = useState(scale === null ? 320 : scale.pixels * CARD_MM);
  const [setting, setSetting] = useState(scale === null);
  if (setting) {
    return (
      <Sheet open onClose={onClose} title={words.ruler.set} about={words.ruler.setAbout}>
        <div className="overflow-x-auto py-2">
          <div className="h-28 rounded-xl border-4 border-ink bg-hemp" style={{ width: card }} data-testid="card" />
        </div>
        <label className="my-4 flex flex-col gap-2 font-semibold">
          {words.ruler.wide}
          <input
            type="range"
            min={180}
            max={700}
            step={1}
            value={card}
            onChange={(event) => setCard(Number(event.target.value))}
            className="h-12 w-full"
          />
        </label>
        <Button
          look="signal"
          className="min-h-14 w-full"
          onClick={() => {
            setScale(keepScale(card));
            setSetting(false);
          }}
        >
          {words.ruler.fits}
        </Button>
      </Sheet>
    );
  }
  return scale && <Tape scale={scale} onClose={onClose} onAgain={() => setSetting(true)} onMeasured={onMeasured} />;
}

function Tape({
  scale,
  onClose,
  onAgain,
  onMeasured,
}: {
  scale: Scale;
  onClose: () => void;
  onAgain: () => void;
  onMeasured: (mm: number) => void;
}) {
  const [at, setAt] = useState(40 * scale.pixels);
  const tape = useRef<HTMLDivElement>(null);
  const long = Math.floor((window.innerHeight - 190) / scale.pixels / 10) * 10;
  const to = (clientY: number): void => {
    const top = tape.current?.getBoundingClientRect().top ?? 0;
    setAt(Math.max(0, Math.min(long * scale.pixels, clientY - top)));
  };
  const mm = Math.round(at / scale.pixels);
  return (
    <div role="dialog" aria-label={words.ruler.title} className="fixed inset-0 z-[60] flex flex-col bg-paper p-4">
      <p className="mb-2 text-sm">{words.ruler.about}</p>
      <div
        ref={tape}
        className="relative flex-1 touch-none"
        onPointerDown={(event) => to(event.clientY)}
        onPointerMove={(event) => {
          if (event.buttons > 0 || event.pointerType === 'touch') to(event.clientY);
        }}
      >
        <svg
          aria-hidden
          width="100%"
          height={long * scale.pixels + 1}
          className="absolute inset-x-0 top-0 overflow-visible"
        >
          {Array.from({ length: long + 1 }, (_, n) => (
            <line
              key={n}
              x1="0"
              x2={n % 10 === 0 ? 64 : n % 5 === 0 ? 44 : 28}
              y1={n * scale.pixels + 0.5}
              y2={n * scale.pixels + 0.5}
              stroke="currentColor"
              strokeWidth={n % 10 === 0 ? 2 : 1}
            />
          ))}
          {Array.from({ length: long / 10 + 1 }, (_, n) => (
            <text key={n} x="72" y={n * 10 * scale.pixels + 6} fontSize="16" fill="currentColor">
              {n * 10}
            </text>
          ))}
        </svg>
        <div className="absolute inset-x-0 border-t-4 border-signal" style={{ top: at - 2 }}>
          <span
            className="absolute right-0 -top-7 rounded-lg bg-signal px-3 py-2 text-2xl font-bold text-on-signal tabular-nums"
            data-testid="measured"
          >
            {millimetres(mm)}
          </span>
        </div>
      </div>
      <div className="flex flex-wrap gap-3 pt-3">
        <Button look="signal" className="min-h-14 flex-1 text-lg" onClick={() => onMeasured(mm)}>
          {words.ruler.take({ mm: number(mm) })}
        </Button>
        <Button onClick={onAgain}>{words.ruler.again}</Button>
        <Button onClick={onClose}>{words.cancel}</Button>
      </div>
    </div>
  );
}
