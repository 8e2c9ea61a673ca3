/** Colours of a plan: what she does to them, and what is refused. */
import { describe, expect, it } from 'vitest';
import { Planner } from '../../tests/helpers/planner.ts';
import { OWN } from '../core/colours/index.ts';
import { spacingStep } from '../core/plan/ask/spacing-step.ts';
import {
  addColour,
  mostShare,
  removeColour,
  setColour,
  setNoMore,
  setOwnShares,
  setShare,
  sharesAsPacks,
} from './colour-commands.ts';
import { dealAll, dealRest } from './colours.ts';
import { newPlan } from './defaults.ts';
import { addPlace } from './places.ts';
import type { PlanDocument } from './plan.ts';
import { readPlan, refusalOf } from './read-plan.ts';
import { planInputs } from './to-inputs.ts';

const planner = new Planner();
const worked = (plan: PlanDocument) => planner.plan(planInputs(plan, 24));
const copper = addColour(newPlan('p', 'Mixed'), 'copper').plan;
const counts = (plan: PlanDocument) => {
  const by = new Map<string, number>();
  for (const k of worked(plan).knots) by.set(k.colour, (by.get(k.colour) ?? 0) + 1);
  return by;
};

describe('a colour that is mixed in', () => {
  it('begins with a quarter of all pieces, is bought by itself, and leaves every knot where it was', () => {
    const [plain, mixed] = [worked(newPlan('p', 'Plain')), worked(copper)];
    const total = plain.knots.length;
    expect(plain.mix).toBeUndefined();
    expect(plain.knots.every((k) => k.colour === OWN)).toBe(true);
    expect(Math.abs((counts(copper).get('c1') ?? 0) - total / 4)).toBeLessThan(1);
    expect(mixed.knots.map((k) => [k.id, k.kind, k.cut, k.xMm])).toEqual(
      plain.knots.map((k) => [k.id, k.kind, k.cut, k.xMm]),
    );
    expect(mixed.supply.lines.map((l) => l.colour)).toEqual([OWN, 'c1']);
    expect(mixed.supply.pieces).toBe(total);
    for (const line of mixed.supply.lines) {
      const last = mixed.knots.findLast((k) => k.colour === line.colour);
      // What is hooked of it comes out of as many packs as are bought, the reserve kept.
      expect(last?.piece.pack).toBeLessThanOrEqual(line.packs);
    }
  });

  it('counts in every step and mend: packs a quarter finger wider are those of that plan', () => {
    const inputs = planInputs(setShare(copper, 'c1', 0.5).plan, 24);
    const { wider } = spacingStep(planner.graph, inputs);
    const then = planner.plan({ ...inputs, spacing: { ...inputs.spacing, fingers: wider?.fingers ?? {} } });
    expect(Math.abs((wider?.packs ?? 0) - then.supply.packs)).toBeLessThanOrEqual(1);
    expect(then.supply.lines).toHaveLength(2);
  });

  it('what is left over goes in without another pack of any colour', () => {
    const none = worked(copper).supply;
    const { supply, knots } = worked({ ...copper, fill: { ...copper.fill, where: 'thin', pieces: 0 } });
    expect(knots.length).toBeGreaterThan(none.pieces);
    expect(supply.lines.map((l) => l.packs)).toEqual(none.lines.map((l) => l.packs));
  });

  it('is numbered pack by pack by itself', () => {
    const { knots } = worked(copper);
    for (const colour of [OWN, 'c1']) {
      const own = knots.filter((k) => k.colour === colour);
      expect(own[0].piece).toMatchObject({ pack: 1, number: 1 });
      const seen = new Set(own.map((k) => `${k.piece.pack} ${k.piece.number}`));
      expect(seen.size).toBe(own.length);
    }
  });

  it('shares never come to more than all; in a place it may have its own', () => {
    const three = addColour(addColour(copper, 'wine').plan, 'honey').plan;
    expect(mostShare(three, 'c1')).toBe(0.5);
    expect(refusalOf(setShare(three, 'c1', 0.5).plan)).toBeUndefined();
    expect(refusalOf(setShare(three, 'c1', 0.51).plan)).toMatch(/more than all of it/);
    const nape = addPlace(copper, { zone: 'nape' }).plan;
    const id = nape.places[0].id;
    const dark = setShare(setOwnShares(nape, id, true).plan, 'c1', 0, id).plan;
    expect(refusalOf(dark)).toBeUndefined();
    const { knots } = worked(dark);
    expect(knots.filter((k) => k.zone === 'nape').every((k) => k.colour === OWN)).toBe(true);
    expect(knots.some((k) => k.colour === 'c1')).toBe(true);
    // Taken out again the place says nothing, and is as the rest.
    const none = removeColour(dark, 'c1').plan;
    expect(none.colours).toEqual({ more: [], noMore: [], shares: {}, hooked: {}, left: {} });
    expect(none.places).toEqual([]);
  });

  it('as packs are at hand: three to two; both last', () => {
    const plan = setColour(copper, 'c1', { packsAtHand: 2 }, 'Two packs').plan;
    expect(sharesAsPacks(copper)).toBeUndefined();
    const packs = { ...plan, products: plan.products.map((p) => ({ ...p, packsAtHand: 3 })) };
    expect(sharesAsPacks(packs)?.plan.colours.shares).toEqual({ c1: 0.4 });
  });

  it('of which no more can be had is spread thinner over the whole work, and that is told', () => {
    const short = setNoMore(setColour(copper, 'c1', { packsAtHand: 1 }, 'One pack').plan, 'c1', true).plan;
    const { mix, knots, supply } = worked(short);
    const dealt = mix?.colours.find((c) => c.id === 'c1');
    expect(supply.lines.find((l) => l.colour === 'c1')?.packs).toBeLessThanOrEqual(1 + 1);
    expect(dealt?.pieces).toBeLessThanOrEqual(dealt?.asked ?? 0);
    expect(knots.findLastIndex((k) => k.colour === 'c1')).toBeGreaterThan(0.85 * knots.length);
  });
});

describe('in the midst of an install', () => {
  it('what is in keeps its colour, the rest is dealt from what was counted, and no knot moves', () => {
    const before = worked(copper).knots;
    const half = before.slice(0, Math.floor(before.length / 2));
    const hooked = half.map((k) => ({ knotId: k.id, colour: k.colour }));
    const left = { [OWN]: before.length, c1: 4 };
    const plan = dealRest(copper, hooked, left).plan;
    expect(refusalOf(plan)).toBeUndefined();
    const { knots, mix } = worked(plan);
    expect(knots.map((k) => [k.id, k.xMm])).toEqual(before.map((k) => [k.id, k.xMm]));
    expect(knots.slice(0, half.length).map((k) => k.colour)).toEqual(half.map((k) => k.colour));
    const rest = knots.slice(half.length);
    expect(rest.filter((k) => k.colour === 'c1')).toHaveLength(4);
    // The last of four comes in the last quarter.
    expect(rest.findLastIndex((k) => k.colour === 'c1')).toBeGreaterThanOrEqual(Math.floor(0.75 * rest.length) - 1);
    expect(mix?.missing).toBe(0);
    expect(counts(dealAll(plan).plan)).toEqual(counts(copper));
  });

  it('says how many pieces are missing when too few were counted', () => {
    const { knots } = worked(copper);
    const hooked = knots.slice(0, 20).map((k) => ({ knotId: k.id, colour: k.colour }));
    const { mix, findings } = worked(dealRest(copper, hooked, { [OWN]: 30, c1: 10 }).plan);
    expect(mix?.missing).toBe(knots.length - 20 - 40);
    expect(findings.map((f) => f.code)).toContain('colours.noHairLeft');
  });
});

describe('what is refused', () => {
  it.each([
    ['shares above one', { more: copper.colours.more, noMore: [], shares: { c1: 1.2 } }],
    [
      'shares that sum to more',
      {
        more: [...copper.colours.more, { id: 'c2', name: 'wine', packsAtHand: 0 }],
        noMore: [],
        shares: { c1: 0.7, c2: 0.7 },
      },
    ],
    ['a colour that is not there', { more: [], noMore: [], shares: { c9: 0.1 } }],
    ['the packs’ own once more', { more: [{ id: 'own', name: 'x', packsAtHand: 0 }], noMore: [], shares: {} }],
    ['a piece that is in of a colour that is not there', { ...copper.colours, hooked: { k1: 'c9' } }],
    ['half a piece left', { ...copper.colours, left: { c1: 2.5 } }],
    ['no record', { more: [], noMore: [], shares: [] }],
    [
      'too many',
      { more: [1, 2, 3, 4].map((i) => ({ id: `c${i}`, name: 'x', packsAtHand: 0 })), noMore: [], shares: {} },
    ],
  ])('%s', (_, colours) => {
    const read = readPlan({ ...copper, colours });
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.why).toMatch(/^This plan can’t be read: [^\n]{10,}/);
  });
});
