import { useQuery } from '@tanstack/react-query';
import { KeyRound, Landmark, Palette, PenLine, ShieldCheck } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { awardsQuery } from '../api/awards';
import type { Schemas } from '../api/client';
import { knotsQuery } from '../api/queries';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { Failure, Loading } from '../ui/states';
import { words } from '../words';
import { needs } from '../words/saying';
import { ByHand } from './ByHand';
import { CertificateLook } from './CertificateLook';
import { Kept, TakenBack } from './Kept';
import { Ready } from './Ready';
import { Signing } from './Signing';
import { ToHand } from './ToHand';

/** From the last knot to the badge in the hand: ready, to be handed over, handed over. */
export function AwardsPage() {
  const me = useMe();
  const found = useQuery({ ...awardsQuery, enabled: me.may.teach });
  const knots = useQuery(knotsQuery);
  const [byHand, setByHand] = useState(false);
  const [look, setLook] = useState(false);
  const [signing, setSigning] = useState(false);
  if (!me.may.teach) return <p className="text-soft">{words.awards.leadOnly}</p>;
  if (found.isPending || knots.isPending) return <Loading />;
  if (found.isError) return <Failure error={found.error} retry={() => void found.refetch()} />;
  const names = Object.fromEntries((knots.data?.knots ?? []).map((knot) => [knot.id, knot.name]));
  const { awards } = found.data;
  const inForce = awards.filter((award) => award.taken_back === null);
  return (
    <div className="flex flex-col gap-6">
      <div>
        <h1 className="text-3xl">{words.awards.title}</h1>
        <p className="max-w-prose text-soft">{words.awards.about}</p>
        <div className="flex flex-wrap items-center gap-x-5 gap-y-2">
          <Link to="/verify" className={LINK}>
            <ShieldCheck aria-hidden className="size-5" /> {words.awards.verify}
          </Link>
          {me.may.award && (
            <>
              <Link to="/award-office" className={LINK}>
                <Landmark aria-hidden className="size-5" /> {words.office.title}
              </Link>
              <button type="button" onClick={() => setSigning(true)} className={LINK}>
                <KeyRound aria-hidden className="size-5" /> {words.awards.signing}
              </button>
              <button type="button" onClick={() => setLook(true)} className={LINK}>
                <Palette aria-hidden className="size-5" /> {words.awards.look}
              </button>
              <Button onClick={() => setByHand(true)}>
                <PenLine aria-hidden className="size-5" /> {words.awards.handTitle}
              </Button>
            </>
          )}
        </div>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-x-8 gap-y-10 rail:grid-cols-3">
        <Ready awards={found.data} names={names} />
        <ToHand awards={inForce.filter((award) => award.handed_on === null)} all={found.data} names={names} />
        <Kept awards={inForce.filter((award) => award.handed_on !== null)} names={names} />
      </div>
      <Nearly nearly={found.data.nearly} />
      <TakenBack awards={awards.filter((award) => award.taken_back !== null)} />
      {byHand && <ByHand awards={found.data} onClose={() => setByHand(false)} />}
      {look && <CertificateLook onClose={() => setLook(false)} />}
      {signing && <Signing onClose={() => setSigning(false)} />}
    </div>
  );
}

function Nearly({ nearly }: { nearly: Schemas['NearlyBadge'][] }) {
  if (nearly.length === 0) return null;
  return (
    <section aria-labelledby="nearly">
      <h2 id="nearly" className="mb-2 text-xl">
        {words.awards.nearly}
      </h2>
      <ul className="grid gap-x-8 gap-y-1 rail:grid-cols-2">
        {nearly.map((one) => (
          <li key={`${one.learner.id} ${one.badge}`} className="border-b border-line py-2">
            <Link
              to={`/crew/${one.learner.id}`}
              className="font-semibold underline decoration-hemp decoration-2 underline-offset-4"
            >
              {one.learner.name}
            </Link>{' '}
            {words.awards.nearlyOf({ badge: one.name })}
            <span className="block text-sm text-soft">{needs(one.acts)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
