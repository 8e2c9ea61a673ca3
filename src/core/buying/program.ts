/**
 * Buying as a mixed-integer program, in the LP format that solvers read: whole packs, bundles for less, delivery of each seller and
 * from which sum on it is free. Money is in cents, so that everything that has to be whole is.
 */
import { type Fit, fitOf } from './fits.ts';
import type { BuyingAsked, Offer, Seller } from './offer.ts';

export interface Choice {
  readonly need: number;
  readonly offer: number;
  readonly fit: Fit;
}

/** An asked purchase with all that can stand in for what, by the wish's limits. */
export interface Program {
  readonly asked: BuyingAsked;
  readonly choices: readonly Choice[];
  /** Offers and sellers that are in reach: by index. */
  readonly offers: readonly number[];
  readonly sellers: readonly Seller[];
  /** Raw pieces wanted of each need. */
  readonly wanted: readonly number[];
  /** Packs of every offer, beyond which no purchase is better for more of it. */
  readonly most: readonly number[];
}

export function programOf(asked: BuyingAsked): Program {
  const { needs, offers, wish } = asked;
  const sellers = asked.sellers.filter((s) => wish.withinDays === undefined || s.days <= wish.withinDays);
  const choices = needs.flatMap(({ kind }, need) =>
    offers.flatMap((offered, offer): Choice[] => {
      if (offered.stock <= 0 || !sellers.some((s) => s.id === offered.seller)) return [];
      const fit = fitOf(kind, offered.kind);
      return fit && allowed(fit, asked) ? [{ need, offer, fit }] : [];
    }),
  );
  const wanted = needs.map((n) => n.pieces[wish.sure]);
  return {
    asked,
    choices,
    offers: [...new Set(choices.map((c) => c.offer))].sort((a, b) => a - b),
    sellers: sellers.filter((s) => choices.some((c) => offers[c.offer].seller === s.id)),
    wanted,
    most: offers.map((offer, i) => {
      const used = choices.filter((c) => c.offer === i).reduce((sum, c) => sum + mostTaken(c, wanted), 0);
      return Math.min(offer.stock, used + mostBeyond(offer, sellers));
    }),
  };
}

/** More packs than give all that is wanted are of no use to a need. */
const mostTaken = ({ fit, need }: Pick<Choice, 'fit' | 'need'>, wanted: readonly number[]) =>
  Math.ceil(wanted[need] / fit.piecesAPack - 1e-9);

/** Packs nobody needs are bought to fill a bundle, or to reach the sum from which delivery is free. */
function mostBeyond({ seller, price, multi }: Offer, sellers: readonly Seller[]): number {
  const freeFrom = sellers.find((s) => s.id === seller)?.freeFrom;
  const toFree = freeFrom === undefined ? 0 : price > 0 ? Math.ceil(freeFrom / price) : 0;
  return toFree + (multi ? multi.packs - 1 : 0);
}

const allowed = ({ colourOff, longerMm }: Fit, { wish }: BuyingAsked) =>
  colourOff <= wish.colourWithin + 1e-9 && (longerMm === 0 || wish.longerCutDown);

/** Of two ways that cost the same the nearer one is looked for: so much a unit of it, cents, which never comes to half a cent. */
const TIE = 0.0002;

/** What is made small. */
export type Goal = 'cost' | 'off' | 'days';

/** Bounds that earlier goals have set. */
export interface Bounds {
  readonly cost?: number;
  readonly off?: number;
  readonly days?: number;
}

export const cents = (amount: number) => Math.round(100 * amount);

/** How far a choice is from the very hair, a pack: its colour, and a finger of length counts as much as a just visible one. */
const offOf = ({ fit, need, offer }: Choice, { asked }: Program) => {
  const isHers = asked.needs[need].kind.name === asked.offers[offer].kind.name;
  return Math.round(10 * fit.colourOff + fit.longerMm / 2 + (fit.split === 1 ? 0 : 10) + (isHers ? 0 : 5));
};

interface Term {
  readonly of: string;
  readonly times: number;
}

export interface Row {
  readonly name: string;
  readonly terms: readonly Term[];
  readonly sense: '<=' | '>=';
  readonly than: number;
}

/** The program in numbers: every solver is asked the same. */
export interface Model {
  readonly objective: readonly Term[];
  readonly rows: readonly Row[];
  /** Whole, from none to so many. */
  readonly whole: ReadonlyArray<{ readonly name: string; readonly most: number }>;
  /** From none up. */
  readonly free: readonly string[];
}

export const variable = {
  taken: ({ need, offer }: Choice) => `x${need}_${offer}`,
  singles: (offer: number) => `b${offer}`,
  bundles: (offer: number) => `m${offer}`,
  seller: (seller: Seller, { asked }: Program) => `y${asked.sellers.indexOf(seller)}`,
  free: (seller: Seller, { asked }: Program) => `f${asked.sellers.indexOf(seller)}`,
  last: 'last',
} as const;

const AT_LEAST = '>=';
const AT_MOST = '<=';

/** Packs of an offer that are paid for: single ones and those in bundles. */
function paidFor({ asked }: Program, i: number): Term[] {
  const { multi } = asked.offers[i];
  return [{ of: variable.singles(i), times: 1 }, ...(multi ? [{ of: variable.bundles(i), times: multi.packs }] : [])];
}

function goods({ asked }: Program, i: number): Term[] {
  const { price, multi } = asked.offers[i];
  return [
    { of: variable.singles(i), times: cents(price) },
    ...(multi ? [{ of: variable.bundles(i), times: cents(multi.price) }] : []),
  ];
}

function delivery(program: Program): Term[] {
  return program.sellers.flatMap((s): Term[] => [
    { of: variable.seller(s, program), times: cents(s.delivery) },
    ...(s.freeFrom === undefined ? [] : [{ of: variable.free(s, program), times: -cents(s.delivery) }]),
  ]);
}

const costOf = (program: Program) => [...program.offers.flatMap((i) => goods(program, i)), ...delivery(program)];
const offsOf = (program: Program) => program.choices.map((c) => ({ of: variable.taken(c), times: offOf(c, program) }));

/** A third of a pack has to count as one: what is split in two, three or four is whole in twelfths. */
const TWELFTHS = 12;

/** Enough of everything, and of what is paid for. */
function packRows(program: Program): Row[] {
  const { choices, offers, wanted } = program;
  const enough = wanted.map(
    (pieces, need): Row => ({
      name: `need${need}`,
      terms: choices
        .filter((c) => c.need === need)
        .map((c) => ({ of: variable.taken(c), times: Math.round(TWELFTHS * c.fit.piecesAPack) })),
      sense: AT_LEAST,
      than: TWELFTHS * pieces,
    }),
  );
  const paid = offers.map((i): Row => {
    const taken = choices.filter((c) => c.offer === i).map((c) => ({ of: variable.taken(c), times: -1 }));
    return { name: `packs${i}`, terms: [...paidFor(program, i), ...taken], sense: AT_LEAST, than: 0 };
  });
  return [...enough, ...paid];
}

/** Who is bought from delivers, for nothing from a sum on, and on a day. */
function sellerRows(program: Program, seller: Seller): Row[] {
  const { asked, offers } = program;
  const here = offers.filter((i) => asked.offers[i].seller === seller.id);
  const open = variable.seller(seller, program);
  const free = variable.free(seller, program);
  const rows: Row[] = [
    // Nothing without the seller, and then what there is: said of each offer, which narrows far more than said of all together.
    ...here.map(
      (i): Row => ({
        name: `stock${i}`,
        terms: [...paidFor(program, i), { of: open, times: -program.most[i] }],
        sense: AT_MOST,
        than: 0,
      }),
    ),
    {
      name: `day_${open}`,
      terms: [
        { of: variable.last, times: 1 },
        { of: open, times: -seller.days },
      ],
      sense: AT_LEAST,
      than: 0,
    },
  ];
  if (seller.freeFrom === undefined) return rows;
  const spent = here.flatMap((i) => goods(program, i));
  return [
    ...rows,
    {
      name: `free_${open}`,
      terms: [...spent, { of: free, times: -cents(seller.freeFrom) }],
      sense: AT_LEAST,
      than: 0,
    },
    {
      name: `only_${open}`,
      terms: [
        { of: open, times: 1 },
        { of: free, times: -1 },
      ],
      sense: AT_LEAST,
      than: 0,
    },
  ];
}

function boundRows(program: Program, { cost, off, days }: Bounds): Row[] {
  const { budget } = program.asked.wish;
  const atMost = (name: string, terms: readonly Term[], than: number | undefined): Row[] =>
    than === undefined ? [] : [{ name, terms, sense: AT_MOST, than }];
  return [
    ...atMost('budget', costOf(program), budget === undefined ? undefined : cents(budget)),
    ...atMost('cost', costOf(program), cost),
    ...atMost('off', offsOf(program), off),
    ...atMost('days', [{ of: variable.last, times: 1 }], days),
  ];
}

function objectiveOf(program: Program, goal: Goal): readonly Term[] {
  switch (goal) {
    case 'cost':
      return [...costOf(program), ...offsOf(program).map((t) => ({ ...t, times: TIE * t.times }))];
    case 'off':
      return offsOf(program);
    case 'days':
      return [{ of: variable.last, times: 1 }];
  }
}

export function modelOf(program: Program, goal: Goal, bounds: Bounds = {}): Model {
  const { asked, choices, offers, sellers, wanted, most } = program;
  const rows = [...packRows(program), ...sellers.flatMap((s) => sellerRows(program, s)), ...boundRows(program, bounds)];
  return {
    objective: objectiveOf(program, goal),
    rows: rows.filter((r) => r.terms.length > 0 || r.than > 0),
    whole: [
      ...choices.map((c) => ({ name: variable.taken(c), most: Math.min(most[c.offer], mostTaken(c, wanted)) })),
      ...offers.map((i) => ({ name: variable.singles(i), most: most[i] })),
      ...offers.flatMap((i) => {
        const { multi } = asked.offers[i];
        return multi ? [{ name: variable.bundles(i), most: Math.floor(most[i] / multi.packs) }] : [];
      }),
      ...sellers.map((s) => ({ name: variable.seller(s, program), most: 1 })),
      ...sellers.flatMap((s) => (s.freeFrom === undefined ? [] : [{ name: variable.free(s, program), most: 1 }])),
    ],
    free: [variable.last],
  };
}

/** Whether what is wanted of each need could be had if nothing cost anything. */
export const isWithinReach = ({ wanted, choices, asked }: Program, need: number) =>
  choices.filter((c) => c.need === need).reduce((sum, c) => sum + c.fit.piecesAPack * asked.offers[c.offer].stock, 0) >=
  wanted[need];

const number = (n: number) => String(Math.round(1e6 * n) / 1e6);
const sum = (terms: readonly Term[]) =>
  // The format wants at least one; a line is at most 255 letters in some readers.
  terms.length === 0
    ? '0 last'
    : terms
        .map(
          ({ of, times }, i) => `${i % 8 === 7 ? '\n ' : ''}${times < 0 ? '-' : '+'} ${number(Math.abs(times))} ${of}`,
        )
        .join(' ');

/** CPLEX LP format. */
export function writeLp({ objective, rows, whole, free }: Model): string {
  return [
    'Minimize',
    ` cost: ${sum(objective)}`,
    'Subject To',
    ...rows.map((r) => ` ${r.name}: ${sum(r.terms)} ${r.sense} ${number(r.than)}`),
    'Bounds',
    ...whole.map((v) => ` 0 <= ${v.name} <= ${v.most}`),
    ...free.map((v) => ` ${v} >= 0`),
    'General',
    ...whole.map((v) => ` ${v.name}`),
    'End',
    '',
  ].join('\n');
}
