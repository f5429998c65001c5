import { useMutation, useQuery } from '@tanstack/react-query';
import { Printer, Ruler, Scissors } from 'lucide-react';
import { Link, useParams } from 'react-router';
import { call, type Schemas } from '../api/client';
import { packQuery, queryClient, storeQuery } from '../api/queries';
import { useMe } from '../device/me';
import { Button } from '../ui/Button';
import { LINK } from '../ui/link';
import { Part } from '../ui/Part';
import { Failure, Faults, Loading } from '../ui/states';
import { dayLong, inSentence, listOf, number, span } from '../words/format';
import { words } from '../words';

type Pack = Schemas['Pack'];

/** Tonight's rope: what to bring, what to cut, what to buy. */
export function PackPage() {
  const { meeting: id = '' } = useParams();
  const pack = useQuery(packQuery(id));
  if (pack.isPending) return <Loading />;
  if (pack.isError) return <Failure error={pack.error} retry={() => void pack.refetch()} />;
  const { data } = pack;
  return (
    <div className="flex max-w-5xl flex-col gap-7">
      <header className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <p className="text-soft">
            {dayLong(data.meeting.date)}
            {data.meeting.place && `, ${data.meeting.place}`}
          </p>
          <h1 className="text-3xl">{words.pack.title}</h1>
          <p className="text-soft">{words.pack.about({ n: data.learners, rope: data.rope.name })}</p>
        </div>
        <div className="flex flex-wrap gap-x-5 print:hidden">
          <button type="button" onClick={() => window.print()} className={LINK}>
            <Printer aria-hidden className="size-5" /> {words.pack.print}
          </button>
          <Link to={`/cards/${id}`} className={LINK}>
            <Printer aria-hidden className="size-5" /> {words.session.cards}
          </Link>
          <Link to="/gauges" className={LINK}>
            <Ruler aria-hidden className="size-5" /> {words.pack.gauges}
          </Link>
          <Link to="/store" className={LINK}>
            {words.pack.store}
          </Link>
        </div>
      </header>
      {data.knots.length === 0 && data.rigs.length === 0 ? <p>{words.pack.nothing}</p> : <List pack={data} />}
    </div>
  );
}

function List({ pack }: { pack: Pack }) {
  const me = useMe();
  const cut = useMutation({
    mutationFn: () =>
      call('POST', '/api/meetings/{meeting}/pack/cut', { params: { path: { meeting: pack.meeting.id } } }),
    onSuccess: (now) => {
      queryClient.setQueryData(packQuery(pack.meeting.id).queryKey, now);
      void queryClient.invalidateQueries({ queryKey: storeQuery.queryKey });
    },
  });
  const off = useMutation({
    mutationFn: (rig: string) =>
      call('DELETE', '/api/meetings/{meeting}/rigs/{taken}', {
        params: { path: { meeting: pack.meeting.id, taken: rig } },
      }),
    onSettled: () => void queryClient.invalidateQueries({ queryKey: packQuery(pack.meeting.id).queryKey }),
  });
  const mm = (value: number): string => span(value, me.group.units);
  return (
    <>
      <div className="grid gap-7 rail:grid-cols-2">
        <Part title={words.pack.pieces}>
          {pack.pieces.map((piece) => (
            <li key={piece.knot} className="flex items-baseline gap-4 py-3">
              <strong className="min-w-20 text-2xl tabular-nums">{number(piece.count)} ×</strong>
              <span>
                <strong className="text-xl">{mm(piece.length_mm)}</strong>{' '}
                {piece.for === 'pair'
                  ? words.pack.eachPair({ knot: inSentence(piece.knot) })
                  : piece.colours === 2
                    ? words.pack.twoColours
                    : words.pack.each}
                <span className="block text-sm text-soft">
                  {piece.for === 'each' && `${piece.knot}. `}
                  {piece.reason}
                </span>
              </span>
            </li>
          ))}
        </Part>
        <Part title={words.pack.objects}>
          {pack.objects.length === 0 && <li className="py-3 text-soft">{words.pack.noObjects}</li>}
          {pack.objects.map((object) => (
            <li key={object.kind} className="flex items-baseline gap-4 py-3">
              <strong className="min-w-20 text-2xl tabular-nums">{number(object.count)} ×</strong>
              <span>
                <strong className="text-xl">{words.pack.kinds[object.kind]}</strong>
                <span className="block text-sm text-soft">{listOf(object.knots)}</span>
              </span>
            </li>
          ))}
        </Part>
      </div>
      {pack.rigs.length > 0 && (
        <Part title={words.pack.rigs}>
          {pack.rigs.map((rig) => (
            <li key={rig.id} className="flex items-baseline justify-between gap-4 py-3">
              <span>
                <Link to={`/bench/${rig.rig}`} className="text-lg font-semibold underline decoration-hemp decoration-2">
                  {rig.name}
                </Link>{' '}
                {words.pack.of({ rope: rig.rope })}
                <span className="block">
                  {rig.fault ?? rig.cut.map((one) => `${number(one.count)} × ${mm(one.length_mm)}`).join(', ')}
                </span>
              </span>
              {me.may.teach && (
                <Button className="print:hidden" disabled={off.isPending} onClick={() => off.mutate(rig.id)}>
                  {words.pack.takeOff}
                </Button>
              )}
            </li>
          ))}
        </Part>
      )}
      <Part title={words.pack.fromStore}>
        {pack.taken.map((taken) => (
          <li key={taken.stock} className="py-3">
            <strong>{words.pack.take({ n: taken.count, name: taken.name })}</strong>{' '}
            <span className="text-soft">{mm(taken.length_mm)}</span>
          </li>
        ))}
        {pack.cuts.map((one, n) => (
          <li key={n} className="py-3">
            <Scissors aria-hidden className="mr-2 inline size-5" />
            <strong>{words.pack.cut({ name: one.name })}</strong>{' '}
            {pieces(one.pieces)
              .map(([size, count]) => `${number(count)} × ${mm(size)}`)
              .join(', ')}
            <span className="block text-sm text-soft">
              {one.offcut_mm === 0 ? words.pack.usedUp : words.pack.offcut({ mm: mm(one.offcut_mm) })}
            </span>
          </li>
        ))}
        {pack.taken.length + pack.cuts.length === 0 && <li className="py-3 text-soft">{words.pack.storeEmpty}</li>}
      </Part>
      {pack.cuts.length > 0 && (
        <p className="text-sm text-soft">
          {words.pack.waste[pack.proven ? 'proven' : 'bounded']({ mm: mm(pack.waste_mm), bound: mm(pack.bound_mm) })}
        </p>
      )}
      {pack.buy.length > 0 && (
        <Part title={words.pack.buy}>
          {pack.buy.map((one) => (
            <li key={`${one.rope} ${one.length_mm}`} className="py-3">
              <strong>
                {number(one.count)} × {mm(one.length_mm)}
              </strong>{' '}
              {words.pack.of({ rope: one.rope })}
            </li>
          ))}
        </Part>
      )}
      <Faults error={cut.error ?? off.error} />
      {me.may.teach && pack.taken.length + pack.cuts.length > 0 && (
        <div className="print:hidden">
          <Button look="signal" className="min-h-14" disabled={cut.isPending} onClick={() => cut.mutate()}>
            <Scissors aria-hidden className="size-5" /> {words.pack.done}
          </Button>
          <p className="mt-2 text-sm text-soft">{words.pack.doneAbout}</p>
        </div>
      )}
      <p className="border-l-4 border-hemp pl-3 text-sm">{words.pack.caution}</p>
    </>
  );
}

/** Lengths with how many of each, longest first. */
function pieces(lengths: number[]): [number, number][] {
  const counts = new Map<number, number>();
  for (const one of lengths) counts.set(one, (counts.get(one) ?? 0) + 1);
  return [...counts].sort(([a], [b]) => b - a);
}
