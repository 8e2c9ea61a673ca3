/** One plan at one of its stations: thread, stage and bench, weave, tally. */
import { lazy, memo, Suspense, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { Link, Navigate, useLocation, useParams } from 'react-router';
import type { PlanResult } from '../../core/findings/index.ts';
import type { HeadScene } from '../../core/plan/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { type Checked, useChecked } from '../ask/checked.ts';
import { type Figures, useFiguresBefore } from '../ask/figures.ts';
import { useResult, useScene } from '../ask/plan.ts';
import { HeadView } from '../head-view/head-view.tsx';
import { RowMap } from '../row-map/row-map.tsx';
import { exportPlan } from '../session/files.ts';
import { type PlanSession, usePlanSession } from '../session/plan-session.ts';
import { useTheme } from '../session/theme.ts';
import { Tally } from '../tally/tally.tsx';
import { BY_WORDS, isStation, STATIONS, type StationId } from '../thread/stations.ts';
import { Thread } from '../thread/thread.tsx';
import { FindingNote } from '../ui/finding-note.tsx';
import { type Layer, layerWith, type Show, showOf } from '../view/layers.ts';
import { useLayer } from '../view/room.ts';
import { PLAIN_CHECK, useView, VIEWS } from '../view/view-store.ts';
import { BENCHES } from './benches.ts';
import { clearFailed } from './failed.ts';
import { Guard } from './guard.tsx';
import { Onward } from './onward.tsx';
import './screen.css';

/** Dialogs come when they are first wanted; the head and the cloth are there at once. */
const CompareStage = lazy(() => import('../head-view/compare.tsx').then((m) => ({ default: m.CompareStage })));
const PracticeStage = lazy(() => import('../stations/practice/stage.tsx').then((m) => ({ default: m.PracticeStage })));
const Logbook = lazy(() => import('../stations/log/logbook.tsx').then((m) => ({ default: m.Logbook })));
const OfWearer = lazy(() => import('./of-wearer.tsx').then((m) => ({ default: m.OfWearer })));
const PlansDialog = lazy(() => import('./plans-dialog.tsx').then((m) => ({ default: m.PlansDialog })));

export function PlanScreen() {
  const { planId = '', station } = useParams();
  const opened = usePlanSession(planId);
  if (!isStation(station)) return <Navigate to={`/plan/${planId}/rows`} replace />;
  if (opened.state === 'opening')
    return (
      <main className="p-10" aria-busy="true">
        Opening …
      </main>
    );
  if (opened.state === 'open') return <AtStation key={planId} session={opened.session} station={station} />;
  // The page’s guard has every way out.
  if (opened.state === 'unreadable') throw new Error(opened.why);
  return (
    <main className="p-10">
      <h1 className="text-heading">There is no such plan here.</h1>
      <Link className="word mt-2" to="/">
        Back to your plans
      </Link>
    </main>
  );
}

function AtStation({ session, station }: { readonly session: PlanSession; readonly station: StationId }) {
  const { plan } = session;
  const { answer, why: error } = useResult(plan);
  const scene = useScene(session.history.present.plan);
  const result = answer?.value;
  const [chosen, choose] = useLayer(station);
  const layer = layerWith(
    useView((v) => v.tool),
    chosen,
  );
  const show = showOf(station, layer);
  const checked = useChecked(session, result, station, show);
  const { looked } = checked;
  const before = useFiguresBefore(answer, looked, session.history.present.plan, session.isDraft);
  const told = useMemo(
    () => ({ session, station, result, checked, before }),
    [session, station, result, checked, before],
  );
  // What is only looked at waits until what is in hand has moved.
  const shown = useDeferredValue(told);
  const isShown = shown === told;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what chooses hangs on the station alone
  const layers = useMemo(() => [layer, choose] as const, [layer, station]);
  // Another state of the plan is another try for what could not be shown.
  const faultKey = session.history.past.length;
  useTheme();
  useHistoryKeys(session);
  usePage(plan, station);
  useNothingHeld(plan.id, station);
  useFrontal(station);
  useShown(plan.id, answer?.isCurrent === true);
  return (
    <div
      className={`screen ${BY_WORDS.has(station) ? 'by-words' : ''}`}
      data-station={station}
      data-looked={checked.isLooked && isShown ? 'yes' : 'no'}
      data-ready={answer?.isCurrent && !session.isDraft && isShown ? 'yes' : 'no'}
    >
      <div className="daylight" />
      <ThreadShown shown={shown} />
      <main className="workplace">
        <h1 className="sr-only">
          {stationName(station)}, {plan.name}
        </h1>
        <Guard what="The head" resetKey={`${station} ${faultKey}`}>
          <Stage
            {...{ station, scene, show, layers }}
            session={session}
            result={shown.result}
            checked={shown.checked}
          />
        </Guard>
        <Guard what="The cloth of rows" resetKey={faultKey}>
          <ClothShown shown={shown} />
        </Guard>
        <Bench {...{ session, station, error, faultKey }} result={shown.result} checked={shown.checked} />
      </main>
      <Guard what="The tally" resetKey={faultKey}>
        <TallyShown shown={shown} />
      </Guard>
    </div>
  );
}

interface Shown extends AtWork {
  readonly before: Figures | undefined;
}

const ThreadShown = memo(({ shown: { session, station, checked } }: { readonly shown: Shown }) => (
  <Thread plan={session.plan} here={station} findings={checked.findings}>
    <Brand plan={session.plan} />
  </Thread>
));

const ClothShown = memo(({ shown: { session, station, result, checked } }: { readonly shown: Shown }) => (
  <RowMap {...{ session, station, result }} seenIds={checked.seenIds} hooked={checked.hooked} />
));

const TallyShown = memo(({ shown: { session, result, checked, before } }: { readonly shown: Shown }) => (
  <Tally
    session={session}
    result={result}
    judged={{ look: checked.looked?.value, range: checked.range }}
    before={before}
    onExport={() => exportPlan(session.plan)}
  />
));

interface AtWork {
  readonly session: PlanSession;
  readonly station: StationId;
  readonly result: PlanResult | undefined;
  readonly checked: Checked;
}

/** The name on the door: it leads to her plans. */
function Brand({ plan }: { readonly plan: PlanDocument }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="brand" aria-haspopup="dialog" onClick={() => setOpen(true)} data-testid="plans">
        <span className="fig block text-heading" style={{ fontStretch: '88%' }}>
          Meshwork
        </span>
        <span className="note mt-1.5 block truncate leading-tight">
          {[plan.wearer, plan.name].filter(Boolean).join(', ')}
        </span>
      </button>
      {open && (
        <Suspense>
          <PlansDialog open currentId={plan.id} onOpenChange={setOpen} />
        </Suspense>
      )}
    </>
  );
}

interface OnStage extends AtWork {
  readonly scene: HeadScene | undefined;
  readonly show: Show;
  readonly layers: readonly [Layer, (layer: Layer) => void];
}

/** Her head, or three of them where two plans are held against each other. */
const Stage = memo((props: OnStage) => {
  const { session, station, result, scene, checked } = props;
  const other = useView((v) => v.other);
  const head = (
    <HeadView
      session={session}
      result={result}
      scene={scene}
      show={props.show}
      shown={props.layers}
      partHandles={station === 'rows' || station === 'aim'}
      atCheck={station === 'check'}
      checked={checked}
    />
  );
  if (station === 'log')
    return (
      <Suspense>
        <Logbook session={session} />
      </Suspense>
    );
  if (station === 'practice')
    return (
      <Suspense fallback={head}>
        <PracticeStage result={result} head={head} />
      </Suspense>
    );
  if (station !== 'check' || !other || !result || !checked.looked || !scene) return head;
  return (
    <Suspense fallback={head}>
      <CompareStage plan={session.plan} result={result} look={checked.looked.value} scene={scene} other={other} />
    </Suspense>
  );
});

const Bench = memo((props: AtWork & { readonly error: string | undefined; readonly faultKey: number }) => {
  const { session, station, result, checked, error } = props;
  const StationBench = BENCHES[station];
  const own = checked.findings.filter((f) => f.station === station);
  return (
    <aside className="bench" aria-label="Bench">
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, also where nothing in it takes the focus */}
      <div className="bench-tool" tabIndex={0}>
        {error && (
          <p role="alert" className="text-madder">
            {error}
          </p>
        )}
        <Suspense>
          <OfWearer session={session} />
        </Suspense>
        <Guard what="The bench" resetKey={`${station} ${props.faultKey}`}>
          <Suspense>
            <StationBench
              session={session}
              result={result}
              checked={checked}
              finding={<FindingNote key={own[0]?.code} finding={own[0]} more={own.length - 1} session={session} />}
            />
          </Suspense>
        </Guard>
      </div>
      <Onward session={session} station={station} />
    </aside>
  );
});

const stationName = (station: StationId) => STATIONS.find(([id]) => id === station)?.[1];

function usePage({ skin, name }: PlanDocument, station: StationId) {
  useEffect(() => {
    document.documentElement.dataset.skin = skin;
    document.title = `${name} · ${stationName(station)} · Meshwork`;
  }, [skin, name, station]);
}

/** At the aim and at Check she stands before herself; elsewhere the head is as she left it. */
function useFrontal(station: StationId) {
  const isFrontal = station === 'aim' || station === 'check';
  useEffect(() => {
    if (!isFrontal) return;
    const { azimuth, elevation, turn } = useView.getState();
    turn(VIEWS.threeQuarters);
    return () => turn({ azimuth, elevation });
  }, [isFrontal]);
}

/** Another plan or station starts with nothing held. */
function useNothingHeld(planId: string, station: StationId) {
  const { showTape, select, selectSection, setCheck } = useView.getState();
  // From an install it comes with the knot that is in hand: how it should look by now.
  const upTo = (useLocation().state as { upTo?: string } | null)?.upTo;
  // biome-ignore lint/correctness/useExhaustiveDependencies: another plan shows its tape anew
  useEffect(() => {
    showTape(station === 'measure' ? 'girth' : undefined);
  }, [station, planId]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another plan has other knots
  useEffect(() => {
    select(upTo);
    selectSection(undefined);
    setCheck({ ...PLAIN_CHECK, soFar: upTo !== undefined });
  }, [planId]);
}

/** A plan that could be shown is opened by itself again next time. */
function useShown(planId: string, isShown: boolean) {
  useEffect(() => {
    if (isShown) clearFailed(planId);
  }, [isShown, planId]);
}

/** Ctrl+Z and Ctrl+Shift+Z (or Ctrl+Y), except while writing in a field, which has an undo of its own. */
function useHistoryKeys(session: PlanSession) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      if ((event.target as HTMLElement).closest('input, textarea')) return;
      const key = event.key.toLowerCase();
      if (key === 'z' && !event.shiftKey) session.undo();
      else if (key === 'y' || (key === 'z' && event.shiftKey)) session.redo();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [session]);
}
