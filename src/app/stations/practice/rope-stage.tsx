/** The knot in hand as a moving rope, large where the head stands elsewhere: played at her speed, back and forth, from above, as in a mirror. */
import { Slider } from 'radix-ui';
import { useEffect, useMemo, useRef } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { PlannedKnot } from '../../../core/knots/index.ts';
import { heldBy, type Move, type MovingRope, movingRope, passesOf, ropeOf } from '../../../core/practice/index.ts';
import { knotName } from '../../../core/trade/index.ts';
import { signKey } from '../../../formats/signs.ts';
import { useTheme } from '../../session/theme.ts';
import { cleared } from '../../ui/canvas.ts';
import { useSize } from '../../ui/use-size.ts';
import { underWhat } from '../install/moves.tsx';
import { drawRope } from './draw-rope.ts';
import { QUICK, usePractice } from './practice-view.ts';
import './practice.css';

export const knotsOf = (result: PlanResult): PlannedKnot[] => [
  ...new Map(result.knots.map((k) => [signKey(k), k])).values(),
];

export function RopeStage({ result }: { readonly result: PlanResult | undefined }) {
  const chosen = usePractice((v) => v.knot);
  const kinds = useMemo(() => (result ? knotsOf(result) : []), [result]);
  const knot = kinds.find((k) => signKey(k) === chosen) ?? kinds[0];
  if (!knot) return <div className="rope-stage" />;
  return <OneKnot key={signKey(knot)} knot={knot} />;
}

function OneKnot({ knot }: { readonly knot: PlannedKnot }) {
  const moving = useMemo(() => movingRope(ropeOf(knot)), [knot]);
  // Counted once on the finished rope, not as often as it is drawn.
  const passes = useMemo(() => passesOf(moving).right, [moving]);
  const practice = usePractice();
  const { time, isPlaying, set } = practice;
  const move = moveAt(moving, time);
  usePlaying(knot.seconds);
  const onKeyDown = (event: React.KeyboardEvent) => {
    if (event.key !== ' ' || (event.target as HTMLElement).closest('button, [role=slider]')) return;
    event.preventDefault();
    togglePlay(isPlaying, time, set);
  };
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing with its own keys
    <section
      className="rope-stage"
      role="group"
      aria-label={`${knotName(knot)}, as a moving drawing. The space bar plays it.`}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: it is played by keys
      tabIndex={0}
      onKeyDown={onKeyDown}
      data-testid="rope"
      data-move={move}
      data-time={time.toFixed(3)}
      data-look={lookOf(practice)}
    >
      <RopePicture knot={knot} moving={moving} />
      <p className="rope-words" aria-live="polite" data-testid="rope-words">
        <b>{MOVE_NAMES[move]}</b> <span>{howOf(knot, move, passes)}</span>
      </p>
      <Controls moving={moving} />
    </section>
  );
}

function RopePicture({ knot, moving }: { readonly knot: PlannedKnot; readonly moving: MovingRope }) {
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const { width, height } = useSize(box);
  const { time, isFromAbove, isMirrored, isLeftHanded } = usePractice();
  const { theme } = useTheme();
  // biome-ignore lint/correctness/useExhaustiveDependencies: another theme has other colours
  useEffect(() => {
    const frame = requestAnimationFrame(() => {
      const ctx = cleared(canvas.current, width, height);
      if (!ctx) return;
      drawRope(ctx, width, height, moving.at(time), {
        held: heldBy(knot),
        radius: moving.knot.radius,
        isFromAbove,
        // What a left hand does is what a right hand does in a mirror.
        isTurned: isMirrored !== isLeftHanded,
      });
      if (canvas.current) canvas.current.dataset.drawn = lookOf(usePractice.getState());
    });
    return () => cancelAnimationFrame(frame);
  }, [knot, moving, time, width, height, isFromAbove, isMirrored, isLeftHanded, theme]);
  return (
    <div ref={box} className="rope-picture">
      <canvas ref={canvas} aria-hidden="true" />
    </div>
  );
}

/** What is seen, in a word: drawn already or not. */
const lookOf = ({ time, isFromAbove, isMirrored, isLeftHanded }: Looked) =>
  [time.toFixed(3), isFromAbove, isMirrored, isLeftHanded].join(' ');
type Looked = Pick<ReturnType<typeof usePractice.getState>, 'time' | 'isFromAbove' | 'isMirrored' | 'isLeftHanded'>;

const STEP = 0.01;

function Controls({ moving }: { readonly moving: MovingRope }) {
  const { time, isPlaying, slower, isFromAbove, isMirrored, isLeftHanded, set } = usePractice();
  const at = moving.moves.findIndex((m) => time <= m.to);
  const jump = (by: number) => {
    const next = moving.moves[at + by];
    set({ isPlaying: false, time: by < 0 ? (next?.from ?? 0) : (next?.from ?? 1) + 0.001 });
  };
  return (
    <div className="rope-controls">
      <button
        type="button"
        className="button primary w-auto"
        data-testid="rope-play"
        onClick={() => togglePlay(isPlaying, time, set)}
      >
        {isPlaying ? 'Pause' : 'Play'}
      </button>
      <button type="button" className="word" onClick={() => jump(-1)} data-testid="rope-back">
        a move back
      </button>
      <Slider.Root
        className="relative flex h-11 min-w-24 flex-1 cursor-ew-resize touch-none items-center"
        min={0}
        max={1}
        step={STEP}
        value={[time]}
        onValueChange={([next]) => set({ time: next, isPlaying: false })}
      >
        <Slider.Track className="relative h-0.5 flex-1 bg-hair">
          <Slider.Range className="absolute h-full bg-brass" />
        </Slider.Track>
        <Slider.Thumb
          className="block size-6 rounded-full border-2 border-brass bg-ground"
          aria-label="Where in the knot"
          aria-valuetext={`${MOVE_NAMES[moveAt(moving, time)]}, ${Math.round(100 * time)} %`}
          data-testid="rope-time"
        />
      </Slider.Root>
      <button type="button" className="word" onClick={() => jump(1)} data-testid="rope-on">
        a move on
      </button>
      <fieldset className="one-of flex flex-wrap gap-x-4" aria-label="How it is shown">
        <Toggle
          on={slower === 1}
          onPress={() => set({ slower: slower === 1 ? QUICK : 1 })}
          name="at my speed"
          testId="rope-speed"
        />
        <Toggle
          on={isFromAbove}
          onPress={() => set({ isFromAbove: !isFromAbove })}
          name="from above"
          testId="rope-above"
        />
        <Toggle
          on={isMirrored}
          onPress={() => set({ isMirrored: !isMirrored })}
          name="as in a mirror"
          testId="rope-mirror"
        />
        <Toggle
          on={isLeftHanded}
          onPress={() => set({ isLeftHanded: !isLeftHanded })}
          name="left-handed"
          testId="rope-left"
        />
      </fieldset>
    </div>
  );
}

function Toggle(props: {
  readonly on: boolean;
  readonly onPress: () => void;
  readonly name: string;
  readonly testId: string;
}) {
  return (
    <button
      type="button"
      className="edge min-h-11 text-ink2 hover:underline"
      aria-pressed={props.on}
      data-testid={props.testId}
      onClick={props.onPress}
    >
      <span>{props.name}</span>
    </button>
  );
}

const moveAt = ({ moves }: MovingRope, time: number): Move =>
  (moves.find((m) => time <= m.to) ?? moves[moves.length - 1]).move;

function togglePlay(isPlaying: boolean, time: number, set: ReturnType<typeof usePractice.getState>['set']) {
  set(isPlaying ? { isPlaying: false } : { isPlaying: true, time: time >= 1 ? 0 : time });
}

/** Plays on by itself until the knot is finished, as many seconds long as it takes in her hands, or quicker. */
function usePlaying(seconds: number) {
  const isPlaying = usePractice((v) => v.isPlaying);
  useEffect(() => {
    if (!isPlaying) return;
    let last = performance.now();
    let frame = 0;
    const tick = (now: number) => {
      const { time, slower, set } = usePractice.getState();
      const next = Math.min(1, time + (now - last) / (1000 * seconds * slower));
      last = now;
      set(next >= 1 ? { time: 1, isPlaying: false } : { time: next });
      if (next < 1) frame = requestAnimationFrame(tick);
    };
    frame = requestAnimationFrame(tick);
    return () => cancelAnimationFrame(frame);
  }, [isPlaying, seconds]);
}

const MOVE_NAMES: Readonly<Record<Move, string>> = {
  under: 'Hook under.',
  out: 'Loop out.',
  swing: 'Over to the front.',
  through: 'Through the loop.',
  tight: 'Draw it tight.',
  fall: 'The other side falls over it.',
  lock: 'Lock it.',
};

function howOf(knot: PlannedKnot, move: Move, passes: number): string {
  const isOneLeg = knot.kind === 'oneLeg';
  const sides = isOneLeg ? 'One side' : 'Both sides';
  const times = ['', 'once', 'twice', 'three times', 'four times'][passes];
  switch (move) {
    case 'under':
      return `Under ${underWhat(knot)}, latch open; lay the ${knot.kind === 'fold' ? 'middle of the fold' : 'middle of the piece'} into the hook.`;
    case 'out':
      return 'Latch shut: draw the loop out below, half of the piece stays above.';
    case 'swing':
      return `Open the loop with a finger; ${isOneLeg ? 'one side comes' : 'both sides come'} over to the front.`;
    case 'through':
      return knot.kind === 'threadLoop'
        ? 'The whole piece through its own thread.'
        : `${sides} through the loop, ${times}; hold the loop open meanwhile.`;
    case 'tight':
      return `${sides} pulled, the loop closes over ${isOneLeg ? 'it' : 'them'}.`;
    case 'fall':
      return 'Nothing of it goes through: it covers the loop.';
    case 'lock':
      return 'Push the band or ring up the sides, to the root.';
  }
}
