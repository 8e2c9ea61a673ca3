/** Install: one knot at a time in type to be read at arm's length, driven by space, arrows or one big touch. */

import { useCallback, useEffect, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { PlanResult } from '../../../core/findings/plan-result.ts';
import { forecastInstall } from '../../../core/install/session.ts';
import { fingersFigure } from '../../../core/trade/fingers.ts';
import { knotName, THROUGH_WORDS } from '../../../core/trade/knots.ts';
import { lowerFirst } from '../../../core/trade/words.ts';
import { useResult, useScene } from '../../ask/plan.ts';
import { useTheme } from '../../session/theme.ts';
import { useSize } from '../../ui/use-size.ts';
import { fromRowBefore, mirrorWords, nextWords, speechFor } from './mirror-words.ts';
import { KnotMoves } from './moves.tsx';
import { Big, Done, Forecast, NotePad } from './notes.tsx';
import { RowBand } from './row-band.tsx';
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
        <h1 className="text-[27px]">There is no such install here.</h1>
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
      <main className="p-10 text-[24px]" aria-busy="true">
        Finding the place where you left off …
      </main>
    );
  return <AtTheMirror plan={session.plan} result={answer.value} install={install} />;
}

function AtTheMirror({ plan, result, install }: AtTheMirrorProps) {
  const { state, now, add, trouble } = install;
  const index = state.done.length;
  const knot = result.knots[index];
  const scene = useScene(plan);
  const box = useRef<HTMLDivElement>(null);
  const { width } = useSize(box);
  const [folded, setFolded] = useState(false);
  const [spoken, setSpoken] = useState(false);
  const [noting, setNoting] = useState(false);
  useScreenAwake(!state.paused && !state.finished);

  const next = useCallback(() => {
    const { paused, done } = now();
    const following = result.knots[done.length];
    if (paused) add('resume');
    else if (following) add('knot', { knotId: following.id });
  }, [add, now, result]);
  const back = useCallback(() => {
    if (now().done.length > 0) add('back');
  }, [add, now]);
  useInstallKeys({ next, back, pause: () => add(state.paused ? 'resume' : 'pause'), enabled: !noting });
  useSpeech(spoken && knot ? speechFor(knot, result) : undefined);

  const pieces = result.supply.packs * result.supply.piecesPerPack;
  const forecast = forecastInstall(
    state,
    result.knots.map((k) => k.seconds),
    pieces,
  );

  return (
    <main
      ref={box}
      className="relative grid h-dvh grid-rows-[118px_minmax(0,1fr)_auto]"
      style={{ '--outline': 'var(--ink)' } as React.CSSProperties}
    >
      <div className="daylight" />
      <h1 className="sr-only">Install, {plan.name}</h1>
      <RowBand result={result} index={Math.min(index, result.knots.length - 1)} width={width} />
      {knot ? (
        <section
          className="mx-auto flex w-full max-w-[1180px] flex-col gap-[clamp(8px,1.5vh,18px)] overflow-y-auto px-[clamp(16px,5vw,40px)] pb-[8px] pt-[clamp(12px,1.7vh,20px)]"
          // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls on a small screen
          tabIndex={0}
          aria-label="This knot"
        >
          <div className="flex flex-wrap items-end gap-[26px]">
            <div
              className="fig text-[clamp(72px,min(18vw,12.7vh),150px)]"
              style={{ lineHeight: 0.8, fontStretch: '76%', letterSpacing: '-.03em' }}
              data-testid="knot-place"
            >
              {knot.place}
            </div>
            <div className="min-w-0 flex-1">
              <div
                className="fig text-[clamp(34px,min(7vw,7vh),54px)]"
                style={{ fontStretch: '84%' }}
                data-testid="knot-kind"
              >
                {knotName(knot)}
              </div>
              {state.paused ? (
                <div className="mt-2 text-[26px] leading-tight" role="status" data-testid="paused">
                  Paused, and kept. Space goes on.
                </div>
              ) : (
                <div className="mt-2 text-[26px] leading-tight text-ink2">
                  of {result.rows[knot.row].knotCount} in row {result.rows[knot.row].label},{' '}
                  {THROUGH_WORDS[knot.through]}
                </div>
              )}
            </div>
            <Big onClick={() => add(state.paused ? 'resume' : 'pause')}>{state.paused ? 'Go on' : 'Pause'}</Big>
          </div>
          <FirstDo result={result} index={index} />
          <div className={`moves-and-place ${folded ? 'folded' : ''}`}>
            {!folded && <KnotMoves knot={knot} />}
            <div className="place flex flex-wrap items-center gap-x-[32px] gap-y-[10px]">
              <WherePicture plan={plan} result={result} scene={scene} index={index} />
              <div className="min-w-[min(300px,100%)] flex-1">
                <p
                  className="fig text-[clamp(38px,min(6.6vw,5.6vh),64px)]"
                  data-testid="knot-fingers"
                  style={{ fontStretch: '80%' }}
                >
                  {knot.where.counts.map((c) => `${fingersFigure(c.fingers)} ${c.short}`).join(', ')}
                </p>
                <p className="mt-[10px] text-[clamp(21px,3vw,27px)] leading-[1.2]" data-testid="knot-where">
                  {knot.where.words}.
                </p>
                <p className="mt-[8px] text-[clamp(20px,2.8vw,24px)] leading-tight text-ink2">
                  {fromRowBefore(knot, plan)}Hook {knot.hookWords}. {mirrorWords(knot)}
                </p>
              </div>
            </div>
          </div>
          <Forecast forecast={forecast} total={result.knots.length} />
          <div className="flex flex-wrap gap-x-[26px]">
            <button type="button" className="word text-[20px]" onClick={() => setNoting(true)} data-testid="note">
              Write a note
            </button>
            <button type="button" className="word text-[20px]" aria-pressed={spoken} onClick={() => setSpoken(!spoken)}>
              {spoken ? 'Be silent' : 'Speak'}
            </button>
            <button type="button" className="word text-[20px]" onClick={() => setFolded(!folded)}>
              {folded ? 'Show the moves' : 'I know this knot'}
            </button>
            <button
              type="button"
              className="word text-[20px]"
              onClick={() => add('skip', { knotId: knot.id })}
              data-testid="skip"
            >
              Leave it empty
            </button>
            <Link
              className="word text-[20px]"
              to={`/plan/${plan.id}/check`}
              state={{ upTo: result.knots[Math.max(0, index - 1)].id }}
              data-testid="so-far"
            >
              How it should look by now
            </Link>
            <Link className="word text-[20px]" to={`/plan/${plan.id}/install`} data-testid="leave">
              Leave, it is kept
            </Link>
          </div>
          {trouble && (
            <p role="alert" className="text-[22px] text-madder">
              {trouble}
            </p>
          )}
        </section>
      ) : (
        <Done plan={plan} state={state} onFinish={() => add('finish')} />
      )}
      <div
        className="grid min-h-[clamp(120px,17vh,242px)] grid-cols-[1fr_clamp(110px,24vw,196px)]"
        style={{ background: 'var(--touch)', color: '#f6f2e7' }}
      >
        <button type="button" className="px-[40px] py-[22px]" onClick={next} disabled={!knot} data-testid="next">
          <span className="fig block text-[clamp(48px,min(10vw,9vh),104px)]" style={{ letterSpacing: '-.02em' }}>
            {state.paused ? 'Go on' : 'Next knot'}
          </span>
          <span className="mt-3 block text-[24px]" style={{ color: '#c9c5cf' }}>
            {nextWords(result, index)}
          </span>
        </button>
        <button
          type="button"
          className="border-l-2 border-dotted border-[rgb(241_232_212/35%)] text-center text-[26px]"
          onClick={back}
          disabled={state.done.length === 0}
          data-testid="back"
        >
          <svg width="56" height="44" viewBox="0 0 56 44" className="mx-auto mb-3" aria-hidden="true">
            <path
              d="M50,34C50,16 40,10 12,14M22,3L10,14L23,24"
              fill="none"
              stroke="currentColor"
              strokeWidth="3.5"
              strokeLinecap="round"
              strokeLinejoin="round"
            />
          </svg>
          One back
        </button>
      </div>
      {noting && <NotePad onKeep={(text) => add('note', { text })} onClose={() => setNoting(false)} />}
    </main>
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
    <p className="text-[22px] leading-tight" data-testid="first-do">
      <b className="font-[650]">First: {steps.map((s) => lowerFirst(s.what)).join('; ')}.</b>{' '}
      {steps.length === 1 && steps[0].how}
    </p>
  );
}
