/**
 * A scan as a phone makes one, of an invented head: with face, neck and shoulders, hair pressed down but there, rough, with holes, a bit
 * of a chair, and in a pose of its own. Its truth is known.
 */
import { latticeOver, surfaceNets } from '../core/geometry/index.ts';
import {
  AS_FITTED,
  aboveHairline,
  bust,
  bustBox,
  fitHead,
  gauge,
  hairline,
  headShape,
  type TapeValuesMm,
} from '../core/head/index.ts';
import { seededRandom } from '../core/numerics/index.ts';
import type { ScanMesh } from '../core/scan/index.ts';

export interface ScanWish {
  /** Whose head; the one of the demo where nothing is said. */
  readonly tape?: TapeValuesMm;
  /** Under the scan, mm. */
  readonly hairMm?: number;
  /** Of each corner, mm, standard deviation. */
  readonly noiseMm?: number;
  readonly holes?: number;
  /** Of the lattice that it is taken off, mm. */
  readonly stepMm?: number;
  /** How it stands in the file: about the vertical, degrees; and whether its z is up. */
  readonly turnDeg?: number;
  readonly zUp?: boolean;
  /** Of a unit of the file, mm. */
  readonly unitMm?: number;
  readonly seed?: number;
}

export const DEMO_SCAN_TAPE: TapeValuesMm = { girth: 566, frontToNape: 360, earToEarTop: 338, earToEarFront: 290 };

export function demoScan(wish: ScanWish = {}): ScanMesh {
  const { hairMm = 3.5, noiseMm = 0.5, holes = 6, stepMm = 3, turnDeg = 25, zUp = true, unitMm = 1, seed = 7 } = wish;
  const head = headShape(fitHead(wish.tape ?? DEMO_SCAN_TAPE).scores);
  const line = hairline(head, AS_FITTED);
  const body = bust(head);
  const random = seededRandom(seed);
  const hairy = (x: number, y: number, z: number) => {
    const d = body.distance(x, y, z);
    if (y < -1.2 * head.sizeMm) return d;
    const above = aboveHairline(line, x, y, z) * head.sizeMm;
    const share = Math.max(0, Math.min(1, above / 14));
    return (
      Math.min(d, gauge(head, x, y, z) * head.sizeMm) -
      hairMm * share * (0.85 + 0.3 * Math.sin(x / 17) * Math.sin(z / 13))
    );
  };
  const box = bustBox(head);
  const net = surfaceNets(
    hairy,
    latticeOver({ min: box.min, max: [box.max[0], box.max[1] + 12, box.max[2]] }, stepMm, []),
  );
  const centres = Array.from({ length: holes }, () => pick(net.positionsMm, random));
  const isHole = (p: ArrayLike<number>, v: number) =>
    centres.some(([x, y, z, r]) => (p[3 * v] - x) ** 2 + (p[3 * v + 1] - y) ** 2 + (p[3 * v + 2] - z) ** 2 < r * r);
  const kept: number[] = [];
  for (let t = 0; t < net.triangles.length; t += 3) {
    const corner = [net.triangles[t], net.triangles[t + 1], net.triangles[t + 2]];
    // It ends below the shoulders, where nobody went round.
    if (corner.some((v) => isHole(net.positionsMm, v) || net.positionsMm[3 * v + 1] < box.min[1] + 30)) continue;
    kept.push(...corner);
  }
  const positions: number[] = [];
  const normal = () => {
    // Twelve evens make a bell (central limit).
    let sum = -6;
    for (let i = 0; i < 12; i++) sum += random();
    return sum;
  };
  const put = (x: number, y: number, z: number) => {
    const turn = (turnDeg * Math.PI) / 180;
    const [tx, tz] = [Math.cos(turn) * x + Math.sin(turn) * z, -Math.sin(turn) * x + Math.cos(turn) * z];
    positions.push(...(zUp ? [tx, -tz, y] : [tx, y, tz]).map((v) => v / unitMm));
  };
  for (let i = 0; i < net.positionsMm.length; i += 3)
    put(...([0, 1, 2].map((k) => net.positionsMm[i + k] + noiseMm * normal()) as [number, number, number]));
  chair(put, kept, positions.length / 3);
  return { positions: Float32Array.from(positions), triangles: Uint32Array.from(kept) };
}

function pick(p: ArrayLike<number>, random: () => number): readonly [number, number, number, number] {
  const v = Math.floor((random() * p.length) / 3);
  return [p[3 * v], p[3 * v + 1], p[3 * v + 2], 5 + 6 * random()];
}

/** The back of a chair, which hangs together with nothing. */
function chair(put: (x: number, y: number, z: number) => void, triangles: number[], first: number) {
  for (const [x, y] of [
    [-60, -250],
    [60, -250],
    [60, -190],
    [-60, -190],
  ])
    put(x, y, -230);
  triangles.push(first, first + 1, first + 2, first, first + 2, first + 3);
}
