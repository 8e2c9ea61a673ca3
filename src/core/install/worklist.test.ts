/** The order of work: facts of the trade (common practice, no source). */

import { describe, expect, it } from 'vitest';
import { everyZone, hairOf, NO_CAP, PLAIN_CUT, plainInputs } from '../../../tests/helpers/heads.ts';
import { Planner } from '../../../tests/helpers/planner.ts';
import type { PlanInputs } from '../plan/inputs.ts';
import { DEFAULT_ROWS } from '../rows/choice.ts';
import { DEFAULT_CAP } from '../trade/caps.ts';

const pipeline = new Planner();
const plan = (change: Partial<PlanInputs> = {}) => pipeline.plan(plainInputs(change));
const schools = (change: Partial<PlanInputs['schools']>) => ({ schools: { ...plainInputs().schools, ...change } });
const kinds = (r: ReturnType<typeof plan>) => r.worklist.map((s) => s.kind);

describe('the worklist', () => {
  it('lays every knot once, in order, and its minutes are theirs', () => {
    for (const change of [{}, { cap: NO_CAP }, { rows: { ...DEFAULT_ROWS, secondPass: 'windows' as const } }]) {
      const r = plan(change);
      const ranges = r.worklist.flatMap((s) => (s.knots ? [s.knots] : []));
      let next = 0;
      for (const [from, to] of ranges) {
        expect(from).toBe(next);
        next = to;
      }
      expect(next).toBe(r.knots.length);
      const laying = r.worklist.filter((s) => s.knots).reduce((sum, s) => sum + s.minutes, 0);
      expect(laying).toBeCloseTo(r.time.knotMinutes, 6);
    }
  });

  it('begins with the opening test and ends with filling gaps and trimming', () => {
    const all = kinds(plan());
    expect(all[0]).toBe('prepare');
    expect(all.slice(-2)).toEqual(['finish', 'trim']);
    expect(all).toContain('check');
  });

  it('the border goes back at once, or late: after well over half of the hair', () => {
    const once = plan(schools({ border: 'atOnce' }));
    expect(kinds(once).indexOf('border')).toBeLessThan(kinds(once).indexOf('rows'));
    const late = plan(schools({ border: 'late' }));
    const at = kinds(late).indexOf('border');
    const before = late.worklist.slice(0, at).reduce((sum, s) => sum + (s.knots ? s.knots[1] - s.knots[0] : 0), 0);
    expect(before / late.knots.length).toBeGreaterThan(0.55);
  });

  it('nothing is cut before the corners hold; what is in the cut-out comes after the cut', () => {
    const r = plan({ cap: { ...DEFAULT_CAP, opening: 'cut', openingMm: 100, openingWidthMm: 20 } });
    const cut = kinds(r).indexOf('cut');
    expect(cut).toBeGreaterThan(0);
    const before = Math.max(0, ...r.worklist.slice(0, cut).map((s) => s.knots?.[1] ?? 0));
    expect(before).toBeGreaterThanOrEqual(r.cap.cutAfterKnot);
    r.knots.forEach((k, i) => {
      if (k.onNet === 'cutOut') expect(i).toBeGreaterThanOrEqual(before);
    });
    expect(r.knots.filter((k) => k.onNet === 'cutOut').every((k) => k.through === 'hair')).toBe(true);
    expect(r.knots.some((k) => k.onNet === 'cutOut')).toBe(true);
  });

  it('the surplus of a long U is hooked closed', () => {
    const r = plan({ cap: { ...DEFAULT_CAP, opening: 'stitchedU', openingMm: 160, openingWidthMm: 26 } });
    expect(r.worklist.find((s) => s.kind === 'close')?.how).toMatch(/longer than the part/);
  });

  it('a wig on a block: its top drawn shut first, its last strip after the try-on', () => {
    const r = plan({
      cap: {
        ...DEFAULT_CAP,
        dome: 'openTop',
        filledOn: 'block',
        wig: true,
        wigHolds: ['combs'],
        combs: ['sides'],
        topKept: true,
      },
    });
    expect(kinds(r).indexOf('close')).toBeLessThan(kinds(r).indexOf('rows'));
    const tryOn = kinds(r).indexOf('tryOn');
    const after = r.worklist.slice(tryOn).find((s) => s.knots);
    expect(r.knots[after!.knots![0]].zone).toBe('part');
    expect(r.knots.some((k) => k.kind === 'anchor')).toBe(false);
  });

  it('windows are looked at before they are filled', () => {
    const r = plan({ rows: { ...DEFAULT_ROWS, secondPass: 'windows' } });
    const look = r.worklist.findIndex((s) => /windows/i.test(s.what));
    const second = r.worklist.findIndex((s) => /^Second pass/.test(s.what));
    expect(look).toBeGreaterThan(0);
    expect(look).toBeLessThan(second);
  });

  it('pieces are prepared first, pack by pack, or as they come', () => {
    const split = hairOf({}, { split: 4 });
    const first = plan({ ...split, ...schools({ prepare: 'all' }) });
    const each = plan({ ...split, ...schools({ prepare: 'pieceByPiece' }) });
    expect(first.worklist.filter((s) => s.kind === 'prepare').length).toBeGreaterThan(
      each.worklist.filter((s) => s.kind === 'prepare').length,
    );
    expect(each.time.knotMinutes).toBeGreaterThan(first.time.knotMinutes);
    expect(each.time.totalMinutes).toBeCloseTo(first.time.totalMinutes, 6);
  });

  it('strands opened after hooking are opened at the end; smoothing comes where its school says', () => {
    const opened = { ...PLAIN_CUT, opened: { when: 'after' as const, strands: 1, reach: 0.5 } };
    const r = plan({ cuts: [opened] });
    expect(kinds(r).indexOf('open')).toBeGreaterThan(kinds(r).lastIndexOf('rows'));
    const smooth = { ...PLAIN_CUT, dressed: 'smoothed' as const };
    const heat = hairOf({ heatC: 160, fibre: 'heatProof' });
    const at = (s: 'afterOnePack' | 'middle' | 'end') => {
      const w = plan({ ...heat, cuts: [smooth], ...schools({ smoothing: s }) }).worklist;
      const i = w.findIndex((x) => x.kind === 'smooth');
      return w.slice(0, i).reduce((sum, x) => sum + (x.knots ? x.knots[1] - x.knots[0] : 0), 0);
    };
    expect(at('afterOnePack')).toBeLessThan(at('middle'));
    expect(at('middle')).toBeLessThan(at('end'));
  });
});

describe('back to front', () => {
  it('open places are laid from back to front, so each covers the last (common practice)', () => {
    const r = plan(schools({ exposed: 'backToFront' }));
    const row = r.rows.find((_, i) => r.knots.some((k) => k.row === i && k.exposed))!;
    const depth = r.knots.slice(row.firstKnot, row.firstKnot + row.knotCount).map((k) => k.zMm);
    expect(depth).toEqual([...depth].sort((a, b) => a - b));
    expect(r.knots.filter((k) => k.exposed).every((k) => k.hookWords === 'back')).toBe(true);
  });
});

describe('supply of several cuts', () => {
  it('fractions of packs that cuts take are put together, and lower halves come from the upper ones', () => {
    const quarter = { ...PLAIN_CUT, id: 'quarter', split: 4 as const };
    const pieces = { ...everyZone('whole'), part: { cut: 'quarter' }, faceEdge: { cut: 'quarter' } };
    const r = plan({ cuts: [PLAIN_CUT, quarter], pieces });
    const whole = r.knots.filter((k) => k.cut === 'whole').length;
    const fine = r.knots.length - whole;
    expect(fine).toBeGreaterThan(5);
    const reserve = (n: number) => n + Math.ceil(0.15 * n - 1e-9);
    expect(r.supply.packs).toBe(Math.ceil(reserve(whole) / 40 + reserve(fine) / 160));
    expect(r.load.massG).toBeCloseTo(whole * 1.5 + (fine * 1.5) / 4, 6);
  });

  it('mixed pieces come in turn', () => {
    const half = { ...PLAIN_CUT, id: 'half', half: true };
    const pieces = { ...everyZone('whole'), top: { cut: 'whole', mixed: { cut: 'half', every: 3 } } };
    const top = plan({ cuts: [PLAIN_CUT, half], pieces }).knots.filter((k) => k.pieceZone === 'top');
    expect(top.map((k) => k.cut).slice(0, 6)).toEqual(['whole', 'whole', 'half', 'whole', 'whole', 'half']);
  });
});
