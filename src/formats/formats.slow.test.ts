import Ajv2020 from 'ajv/dist/2020.js';
import { JSDOM } from 'jsdom';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import published from '../../docs/schema/computed-plan-9.schema.json' with { type: 'json' };
import { Planner } from '../../tests/helpers/planner.ts';
import { judge } from '../core/findings/judge.ts';
import { deepPartStraight, demoPlans, shoulderCurls, sweptCoils } from '../demo/plans.ts';
import { planInputs } from '../model/to-inputs.ts';
import { computedPlan } from './computed-json.ts';
import { computedSchema } from './computed-schema.ts';
import { KNOT_COLUMNS, knotsCsv } from './knots-csv.ts';
import { mapSvg } from './paper/knot-chart.ts';
import { escapeXml } from './paper/to-svg.ts';
import { fileStem, readPlanJson, writePlanJson } from './plan-json.ts';
import { computedJsonSchema } from './published.ts';

const pipeline = new Planner();
const computed = (plan: typeof shoulderCurls) => {
  const inputs = planInputs(plan, 24);
  return { result: pipeline.plan(inputs), step: pipeline.spacingStep(inputs), judged: judge(pipeline.graph, inputs) };
};

describe('plan as JSON', () => {
  it.each(demoPlans.map((p) => [p.name, p] as const))('"%s" comes back the same, with the same figures', (_, plan) => {
    const read = readPlanJson(writePlanJson(plan));
    expect(read).toEqual({ ok: true, value: plan });
    expect(planInputs((read as Extract<typeof read, { ok: true }>).value)).toEqual(planInputs(plan));
  });

  it.each([
    ['', /empty/],
    ['{"format": "meshwork-plan"', /isn’t JSON/],
    ['<svg/>', /isn’t JSON/],
    ['42', /no record/],
    ['x'.repeat(2_000_001), /far too large/],
  ])('refuses a broken file with a sentence', (text, why) => {
    const read = readPlanJson(text);
    expect(read).toEqual({ ok: false, why: expect.stringMatching(why) });
  });

  it('takes a byte order mark', () => {
    expect(readPlanJson(`\uFEFF${writePlanJson(shoulderCurls)}`).ok).toBe(true);
  });

  it.each([
    ['Shoulder curls', 'shoulder-curls'],
    ['  Für Zoë: 2×!', 'fur-zoe-2'],
    ['', 'plan'],
    ['…', 'plan'],
  ])('names the file of "%s" %s', (name, stem) => {
    expect(fileStem(name)).toBe(stem);
  });
});

describe('computed plan as JSON', () => {
  const ajv = new Ajv2020({ allErrors: true });
  const matches = ajv.compile(published);
  it.each(demoPlans.map((p) => [p.name, p] as const))(
    'of "%s" matches its published schema (ajv) after a trip through text',
    (_, plan) => {
      const { result, step, judged } = computed(plan);
      const json = JSON.parse(JSON.stringify(computedPlan(plan, result, step, judged)));
      expect(matches(json), JSON.stringify(matches.errors?.slice(0, 3))).toBe(true);
      expect(computedSchema.isValidSync(json)).toBe(true);
      for (const [low, high] of [json.cover.range, json.packs.range, json.time.rangeMinutes, json.weight.range]) {
        expect(low).toBeLessThanOrEqual(high);
      }
      expect(json.knots).toHaveLength(json.pieces.needed);
      // Hooked, kept for gaps and left over are told apart and are all that the packs give.
      const told = json.pieces.needed + json.pieces.reserve + json.leftOver;
      expect(json.packs.needed * json.pieces.perPack - told).toBeLessThan(1);
      expect(json.packs.needed * json.pieces.perPack - told).toBeGreaterThanOrEqual(0);
      expect(json.rows.reduce((s: number, r: { knots: number }) => s + r.knots, 0)).toBe(json.knots.length);
      expect(JSON.stringify(json)).not.toMatch(/:-0[,}]/);
    },
  );

  it('is published as its program writes it: `npm run schema`', () => {
    expect(published).toEqual(computedJsonSchema(published));
  });
});

describe('knots as CSV (read back with papaparse)', () => {
  const { result } = computed(deepPartStraight);
  const csv = knotsCsv(result);
  const parsed = Papa.parse<Record<string, string>>(csv, { header: true, skipEmptyLines: true });

  it('has a line a knot, in the order of work, with the same values', () => {
    expect(parsed.errors).toEqual([]);
    expect(parsed.meta.fields).toEqual([...KNOT_COLUMNS]);
    expect(parsed.data).toHaveLength(result.knots.length);
    result.knots.forEach((k, i) => {
      const line = parsed.data[i];
      expect([line.number, line.id, line.lock]).toEqual([String(i + 1), k.id, k.lock ? 'yes' : 'no']);
      expect(Number(line.x_mm)).toBeCloseTo(k.xMm, 2);
      expect(line.where).toBe(k.where.words);
      expect(line.reason).toBe(k.chain.map((r) => r.because).join(' '));
    });
  });

  it('ends its lines as RFC 4180 says, and no cell begins like a formula', () => {
    expect(csv.endsWith('\r\n')).toBe(true);
    expect(csv.split('\r\n')).toHaveLength(result.knots.length + 2);
    for (const line of parsed.data)
      for (const [name, cell] of Object.entries(line)) if (!/_mm$/.test(name)) expect(cell).not.toMatch(/^[=+@-]/);
  });
});

describe('map as SVG', () => {
  const parse = (svg: string) => new new JSDOM('').window.DOMParser().parseFromString(svg, 'image/svg+xml');

  it('is well formed and has a sign for every knot and a label for every row', () => {
    for (const plan of [shoulderCurls, sweptCoils]) {
      const { result } = computed(plan);
      const doc = parse(mapSvg(plan, result));
      expect(doc.querySelector('parsererror')).toBeNull();
      expect(doc.querySelectorAll('path[id]')).toHaveLength(result.knots.length);
      for (const row of result.rows)
        expect([...doc.querySelectorAll('text')].some((t) => t.textContent === row.label)).toBe(true);
    }
  });

  it('is black on white only, so that it can be printed', () => {
    const { result } = computed(shoulderCurls);
    const colours = new Set(
      [...mapSvg(shoulderCurls, result).matchAll(/(?:fill|stroke)="(#[0-9a-f]+)"/g)].map((m) => m[1]),
    );
    expect([...colours].sort()).toEqual(['#000', '#fff']);
  });

  it('escapes a hostile name', () => {
    const { result } = computed(shoulderCurls);
    const svg = mapSvg({ ...shoulderCurls, name: '<script>"&\u0001' }, result);
    expect(parse(svg).querySelector('parsererror')).toBeNull();
    expect(parse(svg).querySelector('script')).toBeNull();
    expect(escapeXml('a<b>&"c"')).toBe('a&lt;b&gt;&amp;&quot;c&quot;');
  });
});

it('a measure that reads too long has a positive residual in the computed plan', () => {
  const plan = { ...shoulderCurls, tape: { ...shoulderCurls.tape, girth: ['61 cm'] } };
  const inputs = planInputs(plan, 12);
  const p = new Planner();
  const out = computedPlan(plan, p.plan(inputs), p.spacingStep(inputs), p.judge(inputs));
  const girth = out.head.measures.find((m) => m.measure === 'girth');
  expect(girth?.residualMm).toBeGreaterThan(3);
  expect(girth?.residualMm).toBeCloseTo(610 - (girth?.fittedMm ?? 0), 0.9);
});
