import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { knotQuery } from '../api/queries';
import { Failure, Loading } from '../ui/states';
import { Stage } from './Stage';
import { useShowSettings } from '../device/useShowSettings';

/** One knot, huge, one step at a time. */
export function DemonstratePage() {
  const { knot = '' } = useParams();
  const navigate = useNavigate();
  const settings = useShowSettings();
  const [method, setMethod] = useState(useSearchParams()[0].get('method') ?? undefined);
  const drawn = useQuery({
    ...knotQuery(knot, settings.view, method),
    placeholderData: (before) => (before?.id === knot ? before : undefined),
  });
  if (drawn.isPending) return <Loading />;
  if (drawn.isError) return <Failure error={drawn.error} retry={() => void drawn.refetch()} />;
  const methods = drawn.data.methods;
  const nextMethod = (): void =>
    setMethod(methods[(methods.findIndex((one) => one.id === drawn.data.method) + 1) % methods.length]?.id);
  const leave = (): void => {
    if (window.history.length > 1) void navigate(-1);
    else void navigate('/show');
  };
  return (
    <Stage
      key={`${knot} ${drawn.data.method}`}
      knot={drawn.data}
      settings={settings}
      onMethod={nextMethod}
      onLeave={leave}
    />
  );
}
