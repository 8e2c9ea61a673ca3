/** Stages and dressings in the order of work: where each comes, how long it takes, and what waiting is. Trade: common practice, no source. */
import { describe, expect, it } from 'vitest';
import { hairOf, plainInputs } from '../../../tests/helpers/heads.ts';
import { Planner } from '../../../tests/helpers/planner.ts';
import { DEFAULT_BASE } from '../base/choice.ts';
import type { Preparation } from '../hair/preparation.ts';
import { spacingStep } from '../plan/ask/spacing-step.ts';
import type { PlanInputs } from '../plan/inputs.ts';
import { DEFAULT_ROWS } from '../rows/choice.ts';
import { DEFAULT_CAP } from '../trade/caps.ts';
import { DEFAULT_SCHOOLS } from '../trade/schools.ts';
import { STEP_INFO } from '../trade/steps.ts';
import type { StrandJob } from '../trade/strands.ts';

const planner = new Planner();
const of = (change: Partial<PlanInputs> = {}) => planner.plan(plainInputs(change));
type Result = ReturnType<typeof of>;
const coil = (cut: Partial<Preparation>) =>
  hairOf({ texture: 'coil', strandsPerPiece: 6, fibre: 'heatProof', heatC: 160 }, cut);
const step = (r: Result, words: RegExp) => r.worklist.findIndex((s) => words.test(s.what));
const lastRows = (r: Result) => r.worklist.map((s) => s.kind).lastIndexOf('rows');
const minutes = (r: Result, kind: string) =>
  r.worklist.filter((s) => s.kind === kind).reduce((sum, s) => sum + s.minutes, 0);

describe('opened', () => {
  const opened = (when: Preparation['opened']['when']) => of(coil({ opened: { when, strands: 1, reach: 0.6 } }));

  it('half before: half of the work before the first knot, the rest after the last, as much as in one go', () => {
    const half = opened('halfBefore');
    const before = opened('before');
    const after = opened('after');
    const plain = opened('never');
    const prepared = (r: Result) => minutes(r, 'prepare') - minutes(plain, 'prepare');
    expect(Math.abs(prepared(half) - prepared(before) / 2)).toBeLessThanOrEqual(1);
    expect(Math.abs(minutes(half, 'open') - minutes(after, 'open') / 2)).toBeLessThanOrEqual(1);
    expect(step(half, /^Open the rest of/)).toBeGreaterThan(lastRows(half));
    // Worn alike.
    expect(half.piece.widthFactor).toBe(after.piece.widthFactor);
  });

  it('pack one once it is in, then the rest: nobody opens in the middle of a row', () => {
    const r = opened('afterPackOne');
    const first = step(r, /^Open what is in of/);
    const rest = step(r, /^Open the rest of/);
    expect(first).toBeGreaterThan(0);
    expect(first).toBeLessThan(lastRows(r));
    expect(rest).toBeGreaterThan(lastRows(r));
    const laid = r.worklist[first - 1].knots?.[1] ?? r.worklist.slice(0, first).findLast((s) => s.knots)?.knots?.[1];
    expect(laid).toBeGreaterThanOrEqual(r.piece.perPack);
    expect(r.rows.some((row) => row.firstKnot + row.knotCount === laid)).toBe(true);
    expect(Math.abs(minutes(r, 'open') - minutes(opened('after'), 'open'))).toBeLessThanOrEqual(1);
  });

  it('before opening it looks half as opened as half of it is', () => {
    const narrow = (when: Preparation['opened']['when'], age: 'finished' | 'beforeOpening') =>
      planner.look({ inputs: plainInputs(coil({ opened: { when, strands: 1, reach: 0.6 } })), age }).hiddenShare;
    expect(narrow('halfBefore', 'beforeOpening')).toBeGreaterThan(narrow('after', 'beforeOpening'));
    expect(narrow('halfBefore', 'beforeOpening')).toBeLessThan(narrow('halfBefore', 'finished'));
  });
});

describe('two dressings', () => {
  const r = of({
    ...coil({ dressed: 'smoothed', dressedAgain: 'set' }),
    schools: { ...DEFAULT_SCHOOLS, smoothing: 'middle' },
  });

  it('one after the other, the second once all is in', () => {
    const first = step(r, /smoothed with serum/);
    const second = step(r, /set on rollers/);
    expect(first).toBeLessThan(lastRows(r));
    expect(second).toBeGreaterThan(lastRows(r));
    expect(r.worklist[second].how).toMatch(/After it was smoothed/);
  });

  it('length and width are what both make of it', () => {
    const one = of(coil({ dressed: 'smoothed' })).piece;
    const other = of(coil({ dressed: 'set' })).piece;
    const plain = of(coil({})).piece;
    expect(r.piece.lengthMm).toBeCloseTo((one.lengthMm * other.lengthMm) / plain.lengthMm, 9);
    expect(r.piece.widthFactor).toBeCloseTo(one.widthFactor * other.widthFactor, 9);
  });

  it('heat is asked for either of them', () => {
    const cold = { texture: 'coil' as const, fibre: 'plain' as const, heatC: 0 };
    const codes = (cut: Partial<Preparation>) => of(hairOf(cold, cut)).findings.map((f) => f.code);
    expect(codes({ dressedAgain: 'smoothed' })).toContain('hair.noHeat');
    expect(codes({ dressedAgain: 'plaited' })).not.toContain('hair.noHeat');
  });
});

it('added lengths are plaited: half a minute to two for each, narrower and a little shorter', () => {
  const r = of(coil({ dressed: 'plaited' }));
  expect(r.piece.secondsDressing).toBeGreaterThan(20);
  expect(r.piece.secondsDressing).toBeLessThan(120);
  expect(r.piece.widthFactor).toBeLessThan(0.7);
  expect(step(r, /plaited to the ends/)).toBeGreaterThan(0);
});

it('ends cut off before: shorter and lighter by as much, at once', () => {
  const whole = of(coil({})).piece;
  const cut = of(coil({ endsOffMm: 50 })).piece;
  expect(whole.lengthMm - cut.lengthMm).toBeCloseTo(50, 9);
  expect(cut.massG / whole.massG).toBeCloseTo(cut.lengthMm / whole.lengthMm, 9);
  expect(cut.secondsBefore).toBeGreaterThan(whole.secondsBefore);
});

describe('waiting', () => {
  const finish = { ...plainInputs().finish, setMinutes: 25 };
  it('is told beside the hours: hands are free', () => {
    const r = of({ finish });
    const plain = of();
    const at = step(r, /^Tie it down/);
    expect(r.worklist[at]).toMatchObject({ kind: 'set', waitMinutes: 25 });
    expect(r.time.waitingMinutes).toBe(25);
    expect(r.time.totalMinutes - plain.time.totalMinutes).toBeLessThan(5);
    expect(plain.time.waitingMinutes).toBe(0);
    expect(at).toBeGreaterThan(step(r, /^Separate/));
    expect(at).toBeLessThan(step(r, /^Trim/));
  });
});

it('the surplus of a cap is tied once it is on, and cut once all is in', () => {
  const r = of({ cap: { ...DEFAULT_CAP, surplus: true } });
  const tied = step(r, /tie it off$/);
  const cut = step(r, /^Cut off the surplus/);
  expect(tied).toBe(step(r, /^Put the cap on/) + 1);
  expect(cut).toBeGreaterThan(lastRows(r));
  expect(step(of(), /surplus|tie it off/)).toBe(-1);
});

describe('a leave-out', () => {
  const strip = (atEnd: 'stay' | 'widen' | 'cutDown', where: 'none' | 'front' = 'front') =>
    of({ base: { ...DEFAULT_BASE, leftOut: { where, fingers: 0.75, atEnd } } });
  it('is widened or cut at the end, or left; where there is none nothing is', () => {
    expect(step(strip('widen'), /^Free the leave-out wider$/)).toBeGreaterThan(lastRows(strip('widen')));
    expect(step(strip('cutDown'), /^Cut the leave-out/)).toBeGreaterThan(0);
    expect(step(strip('stay'), /leave-out/)).toBe(-1);
    expect(step(strip('widen', 'none'), /leave-out/)).toBe(-1);
  });
});

it('trimmed before: every piece cut to its length before the cap goes on, and only strays after', () => {
  const finish = { ...plainInputs().finish, outline: 'layers' as const, reachMm: 200 };
  const before = of({ finish, schools: { ...DEFAULT_SCHOOLS, trim: 'before' } });
  const after = of({ finish, schools: { ...DEFAULT_SCHOOLS, trim: 'sameDay' } });
  expect(step(before, /^Cut the pieces/)).toBeLessThan(step(before, /^Put the cap on/));
  expect(step(after, /^Cut the pieces/)).toBe(-1);
  expect(before.worklist.at(-1)?.minutes).toBeLessThan(after.worklist.at(-1)?.minutes ?? 0);
});

describe('strands with a job', () => {
  const jobs = (job: StrandJob, count: number, change: Partial<PlanInputs> = {}) =>
    of({ ...change, strands: [{ id: 'j1', job, cut: 'whole', count }] });
  const puff = {
    base: { ...DEFAULT_BASE, family: 'puff' as const },
    rows: { ...DEFAULT_ROWS, scheme: 'fromTie' as const },
  };

  it('a puff is braced before the first row, a tie wrapped after the last; one piece each (common practice)', () => {
    const braced = jobs('bracePuff', 1, puff);
    expect(braced.worklist[step(braced, /^Brace the puff or coil with one piece$/)].kind).toBe('strand');
    expect(step(braced, /^Brace/)).toBeLessThan(braced.worklist.findIndex((s) => s.kind === 'rows'));
    const wrapped = jobs('wrapTie', 1, puff);
    expect(step(wrapped, /^Wrap the tie with one piece$/)).toBeGreaterThan(lastRows(wrapped));
  });

  it('a handful closes a top, in place of the knots that would', () => {
    const cap = { ...DEFAULT_CAP, dome: 'openTop' as const };
    const plain = of({ cap });
    expect(step(plain, /^Draw the open top shut$/)).toBeGreaterThan(0);
    const r = jobs('closeTop', 6, { cap });
    expect(step(r, /^Close the open top with 6 pieces$/)).toBe(step(plain, /^Draw the open top shut$/));
    expect(step(r, /^Draw the open top shut$/)).toBe(-1);
  });

  it('counts: in pieces, in packs, in minutes', () => {
    const plain = of(puff);
    const many = jobs('wrapTie', 40, puff);
    expect(many.supply.pieces).toBe(plain.supply.pieces + 40);
    expect(many.supply.packs).toBeGreaterThan(plain.supply.packs);
    expect(many.knots).toEqual(plain.knots);
    expect(many.load.massG - plain.load.massG).toBeCloseTo(40 * plain.piece.massG, 9);
    // They are worn, and hang on no section more than on another.
    expect(many.load.sections).toEqual(plain.load.sections);
    expect(many.time.totalMinutes).toBeGreaterThan(plain.time.totalMinutes + 30);
  });

  it('a step of spacing has as many of them as before', () => {
    const step = (strands: PlanInputs['strands']) =>
      spacingStep(planner.graph, plainInputs({ ...puff, strands })).wider?.pieces ?? 0;
    expect(step([{ id: 'j1', job: 'wrapTie', cut: 'whole', count: 30 }])).toBe(step([]) + 30);
  });

  it('a job that is not there is said', () => {
    const codes = (r: Result) => r.findings.map((f) => f.code);
    expect(codes(jobs('closeTop', 3))).toContain('strands.noJob');
    expect(codes(jobs('closeTop', 3, { cap: { ...DEFAULT_CAP, dome: 'openTop' } }))).not.toContain('strands.noJob');
    expect(codes(jobs('bracePuff', 1))).toContain('strands.noJob');
    expect(codes(jobs('bracePuff', 1, puff))).not.toContain('strands.noJob');
    expect(codes(jobs('wrapTie', 1))).not.toContain('strands.noJob');
    expect(codes(jobs('wrapTie', 1, { base: { ...DEFAULT_BASE, family: 'laidFlat' } }))).toContain('strands.noJob');
  });

  it('each is shown where it does it', () => {
    expect(jobs('closeTop', 3).strands[0].atMm).toEqual(of().head.landmarks.crown);
    const [at] = jobs('wrapTie', 1, puff).strands;
    expect(at.atMm).toEqual(of(puff).base.sections.find((s) => s.role === 'base')?.tieMm);
  });
});

it('every step says what to have ready; what can go wrong and hurt is said at its kind', () => {
  const r = of({
    ...coil({ dressed: 'smoothed', opened: { when: 'after', strands: 1, reach: 0.5 } }),
    finish: { ...plainInputs().finish, setMinutes: 10 },
  });
  for (const s of r.worklist) {
    expect(s.tools).toEqual(STEP_INFO[s.kind].tools);
    // Said once, at the first of its kind.
    const isFirst = r.worklist.find((other) => other.kind === s.kind) === s;
    expect([s.wrong, s.caution]).toEqual(
      isFirst ? [STEP_INFO[s.kind].wrong, STEP_INFO[s.kind].caution] : [undefined, undefined],
    );
    expect(s.waitMinutes).toBeGreaterThanOrEqual(0);
  }
  expect(r.worklist.find((s) => s.kind === 'smooth')?.caution).toMatch(/test on your wrist/);
});
