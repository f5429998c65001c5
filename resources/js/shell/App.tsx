import { useQuery } from '@tanstack/react-query';
import { type ComponentType, lazy, Suspense, useEffect, useState } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { houseQuery, meQuery } from '../api/queries';
import { SignInPage } from '../account/SignInPage';
import { keepKey, sync } from '../outbox/sync';
import { Failure, Loading } from '../ui/states';
import { words } from '../words/en';
import { Frame } from './Frame';
import { MeContext } from './me';
import { meToday } from './today';
import { isLeaving, keepGroup, keepKnots, startKeeping, tellLeft, warmKnots } from './offline';

/** A page whose script is fetched when it is wanted; the worker keeps all of them for a device without a network. */
function page<Name extends string>(load: () => Promise<Record<Name, ComponentType>>, name: Name) {
  return lazy(async () => ({ default: (await load())[name] }));
}

const JoinPage = page(() => import('../account/JoinPage'), 'JoinPage');
const PeoplePage = page(() => import('../account/PeoplePage'), 'PeoplePage');
const ResetPage = page(() => import('../account/ResetPage'), 'ResetPage');
const ByLearnerPage = page(() => import('../check/ByLearnerPage'), 'ByLearnerPage');
const CheckPage = page(() => import('../check/CheckPage'), 'CheckPage');
const CoursePage = page(() => import('../course/CoursePage'), 'CoursePage');
const CrewPage = page(() => import('../crew/CrewPage'), 'CrewPage');
const LearnerPage = page(() => import('../crew/LearnerPage'), 'LearnerPage');
const PocketPage = page(() => import('../crew/PocketPage'), 'PocketPage');
const DemonstratePage = page(() => import('../demonstrate/DemonstratePage'), 'DemonstratePage');
const PhonePage = page(() => import('../demonstrate/PhonePage'), 'PhonePage');
const CardsPage = page(() => import('../handout/HandoutPage'), 'CardsPage');
const HandoutPage = page(() => import('../handout/HandoutPage'), 'HandoutPage');
const KnotMap = page(() => import('../knots/KnotMap'), 'KnotMap');
const KnotPage = page(() => import('../knots/KnotPage'), 'KnotPage');
const KnotsPage = page(() => import('../knots/KnotsPage'), 'KnotsPage');
const HousePage = page(() => import('../house/HousePage'), 'HousePage');
const PackPage = page(() => import('../pack/PackPage'), 'PackPage');
const StorePage = page(() => import('../pack/StorePage'), 'StorePage');
const GaugePage = page(() => import('../print/GaugePage'), 'GaugePage');
const SessionPage = page(() => import('../session/SessionPage'), 'SessionPage');
const SetUpPage = page(() => import('../setup/SetUpPage'), 'SetUpPage');

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
  const me = useQuery({ ...meQuery, enabled: !leaving && house.data?.signed_in === true, select: (found) => found && meToday(found) });
  const signedIn = me.data !== null && me.data !== undefined;
  const tonight = me.data?.tonight ?? null;
  const ahead = me.data?.ahead;
  // When the first page has been drawn and the device has a moment.
  useEffect(() => {
    if (!signedIn || !ahead) return undefined;
    void startKeeping();
    const later = window.setTimeout(() => void keepGroup({ tonight, ahead }).then(() => warmKnots()).then(keepKnots).catch(() => undefined), 3000);
    return () => clearTimeout(later);
  }, [signedIn, tonight, ahead]);
  useEffect(() => { if (signedIn) void sync(); }, [signedIn]);
  const key = me.data ?? null;
  useEffect(() => { if (key) void keepKey(key); }, [key]);
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
    <MeContext value={me.data}>
      <Routes>
        <Route path="/show/:knot" element={<DemonstratePage />} />
        <Route path="/handout/:knot" element={<HandoutPage />} />
        <Route path="/cards/:meeting" element={<CardsPage />} />
        <Route path="/gauges" element={<GaugePage />} />
        <Route element={<Frame />}>
          {/* The app opens on the moment that is due: a meeting today, else the course. */}
          <Route index element={<Navigate to={me.data.tonight ? `/meeting/${me.data.tonight}` : '/course'} replace />} />
          <Route path="/course" element={<CoursePage />} />
          <Route path="/meeting/:meeting" element={<SessionPage />} />
          <Route path="/pack/:meeting" element={<PackPage />} />
          <Route path="/house" element={<HousePage />} />
          <Route path="/store" element={<StorePage />} />
          <Route path="/show" element={<KnotsPage />} />
          <Route path="/map" element={<KnotMap />} />
          <Route path="/knot/:knot" element={<KnotPage />} />
          <Route path="/check/of/:learner?" element={<ByLearnerPage />} />
          <Route path="/check/:knot?" element={<CheckPage />} />
          <Route path="/pocket" element={<PocketPage />} />
          <Route path="/crew" element={<CrewPage />} />
          <Route path="/crew/:learner" element={<LearnerPage />} />
          <Route path="/people" element={<PeoplePage />} />
          <Route path="*" element={<p className="p-6">{words.notFound}</p>} />
        </Route>
      </Routes>
    </MeContext>
  );
}
