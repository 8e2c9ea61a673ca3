/** Paper read back by another library: page sizes, the bar of 100 mm, true sizes, letters; and the head in space by others' loaders. */
import { readFileSync } from 'node:fs';
import { WebIO } from '@gltf-transform/core';
import { JSDOM } from 'jsdom';
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { Box3, type BufferGeometry, type LineSegments, type Mesh, Vector3 } from 'three';
import { GLTFLoader } from 'three/addons/loaders/GLTFLoader.js';
import { OBJLoader } from 'three/addons/loaders/OBJLoader.js';
import { beforeAll, describe, expect, it } from 'vitest';
import { paperTemplate } from '../src/core/plan/ask/paper-template.ts';
import { headScene } from '../src/core/plan/ask/scene.ts';
import { routePlans } from '../src/demo/routes.ts';
import { headGlb } from '../src/formats/model3d/head-glb.ts';
import { headModel } from '../src/formats/model3d/head-model.ts';
import { headObj } from '../src/formats/model3d/head-obj.ts';
import type { Drawing } from '../src/formats/paper/drawing.ts';
import { fingerRule } from '../src/formats/paper/finger-rule.ts';
import { drawingsOf, PAPERS } from '../src/formats/paper/paper.ts';
import { OVERLAP_MM, type PaperSize, roomOn, tiles } from '../src/formats/paper/tiles.ts';
import { BAR_MM, toPdf } from '../src/formats/paper/to-pdf.ts';
import { toSvg } from '../src/formats/paper/to-svg.ts';
import type { PlanDocument } from '../src/model/plan.ts';
import { fingerMm, headInputs, planInputs } from '../src/model/to-inputs.ts';
import { Planner } from './helpers/planner.ts';

const POINT_MM = 25.4 / 72;
const fonts = {
  latin: readFileSync('src/formats/paper/fonts/latin.ttf'),
  latinExt: readFileSync('src/formats/paper/fonts/latin-ext.ttf'),
};
/** A name with letters of both files, one that neither has, and one that isn't a letter. */
const WEARER = 'Žofie Ọmọlará ✂';
const plan = { ...routePlans.find((p) => p.id === 'route-cut-part')!, wearer: WEARER };
const planner = new Planner();
const inputs = planInputs(plan, 24);
const result = planner.plan(inputs);
const gores = paperTemplate(planner.graph, { inputs, cut: 'sixGores' });
const darts = paperTemplate(planner.graph, { inputs, cut: 'darts' });

interface Read {
  readonly sizesMm: ReadonlyArray<readonly [number, number]>;
  readonly texts: readonly string[];
  /** Of every page, each stroked path as its points, mm from the lower left. */
  readonly strokes: ReadonlyArray<ReadonlyArray<ReadonlyArray<readonly [number, number]>>>;
}

async function readPdf(bytes: Uint8Array): Promise<Read> {
  const doc = await getDocument({ data: bytes.slice(), useSystemFonts: false }).promise;
  const sizesMm: Array<readonly [number, number]> = [];
  const texts: string[] = [];
  const strokes: Array<Array<Array<readonly [number, number]>>> = [];
  for (let n = 1; n <= doc.numPages; n++) {
    const page = await doc.getPage(n);
    const [, , width, height] = page.view;
    sizesMm.push([width * POINT_MM, height * POINT_MM]);
    const { items } = await page.getTextContent();
    texts.push(items.map((i) => ('str' in i ? i.str : '')).join(' '));
    strokes.push(strokesOf(await page.getOperatorList()));
  }
  return { sizesMm, texts, strokes };
}

/** Straight paths that are stroked: a path is handed over as its operators and their numbers, and painted by the next. */
function strokesOf({ fnArray, argsArray }: { fnArray: number[]; argsArray: unknown[] }) {
  const out: Array<Array<readonly [number, number]>> = [];
  fnArray.forEach((fn, i) => {
    if (fn !== OPS.constructPath || fnArray[i + 1] !== OPS.stroke) return;
    const [operators, numbers] = argsArray[i] as [number[], number[]];
    if (operators.some((o) => o !== OPS.moveTo && o !== OPS.lineTo)) return;
    out.push(operators.map((_, k) => [numbers[2 * k] * POINT_MM, numbers[2 * k + 1] * POINT_MM]));
  });
  return out;
}

const long = (points: ReadonlyArray<readonly [number, number]>) =>
  points.slice(1).reduce((sum, p, i) => sum + Math.hypot(p[0] - points[i][0], p[1] - points[i][1]), 0);

describe.each([
  ['a4', [210, 297], gores],
  ['letter', [215.9, 279.4], darts],
] as const)('a PDF on %s', (paper: PaperSize, size, template) => {
  const drawings = PAPERS.flatMap((kind) => drawingsOf(kind, plan, result, template));
  let read: Read;
  beforeAll(async () => {
    read = await readPdf(toPdf(drawings, { paper, fonts, title: plan.name }));
  });

  it('has pages of that size (ISO 216; 8.5 × 11 inches), as many as are said', () => {
    expect(read.sizesMm).toHaveLength(drawings.reduce((sum, d) => sum + tiles(d, paper).length, 0));
    for (const [width, height] of read.sizesMm) {
      expect(width).toBeCloseTo(size[0], 1);
      expect(height).toBeCloseTo(size[1], 1);
    }
  });

  it('has a bar of 100 mm on every page, 283.46 points long (a point is 1/72 inch)', () => {
    for (const page of read.strokes) {
      const bar = page.filter((p) => p.length === 2 && Math.abs(long(p) - BAR_MM) < 0.01);
      expect(bar.length).toBeGreaterThan(0);
      expect(long(bar[0]) / POINT_MM).toBeCloseTo(283.46, 1);
    }
  });

  it('says on every page what it is, and how to print it', () => {
    for (const text of read.texts) expect(text).toMatch(/100 mm long.*100 %, not fitted.*page \d+ of \d+/s);
    expect(read.texts.join('\n')).toMatch(/Where a finger finds each knot/);
    expect(read.texts[0]).toMatch(/How it goes together[\s\S]*Seams, the same on both sides/);
  });

  it('writes every letter that it has, and others as near as it can', () => {
    expect(read.texts[0].replace(/\s+/g, '')).toContain('ŽofieOmolará?');
  });

  it('has the scissors, and when', () => {
    expect(read.texts[0]).toMatch(/where the scissors go, once \d+ knots are in/);
  });
});

/** Another wearer than the one above: her plan, what comes of it, and what the paper says. */
function saidTo(id: string, change: Partial<PlanDocument> = {}) {
  const plan = { ...routePlans.find((p) => p.id === id)!, ...change };
  const inputs = planInputs(plan, 24);
  const result = planner.plan(inputs);
  const template = paperTemplate(planner.graph, { inputs, cut: 'sixGores' });
  const words = (all: readonly Drawing[]) =>
    all.flatMap(({ marks }) => marks.flatMap((m) => (m.kind === 'text' ? [m.text] : []))).join(' ');
  const [how] = drawingsOf('template', plan, result, template);
  return { result, how: words([how]), rule: fingerRule(plan, result), ruleWords: words([fingerRule(plan, result)]) };
}

describe('what it says is for her', () => {
  it('on her head: over the base, through the cap, never with pins', () => {
    const { how } = saidTo('route-cut-part');
    expect(how).toMatch(/over the base as it lies under the hair/);
    expect(how).toMatch(/over the cap on your head.*never with pins/);
    expect(how).toMatch(/once \d+ knots are in/);
  });

  it('without a cap: along the base, and of no scissors', () => {
    const { how } = saidTo('route-along-the-rows');
    expect(how).toMatch(/There is no cap/);
    expect(how).not.toMatch(/scissors|opening of the cap/);
  });

  it('on a block on which the net lies less drawn than worn: it says so, and its rule is as the net lies there', () => {
    const { how, result, rule, ruleWords } = saidTo('route-wig-on-a-block');
    expect(how).toMatch(/as large as the hair is worn; the cap lies otherwise where you fill it, on a block/);
    const { onForm, onHead } = result.cap;
    const there = (result.spacing.centresMm.back * onForm.stretch.across) / onHead.stretch.across;
    expect(there).toBeLessThan(0.95 * result.spacing.centresMm.back);
    expect(ruleWords).toMatch(
      new RegExp(`on a block, ${there.toFixed(1)} mm; worn ${result.spacing.centresMm.back.toFixed(1)} mm`),
    );
    const steps = rule.marks
      .filter((m) => m.kind === 'line' && m.style === 'row')
      .map((m) => (m.kind === 'line' ? m.at[0] : 0));
    expect(steps.some((x, i) => i > 0 && Math.abs(x - steps[i - 1] - there) < 1e-6)).toBe(true);
  });

  it('for a head of which only the size is known: nobody’s base is spoken of', () => {
    const madeFor = { whom: 'head', sizedBy: 'size', size: 'large', known: '', wornOver: false } as const;
    const { how } = saidTo('route-cut-part', { madeFor });
    expect(how).toMatch(/the size of the head that the hair is made for/);
    expect(how).not.toMatch(/over the base/);
  });

  it('no letter of a seam lies on a knot', () => {
    const [, ...pieces] = drawingsOf('template', plan, result, gores);
    for (const { marks } of pieces) {
      const knots = marks.filter((m) => m.kind === 'sign' && m.id !== undefined);
      for (const m of marks)
        if (m.kind === 'text' && m.size === 4.4)
          for (const k of knots)
            if (k.kind === 'sign') expect(Math.hypot(k.x - m.x, k.y - (m.y - 1.4))).toBeGreaterThan(2);
    }
  });
});

describe('tiles', () => {
  const drawing = (widthMm: number, heightMm: number): Drawing => ({
    name: 'x',
    id: 'x',
    description: '',
    widthMm,
    heightMm,
    marks: [],
  });
  it.each([
    [180, 250, 1],
    [250, 180, 1],
    [190, 300, 2],
    [400, 400, 6],
    [900, 100, 4],
  ])('a drawing of %s by %s mm takes %s pages of A4', (w, h, pages) => {
    expect(tiles(drawing(w, h), 'a4')).toHaveLength(pages);
  });

  it('cover all of a drawing, each overlapping the one before', () => {
    const [width, height] = roomOn('letter');
    const all = tiles(drawing(500, 700), 'letter');
    const { columns, rows, isTurned } = all[0];
    const [w, h] = isTurned ? [700, 500] : [500, 700];
    expect(Math.max(...all.map((t) => t.fromMm[0])) + width).toBeGreaterThanOrEqual(w);
    expect(Math.max(...all.map((t) => t.fromMm[1])) + height).toBeGreaterThanOrEqual(h);
    expect(all).toHaveLength(columns * rows);
    expect(all[1].fromMm[0] + OVERLAP_MM).toBeCloseTo(width, 6);
  });
});

describe('true size', () => {
  it('a finger on the rule is her finger, in the PDF as in the SVG', async () => {
    const rule = fingerRule(plan, result);
    const { strokes } = await readPdf(toPdf([rule], { paper: 'a4', fonts, title: 'rule' }));
    const box = strokes[0].filter((p) => p.length === 5)[0];
    const sides = box.slice(1).map((p, i) => Math.hypot(p[0] - box[i][0], p[1] - box[i][1]));
    const count = Math.floor(232 / fingerMm(plan));
    expect(Math.max(...sides)).toBeCloseTo(count * fingerMm(plan), 1);
    const svg = new JSDOM(toSvg(rule), { contentType: 'image/svg+xml' }).window.document.documentElement;
    expect(Number.parseFloat(svg.getAttribute('width') ?? '')).toBeCloseTo(rule.widthMm, 1);
    expect(svg.getAttribute('viewBox')).toBe(`0 0 ${rule.widthMm.toFixed(2)} ${rule.heightMm.toFixed(2)}`);
  });

  it('a gore in the PDF is as large as the piece', async () => {
    const [, front] = drawingsOf('template', plan, result, gores);
    const { strokes } = await readPdf(toPdf([front], { paper: 'a4', fonts, title: 'gore' }));
    for (const edge of gores.pieces[0].edges)
      expect(strokes[0].some((p) => Math.abs(long(p) - edge.lengthMm) < 0.05)).toBe(true);
  });

  it('every drawing is sound SVG, black on white, with a sign for every knot', () => {
    const ids = new Set<string>();
    for (const d of PAPERS.flatMap((kind) => drawingsOf(kind, plan, result, gores))) {
      const svg = toSvg(d);
      const { document } = new JSDOM(svg, { contentType: 'image/svg+xml' }).window;
      expect(document.querySelector('parsererror')).toBeNull();
      expect(svg).not.toMatch(/NaN|undefined|Infinity/);
      if (d.id !== 'chart') for (const p of document.querySelectorAll('path[id]')) ids.add(p.id);
    }
    expect(ids.size).toBe(result.knots.length);
  });
});

describe('in space', () => {
  const parts = headModel(headScene(headInputs(plan, 24)), result);
  const sizeOf = (geometry: BufferGeometry) =>
    new Box3().setFromBufferAttribute(geometry.getAttribute('position') as never).getSize(new Vector3());
  const expected = new Box3().setFromArray(parts[1].positions).getSize(new Vector3());

  it('GLB is read by the loader of three, in metres, with rows as lines', async () => {
    const bytes = await headGlb(plan.name, parts);
    const { scene } = await new GLTFLoader().parseAsync(bytes.slice().buffer, '');
    const scalp = scene.getObjectByName('scalp') as Mesh;
    expect(sizeOf(scalp.geometry).distanceTo(expected.clone().divideScalar(1000))).toBeLessThan(1e-6);
    const rows = scene.getObjectByName('rows') as LineSegments;
    expect(rows.type).toBe('LineSegments');
    const pieces = result.rows.reduce((sum, r) => sum + r.pointsMm.length / 3 - 1, 0);
    expect(rows.geometry.getIndex()?.count).toBe(2 * pieces);
    const doc = await new WebIO().readBinary(bytes);
    expect(
      doc
        .getRoot()
        .listNodes()
        .map((n) => n.getName()),
    ).toEqual(parts.map((p) => p.name));
  });

  it('OBJ is read by the loader of three, in mm, and no name breaks out of its line', () => {
    const text = headObj('a\nv 1 2 3', parts);
    expect(text.split('\n')[0]).toBe('# a v 1 2 3');
    const group = new OBJLoader().parse(text);
    const scalp = group.getObjectByName('scalp') as Mesh;
    expect(sizeOf(scalp.geometry).distanceTo(expected)).toBeLessThan(1e-3);
    expect(group.getObjectByName('rows')?.type).toBe('LineSegments');
  });
});
