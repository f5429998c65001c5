import { Link } from 'react-router';
import { useSync } from '../outbox/SyncBar';
import { words } from '../words';

/** The two ways along a row of learners, and whether everything is sent. */
export function CheckHead({ by }: { by: 'knot' | 'learner' }) {
  const { waiting, refused } = useSync();
  const way =
    'flex min-h-12 items-center border-b-4 border-transparent px-2 font-semibold text-soft aria-[current=page]:border-signal aria-[current=page]:text-ink';
  return (
    <div className="flex flex-wrap items-end justify-between gap-x-6">
      <h1 className="text-3xl">{words.check.title}</h1>
      {waiting + refused === 0 && (
        <p className="order-last w-full text-sm text-soft rail:order-none rail:w-auto">{words.check.allSent}</p>
      )}
      <nav aria-label={words.check.title} className="flex gap-3">
        <Link to="/check" aria-current={by === 'knot' ? 'page' : undefined} className={way}>
          {words.check.byKnot}
        </Link>
        <Link to="/check/of" aria-current={by === 'learner' ? 'page' : undefined} className={way}>
          {words.check.byLearner}
        </Link>
      </nav>
    </div>
  );
}
