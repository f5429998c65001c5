import { useQuery } from '@tanstack/react-query';
import { useNavigate, useParams } from 'react-router';
import { knotQuery } from '../api/queries';
import { Failure, Loading } from '../ui/states';
import { Stage } from './Stage';
import { useShowSettings } from './useShowSettings';

/** One knot, huge, one step at a time. */
export function DemonstratePage() {
  const { knot = '' } = useParams();
  const navigate = useNavigate();
  const settings = useShowSettings();
  const drawn = useQuery({ ...knotQuery(knot, settings.left ? 'left' : 'learner'), placeholderData: (before) => (before?.id === knot ? before : undefined) });
  if (drawn.isPending) return <Loading />;
  if (drawn.isError) return <Failure error={drawn.error} retry={() => void drawn.refetch()} />;
  return <Stage key={knot} knot={drawn.data} settings={settings} onLeave={() => { if (window.history.length > 1) void navigate(-1); else void navigate('/show'); }} />;
}
