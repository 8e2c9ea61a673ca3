/** A scan as binary STL (80 bytes of header, then 50 for each triangle), as most scanners write one. */
import type { ScanMesh } from '../core/scan/index.ts';

const HEADER = 80;
const EACH = 50;

export function scanStl({ positions, triangles }: ScanMesh): Uint8Array {
  const count = triangles.length / 3;
  const bytes = new Uint8Array(HEADER + 4 + EACH * count);
  const view = new DataView(bytes.buffer);
  view.setUint32(HEADER, count, true);
  for (let t = 0; t < count; t++) {
    let at = HEADER + 4 + EACH * t + 12;
    for (let c = 0; c < 3; c++)
      for (let k = 0; k < 3; k++, at += 4) view.setFloat32(at, positions[3 * triangles[3 * t + c] + k], true);
  }
  return bytes;
}
