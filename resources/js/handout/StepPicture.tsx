import type { Schemas } from '../api/client';
import { StepDrawing } from '../drawing/StepDrawing';
import { SpaceImage } from '../space/SpaceImage';
import { words } from '../words';

/** A lashing lies round its poles: its steps read from space. Over and under of a knot read best flat. */
export function StepPicture({ knot, number }: { knot: Schemas['Knot']; number: number }) {
  const step = knot.steps[number];
  const text = words.show.step({ n: number + 1, all: knot.steps.length });
  if (!step) return null;
  if (knot.in_space && knot.family === 'lashing') {
    return (
      <SpaceImage
        knot={knot}
        view={knot.view}
        shown={{ step: number + 1 }}
        ink="grey"
        text={text}
        className="absolute inset-0 size-full"
      />
    );
  }
  return <StepDrawing knot={knot} step={step} text={text} className="absolute inset-0 size-full" />;
}
