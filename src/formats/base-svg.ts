/** The base drawn for paper: hairline, lines and ties, seen from behind, from the top and from her left; black on white. */
import type { PlanResult } from '../core/findings/index.ts';

type V3 = readonly [number, number, number];

interface View {
  readonly name: string;
  /** Where the word for the face stands, paper mm. */
  readonly face?: readonly [number, number];
  readonly right: V3;
  readonly up: V3;
  readonly toEye: V3;
}

const VIEWS: readonly View[] = [
  { name: 'from behind', right: [-1, 0, 0], up: [0, 1, 0], toEye: [0, 0, -1] },
  { name: 'from above', face: [46, 8], right: [-1, 0, 0], up: [0, 0, 1], toEye: [0, 1, 0] },
  { name: 'from your left', face: [7, 46], right: [0, 0, -1], up: [0, 1, 0], toEye: [1, 0, 0] },
];
/** Paper mm for one mm of the head. */
const SCALE = 0.36;
const CELL = { width: 92, height: 104, middle: 46, base: 56 };

export function baseSvg(result: PlanResult): string {
  const parts = VIEWS.map((view, i) => drawView(result, view, i * CELL.width));
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${3 * CELL.width} ${CELL.height}" width="100%" role="img" aria-label="The sections from behind, from above and from your left" font-family="Atkinson Hyperlegible Next Variable, sans-serif">${parts.join('')}</svg>`;
}

function drawView({ base, head }: PlanResult, view: View, left: number): string {
  const dot = (p: ArrayLike<number>, i: number, v: V3) => p[i] * v[0] + p[i + 1] * v[1] + p[i + 2] * v[2];
  const at = (p: ArrayLike<number>, i = 0) =>
    `${(left + CELL.middle + SCALE * dot(p, i, view.right)).toFixed(1)},${(CELL.base - SCALE * dot(p, i, view.up)).toFixed(1)}`;
  const path = (p: ArrayLike<number>) => {
    let d = '';
    let pen = false;
    for (let i = 0; i < p.length; i += 3) {
      const seen = dot(p, i, view.toEye) > 0;
      if (seen) d += `${pen ? 'L' : 'M'}${at(p, i)}`;
      pen = seen;
    }
    return d;
  };
  const lines = base.lines
    .map((line) => {
      const style = line.shown ? 'stroke-width=".7"' : 'stroke-width=".4" stroke-dasharray="1.6 1"';
      return `<path d="${path(line.pointsMm)}" fill="none" stroke="#000" ${style}/>`;
    })
    .join('');
  const ties = base.sections
    .map((s, i) => {
      if (s.role !== 'base' || dot(s.tieMm, 0, view.toEye) <= 8) return '';
      const [x, y] = at(s.tieMm).split(',').map(Number);
      const mark = `<circle cx="${x}" cy="${y}" r="${base.sections.length > 40 ? 0.6 : 1}"/>`;
      return base.sections.length > 40
        ? mark
        : `${mark}<text x="${x + 1.8}" y="${y + 1.2}" font-size="4">${i + 1}</text>`;
    })
    .join('');
  const hairline = `<path d="${path(Float32Array.from(hairlineLoop(head.hairlinePoints)))}" fill="none" stroke="#000" stroke-width=".3"/>`;
  const face = view.face
    ? `<text x="${left + view.face[0]}" y="${view.face[1]}" font-size="3.6" text-anchor="middle">face</text>`
    : '';
  return `<g>${hairline}${face}${lines}${ties}<text x="${left + CELL.middle}" y="${CELL.height - 3}" font-size="4" text-anchor="middle">${view.name}</text></g>`;
}

/** The points that she can move, joined round the head. */
function hairlineLoop(points: PlanResult['head']['hairlinePoints']): number[] {
  const left = points.filter((p) => p.side !== 'right').map((p) => p.at);
  const right = points.filter((p) => p.side === 'right').map((p) => p.at);
  return [...left, ...right.reverse(), left[0]].flat();
}
