/** One plan at one of its stations: thread, stage and bench, weave, tally. */
import { lazy, Suspense, useEffect, useState } from 'react';
import { Link, Navigate, useLocation, useParams } from 'react-router';
import type { PlanResult } from '../../core/findings/plan-result.ts';
import type { SpacingStep } from '../../core/plan/ask/spacing-step.ts';
import { type Checked, useChecked } from '../ask/checked.ts';
import { useFiguresBefore } from '../ask/figures.ts';
import { useResult, useScene, useSpacingStep } from '../ask/plan.ts';
import { HeadView } from '../head-view/head-view.tsx';
import { RowMap } from '../row-map/row-map.tsx';
import { exportPlan } from '../session/files.ts';
import { type PlanSession, usePlanSession } from '../session/plan-session.ts';
import { useTheme } from '../session/theme.ts';
import { Tally } from '../tally/tally.tsx';
import { BY_WORDS, isStation, STATIONS, type StationId } from '../thread/stations.ts';
import { Thread } from '../thread/thread.tsx';
import { FindingNote } from '../ui/finding-note.tsx';
import { Settle } from '../ui/settle.tsx';
import { PLAIN_CHECK, useView } from '../view/view-store.ts';
import { clearFailed } from './failed.ts';
import { Guard } from './guard.tsx';
import './screen.css';

/** Benches and dialogs come when they are first wanted; the head and the cloth are there at once. */
const AimBench = lazy(() => import('../stations/aim/bench.tsx').then((m) => ({ default: m.AimBench })));
const MeasureBench = lazy(() => import('../stations/measure/bench.tsx').then((m) => ({ default: m.MeasureBench })));
const BaseBench = lazy(() => import('../stations/base/bench.tsx').then((m) => ({ default: m.BaseBench })));
const CapBench = lazy(() => import('../stations/cap/bench.tsx').then((m) => ({ default: m.CapBench })));
const HairBench = lazy(() => import('../stations/hair/bench.tsx').then((m) => ({ default: m.HairBench })));
const RowsBench = lazy(() => import('../stations/rows/bench.tsx').then((m) => ({ default: m.RowsBench })));
const CheckBench = lazy(() => import('../stations/check/bench.tsx').then((m) => ({ default: m.CheckBench })));
const SupplyBench = lazy(() => import('../stations/supply/bench.tsx').then((m) => ({ default: m.SupplyBench })));
const InstallBench = lazy(() => import('../stations/install/bench.tsx').then((m) => ({ default: m.InstallBench })));
const WearBench = lazy(() => import('../stations/wear/bench.tsx').then((m) => ({ default: m.WearBench })));
const TakedownBench = lazy(() => import('../stations/takedown/bench.tsx').then((m) => ({ default: m.TakedownBench })));
const LogBench = lazy(() => import('../stations/log/bench.tsx').then((m) => ({ default: m.LogBench })));
const PracticeBench = lazy(() => import('../stations/practice/bench.tsx').then((m) => ({ default: m.PracticeBench })));
const CompareStage = lazy(() => import('../head-view/compare.tsx').then((m) => ({ default: m.CompareStage })));
const PlansDialog = lazy(() => import('./plans-dialog.tsx').then((m) => ({ default: m.PlansDialog })));

const SETTLED_BY_HAND: readonly StationId[] = ['aim', 'measure', 'base', 'cap', 'hair', 'rows', 'supply'];

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
  return (
    <main className="p-10">
      <h1 className="text-heading">
        {opened.state === 'missing' ? 'There is no such plan here.' : 'This plan can’t be opened.'}
      </h1>
      {opened.state === 'unreadable' && <p className="mt-2">{opened.why} It is kept as it is.</p>}
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
  const atCheck = station === 'check';
  const result = answer?.value;
  const checked = useChecked(session, result, atCheck);
  const { looked, findings } = checked;
  const other = useView((v) => v.other);
  const before = useFiguresBefore(answer, looked, session.history.present.plan, session.isDraft);
  const step = useSpacingStep(session.history.present.plan, session.isDraft);
  const [plansOpen, setPlansOpen] = useState(false);
  const showTape = useView((v) => v.showTape);
  const select = useView((v) => v.select);
  const selectSection = useView((v) => v.selectSection);
  const upTo = (useLocation().state as { upTo?: string } | null)?.upTo;
  useTheme();
  useHistoryKeys(session);
  // Another state of the plan is another try for what could not be shown.
  const faultKey = session.history.past.length;
  const isShown = answer?.isCurrent === true;
  useEffect(() => {
    if (isShown) clearFailed(plan.id);
  }, [isShown, plan.id]);
  useEffect(() => {
    document.documentElement.dataset.skin = plan.skin;
    document.title = `${plan.name} · ${STATIONS.find(([id]) => id === station)?.[1]} · Meshwork`;
  }, [plan.skin, plan.name, station]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another plan or station starts with nothing held
  useEffect(() => {
    showTape(station === 'measure' ? 'girth' : undefined);
  }, [station, plan.id]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another plan has other knots
  useEffect(() => {
    // From an install it comes with the knot that is in hand: how it should look by now.
    select(upTo);
    selectSection(undefined);
    useView.getState().setCheck({ ...PLAIN_CHECK, soFar: upTo !== undefined });
  }, [plan.id]);

  const own = findings.filter((f) => f.station === station);
  const finding = <FindingNote finding={own[0]} more={own.length - 1} session={session} />;
  const show = station === 'measure' ? 'tape' : station === 'base' ? 'sections' : atCheck ? 'look' : 'rows';
  return (
    <div
      className={`screen ${BY_WORDS.has(station) ? 'by-words' : ''}`}
      data-station={station}
      data-looked={checked.isLooked ? 'yes' : 'no'}
      data-ready={answer?.isCurrent && !session.isDraft ? 'yes' : 'no'}
    >
      <div className="daylight" />
      <Thread plan={plan} here={station} findings={findings}>
        <button
          type="button"
          className="brand"
          aria-haspopup="dialog"
          onClick={() => setPlansOpen(true)}
          data-testid="plans"
        >
          <span className="fig block text-heading" style={{ fontStretch: '88%' }}>
            Meshwork
          </span>
          <span className="note mt-1.5 block truncate leading-tight">
            {[plan.wearer, plan.name].filter(Boolean).join(', ')}
          </span>
        </button>
      </Thread>
      <main className="workplace">
        <h1 className="sr-only">
          {STATIONS.find(([id]) => id === station)?.[1]}, {plan.name}
        </h1>
        <Guard what="The head" resetKey={`${station} ${faultKey}`}>
          {atCheck && other && result && looked && scene ? (
            <Suspense>
              <CompareStage plan={plan} result={result} look={looked.value} scene={scene} other={other} />
            </Suspense>
          ) : (
            <HeadView
              session={session}
              result={result}
              scene={scene}
              show={show}
              partHandles={station === 'rows' || station === 'aim'}
              opening={station === 'cap'}
              shown={atCheck ? { look: checked.lookAs, hair: checked.hair } : undefined}
            />
          )}
        </Guard>
        {/* biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, also where nothing in it takes the focus */}
        <aside className="bench" aria-label="Bench" tabIndex={0}>
          {error && (
            <p role="alert" className="text-madder">
              {error}
            </p>
          )}
          <Guard what="The bench" resetKey={`${station} ${faultKey}`}>
            <Suspense>
              <StationBench
                station={station}
                session={session}
                result={result}
                step={step}
                finding={finding}
                checked={checked}
              />
            </Suspense>
          </Guard>
          {SETTLED_BY_HAND.includes(station) && <Settle session={session} station={station} />}
        </aside>
      </main>
      <Guard what="The cloth of rows" resetKey={faultKey}>
        <RowMap session={session} result={result} seenIds={checked.seenIds} hooked={checked.hooked} />
      </Guard>
      <Guard what="The tally" resetKey={faultKey}>
        <Tally
          session={session}
          result={result}
          judged={{ look: looked?.value, range: checked.range }}
          before={before}
          onExport={() => exportPlan(plan)}
        />
      </Guard>
      {plansOpen && (
        <Suspense>
          <PlansDialog open currentId={plan.id} onOpenChange={setPlansOpen} />
        </Suspense>
      )}
    </div>
  );
}

function StationBench(props: {
  readonly station: StationId;
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  readonly step: SpacingStep | undefined;
  readonly finding: React.ReactNode;
  readonly checked: Checked;
}) {
  const { station, session, result } = props;
  switch (station) {
    case 'aim':
      return <AimBench session={session} result={result} finding={props.finding} />;
    case 'measure':
      return <MeasureBench session={session} result={result} finding={props.finding} />;
    case 'base':
      return <BaseBench session={session} result={result} finding={props.finding} />;
    case 'cap':
      return <CapBench session={session} result={result} finding={props.finding} />;
    case 'hair':
      return <HairBench session={session} result={result} finding={props.finding} />;
    case 'rows':
      return <RowsBench session={session} result={result} finding={props.finding} />;
    case 'check':
      return <CheckBench session={session} result={result} checked={props.checked} />;
    case 'supply':
      return <SupplyBench session={session} result={result} step={props.step} finding={props.finding} />;
    case 'install':
      return <InstallBench session={session} result={result} />;
    case 'wear':
      return <WearBench />;
    case 'takedown':
      return <TakedownBench session={session} result={result} />;
    case 'log':
      return <LogBench session={session} result={result} />;
    case 'practice':
      return <PracticeBench session={session} result={result} />;
  }
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
