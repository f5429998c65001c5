import { Truck } from 'lucide-react';
import { Link } from 'react-router';
import { LINK } from '../ui/link';
import { momentLong } from '../words/format';
import { words } from '../words';

/** That the group lives in another house now, and nothing is written here any more. */
export function Moved({ at, mayLead }: { at: string; mayLead: boolean }) {
  return (
    <div
      role="status"
      data-testid="moved"
      className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-1 rounded-lg border-2 border-hemp-deep bg-card px-3 py-1"
    >
      <Truck aria-hidden className="size-6 shrink-0 text-hemp-deep" />
      <p className="flex-1 py-1">
        <strong>{words.along.moved({ time: momentLong(Date.parse(at)) })}</strong> {words.along.movedAbout}
      </p>
      {mayLead && (
        <Link to="/along" className={LINK}>
          {words.along.title}
        </Link>
      )}
    </div>
  );
}
