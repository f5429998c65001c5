import { Children, type ReactNode, useState } from 'react';
import { Choice } from '../ui/Choice';
import { words } from '../words';
import { PrintBar } from './PrintBar';

/** Sheets of paper, and what goes on one. */
export const PAPERS = {
  a4: { width: '210mm', height: '297mm', type: '10pt', size: 'A4', cards: 4, columns: 2 },
  a5: { width: '148mm', height: '210mm', type: '7.5pt', size: 'A5', cards: 2, columns: 1 },
  letter: { width: '215.9mm', height: '279.4mm', type: '10pt', size: 'letter', cards: 4, columns: 2 },
} as const;
type Paper = keyof typeof PAPERS;

/** Pages as they come out of the printer, on a paper that is chosen above them. */
export function ToPrint({
  back,
  across = false,
  more,
  children,
}: {
  back: string;
  /** Whether the paper lies on its long side. */
  across?: boolean;
  /** Whatever else is chosen above the pages. */
  more?: ReactNode;
  children: (paper: Paper) => ReactNode;
}) {
  const [paper, setPaper] = useState<Paper>('a4');
  const { type, size } = PAPERS[paper];
  const { width, height } = across
    ? { width: PAPERS[paper].height, height: PAPERS[paper].width }
    : { width: PAPERS[paper].width, height: PAPERS[paper].height };
  return (
    <div className="min-h-dvh bg-wash pb-10 print:bg-white print:pb-0">
      <style>{`@page { size: ${size}${across ? ' landscape' : ''}; margin: 0 }`}</style>
      <PrintBar back={back}>
        <div className="w-64">
          <Choice
            label={words.handout.paper}
            value={paper}
            onChange={setPaper}
            options={
              [
                ['a4', words.handout.a4],
                ['a5', words.handout.a5],
                ['letter', words.handout.letter],
              ] as const
            }
          />
        </div>
        {more}
      </PrintBar>
      <div
        tabIndex={0}
        role="region"
        aria-label={words.show.handout}
        className="overflow-x-auto print:overflow-visible"
      >
        <main className="mx-auto flex flex-col gap-6 print:gap-0" style={{ width, fontSize: type }}>
          {Children.toArray(children(paper)).map((page, n) => (
            <article
              key={n}
              className="handout flex break-after-page flex-col overflow-hidden bg-white p-[10mm] leading-tight text-black shadow-lg last:break-after-auto print:shadow-none"
              style={{ height }}
              data-testid="handout"
            >
              {page}
            </article>
          ))}
        </main>
      </div>
    </div>
  );
}
