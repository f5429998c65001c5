import type { Schemas } from '../api/client';
import { words } from '../words';
import { Beside } from './Beside';

/** A knot dressed, and the same as a careless hand leaves it where there is a drawing of that. */
export function TidyBeside({
  knot,
  compared: { tidy, untidy },
  ...size
}: {
  knot: { name: string };
  compared: Pick<Schemas['Compared'], 'tidy' | 'untidy'>;
  big?: boolean;
  height?: string;
}) {
  const pictures = [
    { drawing: tidy, title: words.space.tidy, text: words.space.tidyOf({ knot: knot.name }), isRight: true },
    { drawing: untidy, title: words.space.untidy, text: words.space.untidyOf({ knot: knot.name }), isRight: false },
  ];
  return (
    <Beside pictures={pictures.flatMap((one) => (one.drawing ? [{ ...one, drawing: one.drawing }] : []))} {...size} />
  );
}
