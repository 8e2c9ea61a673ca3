import Ajv2020 from 'ajv/dist/2020.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import schema from '../../docs/schema/plan-10.schema.json';
import { fingersFigure } from '../core/trade/fingers.ts';
import { examplePlans } from '../demo/examples.ts';
import { shoulderCurls } from '../demo/plans.ts';
import { applyFix } from './apply-fix.ts';
import { setPart, settle } from './commands.ts';
import { newPlan } from './defaults.ts';
import versionOne from './fixtures/plan-1.json';
import { record, redo, startHistory, undo } from './history.ts';
import { setReadings, setUnit } from './measure-commands.ts';
import { migratePlan } from './migrations.ts';
import type { PlanDocument } from './plan.ts';
import { readPlan, refusalOf } from './read-plan.ts';
import { setSchool } from './school-choice.ts';
import { setSaid, setSpacing } from './spacing-commands.ts';
import { fingerMm, planInputs } from './to-inputs.ts';

// biome-ignore lint/suspicious/noExplicitAny: a plan that is spoilt on purpose has no type
type Loose = Record<string, any>;

const ajv = new Ajv2020({ allErrors: true });
const matches = ajv.compile(schema);
const plain = () => structuredClone(newPlan('p1', 'Plain')) as PlanDocument;

describe('reading a plan', () => {
  it.each(examplePlans.map((p) => [p.name, p] as const))(
    'takes "%s", and so does the published JSON Schema (ajv)',
    (_, plan) => {
      expect(readPlan(structuredClone(plan))).toEqual({ ok: true, value: plan });
      expect(matches(plan), JSON.stringify(matches.errors)).toBe(true);
    },
  );

  it('takes the shape of a scan, and refuses one that is none', () => {
    const scanned = (relief: string) => ({ ...plain(), scan: { name: 'phone', relief } });
    const flat = '80'.repeat(861);
    expect(readPlan(scanned(flat)).ok).toBe(true);
    expect(matches(scanned(flat))).toBe(true);
    for (const relief of ['', flat.slice(1), `${flat}80`, flat.replace('8', 'x')])
      expect(readPlan(scanned(relief))).toMatchObject({ ok: false, why: expect.stringMatching(/scan/i) });
  });

  it('takes a new plan', () => {
    expect(readPlan(plain()).ok).toBe(true);
    expect(matches(plain())).toBe(true);
  });

  it.each([
    ['nothing', null, /no record/],
    ['a list', [], /no record/],
    ['a text', 'plan', /no record/],
    ['another format', { format: 'something-else', version: 1 }, /format is a different one/],
    ['no version', { ...plain(), version: undefined }, /doesn’t say its version/],
    ['a newer version', { ...plain(), version: 11 }, /newer Meshwork \(version 11; this one reads up to 10\)/],
    ['half a version', { ...plain(), version: 1.5 }, /doesn’t say its version/],
  ])('refuses %s with a sentence', (_, value, why) => {
    const read = readPlan(value);
    expect(read).toEqual({ ok: false, why: expect.stringMatching(why) });
  });

  it.each<[string, (p: Loose) => void, RegExp]>([
    [
      'an unknown entry',
      (p) => {
        p.colour = 'red';
      },
      /colour/,
    ],
    [
      'a missing entry',
      (p) => {
        delete p.spacing;
      },
      /spacing/,
    ],
    [
      'a text for a number',
      (p) => {
        p.products[0].piecesPerPack = '48';
      },
      /piecesPerPack/,
    ],
    [
      'half a piece',
      (p) => {
        p.products[0].piecesPerPack = 4.5;
      },
      /whole number/,
    ],
    [
      'no pieces',
      (p) => {
        p.products[0].piecesPerPack = 0;
      },
      /at least 1/,
    ],
    [
      'an unknown texture',
      (p) => {
        p.products[0].texture = 'wool';
      },
      /texture has to be one of/,
    ],
    [
      'a split in three',
      (p) => {
        p.cuts[0].split = 3;
      },
      /1, 2, 4, 8 or 16/,
    ],
    [
      'nonsense in a measure',
      (p) => {
        p.tape.girth = ['big'];
      },
      /Round the head: “big” isn’t a length/,
    ],
    [
      'a giant’s head',
      (p) => {
        p.tape.girth = ['57 cm', '90 cm'];
      },
      /should be from 42 to 72 cm/,
    ],
    [
      'a finger of 5 cm',
      (p) => {
        p.fingers = { count: 1, width: '5 cm' };
      },
      /A finger’s width: that makes 50 mm/,
    ],
    [
      'a part off the head',
      (p) => {
        p.part.frontMm = 200;
      },
      /front end of the part can be at most 65/,
    ],
    [
      'an unknown kind of part',
      (p) => {
        p.part = { kind: 'zigzag' };
      },
      /kind of part/,
    ],
    [
      'a part with more than a kind',
      (p) => {
        p.part = { kind: 'crown', frontMm: 3 };
      },
      /part/,
    ],
    [
      'negative spacing',
      (p) => {
        p.spacing.fingers.top = -1;
      },
      /at least 0\.25/,
    ],
    [
      'an endless spacing',
      (p) => {
        p.spacing.fingers.top = Number.POSITIVE_INFINITY;
      },
      /top/,
    ],
    [
      'an unknown school',
      (p) => {
        p.schools.oneLeg = 'sometimes';
      },
      /oneLeg/,
    ],
    [
      'an unknown region',
      (p) => {
        p.marks = [{ kind: 'tender', erase: false, place: { region: 'knee' } }];
      },
      /region has to be one of/,
    ],
    [
      'a name of spaces kept too long',
      (p) => {
        p.name = 'x'.repeat(121);
      },
      /too long/,
    ],
  ])('refuses %s', (_, spoil, why) => {
    const plan = plain() as Loose;
    spoil(plan);
    const read = readPlan(plan);
    expect(read).toEqual({ ok: false, why: expect.stringMatching(why) });
  });

  it('tells her of a change of her own without the name of an entry', () => {
    const { plan } = setReadings(plain(), 'frontToNape', ['banana']);
    expect(refusalOf(plan)).toMatch(/^Front to nape: “banana” isn’t a length\. Write it like [^()]+\.$/);
    expect(refusalOf(plain())).toBeUndefined();
  });

  it('and the JSON Schema agree on shape, whatever single entry is spoilt', () => {
    const paths = Object.entries(plain()).flatMap(([k, v]) =>
      typeof v === 'object' && !Array.isArray(v) ? Object.keys(v).map((j) => [k, j]) : [[k]],
    );
    const junk = fc.constantFrom<unknown>(null, 17.5, -3, true, [], {}, 'zzz', undefined);
    fc.assert(
      fc.property(fc.constantFrom(...paths), junk, (path, value) => {
        const plan = plain() as Loose;
        const [outer, inner] = path;
        if (inner === undefined) plan[outer] = value;
        else plan[outer][inner] = value;
        const json = JSON.parse(JSON.stringify(plan));
        // The schema knows shapes, not whether a text is a length: it may only be the milder of the two.
        if (readPlan(json).ok) expect(matches(json), JSON.stringify([path, value, matches.errors])).toBe(true);
      }),
      { seed: 141, numRuns: 400 },
    );
  });

  it('never throws, whatever it is given', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const read = readPlan(value);
        expect(read.ok).toBe(false);
      }),
      { seed: 142, numRuns: 200 },
    );
  });
});

describe('migrations', () => {
  it('leave a plan of this version as it is, and work on a copy', () => {
    const plan = plain();
    const out = migratePlan(plan as unknown as Record<string, unknown>);
    expect(out).toEqual(plan);
    expect(out).not.toBe(plan);
  });

  it('open a plan of version 1: same head, same hair, same sections, same spots', () => {
    const old = structuredClone(versionOne) as Loose;
    const read = readPlan(old);
    expect(read.ok, read.ok ? '' : read.why).toBe(true);
    if (!read.ok) return;
    const { value: plan } = read;
    expect(matches(plan), JSON.stringify(matches.errors)).toBe(true);
    expect(plan.tape.girth).toEqual([versionOne.tape.girth]);
    expect(fingerMm(plan)).toBeCloseTo(17.5, 9);
    expect(plan.ownHair.length).toBe(versionOne.ownHair.length);
    expect(plan.marks).toEqual([{ kind: 'tender', erase: false, place: { region: 'overEars' } }]);
    expect([plan.base.family, plan.base.behind, plan.base.front]).toEqual(['tied', 4, 4]);
    expect(planInputs(plan).tape.napeWidth).toBeCloseTo(7.5 * 17.5, 9);
    expect(old).toEqual(versionOne);
  });

  it('a version without a step is an error of ours, not a silent pass', () => {
    expect(() => migratePlan({ version: 0 })).toThrow(/no migration from plan version 0/);
  });
});

describe('from document to inputs', () => {
  it('reads every length in mm, in mixed units', () => {
    const inputs = planInputs(shoulderCurls);
    expect(inputs.tape.girth).toBeCloseTo(571.5, 9);
    expect(inputs.tape.earToEarTop).toBeCloseTo(340, 9);
    expect(inputs.tape.earToEarFront).toBeCloseTo(295, 9);
    expect(inputs.tape.napeWidth).toBeCloseTo(7.5 * 17.5, 9);
    expect(inputs.products[0].lengthMm).toBe(330);
    expect(inputs.fingerMm).toBeCloseTo(17.5, 9);
  });

  it('leaves out what was not measured', () => {
    expect(planInputs(plain()).tape).toEqual({});
  });
});

describe('commands', () => {
  it('say the deed and change nothing else', () => {
    const plan = plain();
    const deed = setSpacing(plan, { top: 1.5 });
    expect(deed.words).toBe('Top 1½');
    expect(deed.plan).toEqual({
      ...plan,
      spacing: { ...plan.spacing, fingers: { ...plan.spacing.fingers, top: 1.5 } },
    });
    expect(plan.spacing.fingers.top).toBeUndefined();
    expect(setPart(plan, { kind: 'crown' }).words).toBe('No part, from the crown');
    expect(setReadings(plan, 'girth', [' 57 cm ', '', '57.4']).plan.tape.girth).toEqual(['57 cm', '57.4']);
    expect(setSchool(plan, 'oneLeg', 'everywhere').words).toBe('One-leg knots: in every knot');
    expect(setSaid(plan, 'clear').plan.spacing.fingers).toEqual(plan.spacing.fingers);
    expect(settle(settle(plan, 'hair').plan, 'hair').plan.settled).toEqual([]);
  });

  it('a new unit changes no length: bare numbers are spelled out', () => {
    const plan = { ...shoulderCurls, fingers: { count: 1 as const, width: '1,75' } };
    const inches = setUnit(plan, 'in').plan;
    expect(inches.tape.earToEarTop).toEqual(['34 cm']);
    expect(inches.tape.girth).toEqual(['22 1/2 in']);
    expect(planInputs(inches).tape).toEqual(planInputs(plan).tape);
    expect(fingerMm(inches)).toBeCloseTo(fingerMm(plan), 9);
    expect(readPlan(inches).ok).toBe(true);
  });

  it('every fix is a valid plan afterwards', () => {
    const plan = plain();
    const mends = [
      { kind: 'setMeasure', measure: 'girth', mm: 571.5 },
      { kind: 'setSpacing', fingers: { top: 1, nape: 1.25 } },
      { kind: 'setSchool', school: 'tender', value: 'netOnly' },
      { kind: 'setCap', change: { dome: 'closed', girthMm: 520 } },
      { kind: 'setReserve', share: 0.15 },
      { kind: 'setCut', cut: 'cut-1', change: { split: 2 } },
      { kind: 'splitZones', zones: ['part', 'faceEdge'], split: 4 },
      { kind: 'setRows', change: { scheme: 'parallel' } },
      { kind: 'dropHand', ids: ['h1'] },
      { kind: 'dropWishes', ids: ['w1'] },
      { kind: 'chooseFamily', family: 'grid' },
      { kind: 'trustMeasure', measure: 'girth' },
      { kind: 'resetHairline' },
      { kind: 'setBase', change: { family: 'tied', behind: 5, front: 4 } },
      { kind: 'editBase', edits: [{ op: 'tie', section: 'b1', at: [140, 20] }] },
      { kind: 'dropEdits', ids: ['e1'] },
      { kind: 'park', parking: { b1: { how: 'sewn', to: [170, 0] } } },
    ] as const;
    for (const fix of mends) expect(readPlan(applyFix(plan, 'Mended', fix).plan).ok).toBe(true);
    expect(planInputs(applyFix({ ...plan, unit: 'in' }, '', mends[0]).plan).tape.girth).toBeCloseTo(571.5, 9);
  });

  it.each([
    [0.75, '¾'],
    [1, '1'],
    [1.25, '1¼'],
    [2.5, '2½'],
    [0, '0'],
    [1.3, '1.30'],
  ])('%f fingers stand as %s', (n, figure) => {
    expect(fingersFigure(n)).toBe(figure);
  });
});

describe('history', () => {
  const a = startHistory(plain());
  it('goes back and forth, and a new deed ends the way forward', () => {
    const b = record(a, setSpacing(a.present.plan, { top: 2 }));
    const c = record(b, setSpacing(b.present.plan, { top: 3 }));
    expect(undo(undo(c)).present.plan).toEqual(a.present.plan);
    expect(redo(redo(undo(undo(c)))).present).toEqual(c.present);
    const d = record(undo(c), setSpacing(b.present.plan, { nape: 1 }));
    expect(redo(d)).toBe(d);
    expect(undo(a)).toBe(a);
  });

  it('a deed that changes nothing leaves no trace', () => {
    expect(record(a, { words: 'Nothing', plan: plain() })).toBe(a);
  });

  it('undo after any run of deeds leads back to every plan before', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(0.5, 0.75, 1, 1.5, 2), { minLength: 1, maxLength: 20 }), (values) => {
        let h = a;
        const seen = [h];
        for (const top of values) {
          const next = record(h, setSpacing(h.present.plan, { top }));
          if (next !== h) seen.push(next);
          h = next;
        }
        for (let i = seen.length - 2; i >= 0; i--) {
          h = undo(h);
          expect(h.present).toEqual(seen[i].present);
        }
      }),
      { seed: 143 },
    );
  });
});
