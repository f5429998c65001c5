import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { KnotPicture } from '../drawing/KnotPicture';
import type { Moment } from '../drawing/moment';
import { StepDrawing } from '../drawing/StepDrawing';
import { Button } from '../ui/Button';
import { words } from '../words';
import { type Kept, type Kit, picturesQuery, type Task } from './kept';

type Chosen = number | number[] | null;

type Asked = {
  kept: Kept;
  kit: Kit;
  task: Task;
  chosen: Chosen;
  onChosen: (chosen: Chosen) => void;
};

/** What there is to choose from. */
export function Options(asked: Asked) {
  switch (asked.task.kind) {
    case 'over-under':
      return <OverUnder {...asked} />;
    case 'where':
      return <Places {...asked} />;
    case 'order':
      return <InOrder {...asked} />;
    default:
      return <Pictures {...asked} />;
  }
}

const LOOKS = {
  open: 'border-line bg-card hover:border-ink',
  right: 'border-right bg-card',
  wrong: 'border-notyet bg-card',
  rest: 'border-line bg-card',
};

/** How an option looks: before the choice, and after it. */
function lookOf(place: number, task: Task, chosen: Chosen): string {
  if (chosen === null) return LOOKS.open;
  if (place === task.answer) return LOOKS.right;
  return place === chosen ? LOOKS.wrong : LOOKS.rest;
}

/** The end waits before an open crossing. */
function OverUnder({ kit, task, chosen, onChosen }: Asked) {
  const { form = 'right', at, moment } = task.shows;
  const drawing = kit.forms[form] ?? kit.knot.loose;
  return (
    <>
      <KnotPicture
        drawing={drawing}
        moment={chosen === null ? (moment as Moment) : null}
        text={words.practice.asked}
        {...(at ? { ringed: [at] } : {})}
        className={chosen === null ? 'max-h-[46dvh] min-h-56 w-full' : 'hidden'}
      />
      <div className="grid grid-cols-2 gap-3">
        {task.options.map((option, place) => (
          <button
            key={option.say}
            type="button"
            aria-disabled={chosen !== null}
            onClick={() => chosen === null && onChosen(place)}
            className={`min-h-18 rounded-2xl border-3 text-2xl font-bold ${lookOf(place, task, chosen)}`}
          >
            {option.say === 'over' ? words.practice.over : words.practice.under}
          </button>
        ))}
      </div>
    </>
  );
}

/** Forms of one knot, or knots for a job, each a picture to be tapped. */
function Pictures({ kept, kit, task, chosen, onChosen }: Asked) {
  const { data: others } = useQuery({ ...picturesQuery(kept.corner), enabled: task.kind === 'which' });
  return (
    <ul className="grid grid-cols-2 gap-3">
      {task.options.map((option, place) => {
        const named = option.knot === undefined ? undefined : others?.[option.knot];
        const drawing = named?.drawing ?? (option.form ? kit.forms[option.form] : undefined);
        const name = named?.name ?? option.knot ?? words.practice.nth({ n: place + 1 });
        return (
          <li key={place}>
            <button
              type="button"
              aria-disabled={chosen !== null}
              aria-label={
                option.knot === undefined ? `${words.practice.picture({ n: place + 1 })}. ${option.spoken ?? ''}` : name
              }
              onClick={() => chosen === null && onChosen(place)}
              className={`flex size-full flex-col rounded-2xl border-3 p-2 [--ground:var(--card)] ${lookOf(place, task, chosen)}`}
            >
              {drawing && <KnotPicture drawing={drawing} moment={null} text="" className="h-44 w-full sm:h-56" />}
              <span className="w-full text-center font-semibold">{name}</span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** A wrong form, with letters on some of its crossings. */
function Places({ kit, task, chosen, onChosen }: Asked) {
  const drawing = kit.forms[task.shows.form ?? 'right'] ?? kit.knot.loose;
  const [x = 0, y = 0, width = 1, height = 1] = drawing.box;
  return (
    <div
      className="relative mx-auto w-full"
      style={{ aspectRatio: `${width} / ${height}`, maxWidth: `min(100%, ${(52 * width) / height}dvh)` }}
    >
      <KnotPicture drawing={drawing} moment={null} text={task.question} className="absolute inset-0 size-full" />
      {task.options.map((option, place) => {
        const [left = 0, top = 0] = option.at ?? [];
        const letter = String.fromCharCode(65 + place);
        return (
          <button
            key={letter}
            type="button"
            aria-label={`${words.practice.place({ letter })}. ${option.spoken ?? ''}`}
            aria-disabled={chosen !== null}
            onClick={() => chosen === null && onChosen(place)}
            style={{ left: `${((left - x) / width) * 100}%`, top: `${((top - y) / height) * 100}%` }}
            className={`absolute grid size-12 -translate-1/2 place-items-center rounded-full border-3 ${chosen === null ? 'border-signal' : place === task.answer ? 'border-right' : place === chosen ? 'border-notyet' : 'border-line'}`}
          >
            <span
              aria-hidden
              className="absolute -top-3 -right-3 grid size-7 place-items-center rounded-full bg-ink text-sm font-bold text-paper"
            >
              {letter}
            </span>
          </button>
        );
      })}
    </div>
  );
}

/** Steps that lie in a muddle, to be tapped one after another. */
function InOrder({ kit, task, chosen, onChosen }: Asked) {
  const [row, setRow] = useState<number[]>([]);
  const { knot } = kit;
  const right = Array.isArray(task.answer) ? task.answer : [];
  const tap = (place: number): void => {
    if (chosen === null) setRow((now) => (now.includes(place) ? now.filter((one) => one !== place) : [...now, place]));
  };
  return (
    <>
      <p className="text-soft">{words.practice.orderAbout}</p>
      <ul className="grid grid-cols-2 gap-3">
        {task.options.map((option, place) => {
          const step = knot.steps[(option.step ?? 1) - 1];
          const turn = chosen === null ? row.indexOf(place) : right.indexOf(place);
          const isRight = chosen !== null && row[turn] === place;
          return (
            <li key={place}>
              <button
                type="button"
                aria-pressed={row.includes(place)}
                aria-label={`${turn < 0 ? '' : `${words.practice.nth({ n: turn + 1 })} `}${option.spoken ?? ''}`}
                onClick={() => tap(place)}
                className={`relative flex size-full flex-col rounded-2xl border-3 p-2 [--ground:var(--card)] ${chosen === null ? (turn < 0 ? LOOKS.open : 'border-ink bg-card') : isRight ? LOOKS.right : LOOKS.wrong}`}
              >
                <StepDrawing knot={knot} step={step} text="" className="h-44 w-full sm:h-56" />
                {turn >= 0 && (
                  <span
                    aria-hidden
                    className="absolute top-2 left-2 grid size-9 place-items-center rounded-full bg-ink text-lg font-bold text-paper"
                  >
                    {turn + 1}
                  </span>
                )}
              </button>
            </li>
          );
        })}
      </ul>
      {chosen === null && (
        <Button look="signal" className="min-h-16" disabled={row.length < right.length} onClick={() => onChosen(row)}>
          {words.practice.check}
        </Button>
      )}
    </>
  );
}
