/** The command line as it is called, against the pipeline called directly. */

import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { Planner } from '../../tests/helpers/planner.ts';
import { judge } from '../core/findings/judge.ts';
import { basePlans } from '../demo/bases.ts';
import { examplePlans } from '../demo/examples.ts';
import { demoPlans } from '../demo/plans.ts';
import { routePlans } from '../demo/routes.ts';
import { demoStash } from '../demo/stash.ts';
import { computedPlan } from '../formats/computed-json.ts';
import { fileStem, writePlanJson } from '../formats/plan-json.ts';
import { productsCsv } from '../formats/products-csv.ts';
import type { PlanDocument } from '../model/plan.ts';
import { planInputs } from '../model/to-inputs.ts';
import { openShop } from '../server/shop/shop.ts';

const folder = mkdtempSync(join(tmpdir(), 'meshwork-cli-'));
const meshwork = (...args: string[]) =>
  spawnSync(process.execPath, ['scripts/meshwork.mjs', ...args], { encoding: 'utf8' });
const file = (name: string, text: string) => {
  writeFileSync(join(folder, name), text);
  return join(folder, name);
};

const curls = `examples/${fileStem(demoPlans[0].name)}.plan.json`;
const catalogue = () => file('shop.json', JSON.stringify(openShop(() => Date.UTC(2026, 11, 1)).catalogue()));

describe('meshwork plan FILE', () => {
  it('prints the computed plan of an exported file, the same figures as the pipeline', () => {
    const [plan] = demoPlans;
    const run = meshwork('plan', `examples/${fileStem(plan.name)}.plan.json`);
    expect(run.stderr).toBe('');
    expect(run.status).toBe(0);
    const atelier = new Planner();
    const inputs = planInputs(plan);
    expect(JSON.parse(run.stdout)).toEqual(
      JSON.parse(
        JSON.stringify(
          computedPlan(plan, atelier.plan(inputs), atelier.spacingStep(inputs), judge(atelier.graph, inputs)),
        ),
      ),
    );
  });

  it('takes and prints a base: sections, tails, bumps, counts, minutes', () => {
    const plan = basePlans.find((p) => p.id === 'base-threaded')!;
    const run = meshwork('plan', `examples/${fileStem(plan.name)}.plan.json`);
    expect(run.status).toBe(0);
    const { base } = JSON.parse(run.stdout);
    expect(base.family).toBe('threaded');
    expect(base.sections).toHaveLength(30);
    for (const s of base.sections) {
      expect(s.threadMm).toBeGreaterThan(200);
      expect(s.minutes).toBeGreaterThan(0);
      expect(s.mayCarryG[1]).toBeGreaterThan(s.mayCarryG[0]);
    }
    expect(base.bumps.highestMm).toBeGreaterThan(1);
    expect(base.consumables.map((c: { name: string }) => c.name)).toContain('wrapping thread');
    expect(base.minutes).toBeCloseTo(
      base.work.reduce((sum: number, w: { minutes: number }) => sum + w.minutes, 0),
      0,
    );
  });

  it('takes and prints cap, hair, rows and the order of work', () => {
    const plan = routePlans.find((p) => p.id === 'route-wig-on-a-block')!;
    const hand: PlanDocument['rows']['hand'] = [{ id: 'h1', op: 'pull', at: [170, 20], mm: 4 }];
    const path = file('wig.json', writePlanJson({ ...plan, rows: { ...plan.rows, hand } }));
    const run = meshwork('plan', path);
    expect(run.stderr).toBe('');
    const out = JSON.parse(run.stdout);
    expect(out.cap).toMatchObject({ dome: 'openTop', filledOn: 'block', knotsToCloseTop: 5 });
    expect(out.cap.opening).toMatchObject({ kind: 'stitchedU', lengthMm: 110 });
    expect(out.cap.onForm.spacing.top.gapMm).toBeLessThan(out.cap.onForm.spacing.top.wornMm);
    expect(out.hair.map((h: { cut: string }) => h.cut)).toEqual(['cut-1', 'cut-2']);
    expect(out.rows.filter((r: { pulled: boolean }) => r.pulled)).not.toHaveLength(0);
    expect(out.rowScheme.brickScore).toBeGreaterThan(0.6);
    expect(out.supply[0].packs).toBe(out.packs.needed);
    expect(out.worklist.at(-1).kind).toBe('tryOn');
    expect(new Set(out.knots.map((k: { cut: string }) => k.cut))).toEqual(new Set(['cut-1', 'cut-2']));
  });

  it.each([
    ['a file that is not there', () => ['plan', join(folder, 'nothing.json')], /there is no such file/],
    ['a folder', () => ['plan', folder], /it is a folder/],
    [
      'a version and nothing else',
      () => ['plan', file('bare.json', '{"format":"meshwork-plan","version":1}')],
      /not written as plans of version 1 were/,
    ],
    [
      'records 5 000 deep',
      () => [
        'plan',
        file('deep.json', `{"format":"meshwork-plan","version":5,"base":${'['.repeat(5000)}${']'.repeat(5000)}}`),
      ],
      /too deep in each other/,
    ],
    ['broken JSON', () => ['plan', file('broken.json', '{"format":')], /isn’t JSON/],
    ['a foreign file', () => ['plan', file('foreign.json', '{"name":"other"}')], /not a Meshwork plan/],
    [
      'a newer plan',
      () => ['plan', file('newer.json', JSON.stringify({ ...demoPlans[0], version: 99 }))],
      /newer Meshwork/,
    ],
    [
      'a spoilt measure',
      () => [
        'plan',
        file('spoilt.json', writePlanJson({ ...demoPlans[0], tape: { ...demoPlans[0].tape, girth: ['wide'] } })),
      ],
      /“wide” isn’t a length/,
    ],
    ['a catalogue that is none', () => ['buy', curls, '--catalogue', curls], /^The catalogue: This is no catalogue/],
    ['a catalogue that is no JSON', () => ['buy', curls, '--catalogue', 'README.md'], /^The catalogue is no JSON/],
    [
      'a table of nothing',
      () => ['buy', curls, '--catalogue', catalogue(), '--stash', file('empty.csv', 'name\n')],
      /^The stash: This table has no column/,
    ],
    [
      'a day that there is not',
      () => ['buy', curls, '--catalogue', catalogue(), '--today', '2027-02-30'],
      /no day such as/,
    ],
    ['buying without a catalogue', () => ['buy', curls], /^Usage/],
    ['no file', () => ['plan'], /^Usage/],
    ['another word', () => ['print', 'x'], /^Usage/],
  ])('%s: one sentence on standard error, nothing on standard output, exit 2', (_, args, why) => {
    const run = meshwork(...args());
    expect(run.status).toBe(2);
    expect(run.stdout).toBe('');
    expect(run.stderr).toMatch(why);
    expect(run.stderr.trim().split('\n')).toHaveLength(1);
  });
});

describe('meshwork buy FILE', () => {
  const bought = (...args: string[]) => {
    const run = meshwork('buy', curls, '--catalogue', catalogue(), '--today', '2026-12-01', ...args);
    expect(run.stderr).toBe('');
    return JSON.parse(run.stdout);
  };

  it('prints what to buy where: what is wanted is given, sums add up, the stash goes first', () => {
    const without = bought();
    const out = bought('--stash', file('stash.csv', productsCsv(demoStash.hair)));
    for (const said of [without, out]) {
      expect(said).toMatchObject({ format: 'meshwork-buying', plan: { id: demoPlans[0].id }, can: true });
      const { purchase } = said;
      for (const g of purchase.given) expect(g.pieces).toBeGreaterThanOrEqual(g.wanted);
      const goods = purchase.lines.reduce((sum: number, l: { price: number }) => sum + l.price, 0);
      const sent = purchase.sellers.reduce((sum: number, s: { delivery: number }) => sum + s.delivery, 0);
      expect(purchase.total).toBeCloseTo(goods + sent, 2);
    }
    expect(out.purchase.lines.some((l: { seller: string }) => l.seller === 'stash')).toBe(true);
    expect(out.purchase.total).toBeLessThan(without.purchase.total);
  });

  it('the same stands in the computed plan, where a catalogue is given', () => {
    const run = meshwork('plan', curls, '--catalogue', catalogue(), '--today', '2026-12-01');
    const { format: _, version: __, plan: ___, ...buying } = bought();
    expect(JSON.parse(run.stdout).buying).toEqual(buying);
  });
});

describe('examples', () => {
  it.each(examplePlans.map((p) => [p.name, p] as const))('"%s" is the file that the demo writes', (_, plan) => {
    expect(readFileSync(`examples/${fileStem(plan.name)}.plan.json`, 'utf8')).toBe(writePlanJson(plan));
  });
});
