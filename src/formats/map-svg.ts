/**
 * The knot chart: every row unrolled, nape at the foot, with its knots as signs, a short barb for the way the hook
 * goes in, a legend and the counts. Shapes alone tell knots apart, so it needs no colour. Black on
 * white, at half true size across, so that it can be printed and pinned beside the mirror.
 */

import type { PlanResult } from '../core/findings/index.ts';
import { type Part, partInWords } from '../core/head/index.ts';
import type { PlannedKnot } from '../core/knots/index.ts';
import { knotName, lowerFirst } from '../core/trade/index.ts';
import type { PlanDocument } from '../model/plan.ts';
import { fingerMm } from '../model/to-inputs.ts';
import { signKey, signPath } from './signs.ts';

const SCALE = 0.5;
const MARGIN = 18;
const ROW_GAP = 10;
const HEADER = 30;
/** Room for a label left of the longest row, and what a letter of it takes. */
const LABEL = 22;
const LETTER = 1.9;

export function mapSvg(plan: PlanDocument, result: PlanResult): string {
  const rows = result.rows;
  const left = Math.min(...rows.map((r) => r.startMm * SCALE - Math.max(0, LETTER * r.label.length - LABEL)));
  const right = Math.max(...rows.map((r) => r.endMm)) * SCALE;
  const width = Math.max(200, right - left + 2 * MARGIN + 16);
  const foot = HEADER + rows.length * ROW_GAP + 4;
  const middle = MARGIN + 10 - left;
  const legend = legendEntries(result);
  const barbLine = foot + 12 + Math.ceil(legend.length / 2) * 8;
  const height = barbLine + 8;
  const y = (index: number) => HEADER + (rows.length - 1 - index) * ROW_GAP + 6;
  const body = rows
    .map((row, i) => {
      const knots = result.knots.slice(row.firstKnot, row.firstKnot + row.knotCount);
      const signs = knots
        .map(
          (k) =>
            `<path id="${k.id}" d="${signPath(k, 1.6)}" transform="translate(${n(middle + k.fromMiddleMm * SCALE)} ${n(y(i))})"><title>${escapeXml(`${k.id}: ${knotName(k)}. ${k.where.words}.`)}</title></path>`,
        )
        .join('');
      const barbs = knots.map((k) => barbOf(k, middle + k.fromMiddleMm * SCALE, y(i))).join('');
      const from = middle + row.startMm * SCALE;
      const to = middle + row.endMm * SCALE;
      return `<g><line x1="${n(from)}" y1="${n(y(i))}" x2="${n(to)}" y2="${n(y(i))}"/><text x="${n(from - 3)}" y="${n(y(i) + 1.4)}" text-anchor="end">${escapeXml(row.label)}</text>${barbs}${signs}</g>`;
    })
    .join('\n');
  const ruler = rulerMarks(fingerMm(plan), left, right)
    .map(
      (f) =>
        `<line x1="${n(middle + f.mm * SCALE)}" y1="${n(HEADER - 3)}" x2="${n(middle + f.mm * SCALE)}" y2="${n(HEADER)}"/><text x="${n(middle + f.mm * SCALE)}" y="${n(HEADER - 4)}" text-anchor="middle">${f.label}</text>`,
    )
    .join('');
  const key = legend
    .map((entry, i) => {
      const x = MARGIN + (i % 2) * (width / 2);
      const yy = foot + 12 + Math.floor(i / 2) * 8;
      return `<g transform="translate(${n(x)} ${n(yy)})"><line x1="-4" x2="4"/><path d="${entry.path}"/><text x="7" y="1.4">${escapeXml(entry.name)} ${entry.count}</text></g>`;
    })
    .join('');
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="0 0 ${n(width)} ${n(height)}" font-family="sans-serif" font-size="4" fill="#000" stroke="none">
<title>${escapeXml(plan.name)}</title>
<desc>${escapeXml(`${result.knots.length} knots in ${rows.length} rows, ${partInWords(plan.part as Part)}. Her left is on the left; row 1 lies at the nape.`)}</desc>
<rect width="100%" height="100%" fill="#fff"/>
<text x="${MARGIN}" y="10" font-size="6" font-weight="bold">${escapeXml(plan.name)}</text>
<text x="${MARGIN}" y="16">${escapeXml(`${result.knots.length} knots, ${result.supply.packs} packs, ${partInWords(plan.part as Part)}. Fingers from the middle of the back; your left is on the left.`)}</text>
<g stroke="#000" stroke-width="0.2"><g font-size="3.2" stroke-width="0.2">${ruler.replaceAll('<text', '<text stroke="none"')}</g></g>
<g stroke="#000" stroke-width="0.25">${body.replaceAll('<path', '<path stroke="none"').replaceAll('<text', '<text stroke="none"')}</g>
<g stroke="#000" stroke-width="0.25">${key.replaceAll('<path', '<path stroke="none"').replaceAll('<text', '<text stroke="none"')}</g>
<g transform="translate(${MARGIN} ${n(barbLine)})"><polyline fill="none" stroke="#000" stroke-width="0.25" points="-3,0 3,0 1.2,1.6"/><text x="7" y="1.4">the way the hook goes in</text></g>
</svg>
`;
}

/** From the sign the way the hook goes in: along the row to the right, up towards the next row. */
function barbOf(k: PlannedKnot, x: number, y: number): string {
  const [ax, ay, az] = k.along;
  const [nx, ny, nz] = k.normal;
  // Rows run from her left; unrolled and seen from behind, her left is on the left. Up is across the row, away from the nape.
  const up = [ny * az - nz * ay, nz * ax - nx * az, nx * ay - ny * ax];
  const right = k.hook[0] * ax + k.hook[1] * ay + k.hook[2] * az;
  const rise = k.hook[0] * up[0] + k.hook[1] * up[1] + k.hook[2] * up[2];
  const l = Math.sqrt(right * right + rise * rise);
  if (l < 0.15) return '';
  const dx = right / l;
  const dy = -rise / l;
  const at = (along: number, aside: number) => `${n(x + along * dx - aside * dy)},${n(y + along * dy + aside * dx)}`;
  return `<polyline class="barb" fill="none" points="${at(1.9, 0)} ${at(4.6, 0)} ${at(3.4, 1)}"/>`;
}

function legendEntries(result: PlanResult) {
  const entries = new Map<string, { name: string; path: string; count: number }>();
  for (const k of result.knots) {
    const entry = entries.get(signKey(k));
    if (entry) entry.count++;
    else entries.set(signKey(k), { name: lowerFirst(knotName(k)), path: signPath(k, 2), count: 1 });
  }
  return [...entries.values()];
}

function rulerMarks(finger: number, left: number, right: number) {
  const marks: { mm: number; label: number }[] = [];
  for (let f = -40; f <= 40; f += 4) {
    const mm = f * finger;
    if (mm * SCALE >= left && mm * SCALE <= right) marks.push({ mm, label: Math.abs(f) });
  }
  return marks;
}

const n = (v: number) => v.toFixed(2);

export function escapeXml(text: string): string {
  return text
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/g, '')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;');
}
