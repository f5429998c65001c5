import { useMutation, useQuery } from '@tanstack/react-query';
import { ChevronRight, Printer, TriangleAlert } from 'lucide-react';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { awardQuery, certificatesOf } from '../api/awards';
import { call } from '../api/client';
import * as limits from '../api/limits';
import { queryClient } from '../api/queries';
import { OutlineTree } from '../crew/OutlineTree';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { AreaField } from '../ui/Field';
import { LINK } from '../ui/link';
import { Sheet } from '../ui/Sheet';
import { Failure, Faults, Loading } from '../ui/states';
import { dayOf } from '../words/format';
import { words } from '../words';
import { by } from '../words/saying';
import { Signed } from './Signed';
import type { Award } from './Station';

/** One award on a list; all there is to know and to do of it on a sheet of its own. */
export function AwardRow({
  award,
  names,
  children,
}: {
  award: Award;
  names: Record<string, string>;
  children?: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <li data-testid="award">
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="flex min-h-14 w-full items-center justify-between gap-3 py-2 text-left"
      >
        <span className="min-w-0">
          <strong className="block leading-tight">{award.learner.name}</strong>
          <span className="text-sm text-soft">
            {award.name}
            {award.handed_on !== null && `, ${dayOf(award.handed_on)}`}
            {award.by_hand && `, ${words.awards.byHand}`}
          </span>
        </span>
        {!award.stands && <TriangleAlert aria-label={words.awards.standsNot} className="size-5 shrink-0 text-notyet" />}
        <ChevronRight aria-hidden className="size-5 shrink-0 text-soft" />
      </button>
      {open && (
        <AboutAward award={award} names={names} onClose={() => setOpen(false)}>
          {children}
        </AboutAward>
      )}
    </li>
  );
}

function AboutAward({
  award,
  names,
  onClose,
  children,
}: {
  award: Award;
  names: Record<string, string>;
  onClose: () => void;
  children: ReactNode;
}) {
  const me = useMe();
  const found = useQuery(awardQuery(award.id));
  const undo = useMutation({
    mutationFn: () =>
      call('PUT', '/api/awards/{award}', { params: { path: { award: award.id } }, body: { handed_on: null } }),
    onSuccess: () => {
      void queryClient.invalidateQueries();
      onClose();
    },
  });
  return (
    <Sheet open onClose={onClose} title={words.awards.nameFor({ badge: award.name, learner: award.learner.name })}>
      <div className="flex flex-col gap-4">
        {!award.stands && <p className="rounded-lg border-2 border-notyet px-3 py-2">{words.awards.standsNot}</p>}
        <p className="text-soft">
          {words.awards.decidedOn({ day: dayOf(award.decided_on) })}
          {by(award.decided_by)}
          {award.handed_on !== null &&
            `. ${words.awards.handedOn({ day: dayOf(award.handed_on) })}${by(award.handed_by)}`}
          {`. ${words.awards.version({ n: award.version })}.`}
        </p>
        {award.why !== null && <p className="border-l-4 border-hemp pl-3">{award.why}</p>}
        <section aria-label={words.awards.what}>
          {found.isPending && <Loading />}
          {found.isError && <Failure error={found.error} retry={() => void found.refetch()} />}
          {found.data?.proof && <OutlineTree outline={found.data.proof.outline} knots={names} learner={null} />}
        </section>
        {children}
        <Faults error={undo.error} />
        <div className="flex flex-wrap gap-x-5">
          <Link to={certificatesOf([award])} className={LINK}>
            <Printer aria-hidden className="size-5" /> {words.awards.certificate}
          </Link>
          <Link to={`/crew/${award.learner.id}`} className={LINK}>
            {words.awards.upLearner}
          </Link>
        </div>
        <Signed award={found.data ?? award} />
        {me.may.award && award.handed_on !== null && (
          <Button disabled={undo.isPending} onClick={() => undo.mutate()}>
            {words.awards.notHanded}
          </Button>
        )}
        {me.may.award && <TakeBack award={award} onDone={onClose} />}
      </div>
    </Sheet>
  );
}

function TakeBack({ award, onDone }: { award: Award; onDone: () => void }) {
  const [why, setWhy] = useState('');
  const take = useMutation({
    mutationFn: () =>
      call('POST', '/api/awards/{award}/taken-back', { params: { path: { award: award.id } }, body: { why } }),
    onSuccess: () => {
      void queryClient.invalidateQueries();
      onDone();
    },
  });
  return (
    <details className="rounded-lg border border-line px-3">
      <summary className="min-h-12 content-center font-semibold">{words.awards.takeBack}</summary>
      <form
        className="flex flex-col gap-3 pb-3"
        onSubmit={(event) => {
          event.preventDefault();
          take.mutate();
        }}
      >
        <p className="text-soft">{words.awards.takeBackAbout}</p>
        <Faults error={take.error} />
        <AreaField
          label={words.awards.why}
          rows={2}
          required
          {...limits.takeBackAward.why}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
        <Button type="submit" className="text-notyet" disabled={take.isPending || why.trim() === ''}>
          {words.awards.takeBackGo}
        </Button>
      </form>
    </details>
  );
}
