/** What a photo says of her guesses: how wide, how opaque and how far spread hair is, taken together from least to most cover. */
import type { Side } from '../../cover/index.ts';
import { FALL_GUESS_NAMES, type FallGuesses, guessRange as rangeOf } from '../../trade/index.ts';
import { look } from '../look.ts';
import type { LookAsked } from '../look-result.ts';
import type { PlanGraph } from '../stages/stage.ts';

export interface PhotoSaid {
  readonly side: Side;
  readonly shown: number;
  /** What the photo leaves open. */
  readonly range: readonly [low: number, high: number];
}

export interface GuessesFound {
  readonly guesses: FallGuesses;
  /** How far each may still lie, by what the photo leaves open. */
  readonly range: Readonly<Record<keyof FallGuesses, readonly [low: number, high: number]>>;
  /** What is forecast for that side before and after. */
  readonly before: number;
  readonly after: number;
  /** The photo shows more, or less, than any of these guesses can: the rest is of another cause. */
  readonly beyond: 'more' | 'less' | undefined;
}

const ROUNDS = 6;

/** @returns guesses by which the plan shows what the photo showed, as near as their ranges reach */
export function guessesFromPhoto(graph: PlanGraph, asked: LookAsked, said: PhotoSaid): GuessesFound {
  const now = asked.guesses ?? asked.inputs.guesses;
  const along = (t: number): FallGuesses => {
    const each = FALL_GUESS_NAMES.map((g) => {
      const [low, high] = rangeOf(g, now[g]);
      // How loosely hair lies moves the outline, not the cover.
      return [g, g === 'loft' ? now[g] : low + t * (high - low)];
    });
    return Object.fromEntries(each) as unknown as FallGuesses;
  };
  const shownAt = (guesses: FallGuesses) => graph.ask({ ...asked, guesses }).of(look).seen[said.side];
  const [most, least] = [shownAt(along(0)), shownAt(along(1))];
  /** More cover shows less. */
  const where = (shown: number) => {
    if (shown >= most) return 0;
    if (shown <= least) return 1;
    let [low, high] = [0, 1];
    for (let i = 0; i < ROUNDS; i++) {
      const t = (low + high) / 2;
      if (shownAt(along(t)) > shown) low = t;
      else high = t;
    }
    return (low + high) / 2;
  };
  const guesses = along(where(said.shown));
  const ends = [along(where(said.range[1])), along(where(said.range[0]))] as const;
  return {
    guesses,
    range: Object.fromEntries(
      FALL_GUESS_NAMES.map((g) => [g, [ends[0][g], ends[1][g]]]),
    ) as unknown as GuessesFound['range'],
    before: shownAt(now),
    after: shownAt(guesses),
    beyond: said.range[0] > most ? 'more' : said.range[1] < least ? 'less' : undefined,
  };
}
