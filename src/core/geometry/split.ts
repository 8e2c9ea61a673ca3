/** A mesh whose triangles are cut along the zero of a field, so that none lies on both sides. */
export interface Triangles {
  /** xyz interleaved, mm. */
  readonly positionsMm: Float64Array;
  readonly triangles: ArrayLike<number>;
}

/** A corner nearer to the cut than this share of an edge is moved onto it instead of making a sliver. */
const SNAP_SHARE = 0.25;

/**
 * @param field smooth and near to linear along an edge
 * @param isCut whether a triangle is cut at all, by its first corner; elsewhere the field may change its sign unseen
 */
export function splitAlong(
  { positionsMm, triangles }: Triangles,
  field: (x: number, y: number, z: number) => number,
  isCut: (x: number, y: number, z: number) => boolean = () => true,
): Triangles {
  const positions = Array.from(positionsMm);
  const side = Float64Array.from({ length: positions.length / 3 }, (_, v) =>
    field(positions[3 * v], positions[3 * v + 1], positions[3 * v + 2]),
  );
  const cut = (v: number) => isCut(positions[3 * v], positions[3 * v + 1], positions[3 * v + 2]);
  const between = (a: number, b: number, share: number) =>
    [0, 1, 2].map((k) => positions[3 * a + k] + share * (positions[3 * b + k] - positions[3 * a + k]));
  snap(triangles, side, (v, far, share) => {
    if (!cut(v)) return;
    const at = between(v, far, share);
    for (let k = 0; k < 3; k++) positions[3 * v + k] = at[k];
    side[v] = 0;
  });
  const crossings = new Map<string, number>();
  const crossing = (a: number, b: number): number => {
    const key = a < b ? `${a} ${b}` : `${b} ${a}`;
    const known = crossings.get(key);
    if (known !== undefined) return known;
    const id = positions.length / 3;
    positions.push(...between(a, b, side[a] / (side[a] - side[b])));
    crossings.set(key, id);
    return id;
  };
  const out: number[] = [];
  for (let t = 0; t < triangles.length; t += 3) {
    const corner = [triangles[t], triangles[t + 1], triangles[t + 2]];
    const crossed = corner.some((v) => side[v] > 0) && corner.some((v) => side[v] < 0) && corner.some(cut);
    if (!crossed) out.push(...corner);
    else for (const way of [1, -1]) fan(half(corner, side, way, crossing), out);
  }
  return { positionsMm: Float64Array.from(positions), triangles: out };
}

/** Corners close to the cut, each with the edge that reaches it soonest; decided before any of them is moved. */
function snap(
  triangles: ArrayLike<number>,
  side: Float64Array,
  move: (vertex: number, far: number, share: number) => void,
) {
  const nearest = new Map<number, readonly [far: number, share: number]>();
  for (let i = 0; i < triangles.length; i++) {
    const a = triangles[i];
    const b = triangles[3 * ((i / 3) | 0) + ((i + 1) % 3)];
    if (side[a] * side[b] >= 0) continue;
    const share = side[a] / (side[a] - side[b]);
    for (const [v, far, s] of [
      [a, b, share],
      [b, a, 1 - share],
    ] as const)
      if (s < Math.min(SNAP_SHARE, nearest.get(v)?.[1] ?? 1)) nearest.set(v, [far, s]);
  }
  for (const [v, [far, share]] of nearest) move(v, far, share);
}

/** What of a triangle lies on one side, the cut included. */
function half(
  corner: readonly number[],
  side: Float64Array,
  way: number,
  crossing: (a: number, b: number) => number,
): number[] {
  const polygon: number[] = [];
  for (let e = 0; e < 3; e++) {
    const [a, b] = [corner[e], corner[(e + 1) % 3]];
    if (way * side[a] >= 0) polygon.push(a);
    if (side[a] * side[b] < 0) polygon.push(crossing(a, b));
  }
  return polygon;
}

function fan(polygon: readonly number[], out: number[]) {
  for (let i = 1; i + 1 < polygon.length; i++) out.push(polygon[0], polygon[i], polygon[i + 1]);
}

/** Only the triangles that are kept, with their corners numbered anew. */
export function keepTriangles(
  { positionsMm, triangles }: Triangles,
  keeps: (triangle: number) => boolean,
): Triangles & { readonly from: Int32Array } {
  const renamed = new Map<number, number>();
  const kept: number[] = [];
  for (let t = 0; t < triangles.length / 3; t++) {
    if (!keeps(t)) continue;
    for (let c = 0; c < 3; c++) {
      const v = triangles[3 * t + c];
      if (!renamed.has(v)) renamed.set(v, renamed.size);
      kept.push(renamed.get(v)!);
    }
  }
  const from = Int32Array.from(renamed.keys());
  const positions = new Float64Array(3 * from.length);
  from.forEach((v, i) => {
    for (let k = 0; k < 3; k++) positions[3 * i + k] = positionsMm[3 * v + k];
  });
  return { positionsMm: positions, triangles: kept, from };
}
