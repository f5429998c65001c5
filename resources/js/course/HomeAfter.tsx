import { useMutation, useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { setHome } from '../api/home';
import { cardsQuery, knotsQuery } from '../api/queries';
import { useMe } from '../device/me';
import { Faults } from '../ui/states';
import { Toggle } from '../ui/Toggle';
import { words } from '../words';

/** What of an evening is to be tied at home after it, each knot at a tap; one that closes or tightens wants an adult beside, and is not offered. */
export function HomeAfter({ meeting }: { meeting: Schemas['CourseMeeting'] }) {
  const me = useMe();
  const kept = useQuery({ ...cardsQuery, enabled: me.may.teach });
  const all = useQuery(knotsQuery).data?.knots ?? [];
  const set = useMutation(setHome);
  const shown = new Set(meeting.blocks.flatMap((block) => [block, ...block.beside]).map((station) => station.knot));
  const knots = all.filter((knot) => shown.has(knot.id) && !knot.with_adult);
  if (!me.may.teach || kept.data === undefined || knots.length === 0) return null;
  const { home } = kept.data;
  return (
    <section aria-label={words.course.homeAfter} className="mt-4" data-testid="home-after">
      <h3 className="mb-2 text-lg">{words.course.homeAfter}</h3>
      <Faults error={set.error} />
      <ul className="flex flex-wrap gap-2">
        {knots.map((knot) => (
          <li key={knot.id}>
            <Toggle
              on={home.includes(knot.id)}
              onClick={() => set.mutate({ knot: knot.id, home: !home.includes(knot.id) })}
            >
              {knot.name}
            </Toggle>
          </li>
        ))}
      </ul>
    </section>
  );
}
