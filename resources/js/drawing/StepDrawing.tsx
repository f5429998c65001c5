import type { Schemas } from '../api/client';
import { KnotPicture } from './KnotPicture';
import { momentOf, wholeAt } from './moment';

/** What lies there when a step is done. */
export function StepDrawing({
  knot,
  step,
  text,
  className,
}: {
  knot: Pick<Schemas['Knot'], 'loose' | 'tight' | 'half'>;
  step: Schemas['KnotStep'] | undefined;
  text: string;
  className: string;
}) {
  const whole = wholeAt(knot, step);
  return (
    <KnotPicture
      drawing={whole ?? knot.loose}
      moment={whole || !step ? null : momentOf(step)}
      text={text}
      className={className}
    />
  );
}
