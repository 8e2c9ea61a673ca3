/**
 * How a scanned head stands out from the one that fits its tape: by direction, how many times as far from the middle its surface
 * lies. Both sides alike. On an octahedron's net (Cigolle et al., A Survey of Efficient Representations for Independent Unit
 * Vectors, 2014, from memory), which takes no trigonometry; a node every 9 mm of scalp.
 */

/** Nodes from the middle to her left, and from the back over the crown to the face. */
const ACROSS = 21;
const ALONG = 41;
export const RELIEF_NODES = ACROSS * ALONG;
/** What a step of the written form is: 0.15 mm on a head. */
const STEP = 0.0015;
const MOST_STEPS = 127;

export interface Relief {
  /** By node, 1 where the scan lies on the fitted head. */
  readonly ratios: Float64Array;
}

/** The direction of a node; not of unit length. */
export function nodeDirection(node: number): readonly [number, number, number] {
  const u = Math.floor(node / ALONG) / (ACROSS - 1);
  const v = ((node % ALONG) / (ALONG - 1)) * 2 - 1;
  const y = 1 - u - Math.abs(v);
  // The lower half lies folded out into the corners.
  if (y >= 0) return [u, y, v];
  return [1 - Math.abs(v), y, (1 - u) * (v < 0 ? -1 : 1)];
}

/** The node nearest to a direction; both sides are one. */
export function nodeOf(x: number, y: number, z: number): number {
  const [u, v] = onNet(x, y, z);
  return Math.round(u * (ACROSS - 1)) * ALONG + Math.round(((v + 1) / 2) * (ALONG - 1));
}

/** The eight nodes round a node, over the middle of the head and the folds of the net. */
export function nodesRound(node: number): number[] {
  const [i, j] = [Math.floor(node / ALONG), node % ALONG];
  const out: number[] = [];
  for (let di = -1; di <= 1; di++)
    for (let dj = -1; dj <= 1; dj++) if (di !== 0 || dj !== 0) out.push(folded(i + di, j + dj));
  return out;
}

function folded(i: number, j: number): number {
  // Her right is her left.
  if (i < 0) return folded(-i, j);
  if (i >= ACROSS) return folded(2 * (ACROSS - 1) - i, ALONG - 1 - j);
  if (j < 0) return folded(i, -j);
  if (j >= ALONG) return folded(i, 2 * (ALONG - 1) - j);
  return i * ALONG + j;
}

/** Where a direction lies on the net: across from 0 to 1, along from -1 to 1. */
function onNet(x: number, y: number, z: number): readonly [number, number] {
  const sum = Math.abs(x) + Math.abs(y) + Math.abs(z) || 1;
  const u = Math.abs(x) / sum;
  const v = z / sum;
  return y >= 0 ? [u, v] : [1 - Math.abs(v), (1 - u) * (v < 0 ? -1 : 1)];
}

export const ratioAt = ({ ratios }: Relief, x: number, y: number, z: number) => valueAt(ratios, x, y, z);

/** Values at the nodes, between the four round a direction. */
export function valueAt(values: ArrayLike<number>, x: number, y: number, z: number): number {
  const [u, v] = onNet(x, y, z);
  const i = u * (ACROSS - 1);
  const j = ((v + 1) / 2) * (ALONG - 1);
  const i0 = Math.min(ACROSS - 2, Math.floor(i));
  const j0 = Math.min(ALONG - 2, Math.floor(j));
  const [di, dj] = [i - i0, j - j0];
  const at = i0 * ALONG + j0;
  return (
    (1 - di) * ((1 - dj) * values[at] + dj * values[at + 1]) +
    di * ((1 - dj) * values[at + ALONG] + dj * values[at + ALONG + 1])
  );
}

/** Two digits of base 16 for each node. */
export function reliefText({ ratios }: Relief): string {
  let text = '';
  for (const ratio of ratios) {
    const steps = Math.round((ratio - 1) / STEP);
    text += (Math.max(-MOST_STEPS, Math.min(MOST_STEPS, steps)) + 128).toString(16).padStart(2, '0');
  }
  return text;
}

export const RELIEF_TEXT = new RegExp(`^[0-9a-f]{${2 * RELIEF_NODES}}$`);

/** @throws RangeError where the text is none that `reliefText` writes */
export function reliefOf(text: string): Relief {
  if (!RELIEF_TEXT.test(text)) throw new RangeError('The shape of the scan can’t be read.');
  return {
    ratios: Float64Array.from({ length: RELIEF_NODES }, (_, i) => {
      return 1 + (Number.parseInt(text.slice(2 * i, 2 * i + 2), 16) - 128) * STEP;
    }),
  };
}
