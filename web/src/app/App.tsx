import { Component, lazy, type ReactNode, Suspense, useDeferredValue, useEffect } from 'react';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { say } from '#contract/wording/say.ts';
import { watchBacklog } from '../job/backlog.ts';
import { followOwnSettings } from '../shop/own-settings.ts';
import { type SessionStatus, useSession } from '../shop/session.ts';
import { useSettings } from '../shop/settings.ts';
import { watchStorage } from '../shop/storage-watch.ts';
import { Notice } from '../ui/Notice.tsx';
import { DeviceAlarm } from './DeviceAlarm.tsx';
import { NewerPage } from './NewerPage.tsx';
import { ScanAnywhere } from './ScanAnywhere.tsx';

const ShopData = lazy(() => import('../shop/ShopData.tsx'));
const SignIn = lazy(() => import('../feature/sign-in/SignIn.tsx'));
const Book = lazy(() => import('../feature/book/Book.tsx'));
const Bench = lazy(() => import('../feature/bench/Bench.tsx'));
const Handbook = lazy(() => import('../feature/why/Handbook.tsx'));
const DrillScreen = lazy(() => import('../feature/drill/DrillScreen.tsx'));
const VerdictScreen = lazy(() => import('../feature/drill/VerdictScreen.tsx'));
const LayOutScreen = lazy(() => import('../feature/drill/LayOutScreen.tsx'));
const LearnersScreen = lazy(() => import('../feature/drill/LearnersScreen.tsx'));
const MakeDrill = lazy(() => import('../feature/drill/MakeDrill.tsx'));
const CribShell = lazy(() => import('../feature/crib/CribShell.tsx'));
const Wrenches = lazy(() => import('../feature/crib/Wrenches.tsx'));
const Tools = lazy(() => import('../feature/crib/Tools.tsx'));
const Compounds = lazy(() => import('../feature/crib/Compounds.tsx'));
const MovingIn = lazy(() => import('../feature/shop/moving-in/MovingIn.tsx'));
const Programs = lazy(() => import('../feature/shop/programs/Programs.tsx'));
const OtherShops = lazy(() => import('../feature/shop/others/OtherShops.tsx'));
const Owners = lazy(() => import('../feature/vehicles/Owners.tsx'));
const OwnerPage = lazy(() => import('../feature/owner-page/OwnerPage.tsx'));
const Pair = lazy(() => import('../feature/sign-in/Pair.tsx'));
const ShopSettings = lazy(() => import('../feature/shop/ShopSettings.tsx'));
const ShopShell = lazy(() => import('../feature/shop/ShopShell.tsx'));
const Tablets = lazy(() => import('../feature/shop/tablets/Tablets.tsx'));
const Fasteners = lazy(() => import('../feature/crib/Fasteners.tsx'));
const Reorder = lazy(() => import('../feature/crib/Reorder.tsx'));
const KitLibrary = lazy(() => import('../feature/kits/KitLibrary.tsx'));
const KitHistory = lazy(() => import('../feature/kits/KitHistory.tsx'));
const ReadSheet = lazy(() => import('../feature/kits/read/ReadSheet.tsx'));
const KitEditor = lazy(() => import('../feature/kits/edit/KitEditor.tsx'));
const Bays = lazy(() => import('../feature/bays/Bays.tsx'));
const JobPlan = lazy(() => import('../feature/plan/JobPlan.tsx'));
const NewJob = lazy(() => import('../feature/receive/NewJob.tsx'));
const JobShell = lazy(() => import('../job/JobShell.tsx'));
const Receive = lazy(() => import('../feature/receive/Receive.tsx'));
const Conflicts = lazy(() => import('../feature/conflicts/Conflicts.tsx'));
const ReadinessScreen = lazy(() => import('../feature/readiness/ReadinessScreen.tsx'));
const JobCardScreen = lazy(() => import('../feature/job-card/JobCardScreen.tsx'));
const Due = lazy(() => import('../feature/due/Due.tsx'));
const Recall = lazy(() => import('../feature/vehicles/Recall.tsx'));
const VehicleList = lazy(() => import('../feature/vehicles/VehicleList.tsx'));
const VehicleScreen = lazy(() => import('../feature/vehicles/VehicleScreen.tsx'));
const CheckIn = lazy(() => import('../feature/check-in/CheckIn.tsx'));
const Line = lazy(() => import('../feature/line/Line.tsx'));
const SecondScreen = lazy(() => import('../feature/second-screen/SecondScreen.tsx'));
const SecondLook = lazy(() => import('../feature/close-out/SecondLook.tsx'));
const CloseOut = lazy(() => import('../feature/close-out/CloseOut.tsx'));
const Record = lazy(() => import('../feature/record/Record.tsx'));

/** The job on screen, by its address: its own screen sends what it gives. */
const openJob = (): string | undefined => /^\/jobs\/([^/]+)/.exec(location.pathname)?.[1];

/** Catches a defect of a screen: what is recorded is safe, and there is a way back. */
class Guard extends Component<{ children: ReactNode }, { error?: Error }> {
  override state: { error?: Error } = {};

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  override render() {
    if (!this.state.error) return this.props.children;
    return (
      <Notice
        title={say('This screen stopped')}
        detail={say('{message}. Everything you recorded is kept.', { message: this.state.error.message })}
        action={say('Load again')}
        onAction={() => location.reload()}
        secondary={{ to: '/', label: say('To the bays') }}
      />
    );
  }
}

const Loading = () => <Notice title={say('One moment')} detail={say('Loading.')} busy />;

/** The shell: theme and session. */
export function App() {
  const status = useSession((state) => state.status);
  const prepared = useDeferredValue(status);
  const load = useSession((state) => state.load);
  const theme = useSettings((state) => state.theme);
  const hand = useSettings((state) => state.hand);
  const textSize = useSettings((state) => state.textSize);
  const gloves = useSettings((state) => state.gloves);
  useEffect(() => {
    void load();
  }, [load]);
  // From the first screen to the last: what waits here goes out whichever is shown.
  useEffect(() => watchBacklog(openJob), []);
  useEffect(watchStorage, []);
  useEffect(followOwnSettings, []);
  useEffect(() => {
    const { dataset } = document.documentElement;
    dataset.theme = theme;
    dataset.hand = hand;
    dataset.letters = textSize;
    dataset.gloves = gloves ? 'on' : 'off';
  }, [theme, hand, textSize, gloves]);

  // What is on screen stays until the next is fetched, which spares a flash of "Loading" and the wait that goes with it;
  // but nobody's work stays in view once they have signed out.
  const shown = status === 'signedOut' && prepared !== 'unknown' ? status : prepared;
  // The router stands outside what is fetched: Back, pressed while a screen is on its way, would be heard by nobody.
  return (
    <BrowserRouter>
      <Suspense fallback={<Loading />}>
        <Screens status={shown} />
      </Suspense>
    </BrowserRouter>
  );
}

/** The screens, each loaded when first shown. */
function Screens({ status }: { status: SessionStatus }) {
  // Who follows an owner's link signs in nowhere.
  if (window.location.pathname === '/hand-over') return <OwnerPage />;
  if (status === 'unknown') return <Loading />;
  if (window.location.pathname === '/pair') return <Pair />;
  if (status === 'signedOut')
    return (
      <>
        <DeviceAlarm />
        <ShopData>
          <SignIn />
        </ShopData>
      </>
    );
  return (
    <Guard>
      <DeviceAlarm />
      <NewerPage />
      <ScanAnywhere />
      <Routes>
        <Route element={<ShopData />}>
          <Route path="/" element={<Bays />} />
          <Route path="/plan/:jobId" element={<JobPlan />} />
          <Route path="/receive" element={<NewJob />} />
          <Route path="/vehicles" element={<VehicleList />} />
          <Route path="/vehicles/owners" element={<Owners />} />
          <Route path="/vehicles/recall" element={<Recall />} />
          <Route path="/vehicles/:vehicleId" element={<VehicleScreen />} />
          <Route path="/due" element={<Due />} />
          <Route path="/book" element={<Book />} />
          <Route path="/handbook" element={<Handbook />} />
          <Route path="/drill" element={<DrillScreen />} />
          <Route path="/drill/verdict" element={<VerdictScreen />} />
          <Route path="/drill/verdict/:attempt" element={<VerdictScreen />} />
          <Route path="/drill/lay-out" element={<LayOutScreen />} />
          <Route path="/drill/learners" element={<LearnersScreen />} />
          <Route path="/drill/make" element={<MakeDrill />} />
          <Route path="/bench" element={<Bench />} />
          <Route path="/bench/:tool" element={<Bench />} />
          <Route path="/kits" element={<KitLibrary />} />
          <Route path="/kits/read" element={<ReadSheet />} />
          <Route path="/kits/drafts/:kitId" element={<KitEditor />} />
          <Route path="/kits/drafts/:kitId/:part" element={<KitEditor />} />
          <Route path="/kits/:kitId" element={<KitHistory />} />
          <Route path="/shop" element={<ShopShell />}>
            <Route index element={<ShopSettings />} />
            <Route path="tablets" element={<Tablets />} />
            <Route path="programs" element={<Programs />} />
            <Route path="other-shops" element={<OtherShops />} />
            <Route path="moving-in" element={<MovingIn />} />
          </Route>
          <Route path="/crib" element={<CribShell />}>
            <Route index element={<Wrenches />} />
            <Route path="tools" element={<Tools />} />
            <Route path="compounds" element={<Compounds />} />
            <Route path="fasteners" element={<Fasteners />} />
            <Route path="reorder" element={<Reorder />} />
          </Route>
        </Route>
        <Route path="/jobs/:jobId" element={<JobShell />}>
          <Route index element={<Navigate to="check-in" replace />} />
          <Route element={<ShopData />}>
            <Route path="receive" element={<Receive />} />
            <Route path="conflicts" element={<Conflicts />} />
            <Route path="readiness" element={<ReadinessScreen />} />
            <Route path="card" element={<JobCardScreen />} />
            <Route path="close-out" element={<CloseOut />} />
            <Route path="second-look" element={<SecondLook />} />
            <Route path="record" element={<Record />} />
          </Route>
          <Route path="check-in" element={<CheckIn />} />
          <Route path="line" element={<Line />} />
          <Route path="screen" element={<SecondScreen />} />
          {/* Screens of their own once: an address kept in a browser still leads to the work. */}
          {['strip', 'fit-loose', 'torque', 'refit'].map((old) => (
            <Route key={old} path={old} element={<Navigate to="../line" replace />} />
          ))}
        </Route>
        <Route
          path="*"
          element={
            <Notice
              title={say('No such page')}
              detail={say('The address leads nowhere.')}
              secondary={{ to: '/', label: say('To the bays') }}
            />
          }
        />
      </Routes>
    </Guard>
  );
}
