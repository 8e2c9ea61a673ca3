/** Install: one knot at a time in type to be read at arm's length, driven by space, arrows or one big touch. */

import { useCallback, useEffect, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { PlanResult } from '../../../core/findings/index.ts';
import { forecastInstall, type InstallState } from '../../../core/install/index.ts';
import type { HeadScene } from '../../../core/plan/index.ts';
import { lowerFirst } from '../../../core/trade/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { useResult, useScene } from '../../ask/plan.ts';
import { useTheme } from '../../session/theme.ts';
import { useSize } from '../../ui/use-size.ts';
import { KnotTitle, NextAndBack, WaysOut, WhereItGoes, WordButton } from './knot-in-hand.tsx';
import { nextWords, speechFor } from './mirror-words.ts';
import { KnotMoves } from './moves.tsx';
import { Done, Forecast, NotePad } from './notes.tsx';
import { RowBand } from './row-band.tsx';
import { tonightWords } from './tonight.ts';
import { type AtTheMirrorProps, useInstall } from './use-install.ts';
import { useInstallKeys, useScreenAwake, useSpeech } from './use-mirror.ts';
import { WherePicture } from './where-picture.tsx';

export function InstallScreen() {
  const { sessionId = '' } = useParams();
  const { session, loaded, ...install } = useInstall(sessionId);
  const { answer, why: error } = useResult(session?.plan);
  useTheme();
  useEffect(() => {
    if (session) document.documentElement.dataset.skin = session.plan.skin;
  }, [session]);
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
      <main className="p-10" role="alert">
        {error}
      </main>
    );
  if (!session || !loaded || !answer)
    return (
      <main className="p-10 text-far-text" aria-busy="true">
        Finding the place where you left off …
      </main>
    );
  return <AtTheMirror plan={session.plan} result={answer.value} install={install} />;
}

function AtTheMirror({ plan, result, install }: AtTheMirrorProps) {
  const { state, add, trouble } = install;
  const index = state.done.length;
  const knot = result.knots[index];
  const scene = useScene(plan);
  const box = useRef<HTMLDivElement>(null);
  const { width } = useSize(box);
  const [folded, setFolded] = useState(false);
  const [spoken, setSpoken] = useState(false);
  const [noting, setNoting] = useState(false);
  const { next, back, pause } = useSteps(result, install);
  useScreenAwake(!state.paused && !state.finished);
  useInstallKeys({ next, back, pause, enabled: !noting });
  useSpeech(spoken && knot ? speechFor(knot, result) : undefined);
  return (
    <main
      ref={box}
      className="relative grid h-dvh grid-rows-mirror"
      style={{ '--outline': 'var(--ink)' } as React.CSSProperties}
    >
      <div className="daylight" />
      <h1 className="sr-only">Install, {plan.name}</h1>
      <RowBand result={result} index={Math.min(index, result.knots.length - 1)} width={width} />
      {knot ? (
        <ThisKnot {...{ plan, result, scene, index, state, folded, trouble }} onPause={pause}>
          <WordButton onClick={() => setNoting(true)} testId="note">
            Write a note
          </WordButton>
          <WordButton pressed={spoken} onClick={() => setSpoken(!spoken)}>
            {spoken ? 'Be silent' : 'Speak'}
          </WordButton>
          <WordButton onClick={() => setFolded(!folded)}>{folded ? 'Show the moves' : 'I know this knot'}</WordButton>
          <WordButton onClick={() => add('skip', { knotId: knot.id })} testId="skip">
            Leave it empty
          </WordButton>
          <WaysOut plan={plan} upTo={result.knots[Math.max(0, index - 1)].id} />
        </ThisKnot>
      ) : (
        <Done plan={plan} result={result} state={state} onFinish={() => add('finish')} />
      )}
      <NextAndBack
        next={next}
        back={back}
        words={state.paused ? 'Go on' : 'Next knot'}
        then={nextWords(result, index)}
        canNext={knot !== undefined}
        canBack={index > 0}
      />
      {noting && <NotePad onKeep={(text) => add('note', { text })} onClose={() => setNoting(false)} />}
    </main>
  );
}

/** On, back and a rest: what the big touch, the arrows and the space bar do. */
function useSteps(result: PlanResult, { state, now, add }: AtTheMirrorProps['install']) {
  const next = useCallback(() => {
    const { paused, done } = now();
    const following = result.knots[done.length];
    if (paused) add('resume');
    else if (following) add('knot', { knotId: following.id });
  }, [add, now, result]);
  const back = useCallback(() => {
    if (now().done.length > 0) add('back');
  }, [add, now]);
  return { next, back, pause: () => add(state.paused ? 'resume' : 'pause') };
}

/** The knot in hand: which, how, where, and what of the hair and the evening is left. */
function ThisKnot(props: {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly scene: HeadScene | undefined;
  readonly index: number;
  readonly state: InstallState;
  readonly folded: boolean;
  readonly trouble: string | undefined;
  readonly onPause: () => void;
  readonly children: React.ReactNode;
}) {
  const { plan, result, index, state, folded, trouble } = props;
  const knot = result.knots[index];
  const beside = result.strands.reduce((sum, s) => sum + s.count, 0);
  const pieces = Math.floor(result.supply.packs * result.supply.piecesPerPack) - beside;
  const seconds = result.knots.map((k) => k.seconds);
  const forecast = forecastInstall(state, seconds, pieces);
  return (
    <section
      className="mx-auto flex w-full max-w-295 flex-col gap-far overflow-y-auto px-[clamp(16px,5vw,40px)] pt-far"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls on a small screen
      tabIndex={0}
      aria-label="This knot"
    >
      <KnotTitle plan={plan} result={result} knot={knot} paused={state.paused} onPause={props.onPause} />
      <FirstDo result={result} index={index} />
      <div className={`grid gap-x-9 gap-y-4.5 ${folded ? '' : 'beside:grid-cols-beside beside:items-center'}`}>
        {!folded && <KnotMoves knot={knot} />}
        <div className="flex flex-wrap items-center gap-x-8 gap-y-2.5 max-phone:flex-nowrap max-phone:gap-x-3 beside:flex-nowrap beside:gap-x-5 beside:*:min-w-0">
          <WherePicture plan={plan} result={result} scene={props.scene} index={index} />
          <WhereItGoes plan={plan} knot={knot} />
        </div>
      </div>
      <Forecast forecast={forecast} total={result.knots.length} tonight={tonightWords(plan, result, state, seconds)} />
      <div className="flex flex-wrap gap-x-6.5 max-phone:-my-1 max-phone:gap-x-5">{props.children}</div>
      {trouble && (
        <p role="alert" className="text-far-note text-madder">
          {trouble}
        </p>
      )}
    </section>
  );
}

/** What the order of work has before this knot: border, scissors, a look, the next pack. */
function FirstDo({ result, index }: { readonly result: PlanResult; readonly index: number }) {
  const at = result.worklist.findIndex((s) => s.knots?.[0] === index);
  if (at < 0) return null;
  let from = at;
  while (from > 0 && !result.worklist[from - 1].knots) from--;
  const steps = result.worklist.slice(from, at);
  if (steps.length === 0) return null;
  return (
    <p className="text-far-note leading-tight" data-testid="first-do">
      <b className="font-strong">First: {steps.map((s) => lowerFirst(s.what)).join('; ')}.</b>{' '}
      {steps.length === 1 && steps[0].how}
      {/* Each is said at the first step of its kind alone. */}
      {steps.map(
        (s) =>
          s.caution && (
            <span key={s.what} className="text-madder">
              {' '}
              {s.caution}
            </span>
          ),
      )}
    </p>
  );
}
