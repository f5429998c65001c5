import { Suspense, useEffect } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { showGroup, type Schemas } from '../api/client';
import { keepKey, sync } from '../outbox/sync';
import { Loading } from '../ui/states';
import { words } from '../words';
import { Frame } from './Frame';
import { MeContext } from '../device/me';
import { useTonight } from '../device/useEvenings';
import { noteWhose, startKeeping } from '../device/keeping';
import { keepGroup, keepKnots, warmKnots } from '../device/offline';
import { page } from './page';

const AlongPage = page(() => import('../along/AlongPage'), 'AlongPage');
const AwardsPage = page(() => import('../awards/AwardsPage'), 'AwardsPage');
const OfficePage = page(() => import('../awards/OfficePage'), 'OfficePage');
const VerifyPage = page(() => import('../awards/VerifyPage'), 'VerifyPage');
const CertificatesPage = page(() => import('../awards/CertificatesPage'), 'CertificatesPage');
const PeoplePage = page(() => import('../account/PeoplePage'), 'PeoplePage');
const BenchPage = page(() => import('../bench/BenchPage'), 'BenchPage');
const RigPage = page(() => import('../bench/RigPage'), 'RigPage');
const WhichPage = page(() => import('../bench/WhichPage'), 'WhichPage');
const ByLearnerPage = page(() => import('../check/ByLearnerPage'), 'ByLearnerPage');
const InstrumentPage = page(() => import('../bench/InstrumentPage'), 'InstrumentPage');
const CalibratePage = page(() => import('../bench/CalibratePage'), 'CalibratePage');
const OwnRigPage = page(() => import('../bench/OwnRigPage'), 'OwnRigPage');
const UsedPage = page(() => import('../check/UsedPage'), 'UsedPage');
const CheckPage = page(() => import('../check/CheckPage'), 'CheckPage');
const CoursePage = page(() => import('../course/CoursePage'), 'CoursePage');
const CrewPage = page(() => import('../crew/CrewPage'), 'CrewPage');
const LearnerPage = page(() => import('../crew/LearnerPage'), 'LearnerPage');
const PocketPage = page(() => import('../crew/PocketPage'), 'PocketPage');
const DemonstratePage = page(() => import('../demonstrate/DemonstratePage'), 'DemonstratePage');
const CardsPage = page(() => import('../handout/HandoutPage'), 'CardsPage');
const HandoutPage = page(() => import('../handout/HandoutPage'), 'HandoutPage');
const HomeSheetPage = page(() => import('../handout/HomeSheet'), 'HomeSheetPage');
const RecordPage = page(() => import('../handout/RecordPage'), 'RecordPage');
const PracticeCardPage = page(() => import('../handout/PracticeCard'), 'PracticeCardPage');
const PracticeCardsPage = page(() => import('../cards/PracticeCardsPage'), 'PracticeCardsPage');
const KnotMap = page(() => import('../knots/KnotMap'), 'KnotMap');
const KnotPage = page(() => import('../knots/KnotPage'), 'KnotPage');
const KnotsPage = page(() => import('../knots/KnotsPage'), 'KnotsPage');
const HostPage = page(() => import('../host/HostPage'), 'HostPage');
const HousePage = page(() => import('../house/HousePage'), 'HousePage');
const PackPage = page(() => import('../pack/PackPage'), 'PackPage');
const StorePage = page(() => import('../pack/StorePage'), 'StorePage');
const GaugePage = page(() => import('../print/GaugePage'), 'GaugePage');
const SessionPage = page(() => import('../session/SessionPage'), 'SessionPage');

/** The app opens on the moment that is due: a meeting today, else the course. */
function Opening() {
  const tonight = useTonight();
  if (tonight === undefined) return <Loading />;
  return <Navigate to={tonight ? `/meeting/${tonight}` : '/course'} replace />;
}

/** Everything there is for whoever is signed in. */
export function Inside({ me }: { me: Schemas['Me'] }) {
  const { tonight, ahead } = me;
  showGroup(me.group.id);
  useEffect(() => noteWhose(me), [me]);
  // When the first page has been drawn and the device has a moment.
  useEffect(() => {
    void startKeeping();
    const later = window.setTimeout(
      () =>
        void keepGroup({ tonight, ahead })
          .then(() => warmKnots())
          .then(keepKnots)
          .catch(() => undefined),
      3000,
    );
    return () => clearTimeout(later);
  }, [tonight, ahead]);
  useEffect(() => {
    void keepKey(me).then(sync);
  }, [me]);
  return (
    <MeContext value={me}>
      <Suspense fallback={<Loading />}>
        <Routes>
          <Route path="/show/:knot" element={<DemonstratePage />} />
          <Route path="/handout/:knot" element={<HandoutPage />} />
          <Route path="/cards/:meeting" element={<CardsPage />} />
          <Route path="/home/:knot" element={<HomeSheetPage />} />
          <Route path="/record/:learner" element={<RecordPage />} />
          <Route path="/practice-card/:card" element={<PracticeCardPage />} />
          <Route path="/certificates" element={<CertificatesPage />} />
          <Route path="/gauges" element={<GaugePage />} />
          <Route element={<Frame />}>
            <Route index element={<Opening />} />
            <Route path="/course" element={<CoursePage />} />
            <Route path="/meeting/:meeting" element={<SessionPage />} />
            <Route path="/pack/:meeting" element={<PackPage />} />
            <Route path="/house" element={<HousePage />} />
            <Route path="/practice-cards" element={<PracticeCardsPage />} />
            <Route path="/store" element={<StorePage />} />
            <Route path="/show" element={<KnotsPage />} />
            <Route path="/map" element={<KnotMap />} />
            <Route path="/knot/:knot" element={<KnotPage />} />
            <Route path="/check/of/:learner?" element={<ByLearnerPage />} />
            <Route path="/check/:knot?" element={<CheckPage />} />
            <Route path="/used/:meeting/:rig" element={<UsedPage />} />
            <Route path="/pocket" element={<PocketPage />} />
            <Route path="/bench" element={<BenchPage />} />
            <Route path="/bench/which" element={<WhichPage />} />
            <Route path="/bench/instruments/:instrument?" element={<InstrumentPage />} />
            <Route path="/bench/calibrate" element={<CalibratePage />} />
            <Route path="/bench/:rig" element={<RigPage />} />
            <Route path="/bench/:rig/change" element={<OwnRigPage />} />
            <Route path="/along" element={<AlongPage />} />
            <Route path="/host" element={<HostPage isAlone={false} />} />
            <Route path="/awards" element={<AwardsPage />} />
            <Route path="/award-office" element={<OfficePage />} />
            <Route path="/verify" element={<VerifyPage />} />
            <Route path="/crew" element={<CrewPage />} />
            <Route path="/crew/:learner" element={<LearnerPage />} />
            <Route path="/people" element={<PeoplePage />} />
            <Route path="*" element={<p className="p-6">{words.notFound}</p>} />
          </Route>
        </Routes>
      </Suspense>
    </MeContext>
  );
}
