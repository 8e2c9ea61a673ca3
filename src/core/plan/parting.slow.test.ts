/** More than one part, a part that is only worn, lines of the base that stay free, one-leg with a stiff middle. Trade: common practice, no source. */
import { describe, expect, it } from 'vitest';
import { everyZone, hairOf, NO_CAP, plainInputs } from '../../../tests/helpers/heads.ts';
import { Planner } from '../../../tests/helpers/planner.ts';
import { DEFAULT_BASE } from '../base/choice.ts';
import { POSES } from '../fall/poses.ts';
import type { LinePart } from '../head/part.ts';
import { awayFrom, OFF_LINE_MM } from '../knots/layout/off-lines.ts';
import { DEFAULT_ROWS } from '../rows/choice.ts';
import { KNOT_SECONDS } from '../trade/pace.ts';
import { DEFAULT_SCHOOLS } from '../trade/schools.ts';
import type { PlanInputs } from './inputs.ts';

const planner = new Planner();
const of = (change: Partial<PlanInputs> = {}) => planner.plan(plainInputs(change));
const line = (frontMm: number, endMm = frontMm): LinePart => ({
  kind: 'line',
  frontMm,
  endMm,
  lengthMm: 105,
  bendMm: 0,
});
const straight = hairOf({ texture: 'straight', lengthMm: 450, drawnOutMm: 450 });
type Knot = ReturnType<typeof of>['knots'][number];
const fromLine = (points: ArrayLike<number>) => {
  const p = Float64Array.from(points);
  return (k: Knot) => awayFrom(p, k);
};

describe('a second part', () => {
  const left = line(44, 38);
  const two: Partial<PlanInputs> = { ...straight, part: left, parting: { onlyWorn: false, second: line(-44, -38) } };
  const r = of(two);
  const [first, second] = [fromLine(r.part.pointsMm), fromLine(r.part.second?.pointsMm ?? [])];

  it('rows keep off both alike, and lie along both', () => {
    const gap = r.spacing.centresMm.part;
    for (const away of [first, second]) {
      const nearest = Math.min(...r.knots.map(away));
      expect(nearest).toBeGreaterThan(0.35 * gap);
      expect(nearest).toBeLessThan(0.75 * gap);
    }
    const beside = (away: (k: Knot) => number) => r.knots.filter((k) => away(k) < 0.75 * gap).length;
    expect(Math.abs(beside(first) - beside(second))).toBeLessThanOrEqual(2);
  });

  it('knots beside both lie open and are one-leg, told by their own part', () => {
    const gap = r.spacing.centresMm.part;
    const besideSecond = r.knots.filter((k) => second(k) < 0.75 * gap);
    expect(besideSecond.length).toBeGreaterThan(6);
    for (const k of besideSecond) {
      expect(k.exposed).toBe(true);
      expect(k.kind).toBe('oneLeg');
    }
    expect(besideSecond.some((k) => /beside the second part/.test(k.where.words))).toBe(true);
    expect(r.knots.some((k) => /beside the part/.test(k.where.words))).toBe(true);
  });

  it('flipped, hair falls from the second: what was open is hidden, and the other way round', () => {
    const inputs = plainInputs(two);
    const rest = planner.look({ inputs });
    const flipped = planner.look({ inputs, state: POSES.flipped.state });
    const shown = (look: typeof rest, away: (k: Knot) => number) => {
      const near = r.knots.map((k, i) => ({ k, i })).filter(({ k }) => away(k) < 0.75 * r.spacing.centresMm.part);
      return near.filter(({ i }) => look.knots[i].by === 'hair').length / near.length;
    };
    expect(shown(flipped, first)).toBeGreaterThan(shown(rest, first));
    expect(shown(rest, second)).toBeGreaterThan(shown(flipped, second));
    // Two lines that mirror each other leave as much open either way.
    expect(Math.abs(flipped.hiddenShare - rest.hiddenShare)).toBeLessThan(0.03);
  });

  it('the same on a head turned over: the mirror image of the plan', () => {
    const over = of({ ...straight, part: line(-44, -38), parting: { onlyWorn: false, second: line(44, 38) } });
    expect(over.knots.length).toBe(r.knots.length);
    const near = (k: Knot) =>
      Math.min(...over.knots.map((o) => Math.hypot(o.xMm + k.xMm, o.yMm - k.yMm, o.zMm - k.zMm)));
    for (const k of r.knots) expect(near(k)).toBeLessThan(1);
  });

  it('needs a first one, and taken away leaves the plan as it was', () => {
    expect(of({ part: { kind: 'crown' }, parting: { onlyWorn: false, second: line(30) } }).knots).toEqual(
      of({ part: { kind: 'crown' } }).knots,
    );
    expect(of({ part: left }).knots).toEqual(of({ part: left, parting: { onlyWorn: false } }).knots);
  });
});

describe('a part that is only there when worn', () => {
  const part = line(36, 30);
  const worn = of({ ...straight, part, parting: { onlyWorn: true } });

  it('no row follows it: knots are those of a plan without a part', () => {
    const none = of({ ...straight, part: { kind: 'crown' } });
    expect(worn.knots.map((k) => [k.id, k.kind, k.xMm])).toEqual(none.knots.map((k) => [k.id, k.kind, k.xMm]));
    expect(worn.part.pointsMm.length).toBeGreaterThan(9);
  });

  it('hair falls from it, it is not drawn on the net, and it is combed in last', () => {
    const asked = (parting: PlanInputs['parting'], p: PlanInputs['part']) =>
      planner.look({ inputs: plainInputs({ ...straight, part: p, parting }) });
    const look = asked({ onlyWorn: true }, part);
    expect(look.hiddenShare).not.toBe(asked({ onlyWorn: false }, { kind: 'crown' }).hiddenShare);
    const words = worn.worklist.map((s) => s.what);
    expect(words).toContain('Comb the part in');
    expect(words.join()).not.toMatch(/Draw the part/);
  });
});

describe('lines of the base that stay free', () => {
  const base = { ...DEFAULT_BASE, family: 'flatTwists', count: 8, tail: 'twist' } as const;
  const there = (keepLines: boolean, scheme: 'found' | 'joined') =>
    of({ base, cap: NO_CAP, rows: { ...DEFAULT_ROWS, scheme, keepLines } });

  it('along rows that are there nothing is laid between them', () => {
    const [kept, crossed] = [there(true, 'found'), there(false, 'found')];
    const given = (r: typeof kept) => r.rows.filter((row) => row.kind === 'given').length;
    expect(given(kept)).toBe(given(crossed));
    expect(kept.knots.length).toBeLessThan(crossed.knots.length);
  });

  it('under rows of their own, knots slide beside them: as many, none on a line where there is room', () => {
    const [kept, crossed] = [there(true, 'joined'), there(false, 'joined')];
    expect(kept.knots.map((k) => k.id)).toEqual(crossed.knots.map((k) => k.id));
    const points = Float64Array.from(kept.base.lines.flatMap((l) => [...l.pointsMm]));
    const on = (r: typeof kept) => r.knots.filter((k) => awayFrom(points, k) < OFF_LINE_MM - 1).length;
    expect(on(crossed)).toBeGreaterThan(8);
    expect(on(kept)).toBeLessThan(0.15 * on(crossed));
    // Each along its own row, no further than it takes.
    const moved = kept.knots.filter((k, i) => Math.abs(k.fromMiddleMm - crossed.knots[i].fromMiddleMm) > 1e-9);
    expect(moved.length).toBeGreaterThan(0);
    kept.knots.forEach((k, i) => {
      expect(Math.abs(k.fromMiddleMm - crossed.knots[i].fromMiddleMm)).toBeLessThanOrEqual(9 + 1e-9);
    });
  });
});

describe('one-leg with a stiff middle', () => {
  const stiff = {
    ...hairOf({ texture: 'straight', loop: 'stiff', lengthMm: 400, drawnOutMm: 400 }),
    pieces: everyZone('whole'),
  };
  const plain = of(stiff);
  const insists = of({ ...stiff, schools: { ...DEFAULT_SCHOOLS, stiff: 'oneLeg' } });
  const oneLeg = (r: typeof plain) => r.knots.filter((k) => k.kind === 'oneLeg');

  it('only when she insists, and its chain says so', () => {
    expect(oneLeg(plain)).toHaveLength(0);
    expect(oneLeg(insists).length).toBeGreaterThan(5);
    for (const k of oneLeg(insists)) expect(k.chain[0]).toMatchObject({ id: 'kind.one-leg-stiff', school: 'stiff' });
  });

  it('costs so many seconds each, shows, and is said with a way back', () => {
    const note = insists.findings.find((f) => f.code === 'hair.stiffOneLeg');
    expect(note?.knotIds).toHaveLength(oneLeg(insists).length);
    expect(note?.fix?.change).toEqual({ kind: 'setSchool', school: 'stiff', value: 'ordinary' });
    expect(plain.findings.map((f) => f.code)).not.toContain('hair.stiffOneLeg');
    const thread = of({ ...stiff, ...hairOf({ texture: 'straight', loop: 'thread', lengthMm: 400, drawnOutMm: 400 }) });
    const each = (r: typeof plain) => oneLeg(r)[0].seconds;
    expect(each(insists) - each(thread)).toBeCloseTo(KNOT_SECONDS.stiffBent, 9);
    // Its free side stands off the loop: it hides nothing.
    const look = (r: Partial<PlanInputs>) => planner.look({ inputs: plainInputs(r) });
    const by = look({ ...stiff, schools: { ...DEFAULT_SCHOOLS, stiff: 'oneLeg' } }).knots.map((k) => k.by);
    expect(by).not.toContain('ownLeg');
  });

  it('strands that cling are not split by insisting', () => {
    const [product] = stiff.products;
    const clings = of({
      ...stiff,
      products: [{ ...product, test: { ...product.test, apart: 'clings' } }],
      schools: { ...DEFAULT_SCHOOLS, stiff: 'oneLeg' },
    });
    expect(oneLeg(clings)).toHaveLength(0);
  });
});
