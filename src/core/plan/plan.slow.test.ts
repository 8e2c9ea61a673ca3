/** The whole chain: properties on random plans, trade facts, memory of stages, findings. */

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arbitraryPart, hairOf, NO_CAP, PLAIN_HAIR, plainInputs } from '../../../tests/helpers/heads.ts';
import { Planner } from '../../../tests/helpers/planner.ts';
import type { Mark } from '../head/marks.ts';
import { standings } from '../head/norms.ts';
import type { Region } from '../trade/marks.ts';
import { headScene } from './ask/scene.ts';
import type { PlanInputs } from './inputs.ts';

const even = (fingers: number, said: 'centres' | 'clear' = 'centres'): PlanInputs['spacing'] => ({
  said,
  fingers: { part: fingers, top: fingers, back: fingers, nape: fingers, faceEdge: fingers },
});
const pipeline = new Planner();
const tender = (region: Region): Mark => ({ kind: 'tender', erase: false, place: { region } });
const count = (inputs: PlanInputs) => pipeline.plan(inputs).knots.length;

describe('properties', () => {
  it('more spacing never needs more pieces beyond one row’s rounding', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.7, max: 1.8, noNaN: true }),
        fc.double({ min: 0.05, max: 0.8, noNaN: true }),
        arbitraryPart,
        (fingers, more, part) => {
          const narrow = pipeline.plan(plainInputs({ spacing: even(fingers), part }));
          const wide = pipeline.plan(plainInputs({ spacing: even(fingers + more), part }));
          const longestRow = Math.max(...narrow.rows.map((r) => r.knotCount));
          expect(wide.knots.length).toBeLessThanOrEqual(narrow.knots.length + longestRow);
        },
      ),
      { seed: 111, numRuns: 25, endOnFailure: true },
    );
  });

  it('mirroring the part mirrors the plan, knot for knot', () => {
    fc.assert(
      fc.property(arbitraryPart, (part) => {
        const mirror = { ...part, frontMm: -part.frontMm, endMm: -part.endMm, bendMm: -part.bendMm };
        const a = pipeline.plan(plainInputs({ part, marks: [tender('temples')] }));
        const b = pipeline.plan(plainInputs({ part: mirror, marks: [tender('temples')] }));
        expect(b.knots).toHaveLength(a.knots.length);
        expect(b.supply).toEqual(a.supply);
        expect(b.time).toEqual(a.time);
        a.rows.forEach((row, r) => {
          const other = b.rows[r];
          expect(other.startMm).toBeCloseTo(-row.endMm, 6);
          for (let i = 0; i < row.knotCount; i++) {
            const k = a.knots[row.firstKnot + i];
            const m = b.knots[other.firstKnot + other.knotCount - 1 - i];
            expect([m.xMm, m.yMm, m.zMm]).toEqual([
              expect.closeTo(-k.xMm, 9),
              expect.closeTo(k.yMm, 9),
              expect.closeTo(k.zMm, 9),
            ]);
            expect([m.kind, m.wraps, m.through, m.zone]).toEqual([k.kind, k.wraps, k.through, k.zone]);
            expect(m.hook[0]).toBeCloseTo(-k.hook[0], 9);
          }
        });
      }),
      { seed: 112, numRuns: 40, endOnFailure: true },
    );
  });

  it('says left where the mirrored plan says right', () => {
    const part = { kind: 'line', frontMm: 40, endMm: 30, lengthMm: 110, bendMm: 5 } as const;
    const a = pipeline.plan(plainInputs({ part }));
    const b = pipeline.plan(plainInputs({ part: { ...part, frontMm: -40, endMm: -30, bendMm: -5 } }));
    const swap = (words: string) => words.replace(/left|right/g, (w) => (w === 'left' ? 'right' : 'left'));
    const last = a.rows.at(-1)!;
    const k = a.knots[last.firstKnot];
    const m = b.knots[b.rows.at(-1)!.firstKnot + last.knotCount - 1];
    expect(m.where.words).toBe(swap(k.where.words));
    expect(m.hookWords).toBe(swap(k.hookWords));
  });

  it('the same input gives the same output, also from another pipeline', () => {
    const inputs = plainInputs({ meshFrequency: 20 });
    const strip = (r: ReturnType<Planner['plan']>) => JSON.stringify([r.knots, r.supply, r.time, r.load, r.findings]);
    expect(strip(new Planner().plan(inputs))).toBe(strip(new Planner().plan(inputs)));
  });

  it('every knot is in one row, has its own id, place, reason and piece', () => {
    const r = pipeline.plan(plainInputs());
    expect(new Set(r.knots.map((k) => k.id)).size).toBe(r.knots.length);
    expect(r.rows.reduce((s, row) => s + row.knotCount, 0)).toBe(r.knots.length);
    r.rows.forEach((row, i) => {
      r.knots.slice(row.firstKnot, row.firstKnot + row.knotCount).forEach((k, j) => {
        expect([k.row, k.place]).toEqual([i, j + 1]);
        expect(k.fromMiddleMm).toBeGreaterThanOrEqual(row.startMm - 1e-6);
        expect(k.fromMiddleMm).toBeLessThanOrEqual(row.endMm + 1e-6);
      });
    });
    r.knots.forEach((k, i) => {
      expect((k.piece.pack - 1) * r.supply.piecesPerPack + k.piece.number).toBe(i + 1);
      expect(k.where.words.length).toBeGreaterThan(10);
    });
  });

  it('ids stay when one zone far away changes', () => {
    const a = pipeline.plan(plainInputs());
    const b = pipeline.plan(
      plainInputs({
        spacing: { ...plainInputs().spacing, fingers: { ...plainInputs().spacing.fingers, faceEdge: 0.75 } },
      }),
    );
    const at = new Map(b.knots.map((k) => [k.id, k]));
    const first = a.knots.filter((k) => k.row < 3);
    // Knots along all rows move together, so that there are as many as asked for, and a row may gain or lose one.
    const moved = first.flatMap(({ id, fromMiddleMm }) => {
      const other = at.get(id);
      return other ? [Math.abs(other.fromMiddleMm - fromMiddleMm)] : [];
    });
    expect(moved.length).toBeGreaterThanOrEqual(first.length - 2);
    expect(moved.toSorted((x, y) => x - y)[moved.length >> 1]).toBeLessThan(9);
  });
});

describe('trade facts (common practice, no source)', () => {
  it('thick pieces with a clear gap of one to one and a half fingers take 50 to 110 over an average head', () => {
    const thick = hairOf({ packMassG: 120 });
    for (const fingers of [1, 1.25, 1.5]) {
      const n = count(plainInputs({ ...thick, spacing: even(fingers, 'clear') }));
      expect(n).toBeGreaterThanOrEqual(50);
      expect(n).toBeLessThanOrEqual(115);
    }
  });

  it('fine ones closer than a finger take 150 and more', () => {
    expect(count(plainInputs({ spacing: even(0.95) }))).toBeGreaterThan(150);
  });

  it('halving the spacing about quadruples the count', () => {
    const ratio = count(plainInputs({ spacing: even(0.75) })) / count(plainInputs({ spacing: even(1.5) }));
    expect(ratio).toBeGreaterThan(3.3);
    expect(ratio).toBeLessThan(4.8);
  });

  it('centre to centre and clear gap differ by a knot’s width', () => {
    const inputs = plainInputs({ spacing: even(1, 'clear') });
    const said = pipeline.spacing(inputs);
    expect(said.mm.gapMm - 18).toBeCloseTo(pipeline.plan(inputs).piece.knotWidthMm, 9);
    expect(count(plainInputs({ spacing: even(1) }))).toBeGreaterThan(1.5 * count(inputs));
  });

  it('one-leg knots lie beside the part, anchors at the edge', () => {
    const r = pipeline.plan(plainInputs());
    const oneLeg = r.knots.filter((k) => k.kind === 'oneLeg');
    expect(oneLeg.length).toBeGreaterThan(8);
    for (const k of oneLeg) expect(k.exposed).toBe(true);
    const head = pipeline.head(plainInputs());
    const anchors = r.knots.filter((k) => k.kind === 'anchor');
    expect(anchors.length).toBeGreaterThanOrEqual(4);
    expect(anchors.every((k) => k.through === 'border')).toBe(true);
    expect(head.mesh.vertexCount).toBe(r.head.meshVertices);
  });
});

describe('a step of spacing', () => {
  it('is the plan a quarter finger closer and wider, worked out, not guessed', () => {
    const inputs = plainInputs({ spacing: even(1.25) });
    const step = pipeline.spacingStep(inputs);
    expect(step.tighter?.pieces).toBe(count(plainInputs({ spacing: even(1) })));
    expect(step.wider?.pieces).toBe(count(plainInputs({ spacing: even(1.5) })));
    expect(step.wider!.packs).toBeLessThanOrEqual(step.tighter!.packs);
  });

  it('keeps within what a plan may hold: a nape as wide as it gets stays, where all are it is no step', () => {
    const fingers = { part: 1, top: 1.25, back: 2.75, nape: 4, faceEdge: 1.25 };
    const step = pipeline.spacingStep(plainInputs({ spacing: { said: 'centres', fingers } }));
    expect(step.wider?.fingers).toEqual({ part: 1.25, top: 1.5, back: 3, nape: 4, faceEdge: 1.5 });
    expect(step.wider?.pieces).toBe(count(plainInputs({ spacing: { said: 'centres', fingers: step.wider!.fingers } })));
    expect(pipeline.spacingStep(plainInputs({ spacing: even(4) })).wider).toBeUndefined();
  });

  it('stops where no head holds more', () => {
    expect(pipeline.spacingStep(plainInputs({ spacing: even(0.5) })).tighter).toBeUndefined();
  });
});

describe('findings', () => {
  const codes = (change: Partial<PlanInputs>) => pipeline.plan(plainInputs(change)).findings.map((f) => f.code);

  it('a plain plan has none but notes', () => {
    expect(pipeline.plan(plainInputs()).findings.filter((f) => f.severity !== 'note')).toEqual([]);
  });

  it.each<[string, Partial<PlanInputs>]>([
    ['measure.contradictory', { tape: { ...plainInputs().tape, girth: 615 } }],
    [
      'measure.impossible',
      {
        tape: {
          girth: 700,
          frontToNape: 300,
          earToEarTop: 400,
          earToEarFront: 200,
          templeToTemple: 500,
          napeWidth: 60,
        },
      },
    ],
    ['measure.estimated', { tape: { girth: 560 } }],
    ['spacing.crowded', { spacing: even(0.5), ...hairOf({ packMassG: 200 }) }],
    ['hold.smoothUnheld', { cap: NO_CAP, ...hairOf({ texture: 'straight' }), spacing: even(1) }],
    ['supply.noReserve', { reserveShare: 0, ...hairOf({ piecesPerPack: 1 }) }],
    ['knot.loopStays', hairOf({ loop: 'ring', loopComesOff: false })],
    ['tender.throughHair', { marks: [tender('nape')] }],
    ['hair.splitTooFine', { ...hairOf({}, { split: 8 }), spacing: even(0.6) }],
    ['base.tooShort', { ownHair: { ...PLAIN_HAIR, lengthMm: 40, strand: 'fine', fullness: 'thin' } }],
    ['hair.latex', hairOf({ loop: 'slidingBand', loopComesOff: true })],
  ])('%s is found', (code, change) => {
    expect(codes(change)).toContain(code);
  });

  it('with one measure or two none is called wrong: unusual, or not together', () => {
    const told = (tape: PlanInputs['tape']) => pipeline.plan(plainInputs({ tape })).findings;
    const one = told({ girth: 480 });
    expect(one.find((f) => f.code === 'measure.unusual')?.what).toBe('Unusual: read it again.');
    const two = told({ girth: 600, earToEarTop: 260 });
    expect(two.find((f) => f.code === 'measure.unusual')?.what).toBe('These two don’t go together.');
    for (const findings of [one, two]) expect(findings.map((f) => f.code)).not.toContain('measure.contradictory');
    expect(pipeline.plan(plainInputs({ tape: { girth: 480 } })).head.fit.measures[0].fittedMm).toBeLessThan(490);
  });

  it('while nothing is measured nothing is ranked; the head then stands at 64, 78 and 77 of 100 women (Gordon et al. 1989, from memory)', () => {
    expect(pipeline.plan(plainInputs({ tape: {} })).head.standings).toEqual([]);
    const { shape, girthMm } = pipeline.head(plainInputs({ tape: {} }));
    expect(standings(shape, girthMm).map((s) => s.ofWomen)).toEqual([64, 78, 77]);
  });

  it('the face edge closer lays more knots there, and what is left out is told', () => {
    const at = (faceEdge: number) =>
      pipeline.plan(
        plainInputs({ spacing: { said: 'centres', fingers: { part: 1, top: 1.25, back: 1.25, nape: 1.5, faceEdge } } }),
      );
    const [wide, close] = [at(1), at(0.5)];
    const edge = (r: typeof wide) => r.knots.filter((k) => k.zone === 'faceEdge').length;
    expect(edge(close)).toBeGreaterThan(edge(wide));
    for (const r of [wide, close])
      expect(r.findings.some((f) => f.code === 'rows.leftOut')).toBe(r.rowScheme.thinnedOutKnots > 0);
  });

  it('a part that leaves the head is ended there, and it is said', () => {
    const off = pipeline.plan(
      plainInputs({ part: { kind: 'line', frontMm: 50, endMm: 50, lengthMm: 330, bendMm: 35 } }),
    );
    expect(off.findings.map((f) => f.code)).toContain('rows.partOffHead');
    expect(off.part.lengthMm).toBeLessThan(330);
    expect(pipeline.plan(plainInputs()).findings.map((f) => f.code)).not.toContain('rows.partOffHead');
  });

  it('absurd hair stops with a sentence; more knots than anyone hooks are refused', () => {
    const stops = (change: Partial<PlanInputs>) =>
      pipeline
        .plan(plainInputs(change))
        .findings.filter((f) => f.severity === 'stop')
        .map((f) => f.code);
    expect(stops(hairOf({ piecesPerPack: 1, packMassG: 900 }))).toEqual(['hair.absurdPiece', 'hair.absurdMass']);
    expect(stops(hairOf({ piecesPerPack: 1000, packMassG: 10 }))).toEqual(['hair.absurdPiece']);
    expect(stops({})).toEqual([]);
    const closest = { part: 0.35, top: 0.35, back: 0.35, nape: 0.35, faceEdge: 0.35 };
    expect(() => pipeline.plan(plainInputs({ spacing: { said: 'centres', fingers: closest } }))).toThrow(
      /nobody hooks more than 1500/,
    );
  });

  it('one reading far off is named with its fix, not the whole head refused', () => {
    const r = pipeline.plan(plainInputs({ tape: { ...plainInputs().tape, earToEarTop: 400 } }));
    expect(r.head.fit.chiSquare).toBeGreaterThan(30);
    expect(r.findings.map((f) => f.code)).toContain('measure.contradictory');
    expect(r.findings.map((f) => f.code)).not.toContain('measure.impossible');
  });

  it('locks end the worry about smooth hair without a net', () => {
    const locked = {
      cap: NO_CAP,
      ...hairOf({ texture: 'straight', loop: 'ring', loopComesOff: true }),
      spacing: even(1),
    };
    expect(codes(locked)).toContain('hold.smoothUnheld');
    expect(codes({ ...locked, schools: { ...plainInputs().schools, smoothHold: 'lock' } })).not.toContain(
      'hold.smoothUnheld',
    );
  });

  it('names every knot on a tender spot, and none once they hang on the net', () => {
    const r = pipeline.plan(plainInputs({ marks: [tender('nape')] }));
    const finding = r.findings.find((f) => f.code === 'tender.throughHair')!;
    expect(finding.knotIds).toEqual(r.knots.filter((k) => k.tenderOrThin && k.through !== 'net').map((k) => k.id));
    expect(codes({ marks: [tender('nape')], schools: { ...plainInputs().schools, tender: 'netOnly' } })).not.toContain(
      'tender.throughHair',
    );
  });

  it('come gravest first, each with its reason', () => {
    const r = pipeline.plan(plainInputs({ tape: { girth: 560 }, spacing: even(2.5), ...hairOf({}, { split: 8 }) }));
    const rank = { stop: 0, caution: 1, note: 2 };
    const order = r.findings.map((f) => rank[f.severity]);
    expect(order).toEqual([...order].sort());
    for (const f of r.findings) expect(f.why.length).toBeGreaterThan(20);
  });
});

describe('memory of stages', () => {
  it('a spacing change finds the head again, a new tape does not', () => {
    const p = new Planner();
    const inputs = plainInputs({ meshFrequency: 16 });
    const head = p.head(inputs);
    p.plan({ ...inputs, spacing: even(1) });
    expect(p.head(inputs)).toBe(head);
    expect(p.head({ ...inputs, tape: { ...inputs.tape, girth: 570 } })).not.toBe(head);
  });
});

it('the picture of a head is sound: finite, lit, cap and bust and six tapes', () => {
  const scene = headScene(plainInputs());
  for (const mesh of [scene.bust, scene.cap]) {
    expect(mesh.positions.every(Number.isFinite)).toBe(true);
    expect(Math.max(...mesh.triangles)).toBeLessThan(mesh.positions.length / 3);
  }
  expect((scene.bust.triangles.length + scene.cap.triangles.length) / 3).toBeLessThan(150_000);
  expect(Object.keys(scene.tapes)).toHaveLength(6);
});
