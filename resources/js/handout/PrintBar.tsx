import { ArrowLeft, Printer } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Button } from '../ui/Button';
import { words } from '../words';

/** Above what is printed: the way back, what can be chosen, and the button that prints. */
export function PrintBar({ back, children }: { back: string; children?: ReactNode }) {
  return (
    <div className="flex flex-wrap items-center gap-3 p-4 print:hidden">
      <Link to={back} className="inline-flex min-h-12 items-center gap-2 px-2 font-semibold">
        <ArrowLeft aria-hidden className="size-5" /> {words.back}
      </Link>
      {children}
      <Button look="signal" onClick={() => window.print()}>
        <Printer aria-hidden className="size-5" /> {words.handout.print}
      </Button>
    </div>
  );
}
