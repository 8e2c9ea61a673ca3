/** A wig for nobody's base: nothing of a wearer is asked or counted until she is known. Trade: common practice, no source. */
import { describe, expect, it } from 'vitest';
import { plainInputs } from '../../../tests/helpers/heads.ts';
import { Planner } from '../../../tests/helpers/planner.ts';
import { newPlan } from '../../model/defaults.ts';
import { asKnownHead, setMadeFor } from '../../model/made-for.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { planSchema } from '../../model/plan.ts';
import { planInputs } from '../../model/to-inputs.ts';
import type { Cap } from '../trade/caps.ts';
import { FILLED_ONS } from '../trade/caps.ts';
import { HEAD_SIZES, type MadeFor, SIZE_GIRTH_MM } from '../trade/made-for.ts';

const planner = new Planner();
const start = newPlan('p', 'A wig');
const wig = (madeFor: Partial<MadeFor>, change: Partial<PlanDocument> = {}): PlanDocument => ({
  ...start,
  madeFor: { ...start.madeFor, whom: 'head', ...madeFor },
  ...change,
});
const of = (plan: PlanDocument) => planner.plan({ ...planInputs(plan), meshFrequency: 24 });
const judged = (plan: PlanDocument) => planner.judge({ ...planInputs(plan), meshFrequency: 24 });

describe('while nobody is known to wear it', () => {
  const plain = wig({ sizedBy: 'size' });
  const r = of(plain);

  it('own hair, base, marks and what it is tied to change nothing, knot by knot', () => {
    const others: ReadonlyArray<Partial<PlanDocument>> = [
      { ownHair: { ...start.ownHair, length: '60 cm', fullness: 'thick' } },
      { base: { ...start.base, family: 'allOver', count: 24 } },
      { base: { ...start.base, leftOut: { where: 'front', fingers: 2, atEnd: 'stay' } } },
      { marks: [{ kind: 'noGo', place: { region: 'crown' }, erase: false }] },
      { marks: [{ kind: 'tender', place: { region: 'temples' }, erase: false }] },
      { wishes: { ...start.wishes, baseMinutes: 30 } },
    ];
    for (const change of others) {
      const same = of({ ...plain, ...change });
      expect(same.knots.map((k) => [k.id, k.kind, k.through, k.xMm])).toEqual(
        r.knots.map((k) => [k.id, k.kind, k.through, k.xMm]),
      );
      expect(same.time).toEqual(r.time);
      expect(same.findings.map((f) => f.code)).toEqual(r.findings.map((f) => f.code));
    }
  });

  it('no minute, thing or gram of a base is counted, and no hold of a head', () => {
    expect([r.time.baseMinutes, r.base.work.length, r.base.consumables.length, r.cap.anchors.length]).toEqual([
      0, 0, 0, 0,
    ]);
    expect(r.load.sections).toEqual([]);
    expect(r.cap.girthOverBaseMm).toBeCloseTo(r.cap.girthBareMm, 0);
    expect(r.cap.fit).toBe('unworn');
    expect(r.knots.every((k) => k.through === 'net' && k.kind !== 'anchor')).toBe(true);
    const codes = [...r.findings, ...judged(plain).findings].map((f) => f.code);
    expect(codes.filter((c) => /^(base|load|measure\.estimated|measure\.unusual|tender)/.test(c))).toEqual([]);
    expect(codes).not.toContain('cap.tight');
    expect(codes).not.toContain('cap.slack');
    const words = r.worklist.map((s) => `${s.what} ${s.how}`).join(' ');
    expect(words).not.toMatch(/over the base|your own hair|Hold the|border back/);
  });

  it('given what it is worn over, size, hold and own hair are judged', () => {
    const small = {
      cap: { ...start.cap, girth: '40 cm', stretch: 1.1, wigHolds: [], wig: true, filledOn: 'block' },
    } as const;
    expect(of(wig({ sizedBy: 'size' }, small)).findings.map((f) => f.code)).not.toContain('cap.tight');
    const worn = of(wig({ sizedBy: 'size', wornOver: true }, small));
    expect(worn.findings.map((f) => f.code)).toEqual(expect.arrayContaining(['cap.tight', 'cap.wigUnheld']));
    expect(worn.time.baseMinutes).toBeGreaterThan(0);
    expect(worn.load.sections.length).toBeGreaterThan(0);
  });
});

describe('its head', () => {
  it('by size: the girth of the size, more pieces the larger', () => {
    let before = 0;
    for (const size of HEAD_SIZES) {
      const r = of(wig({ sizedBy: 'size', size }, { tape: { ...start.tape, girth: ['48 cm'] } }));
      expect(Math.abs(r.cap.girthBareMm - SIZE_GIRTH_MM[size])).toBeLessThan(6);
      expect(r.head.areaMm2).toBeGreaterThan(before);
      before = r.head.areaMm2;
      expect(r.cap.bareSizeName.replace(' ', '').toLowerCase()).toBe(size.toLowerCase());
    }
  });

  it('by tape: that tape', () => {
    expect(of(wig({ sizedBy: 'tape' }, { tape: { ...start.tape, girth: ['54 cm'] } })).cap.girthBareMm).toBeCloseTo(
      540,
      -1,
    );
  });

  it('as a head that is known: its tape, hairline and fingers', () => {
    const known: PlanDocument = {
      ...start,
      wearer: 'Ifeoma',
      unit: 'in',
      tape: { ...start.tape, girth: ['23 in'], frontToNape: ['14 1/2 in'] },
    };
    const { plan, words } = asKnownHead(wig({}), known);
    expect(words).toBe('The head of Ifeoma');
    expect(plan.madeFor).toMatchObject({ whom: 'head', sizedBy: 'known', known: 'Ifeoma' });
    expect(of(plan).head.areaMm2).toBeCloseTo(of({ ...known }).head.areaMm2, 6);
    expect(planSchema.isValidSync(plan)).toBe(true);
    // One that is itself known by its size alone.
    const sized = asKnownHead(wig({}), setMadeFor(known, { whom: 'head', sizedBy: 'size', size: 'small' }).plan).plan;
    expect(sized.madeFor).toMatchObject({ sizedBy: 'size', size: 'small' });
  });
});

describe('filled off the head', () => {
  const capOf = (change: Partial<Cap>) => plainInputs().cap && { ...plainInputs().cap, ...change };
  const filled = (filledOn: Cap['filledOn']) =>
    planner.plan(plainInputs({ cap: capOf({ filledOn, wig: true, block: { girthMm: 560, depthMm: 350 } }) }));

  it('on a stand or in the hand the net lies as it is; on a block it is drawn out; holes are the same', () => {
    const [block, stand, hand] = (['block', 'stand', 'hand'] as const).map(filled);
    expect(stand.cap.onForm.stretch).toEqual({ across: 1, up: 1 });
    expect(hand.cap.onForm).toEqual(stand.cap.onForm);
    expect(block.cap.onForm.stretch.across).toBeGreaterThan(1.05);
    expect(hand.cap.onForm.spacing.top.holesUp).toBeCloseTo(block.cap.onForm.spacing.top.holesUp, 9);
    expect(hand.cap.onForm.spacing.top.gapMm).toBeLessThan(block.cap.onForm.spacing.top.gapMm);
  });

  it('each begins with its own deed, and nothing is pinned to a head', () => {
    const firsts = FILLED_ONS.map((f) => filled(f).worklist.find((s) => s.kind === 'cap' || s.kind === 'block')?.what);
    expect(new Set(firsts).size).toBe(4);
    for (const f of ['block', 'stand', 'hand'] as const)
      expect(filled(f).worklist.filter((s) => s.kind === 'anchor')).toEqual([]);
  });
});

describe('a U that comes open', () => {
  const open = { ...plainInputs().cap, opening: 'openU', openingMm: 100, openingWidthMm: 30 } as const;

  it('nothing is cut and nothing waits for it; on nobody no piece goes inside', () => {
    const r = of(
      wig({ sizedBy: 'size' }, { cap: { ...start.cap, opening: 'openU', openingMm: 100, openingWidthMm: 30 } }),
    );
    expect(r.worklist.some((s) => s.kind === 'cut')).toBe(false);
    expect(r.rows.some((row) => row.opened)).toBe(false);
    expect(r.knots.filter((k) => k.onNet === 'cutOut')).toEqual([]);
  });

  it('on her own head own hair inside carries what is hooked there, in its row', () => {
    const r = planner.plan(plainInputs({ cap: open }));
    const inside = r.knots.filter((k) => k.onNet === 'cutOut');
    expect(inside.every((k) => k.through === 'hair')).toBe(true);
    expect(r.rows.some((row) => row.opened)).toBe(false);
    expect(r.findings.map((f) => f.code)).not.toContain('cap.cornersUnheld');
  });
});

it('for herself everything is as it was', () => {
  const mine = of({ ...start, madeFor: { ...start.madeFor, sizedBy: 'size', size: 'large' } });
  expect(mine.knots).toEqual(of(start).knots);
});

describe('combs at places of their own', () => {
  const held = (side: 1 | -1) => {
    const cap = {
      ...plainInputs().cap,
      opening: 'openU',
      openingMm: 90,
      openingWidthMm: 30,
      combs: ['opening'],
    } as const;
    const r = planner.plan(
      plainInputs({
        cap: { ...cap, combsAt: [[side * 75, -5]] },
        part: { kind: 'line', frontMm: side * 36, endMm: side * 30, lengthMm: 108, bendMm: 0 },
        rows: { ...plainInputs().rows, borderRow: { where: 'round', fingers: 0.75, knot: 'byHair', when: 'last' } },
      }),
    );
    const anchors = r.knots.filter((k) => k.kind === 'anchor');
    return { r, anchors, combs: r.cap.combsMm };
  };

  it('hold where they are, whichever side the part lies on: no anchor beside one, and the mirrored plan is the mirror image', () => {
    const [left, right] = [held(1), held(-1)];
    for (const { anchors, combs } of [left, right])
      for (const k of anchors)
        expect(Math.min(...combs.map(([x, y, z]) => Math.hypot(k.xMm - x, k.yMm - y, k.zMm - z)))).toBeGreaterThan(28);
    const places = (side: 1 | -1, { anchors }: typeof left) =>
      anchors.map((k) => [Math.round(side * k.xMm), Math.round(k.yMm), Math.round(k.zMm)].join()).sort();
    expect(places(1, left)).toEqual(places(-1, right));
    expect(left.anchors.length).toBeGreaterThan(0);
    expect(left.r.knots.length).toBe(right.r.knots.length);
  });
});
