/** Gaps as they lie together in a photo, each with its outline along the edges of its pixels. */

export interface Gap {
  /** Corners of pixels, x and y in turn. */
  readonly outline: readonly number[];
  /** Of the scalp that is seen. */
  readonly share: number;
  readonly centre: readonly [x: number, y: number];
}

/** Smaller than this share of the scalp is a glint between strands, not a gap. */
const LEAST_SHARE = 0.0015;
const MOST_GAPS = 12;

export function gapsIn(isGap: Uint8Array, width: number, height: number, pixels: number): Gap[] {
  const label = new Int32Array(isGap.length);
  const found: Gap[] = [];
  let last = 0;
  for (let i = 0; i < isGap.length; i++) {
    if (isGap[i] === 0 || label[i] !== 0) continue;
    const { count, sumX, sumY } = flood(isGap, label, ++last, i, width, height);
    if (count < LEAST_SHARE * pixels) continue;
    found.push({
      outline: around(label, last, i, width, height),
      share: count / pixels,
      centre: [sumX / count, sumY / count],
    });
  }
  return found.sort((a, b) => b.share - a.share).slice(0, MOST_GAPS);
}

function flood(isGap: Uint8Array, label: Int32Array, as: number, from: number, width: number, height: number) {
  const stack = [from];
  label[from] = as;
  let [count, sumX, sumY] = [0, 0, 0];
  while (stack.length > 0) {
    const i = stack.pop() as number;
    const x = i % width;
    const y = (i - x) / width;
    count++;
    sumX += x;
    sumY += y;
    for (const j of [
      x > 0 ? i - 1 : -1,
      x < width - 1 ? i + 1 : -1,
      y > 0 ? i - width : -1,
      y < height - 1 ? i + width : -1,
    ]) {
      if (j < 0 || isGap[j] === 0 || label[j] !== 0) continue;
      label[j] = as;
      stack.push(j);
    }
  }
  return { count, sumX, sumY };
}

/** Ways along the edges of pixels: right, down, left, up; and the pixels to the right and to the left of each. */
const STEPS = [
  [1, 0],
  [0, 1],
  [-1, 0],
  [0, -1],
] as const;

/** With the gap on the right hand, from the upper left corner of its first pixel round to it again. */
function around(label: Int32Array, of: number, first: number, width: number, height: number): number[] {
  const isIn = (x: number, y: number) => x >= 0 && y >= 0 && x < width && y < height && label[y * width + x] === of;
  const startX = first % width;
  const startY = (first - startX) / width;
  const outline: number[] = [];
  let [x, y, way] = [startX, startY, 0];
  do {
    outline.push(x, y);
    x += STEPS[way][0];
    y += STEPS[way][1];
    // Pixels ahead, on the right and on the left of the way.
    const [right, left] = ahead(x, y, way);
    if (!isIn(...right)) way = (way + 1) % 4;
    else if (isIn(...left)) way = (way + 3) % 4;
  } while (x !== startX || y !== startY || way !== 0);
  return outline;
}

function ahead(
  x: number,
  y: number,
  way: number,
): readonly [right: readonly [number, number], left: readonly [number, number]] {
  switch (way) {
    case 0:
      return [
        [x, y],
        [x, y - 1],
      ];
    case 1:
      return [
        [x - 1, y],
        [x, y],
      ];
    case 2:
      return [
        [x - 1, y - 1],
        [x - 1, y],
      ];
    default:
      return [
        [x, y - 1],
        [x - 1, y - 1],
      ];
  }
}
