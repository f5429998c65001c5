import { UserRound } from 'lucide-react';
import { words } from '../words';

/** Beside a knot that closes or tightens. */
export function WithAdult({ className }: { className: string }) {
  return (
    <span className={`items-center gap-1 text-sm font-semibold ${className}`}>
      <UserRound aria-hidden className="size-4" /> {words.practice.withAdult}
    </span>
  );
}
