import { useMutation } from '@tanstack/react-query';
import { CircleCheck, Hourglass, KeyRound, Landmark, LogOut, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { leaveOffice, type OfficeBoard, sendToOffice } from '../api/office';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { Sheet } from '../ui/Sheet';
import { Faults } from '../ui/states';
import { moment } from '../words/format';
import { words } from '../words';
import { OfficeSetUp } from './OfficeSetUp';

type Office = NonNullable<OfficeBoard['office']>;

/** How it stands with the office, in a sentence; and how far the errand has come. */
export function OfficeState({ board, office }: { board: OfficeBoard; office: Office }) {
  const [changes, setChanges] = useState(false);
  const [leaves, setLeaves] = useState(false);
  const now = useMutation(sendToOffice);
  const { work } = board;
  const open = board.awards.filter((one) => one.state === 'waiting' || one.state === 'taking_back').length;
  const trouble = work?.state === 'waiting' ? work.trouble : null;
  return (
    <section
      aria-label={words.office.at({ address: office.address })}
      className="max-w-3xl rounded-2xl border-2 border-line bg-card p-5"
      data-testid="office"
    >
      <p className="text-soft">{words.office.at({ address: office.address })}</p>
      <div className="my-2 flex items-start gap-3" role="status">
        <Mark trouble={trouble !== null} open={open} any={board.awards.length > 0} />
        <p className="font-display text-xl leading-snug font-bold">
          {trouble ?? sentence(board, open)}
          {trouble !== null && (
            <span className="block font-sans text-base font-normal">
              {open > 0 && words.office.waits({ n: open })}{' '}
              {work?.next && words.office.nextAt({ time: moment(work.next) })}
            </span>
          )}
        </p>
      </div>
      {work?.state === 'running' && work.of > 0 && (
        <progress className="mb-2 h-3 w-full accent-signal" value={work.done} max={work.of} />
      )}
      <Faults error={now.error} />
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
        {trouble !== null && (
          <Button look="signal" disabled={now.isPending} onClick={() => now.mutate([])}>
            {words.office.now}
          </Button>
        )}
        <button type="button" className={LINK} onClick={() => setChanges(true)}>
          <KeyRound aria-hidden className="size-5" /> {words.office.change}
        </button>
        <button type="button" className={LINK} onClick={() => setLeaves(true)}>
          <LogOut aria-hidden className="size-5" /> {words.office.leave}
        </button>
      </div>
      {changes && (
        <Sheet
          open
          onClose={() => setChanges(false)}
          title={words.office.change}
          about={words.office.at({ address: office.address })}
        >
          <OfficeSetUp office={office} onDone={() => setChanges(false)} />
        </Sheet>
      )}
      {leaves && <Leave onClose={() => setLeaves(false)} />}
    </section>
  );
}

function Mark({ trouble, open, any }: { trouble: boolean; open: number; any: boolean }) {
  const [Icon, colour] = trouble
    ? [TriangleAlert, 'text-notyet']
    : open > 0
      ? [Hourglass, 'text-hemp-deep']
      : any
        ? [CircleCheck, 'text-right']
        : [Landmark, 'text-soft'];
  return <Icon aria-hidden className={`mt-0.5 size-7 shrink-0 ${colour}`} />;
}

function sentence(board: OfficeBoard, open: number): string {
  if (board.work?.state === 'running' && board.work.of > 0)
    return words.office.running({ done: board.work.done, of: board.work.of });
  if (open > 0) return words.office.waits({ n: open });
  const refused = board.awards.filter((one) => one.state === 'refused').length;
  if (refused > 0) return words.office.toldBut({ n: refused });
  return board.awards.length === 0 ? words.office.nothing : words.office.allTold;
}

function Leave({ onClose }: { onClose: () => void }) {
  const leave = useMutation(leaveOffice);
  return (
    <Sheet open onClose={onClose} title={words.office.leave} about={words.office.leaveAbout}>
      <div className="flex flex-col gap-3">
        <Faults error={leave.error} />
        <Button
          className="text-notyet"
          disabled={leave.isPending}
          onClick={() => leave.mutate(undefined, { onSuccess: onClose })}
        >
          {words.office.leaveGo}
        </Button>
        <Button look="signal" onClick={onClose}>
          {words.cancel}
        </Button>
      </div>
    </Sheet>
  );
}
