import { useQuery } from '@tanstack/react-query';
import { Suspense, useEffect, useState } from 'react';
import { Route, Routes } from 'react-router';
import { houseQuery, meQuery } from '../api/queries';
import { SignInPage } from '../account/SignInPage';
import { Failure, Loading } from '../ui/states';
import { isLeaving, tellLeft } from '../device/leaving';
import { page } from './page';
import { meToday } from '../device/today';

const JoinPage = page(() => import('../account/JoinPage'), 'JoinPage');
const ResetPage = page(() => import('../account/ResetPage'), 'ResetPage');
const PhonePage = page(() => import('../demonstrate/PhonePage'), 'PhonePage');
const SetUpPage = page(() => import('../setup/SetUpPage'), 'SetUpPage');
const Inside = page(() => import('./Inside'), 'Inside');

export function App() {
  return (
    <Suspense fallback={<Loading />}>
      <Routes>
        <Route path="/phone" element={<PhonePage />} />
        <Route path="/join" element={<JoinPage />} />
        <Route path="/reset" element={<ResetPage />} />
        <Route path="*" element={<SignedIn />} />
      </Routes>
    </Suspense>
  );
}

function SignedIn() {
  // Until the server has heard of a sign-out, nothing it says of who is signed in counts.
  const [leaving, setLeaving] = useState(isLeaving);
  const house = useQuery({ ...houseQuery, enabled: !leaving });
  const me = useQuery({
    ...meQuery,
    enabled: !leaving && house.data?.signed_in === true,
    select: (found) => found && meToday(found),
  });
  useEffect(() => {
    const tell = (): void => void tellLeft().then(() => setLeaving(isLeaving()));
    tell();
    window.addEventListener('online', tell);
    return () => window.removeEventListener('online', tell);
  }, []);
  if (leaving) return <SignInPage demo={false} onIn={() => setLeaving(false)} />;
  if (house.isError) return <Failure error={house.error} retry={() => void house.refetch()} />;
  if (me.isError) return <Failure error={me.error} retry={() => void me.refetch()} />;
  if (!house.data) return <Loading />;
  if (house.data.needs_setup) return <SetUpPage />;
  if (house.data.signed_in && me.data === undefined) return <Loading />;
  if (!me.data) return <SignInPage demo={house.data.house === 'demo'} onIn={() => undefined} />;
  return (
    <Suspense fallback={<Loading />}>
      <Inside me={me.data} />
    </Suspense>
  );
}
