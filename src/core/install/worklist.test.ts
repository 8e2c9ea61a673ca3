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

  const laidBefore = (r: ReturnType<typeof plan>, step: number) =>
    Math.max(0, ...r.worklist.slice(0, step).map((s) => s.knots?.[1] ?? 0));

  it('a part that is cut open: all else is filled first and the corners hold, then the net is opened, then margin and cut-out', () => {
    const r = plan({ cap: { ...DEFAULT_CAP, opening: 'cut', openingMm: 100, openingWidthMm: 20 } });
    const cut = kinds(r).indexOf('cut');
    const laid = laidBefore(r, cut);
    expect(laid).toBeGreaterThanOrEqual(r.cap.cutAfterKnot);
    r.knots.forEach((k, i) => {
      expect(i >= laid).toBe(k.onNet === 'cutOut' || k.onNet === 'margin');
    });
    expect(r.knots.filter((k) => k.onNet === 'cutOut').every((k) => k.through === 'hair')).toBe(true);
    expect(r.knots.some((k) => k.onNet === 'cutOut')).toBe(true);
    expect(r.rows.filter((row) => row.opened).every((row) => row.firstKnot >= laid)).toBe(true);
  });

  it('a stitched U is hooked along its line before it is cut, and what is too long hooked closed last', () => {
    const r = plan({ cap: { ...DEFAULT_CAP, opening: 'stitchedU', openingMm: 160, openingWidthMm: 26 } });
    const cut = kinds(r).indexOf('cut');
    const laid = laidBefore(r, cut);
    r.knots.forEach((k, i) => {
      if (k.onNet === 'margin') expect(i).toBeLessThan(laid);
      if (k.onNet === 'cutOut') expect(i).toBeGreaterThanOrEqual(laid);
    });
    expect(r.knots.some((k) => k.onNet === 'margin')).toBe(true);
    const close = r.worklist.findIndex((s) => s.kind === 'close');
    expect(r.worklist[close].how).toMatch(/longer than the part/);
    expect(laidBefore(r, close)).toBe(r.knots.length);
  });

  it('an opening renames no knot and moves none', () => {
    const ids = (r: ReturnType<typeof plan>) => r.knots.map((k) => `${k.id} ${k.xMm.toFixed(6)}`).sort();
    expect(ids(plan({ cap: { ...DEFAULT_CAP, opening: 'cut', openingMm: 100, openingWidthMm: 30 } }))).toEqual(
      ids(plan()),
    );
  });

  it('each place is held when the row that reaches it is done, with windows too; the nape with the first rows', () => {
    for (const secondPass of ['none', 'windows'] as const) {
      const r = plan({ rows: { ...DEFAULT_ROWS, secondPass } });
      const nape = r.cap.anchors.find((a) => a.place === 'nape');
      expect(nape?.afterKnot).toBeGreaterThan(0);
      expect(r.knots.slice(0, nape?.afterKnot).every((k) => k.row < 5)).toBe(true);
      const firstPass = r.knots.findIndex((k) => r.rows[k.row].second);
      for (const a of r.cap.anchors)
        expect(a.afterKnot).toBeLessThanOrEqual(firstPass < 0 ? r.knots.length : firstPass);
    }
  });

  it('on a block nothing is pinned to a head and no hair is in the bite; it is held when it is put on', () => {
    const block = { ...DEFAULT_CAP, filledOn: 'block' as const, combs: ['sides' as const, 'nape' as const] };
    const r = plan({ cap: block });
    for (const k of r.knots) expect([k.through, k.kind === 'anchor']).toEqual(['net', false]);
    const worn = r.worklist.findIndex((s) => s.what === 'Put it on over the base');
    expect(worn).toBeGreaterThan(kinds(r).lastIndexOf('rows'));
    expect(kinds(r).slice(0, worn)).not.toContain('anchor');
    expect(kinds(r).slice(worn)).toContain('anchor');
    const wig = plan({ cap: { ...block, wig: true, wigHolds: ['combs'] } });
    expect(kinds(wig)).not.toContain('anchor');
    expect(wig.worklist.at(-1)?.how).toMatch(/What holds it: combs/);
    for (const s of [...r.worklist, ...wig.worklist]) expect(s.how).not.toMatch(/corners hold/);
  });

  it('packs are opened one after the other, each once, whatever cuts and products are mixed', () => {
    const half = { ...PLAIN_CUT, id: 'half', half: true };
    const quarter = { ...PLAIN_CUT, id: 'quarter', split: 4 as const };
    const pieces = {
      ...everyZone('whole'),
      top: { cut: 'quarter' },
      back: { cut: 'whole', mixed: { cut: 'half', every: 2 as const } },
    };
    const r = plan({ ...schools({ prepare: 'packByPack' }), cuts: [PLAIN_CUT, half, quarter], pieces });
    let open = 1;
    let used = 0;
    for (const k of r.knots) {
      expect(k.piece.pack === open || k.piece.pack === open + 1).toBe(true);
      open = k.piece.pack;
      used += 1 / (k.cut === 'quarter' ? 160 : 40);
      // A pack gives what its cuts take of it: a share of a piece may go over its end.
      expect(used).toBeLessThanOrEqual(open + 1e-9 + 1 / 40);
    }
    const opened = r.worklist.flatMap((s) => /open pack (\d+)/.exec(s.what)?.[1] ?? []);
    expect(opened).toEqual(Array.from({ length: open - 1 }, (_, i) => String(i + 2)));
  });

  it('rows are numbered as they are worked, and none is without knots', () => {
    for (const change of [
      {},
      { rows: { ...DEFAULT_ROWS, secondPass: 'windows' as const } },
      { part: { kind: 'swept' as const } },
    ]) {
      const r = plan(change);
      const first = r.rows.filter((row) => !row.second && row.kind !== 'front');
      expect(first.map((row) => row.label)).toEqual(first.map((_, i) => String(i + 1)));
      for (const row of r.rows) expect(row.knotCount).toBeGreaterThan(0);
      for (const row of r.rows) if (row.second) expect(row.label).toMatch(/^\d+, windows$/);
    }
  });

  it('a step names only what this plan does', () => {
    const r = plan(hairOf({}, { split: 2 }));
    const words = r.worklist.map((s) => `${s.what} ${s.how}`).join(' ');
    expect(words).not.toMatch(/cut in half|smooth|open the strands|uncut/i);
    expect(words).not.toMatch(/\b1 (anchors|pieces|combs|pins|knots|rows)\b/);
    expect(
      plan({ ...hairOf({}, { half: true }), ...schools({ prepare: 'all' }) })
        .worklist.map((s) => s.how)
        .join(' '),
    ).toMatch(/Hook two at full length/);
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
    const second = r.worklist.findIndex((s) => /, windows,/.test(s.what));
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

describe('hours', () => {
  it('grow with what is done, by common practice: 35 thick pieces on a block under half an hour, 150 on a head about an hour, base apart (no source)', () => {
    const practised = { pace: 'practised' as const };
    const block = plan({
      ...practised,
      ...hairOf({ texture: 'coil', piecesPerPack: 12, packMassG: 40 }),
      cap: { ...DEFAULT_CAP, filledOn: 'block', wig: true, topKept: false },
      spacing: { said: 'centres', fingers: { part: 2.5, top: 2.5, back: 2.5, nape: 2.5, faceEdge: 2.5 } },
    });
    expect(block.knots.length).toBeLessThan(45);
    expect(block.time.totalMinutes - block.time.baseMinutes).toBeLessThan(30);
    const head = plan({
      ...practised,
      spacing: { said: 'centres', fingers: { part: 1.2, top: 1.2, back: 1.2, nape: 1.2, faceEdge: 1.2 } },
    });
    const per150 = (150 / head.knots.length) * (head.time.totalMinutes - head.time.baseMinutes);
    expect(per150).toBeGreaterThan(45);
    expect(per150).toBeLessThan(85);
  });

  it('smoothing a long straight head takes about an hour (common practice, no source)', () => {
    const long = hairOf(
      { texture: 'straight', lengthMm: 500, packMassG: 60, piecesPerPack: 40, heatC: 160, fibre: 'heatProof' },
      { dressed: 'smoothed' },
    );
    const r = plan({
      ...long,
      spacing: { said: 'centres', fingers: { part: 1.2, top: 1.2, back: 1.2, nape: 1.2, faceEdge: 1.2 } },
    });
    const smooth = r.worklist.filter((s) => s.kind === 'smooth').reduce((sum, s) => sum + s.minutes, 0);
    expect((smooth * 200) / r.load.massG).toBeGreaterThan(45);
    expect((smooth * 200) / r.load.massG).toBeLessThan(80);
  });
});
