import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { houseQuery, meQuery } from '../api/queries';
import { JoinPage } from '../account/JoinPage';
import { PeoplePage } from '../account/PeoplePage';
import { ResetPage } from '../account/ResetPage';
import { SignInPage } from '../account/SignInPage';
import { ByLearnerPage } from '../check/ByLearnerPage';
import { CheckPage } from '../check/CheckPage';
import { CoursePage } from '../course/CoursePage';
import { CrewPage } from '../crew/CrewPage';
import { LearnerPage } from '../crew/LearnerPage';
import { PocketPage } from '../crew/PocketPage';
import { DemonstratePage } from '../demonstrate/DemonstratePage';
import { PhonePage } from '../demonstrate/PhonePage';
import { CardsPage, HandoutPage } from '../handout/HandoutPage';
import { KnotMap } from '../knots/KnotMap';
import { KnotPage } from '../knots/KnotPage';
import { KnotsPage } from '../knots/KnotsPage';
import { sync } from '../outbox/sync';
import { HousePage } from '../house/HousePage';
import { PackPage } from '../pack/PackPage';
import { StorePage } from '../pack/StorePage';
import { GaugePage } from '../print/GaugePage';
import { SessionPage } from '../session/SessionPage';
import { SetUpPage } from '../setup/SetUpPage';
import { Failure, Loading } from '../ui/states';
import { words } from '../words/en';
import { Frame } from './Frame';
import { MeContext } from './me';
import { meToday } from './today';
import { isLeaving, keepGroup, keepKnots, startKeeping, tellLeft, warmKnots } from './offline';

export function App() {
  return (
    <Routes>
      <Route path="/phone" element={<PhonePage />} />
      <Route path="/join/:token" element={<JoinPage />} />
      <Route path="/reset/:token" element={<ResetPage />} />
      <Route path="*" element={<SignedIn />} />
    </Routes>
  );
}

function SignedIn() {
  const house = useQuery(houseQuery);
  const me = useQuery({ ...meQuery, enabled: house.data?.signed_in === true, select: (found) => found && meToday(found) });
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
  useEffect(() => void tellLeft(), []);
  if (isLeaving()) return <SignInPage demo={house.data?.house === 'demo'} />;
  if (house.isError) return <Failure error={house.error} retry={() => void house.refetch()} />;
  if (me.isError) return <Failure error={me.error} retry={() => void me.refetch()} />;
  if (!house.data) return <Loading />;
  if (house.data.needs_setup) return <SetUpPage today={house.data.today} />;
  if (house.data.signed_in && me.data === undefined) return <Loading />;
  if (!me.data) return <SignInPage demo={house.data.house === 'demo'} />;
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
