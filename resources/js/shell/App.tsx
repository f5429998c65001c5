import { useQuery } from '@tanstack/react-query';
import { Suspense } from 'react';
import { Route, Routes } from 'react-router';
import { houseQuery, meQuery } from '../api/queries';
import { SignInPage } from '../account/SignInPage';
import { ApiProblem } from '../api/client';
import { useGoing } from '../device/going';
import { leave } from '../device/offline';
import { Button } from '../ui/Button';
import { Failure, Loading } from '../ui/states';
import { words } from '../words';
import { page } from './page';
import { meToday } from '../device/today';

const JoinPage = page(() => import('../account/JoinPage'), 'JoinPage');
const ResetPage = page(() => import('../account/ResetPage'), 'ResetPage');
const PhonePage = page(() => import('../demonstrate/PhonePage'), 'PhonePage');
const SetUpPage = page(() => import('../setup/SetUpPage'), 'SetUpPage');
const HostPage = page(() => import('../host/HostPage'), 'HostPage');
const Inside = page(() => import('./Inside'), 'Inside');

export function App() {
  if (useGoing()) return <Loading />;
  return (
    <Suspense fallback={<Loading />}>
      <Routes>
        <Route path="/phone" element={<PhonePage />} />
        <Route path="/join" element={<JoinPage />} />
        <Route path="/reset" element={<ResetPage />} />
        <Route path="/begin" element={<Begin />} />
        <Route path="*" element={<SignedIn />} />
      </Routes>
    </Suspense>
  );
}

/** A group that has a place here is set up, or brought along. */
function Begin() {
  const house = useQuery(houseQuery);
  if (house.isError) return <Failure error={house.error} retry={() => void house.refetch()} />;
  return house.data ? <SetUpPage isPlace /> : <Loading />;
}

function SignedIn() {
  const house = useQuery(houseQuery);
  const me = useQuery({
    ...meQuery,
    enabled: house.data?.signed_in === true,
    select: (found) => found && meToday(found),
  });
  if (house.isError) return <Failure error={house.error} retry={() => void house.refetch()} />;
  if (!house.data) return <Loading />;
  const isShut = me.error instanceof ApiProblem && me.error.status === 423;
  if (house.data.hosts && (!house.data.signed_in || isShut))
    return (
      <Suspense fallback={<Loading />}>
        <HostPage isAlone />
      </Suspense>
    );
  if (me.isError) return <Shut error={me.error} isShut={isShut} retry={() => void me.refetch()} />;
  if (house.data.needs_setup) return <SetUpPage isPlace={false} />;
  if (house.data.signed_in && me.data === undefined) return <Loading />;
  if (!me.data) return <SignInPage demo={house.data.house === 'demo'} />;
  return (
    <Suspense fallback={<Loading />}>
      <Inside me={me.data} />
    </Suspense>
  );
}

/** A group that its host has closed is shown to nobody; whoever has another comes back to that. */
function Shut({ error, isShut, retry }: { error: unknown; isShut: boolean; retry: () => void }) {
  return (
    <main className="p-4">
      <Failure error={error} retry={retry} />
      {isShut && (
        <Button className="m-2" onClick={() => void leave()}>
          {words.nav.signOut}
        </Button>
      )}
    </main>
  );
}
