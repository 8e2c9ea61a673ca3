/** What to buy: the program solved for what matters to her; where it can't be done, why, and what each thing given up would do. */
import { SURENESSES } from '../trade/index.ts';
import type { Fit } from './fits.ts';
import type { BuyingAsked, BuyingWish } from './offer.ts';
import {
  type Bounds,
  cents,
  type Goal,
  isWithinReach,
  modelOf,
  type Program,
  programOf,
  variable,
  writeLp,
} from './program.ts';

/** A solver for mixed-integer programs: values by name, or undefined where there is no answer within the bounds. */
export type Solve = (lp: string) => ReadonlyMap<string, number> | undefined;

export interface BoughtLine {
  readonly offer: string;
  readonly seller: string;
  readonly packs: number;
  /** Of them in bundles, so many bundles. */
  readonly bundles: number;
  readonly price: number;
  /** What it is for, and how many wanted pieces it gives. */
  readonly for: ReadonlyArray<{
    readonly need: string;
    readonly packs: number;
    readonly pieces: number;
    readonly fit: Fit;
  }>;
}

export interface Delivered {
  readonly seller: string;
  readonly goods: number;
  readonly delivery: number;
  readonly days: number;
}

export interface Purchase {
  readonly lines: readonly BoughtLine[];
  readonly sellers: readonly Delivered[];
  readonly total: number;
  /** Days until all of it is there. */
  readonly days: number;
  /** Wanted pieces of each need, and how many it gives. */
  readonly given: ReadonlyArray<{ readonly need: string; readonly wanted: number; readonly pieces: number }>;
}

/** Something she could give up, alone, and what could be bought then. */
export interface WayOut {
  readonly give: 'money' | 'time' | 'colour' | 'sure' | 'length';
  /** How much of it: money, days, CIEDE2000 above what she allows, share of installs in which it lasts. */
  readonly amount: number;
  readonly wish: BuyingWish;
  readonly purchase: Purchase;
}

export type Bought =
  | { readonly can: true; readonly purchase: Purchase }
  | {
      readonly can: false;
      /** Needs that nobody has enough of, within colour, length and day. */
      readonly short: ReadonlyArray<{ readonly need: string; readonly wanted: number; readonly most: number }>;
      /** The smallest first, by a rule of thumb. */
      readonly ways: readonly WayOut[];
    };

/** @throws RangeError where nothing is wanted */
export function buy(asked: BuyingAsked, solve: Solve): Bought {
  if (asked.needs.length === 0) throw new RangeError('Nothing is wanted.');
  const purchase = best(asked, solve);
  if (purchase) return { can: true, purchase };
  const program = programOf(asked);
  const short = asked.needs.flatMap((need, i) =>
    isWithinReach(program, i)
      ? []
      : [{ need: need.id, wanted: program.wanted[i], most: Math.floor(mostOf(program, i)) }],
  );
  return { can: false, short, ways: waysOut(asked, solve) };
}

const mostOf = ({ choices, asked }: Program, need: number) =>
  choices.filter((c) => c.need === need).reduce((sum, c) => sum + c.fit.piecesAPack * asked.offers[c.offer].stock, 0);

/** Goals one after another: what the first reaches bounds the next. Of two ways that cost the same the nearer one is taken. */
const GOALS: Readonly<Record<BuyingWish['aim'], readonly Goal[]>> = {
  cheapest: ['cost'],
  closest: ['off', 'cost'],
  surest: ['days', 'cost'],
};

function best(asked: BuyingAsked, solve: Solve): Purchase | undefined {
  // Surest: as many as last in nineteen of twenty installs, whatever else she says, and here the soonest.
  const wish = asked.wish.aim === 'surest' ? { ...asked.wish, sure: SURENESSES.length - 1 } : asked.wish;
  const program = programOf({ ...asked, wish });
  if (program.wanted.some((_, i) => !isWithinReach(program, i))) return undefined;
  let bounds: Bounds = {};
  let found: ReadonlyMap<string, number> | undefined;
  for (const goal of GOALS[wish.aim]) {
    const model = modelOf(program, goal, bounds);
    found = solve(writeLp(model));
    if (!found) return undefined;
    const value = model.objective.reduce((sum, t) => sum + t.times * (found?.get(t.of) ?? 0), 0);
    bounds = { ...bounds, [goal]: Math.round(value) };
  }
  return found && purchaseOf(program, found);
}

/** Money from prices, not from the solver: what it says is only how many of what. */
export function purchaseOf(program: Program, found: ReadonlyMap<string, number>): Purchase {
  const { asked, choices, offers, sellers, wanted } = program;
  const whole = (name: string) => Math.round(found.get(name) ?? 0);
  const lines = offers.flatMap((i): BoughtLine[] => {
    const offer = asked.offers[i];
    const taken = choices
      .filter((c) => c.offer === i)
      .map((c) => ({ need: asked.needs[c.need].id, packs: whole(variable.taken(c)), fit: c.fit }))
      .filter((t) => t.packs > 0);
    const bundles = offer.multi ? whole(variable.bundles(i)) : 0;
    const singles = whole(variable.singles(i));
    const packs = singles + bundles * (offer.multi?.packs ?? 0);
    if (packs === 0) return [];
    return [
      {
        offer: offer.id,
        seller: offer.seller,
        packs,
        bundles,
        price: (singles * cents(offer.price) + bundles * cents(offer.multi?.price ?? 0)) / 100,
        for: taken.map((t) => ({ ...t, pieces: Math.floor(t.packs * t.fit.piecesAPack + 1e-9) })),
      },
    ];
  });
  const delivered = sellers.flatMap((s): Delivered[] => {
    const here = lines.filter((l) => l.seller === s.id);
    if (here.length === 0) return [];
    const goods = here.reduce((sum, l) => sum + cents(l.price), 0) / 100;
    const isFree = s.freeFrom !== undefined && goods >= s.freeFrom;
    return [{ seller: s.id, goods, delivery: isFree ? 0 : s.delivery, days: s.days }];
  });
  return {
    lines,
    sellers: delivered,
    total: delivered.reduce((sum, d) => sum + cents(d.goods) + cents(d.delivery), 0) / 100,
    days: delivered.reduce((most, d) => Math.max(most, d.days), 0),
    given: asked.needs.map((need, i) => ({
      need: need.id,
      wanted: wanted[i],
      pieces: Math.floor(
        choices.filter((c) => c.need === i).reduce((sum, c) => sum + whole(variable.taken(c)) * c.fit.piecesAPack, 0) +
          1e-9,
      ),
    })),
  };
}

/** Each wish let go of alone, as little as does it. */
function waysOut(asked: BuyingAsked, solve: Solve): WayOut[] {
  const { wish } = asked;
  const tried = (change: Partial<BuyingWish>, without: readonly (keyof BuyingWish)[] = []) => {
    const changed = { ...wish, ...change };
    for (const key of without) delete (changed as Record<string, unknown>)[key];
    const purchase = best({ ...asked, wish: changed }, solve);
    return purchase && { wish: changed, purchase };
  };
  return [money(wish, tried), time(asked, tried), colour(asked, tried), sureness(wish, tried), length(wish, tried)]
    .filter((w): w is WayOut => w !== undefined)
    .sort((a, b) => loss(a, wish) - loss(b, wish));
}

type Tried = (
  change: Partial<BuyingWish>,
  without?: readonly (keyof BuyingWish)[],
) => { readonly wish: BuyingWish; readonly purchase: Purchase } | undefined;

function money({ budget }: BuyingWish, tried: Tried): WayOut | undefined {
  if (budget === undefined) return undefined;
  // What it costs at least, whatever mattered most.
  const found = tried({ aim: 'cheapest' }, ['budget']);
  if (!found) return undefined;
  const { total } = found.purchase;
  const again = tried({ budget: total });
  const { wish, purchase } = again ?? { wish: { ...found.wish, budget: total }, purchase: found.purchase };
  return { give: 'money', amount: (cents(total) - cents(budget)) / 100, wish, purchase };
}

function time({ wish, sellers }: BuyingAsked, tried: Tried): WayOut | undefined {
  const { withinDays } = wish;
  if (withinDays === undefined) return undefined;
  const later = [...new Set(sellers.map((s) => s.days))].filter((d) => d > withinDays).sort((a, b) => a - b);
  for (const days of later) {
    const found = tried({ withinDays: days });
    if (found) return { give: 'time', amount: days - withinDays, ...found };
  }
  return undefined;
}

/** Beyond this it is another colour, not a neighbour of it. */
const FARTHEST = 25;

function colour(asked: BuyingAsked, tried: Tried): WayOut | undefined {
  const { colourWithin } = asked.wish;
  const wide = programOf({ ...asked, wish: { ...asked.wish, colourWithin: FARTHEST } });
  const steps = [...new Set(wide.choices.map((c) => c.fit.colourOff))]
    .filter((d) => d > colourWithin)
    .sort((a, b) => a - b);
  // What a wider limit allows a wider one allows too: halved instead of tried one by one.
  let low = 0;
  let high = steps.length - 1;
  let found: WayOut | undefined;
  while (low <= high) {
    const middle = (low + high) >> 1;
    const within = Math.ceil(10 * steps[middle]) / 10;
    const here = tried({ colourWithin: within });
    if (here) {
      found = { give: 'colour', amount: within - colourWithin, ...here };
      high = middle - 1;
    } else low = middle + 1;
  }
  return found;
}

function sureness(wish: BuyingWish, tried: Tried): WayOut | undefined {
  const from = wish.aim === 'surest' ? SURENESSES.length - 1 : wish.sure;
  for (let sure = from - 1; sure >= 0; sure--) {
    const found = tried({ sure, aim: wish.aim === 'surest' ? 'cheapest' : wish.aim });
    if (found) return { give: 'sure', amount: SURENESSES[sure], ...found };
  }
  return undefined;
}

function length({ longerCutDown }: BuyingWish, tried: Tried): WayOut | undefined {
  if (longerCutDown) return undefined;
  const found = tried({ longerCutDown: true });
  return found && { give: 'length', amount: 0, ...found };
}

/** What weighs alike (a guess): cutting longer hair down, three days, a colour step just seen, a tenth of the money, a step of sureness. */
function loss({ give, amount }: WayOut, { budget = 1 }: BuyingWish): number {
  switch (give) {
    case 'length':
      return 0.5;
    case 'time':
      return amount / 3;
    case 'colour':
      return amount / 2;
    case 'money':
      return amount / Math.max(1, budget / 10);
    case 'sure':
      return amount >= 0.8 ? 1.5 : 3;
  }
}
