/** Install: one thing at a time in type to be read at arm's length, driven by space, arrows, a pedal, a voice or one big touch. */

import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import type { PlanResult } from '../../../core/findings/index.ts';
import {
  forecastInstall,
  type InstallForecast,
  type OrderStep,
  shareToCome,
  type Telling,
} from '../../../core/install/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import { ANY_HANDS } from '../../../core/supply/index.ts';
import { isOffHead } from '../../../core/trade/index.ts';
import type { InstallSession } from '../../../model/install-log.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { useResult, useScene } from '../../ask/plan.ts';
import { useHeldForInstall } from '../../by-itself/in-install.ts';
import { useTheme } from '../../session/theme.ts';
import { useSize } from '../../ui/use-size.ts';
import { KnotCard } from './knot-card.tsx';
import { NextAndBack, WordButton } from './knot-in-hand.tsx';
import { type MirrorSettings, useMirrorSettings } from './mirror-settings.ts';
import { nextWords, runSpeech, speechFor, stepSpeech } from './mirror-words.ts';
import { More } from './more.tsx';
import { Done, Forecast, NotePad } from './notes.tsx';
import { Notice } from './notice.tsx';
import { OrderList } from './order-list.tsx';
import { PhotoSheet } from './photo-sheet.tsx';
import { RowBand, StepBand } from './row-band.tsx';
import { StepInHand } from './step-in-hand.tsx';
import { eveningLeft, tonightWords } from './tonight.ts';
import { type Counted, useCounted } from './use-counted.ts';
import { type AtTheMirrorProps, type Install, useInstall } from './use-install.ts';
import { useInstallKeys, useScreenAwake, useSpeech } from './use-mirror.ts';
import { type NewPlan, useNewPlan } from './use-new-plan.ts';
import type { InHand } from './use-work.ts';
import { useVoice } from './voice.ts';
import { Warnings } from './warnings.tsx';
import { type Reason, WaysOn } from './ways-on.tsx';
import type { OnHead } from './where-picture.tsx';

export function InstallScreen() {
  const { sessionId = '' } = useParams();
  const { session, plan, loaded, ...install } = useInstall(sessionId);
  const { answer, why: error } = useResult(plan);
  useTheme();
  useHeldForInstall();
  useEffect(() => {
    if (plan) document.documentElement.dataset.skin = plan.skin;
  }, [plan]);
  if (session === null) {
    return (
      <main className="p-10">
        <h1 className="text-far-text">There is no such install here.</h1>
        <Link className="word" to="/">
          Back to your plans
        </Link>
      </main>
    );
  }
  if (error)
    return (
      <main className="p-10">
        <p role="alert">{error}</p>
        <Link className="word" to="/">
          Back to your plans; the install is kept
        </Link>
      </main>
    );
  if (!session || !plan || !loaded || !answer)
    return (
      <main className="p-10 text-far-text" aria-busy="true">
        Finding the place where you left off …
      </main>
    );
  return <AtTheMirror {...{ session, plan, install }} result={answer.value} />;
}

/** What lies over the mirror. */
type Open = 'order' | 'more' | 'note' | 'hurts' | 'sees' | 'photo' | { readonly ways: Reason } | undefined;

function AtTheMirror({ session, plan, result, install }: AtTheMirrorProps & { readonly session: InstallSession }) {
  const { state } = install;
  const forHelper = useSearchParams()[0].get('for') === 'helper';
  const [settings, set] = useMirrorSettings(forHelper);
  const scene = useScene(plan);
  const box = useRef<HTMLDivElement>(null);
  const { width } = useSize(box);
  const [open, setOpen] = useState<Open>();
  const card = useRef<HTMLElement>(null);
  useFocusBack(card, open !== undefined);
  const isIn = useMemo(() => new Set(state.done.filter((d) => !d.skipped).map((d) => d.knotId)), [state]);
  const counted = useCounted(result, install, settings.telling);
  const { order, held, next, back, pause } = counted.work;
  const [knot] = held.run;
  const forecast = useForecast(result, install);
  const packsLeft = Math.max(0, forecast.piecesLeft) / Math.max(1, result.supply.piecesPerPack);
  const newPlan = useNewPlan(plan, result, install, isIn.size > 0 ? packsLeft : undefined);
  // Off a head nothing hurts.
  const onHurts = () => setOpen(isOffHead(plan.cap) ? undefined : 'hurts');
  useDevice({ result, plan, install, settings, counted, isFree: open === undefined, onHurts });
  const shown = { session, plan, result, scene, install, isIn, newPlan, settings, set, forHelper, counted, forecast };
  return (
    <main
      ref={box}
      className="relative grid h-dvh grid-rows-mirror"
      style={{ '--outline': 'var(--ink)' } as React.CSSProperties}
    >
      <div className="daylight" />
      <h1 className="sr-only">Install, {plan.name}</h1>
      {knot ? (
        <RowBand {...{ result, knot, isIn, width }} />
      ) : (
        <StepBand stands={held.place.stands} step={held.place.step} width={width} />
      )}
      {held.step ? (
        <section
          ref={card}
          className="mx-auto flex w-full max-w-295 flex-col gap-far overflow-y-auto px-[clamp(16px,5vw,40px)] pt-far"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls on a small screen
          tabIndex={0}
          aria-label={knot ? 'This knot' : 'This step'}
        >
          {knot ? (
            <KnotCard {...shown} run={held.run} paused={state.paused} onPause={pause} />
          ) : (
            <StepInHand
              {...shown}
              {...{ order, step: held.step, place: held.place }}
              toCome={shareToCome(order, held.place, state.done)}
              paused={state.paused}
              onPause={pause}
            />
          )}
          <Ahead {...shown} onOpen={setOpen} />
        </section>
      ) : (
        <Done plan={plan} state={state} onFinish={() => install.add('finish')} onAgain={() => setOpen('order')} />
      )}
      <NextAndBack
        next={next}
        back={back}
        words={nextButton(held, state.paused, settings.telling)}
        then={thenWords(order, held, result)}
        canNext={held.step !== undefined}
        canBack={state.lastWork !== undefined}
      />
      <Sheets {...shown} open={open} onOpen={setOpen} />
    </main>
  );
}

/** What lay over the mirror is gone: the next space is the next knot, not the word that opened it. */
function useFocusBack(card: React.RefObject<HTMLElement | null>, isCovered: boolean) {
  const wasCovered = useRef(false);
  useEffect(() => {
    if (wasCovered.current && !isCovered) card.current?.focus({ preventScroll: true });
    wasCovered.current = isCovered;
  }, [card, isCovered]);
}

/** Keys, voice, speech and a screen that stays awake. */
function useDevice(props: {
  readonly result: PlanResult;
  readonly plan: PlanDocument;
  readonly install: Install;
  readonly settings: MirrorSettings;
  readonly counted: Counted;
  /** No sheet lies over the mirror. */
  readonly isFree: boolean;
  readonly onHurts: () => void;
}) {
  const { result, plan, install, settings, isFree, onHurts } = props;
  const { held, next, back, pause } = props.counted.work;
  const { paused, finished } = install.state;
  useScreenAwake(!paused && !finished);
  const deeds = { next, back, pause, hurts: onHurts };
  useInstallKeys({ ...deeds, enabled: isFree });
  useVoice(settings.listens && isFree, (deed) => deeds[deed]());
  useSpeech(settings.isSpoken && !paused ? spokenWords(held, settings.telling, result, plan) : undefined);
}

/** All that the parts of the mirror are shown with. */
interface Shown extends OnHead {
  readonly session: InstallSession;
  readonly install: Install;
  readonly newPlan: NewPlan;
  readonly settings: MirrorSettings;
  readonly set: (change: Partial<MirrorSettings>) => void;
  readonly forHelper: boolean;
  readonly counted: Counted;
  readonly forecast: InstallForecast;
}

/** What is to come, what warns of it, and words for all that is not the next touch. */
function Ahead(props: Shown & { readonly onOpen: (open: Open) => void }) {
  const { plan, result, install, isIn, counted, forecast, onOpen } = props;
  const { state, add, trouble } = install;
  const { held } = counted.work;
  const evening = eveningLeft(plan, new Date());
  return (
    <>
      {isIn.size > 0 && (held.run.length > 0 || held.step?.kind === 'check') && (
        <Forecast forecast={forecast} total={result.knots.length} tonight={tonightWords(plan, result, state)} />
      )}
      <Warnings
        {...{ forecast, state, result, evening }}
        onWays={(ways) => onOpen({ ways })}
        onGone={(key) => add('hurt', { text: key })}
      />
      <div className="flex flex-wrap gap-x-6.5 max-tablet:gap-x-4.5 max-phone:-my-1 max-phone:gap-x-5">
        {WORDS.filter(([what]) => what !== 'hurts' || !isOffHead(plan.cap)).map(([what, words]) => (
          <WordButton key={what} onClick={() => onOpen(what)} testId={what}>
            {words}
          </WordButton>
        ))}
        <WordButton onClick={counted.work.leave} testId="skip">
          {leaveWords(held.run.length)}
        </WordButton>
        <Link className="word text-title max-phone:text-small" to={`/plan/${plan.id}/install`} data-testid="leave">
          Go, it is kept
        </Link>
        {forecast.knotsToCome === 0 && (
          <Link
            className="word text-title max-phone:text-small"
            to={`/plan/${plan.id}/log`}
            onClick={() => add('finish')}
            data-testid="finish"
          >
            Finish here and write one line
          </Link>
        )}
      </div>
      {trouble && (
        <p role="alert" className="text-far-note text-madder">
          {trouble}
        </p>
      )}
    </>
  );
}

const WORDS = [
  ['hurts', 'It hurts'],
  ['sees', 'I see something'],
  ['order', 'Order of work'],
  ['note', 'Note'],
  ['more', 'More'],
] as const;

const leaveWords = (knots: number) =>
  knots === 0 ? 'Leave it out' : knots === 1 ? 'Leave it empty' : `Leave ${knots} empty`;

/** What lies over the mirror, one at a time. */
function Sheets(props: Shown & { readonly open: Open; readonly onOpen: (open: Open) => void }) {
  const { plan, result, install, isIn, counted, open, onOpen } = props;
  const { order, held } = counted.work;
  const onClose = () => onOpen(undefined);
  if (open === undefined) return null;
  if (typeof open === 'object') {
    const evening = eveningLeft(plan, new Date());
    return <WaysOn {...props} reason={open.ways} secondsLeft={evening && evening.minutes * 60} onClose={onClose} />;
  }
  switch (open) {
    case 'note':
      return <NotePad onKeep={(text) => install.add('note', { text })} onClose={onClose} />;
    case 'order':
      return <OrderList {...{ order, install }} place={held.place} onClose={onClose} />;
    case 'photo':
      return <PhotoSheet {...props} onClose={onClose} />;
    case 'more':
      return (
        <More
          {...props}
          upTo={[...isIn].at(-1)}
          onWays={() => onOpen({ ways: 'hair' })}
          onPhoto={() => onOpen('photo')}
          onClose={onClose}
        />
      );
    default:
      return (
        <Notice
          {...props}
          near={held.run[0] ?? lastKnot(result, install.state.done)}
          hurts={open === 'hurts'}
          onWays={() => onOpen({ ways: 'hair' })}
          onTurn={() => turnToHold(order, install.add)}
          onClose={onClose}
        />
      );
  }
}

function useForecast(result: PlanResult, { state }: Install) {
  return useMemo(() => {
    const { packs, piecesPerPack } = result.supply;
    const beside = result.strands.reduce((sum, s) => sum + s.count, 0);
    const { stock } = state;
    // Once a new plan was taken what was left then counts, not what that plan would have bought.
    const pieces = stock
      ? stock.piecesBefore + Math.floor(stock.packsLeft * piecesPerPack)
      : Math.floor(packs * piecesPerPack) - beside;
    return forecastInstall(state, result.knots, pieces, {
      hands: result.ownRow?.hands ?? ANY_HANDS,
      paceSd: result.time.paceSd,
    });
  }, [result, state]);
}

function spokenWords(held: InHand, telling: Telling, result: PlanResult, plan: PlanDocument) {
  const [knot] = held.run;
  if (!knot) return held.step && stepSpeech(held.step);
  return telling === 'knot' ? speechFor(knot, result) : runSpeech(held.run, plan, result);
}

function nextButton({ step, run }: InHand, paused: boolean, telling: Telling): string {
  if (paused) return 'Go on';
  if (!step) return 'All is done';
  if (run.length === 0) return 'Done, go on';
  if (telling === 'row') return 'The row is in';
  return telling === 'knot' || run.length === 1 ? 'Next knot' : `These ${run.length} are in`;
}

function thenWords(order: readonly OrderStep[], { step, run }: InHand, result: PlanResult): string {
  if (!step) return 'Every step is behind you.';
  const at = order.indexOf(step);
  const then = order[at + 1];
  if (run.length === 0) return then ? `Then: ${then.what}.` : 'It is the last one.';
  const last = run.at(-1);
  const index = result.knots.indexOf(last as PlannedKnot);
  const after = step.knotIds?.includes(result.knots[index + 1]?.id) ? [result.knots[index + 1]] : [];
  return nextWords([run[0], ...after], result, then);
}

const lastKnot = ({ knots }: PlanResult, done: Install['state']['done']) =>
  knots.find((k) => k.id === done.at(-1)?.knotId);

/** The first hold is done once more. */
function turnToHold(order: readonly OrderStep[], add: Install['add']) {
  const hold = order.find((s) => s.kind === 'anchor') ?? order.find((s) => s.kind === 'cap');
  if (hold) add('step', { stepId: hold.id, outcome: 'redo' });
}
