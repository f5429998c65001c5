import { useQuery } from '@tanstack/react-query';
import { Suspense } from 'react';
import { Route, Routes } from 'react-router';
import { houseQuery, meQuery } from '../api/queries';
import { SignInPage } from '../account/SignInPage';
import { Failure, Loading } from '../ui/states';
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
  const house = useQuery(houseQuery);
  const me = useQuery({
    ...meQuery,
    enabled: house.data?.signed_in === true,
    select: (found) => found && meToday(found),
  });
  if (house.isError) return <Failure error={house.error} retry={() => void house.refetch()} />;
  if (me.isError) return <Failure error={me.error} retry={() => void me.refetch()} />;
  if (!house.data) return <Loading />;
  if (house.data.needs_setup) return <SetUpPage />;
  if (house.data.signed_in && me.data === undefined) return <Loading />;
  if (!me.data) return <SignInPage demo={house.data.house === 'demo'} />;
  return (
    <Suspense fallback={<Loading />}>
      <Inside me={me.data} />
    </Suspense>
  );
}
