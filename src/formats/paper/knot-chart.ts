/**
 * The knot chart: every row unrolled, nape at the foot, with its knots as signs, a short barb for the way the hook
 * goes in, a legend and the counts. Shapes alone tell knots apart, so it needs no colour. Black on
 * white, at half true size across, so that it can be printed and pinned beside the mirror.
 */

import type { PlanResult } from '../../core/findings/index.ts';
import { type Part, partInWords } from '../../core/head/index.ts';
import type { PlannedKnot } from '../../core/knots/index.ts';
import { knotName, lowerFirst } from '../../core/trade/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import { signKey, signPath } from '../signs.ts';
import type { Drawing, Mark } from './drawing.ts';
import { toSvg } from './to-svg.ts';

const SCALE = 0.5;
const MARGIN = 18;
const ROW_GAP = 10;
const HEADER = 30;
/** Room for a label left of the longest row, and what a letter of it takes. */
const LABEL = 22;
const LETTER = 1.9;
const SIGN = 1.6;

export const mapSvg = (plan: PlanDocument, result: PlanResult) => toSvg(knotChart(plan, result));

export function knotChart(plan: PlanDocument, result: PlanResult): Drawing {
  const { rows } = result;
  const left = Math.min(...rows.map((r) => r.startMm * SCALE - Math.max(0, LETTER * r.label.length - LABEL)));
  const right = Math.max(...rows.map((r) => r.endMm)) * SCALE;
  const widthMm = Math.max(200, right - left + 2 * MARGIN + 16);
  const foot = HEADER + rows.length * ROW_GAP + 4;
  const middle = MARGIN + 10 - left;
  const legend = legendEntries(result);
  const barbLine = foot + 12 + Math.ceil(legend.length / 2) * 8;
  const counts = `${result.knots.length} knots, ${result.supply.packs} packs, ${partInWords(plan.part as Part)}.`;
  return {
    name: plan.name,
    id: 'chart',
    widthMm,
    heightMm: barbLine + 8,
    description: `${result.knots.length} knots in ${rows.length} rows, ${partInWords(plan.part as Part)}. Her left is on the left; row 1 lies at the nape.`,
    marks: [
      { kind: 'text', x: MARGIN, y: 10, text: plan.name, size: 6 },
      {
        kind: 'text',
        x: MARGIN,
        y: 16,
        text: `${counts} Fingers from the middle of the back; your left is on the left.`,
        size: 4,
      },
      ...ruler(fingerMm(plan), middle, left, right),
      ...rows.flatMap((_, i) => rowMarks(result, i, middle, HEADER + (rows.length - 1 - i) * ROW_GAP + 6)),
      ...legend.flatMap(({ path, name, count }, i): Mark[] => {
        const [x, y] = [MARGIN + (i % 2) * (widthMm / 2), foot + 12 + Math.floor(i / 2) * 8];
        return [
          { kind: 'line', at: [x - 4, y, x + 4, y], style: 'row' },
          { kind: 'sign', d: path, x, y },
          { kind: 'text', x: x + 7, y: y + 1.4, text: `${name} ${count}`, size: 4 },
        ];
      }),
      {
        kind: 'line',
        at: [MARGIN - 3, barbLine, MARGIN + 3, barbLine, MARGIN + 1.2, barbLine + 1.6],
        style: 'row',
      },
      { kind: 'text', x: MARGIN + 7, y: barbLine + 1.4, text: 'the way the hook goes in', size: 4 },
    ],
  };
}

/** A row with its label, the hooks' ways, and the knots over them. */
function rowMarks(result: PlanResult, index: number, middle: number, y: number): Mark[] {
  const row = result.rows[index];
  const knots = result.knots.slice(row.firstKnot, row.firstKnot + row.knotCount);
  const from = middle + row.startMm * SCALE;
  const at = (k: PlannedKnot) => middle + k.fromMiddleMm * SCALE;
  return [
    { kind: 'line', at: [from, y, middle + row.endMm * SCALE, y], style: 'row' },
    { kind: 'text', x: from - 3, y: y + 1.4, text: row.label, size: 4, anchor: 'end' },
    ...knots.flatMap((k) => barbOf(k, at(k), y)),
    ...knots.map(
      (k): Mark => ({
        kind: 'sign',
        d: signPath(k, SIGN),
        x: at(k),
        y,
        id: k.id,
        title: `${k.id}: ${knotName(k)}. ${k.where.words}.`,
      }),
    ),
  ];
}

/** From the sign the way the hook goes in: along the row to the right, up towards the next row. */
function barbOf(k: PlannedKnot, x: number, y: number): Mark[] {
  const [ax, ay, az] = k.along;
  const [nx, ny, nz] = k.normal;
  // Rows run from her left; unrolled and seen from behind, her left is on the left. Up is across the row, away from the nape.
  const up = [ny * az - nz * ay, nz * ax - nx * az, nx * ay - ny * ax];
  const right = k.hook[0] * ax + k.hook[1] * ay + k.hook[2] * az;
  const rise = k.hook[0] * up[0] + k.hook[1] * up[1] + k.hook[2] * up[2];
  const l = Math.sqrt(right * right + rise * rise);
  if (l < 0.15) return [];
  const dx = right / l;
  const dy = -rise / l;
  const at = (along: number, aside: number) => [x + along * dx - aside * dy, y + along * dy + aside * dx];
  return [{ kind: 'line', at: [...at(1.9, 0), ...at(4.6, 0), ...at(3.4, 1)], style: 'row', name: 'barb' }];
}

export function legendEntries(result: PlanResult) {
  const entries = new Map<string, { name: string; path: string; count: number }>();
  for (const k of result.knots) {
    const entry = entries.get(signKey(k));
    if (entry) entry.count++;
    else entries.set(signKey(k), { name: lowerFirst(knotName(k)), path: signPath(k, 2), count: 1 });
  }
  return [...entries.values()];
}

/** Every fourth finger from the middle of the back. */
function ruler(finger: number, middle: number, left: number, right: number): Mark[] {
  const marks: Mark[] = [];
  for (let f = -40; f <= 40; f += 4) {
    const along = f * finger * SCALE;
    if (along < left || along > right) continue;
    const x = middle + along;
    marks.push(
      { kind: 'line', at: [x, HEADER - 3, x, HEADER], style: 'thin' },
      { kind: 'text', x, y: HEADER - 4, text: String(Math.abs(f)), size: 3.2, anchor: 'middle' },
    );
  }
  return marks;
}
