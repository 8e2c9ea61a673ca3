/**
 * Share of scalp or cap that shows in a photo: two colours told apart in CIELAB under a light that falls off across the
 * head (a plane of lightness is fitted with them). Where the two don't stand apart it says so instead of a figure.
 */
import { labInto } from './lab.ts';
import { type Gap, gapsIn } from './outlines.ts';

type Pixel = readonly [x: number, y: number];

export interface PhotoAsked {
  /** RGBA, row by row. */
  readonly pixels: ArrayLike<number>;
  readonly width: number;
  readonly height: number;
  /** 1 where the scalp is. */
  readonly mask: Uint8Array;
  /** Of the plan: what is darker, the hair or what is under it. */
  readonly hairIsDarker: boolean;
  /** Her help, where colours are close: a place that is hair, and one that is a gap. */
  readonly hair?: Pixel | undefined;
  readonly gap?: Pixel | undefined;
}

export type PhotoMeasured =
  | {
      readonly state: 'measured';
      readonly shown: number;
      readonly range: readonly [low: number, high: number];
      readonly gaps: readonly Gap[];
      /** Between the two colours, CIE76. */
      readonly contrast: number;
    }
  | { readonly state: 'cantTell'; readonly why: string; readonly contrast: number };

/** Fewer pixels than this are no photo of a head. */
const FEWEST = 2000;
/** Colours nearer than this are not told apart with any certainty, CIE76 (guess). */
const LEAST_CONTRAST = 6;
/** One colour split in two stands 2.65 of its spreads apart, whatever it is; two colours stand further. */
const LEAST_APART = 3.3;
/** A second colour that has less than this of the head is a glint or an edge, unless she tapped it. */
const LEAST_GROUP = 0.006;
const ROUNDS = 8;
/** Of the way from hair to gap: what lies between is counted half. */
const UNSURE = [0.38, 0.62] as const;

export function measurePhoto(asked: PhotoAsked): PhotoMeasured {
  const { width, height } = asked;
  const mask = inside(asked.mask, width, height);
  const at = pixelsOf(mask);
  if (at.length < FEWEST)
    return { state: 'cantTell', why: 'Hardly any of the head is in the photo: tap the two places again.', contrast: 0 };
  const lab = smoothLab(asked.pixels, width, height, at);
  const told = startOf(asked, lab, at);
  const found = apart(lab, at, width, told);
  const contrast = between(found.hair, found.gap);
  const isTold = asked.hair !== undefined && asked.gap !== undefined;
  const few = found.share.reduce((sum, v) => sum + Number(v > 0.5), 0) / at.length;
  const isOneColour = !isTold && Math.min(few, 1 - few) < LEAST_GROUP;
  if (contrast < LEAST_CONTRAST || found.separation < LEAST_APART || isOneColour)
    return {
      state: 'cantTell',
      why: isTold
        ? 'Hair and what is under it are of nearly one colour here. More light from the side, or a light cloth under the net, helps.'
        : 'Two colours don’t stand apart here. Tap a place that is hair and one that is a gap, or take it in more light.',
      contrast,
    };
  const isGap = new Uint8Array(mask.length);
  let shown = 0;
  let unsure = 0;
  found.share.forEach((share, i) => {
    if (share > 0.5) isGap[at[i]] = 1;
    if (share > 0.5) shown++;
    if (share > UNSURE[0] && share < UNSURE[1]) unsure++;
  });
  const n = at.length;
  const [s, u] = [shown / n, unsure / n / 2];
  return {
    state: 'measured',
    shown: s,
    range: [Math.max(0, s - u - MEASURE_ERROR), Math.min(1, s + u + MEASURE_ERROR)],
    gaps: gapsIn(isGap, width, height, n),
    contrast,
  };
}
/** Taps lie a little off, and hair has a shine: a photo is right to about this share (found with photos of known truth). */
const MEASURE_ERROR = 0.02;

/** The rim of the head is mixed with what is behind it, and taps are a pixel or two off. */
const RIM_PX = 3;
function inside(mask: Uint8Array, width: number, height: number): Uint8Array {
  let now = mask;
  for (let round = 0; round < RIM_PX; round++) {
    const next = new Uint8Array(now.length);
    for (let y = 1; y < height - 1; y++) {
      for (let x = 1; x < width - 1; x++) {
        const i = y * width + x;
        next[i] = now[i] & now[i - 1] & now[i + 1] & now[i - width] & now[i + width];
      }
    }
    now = next;
  }
  return now;
}

function pixelsOf(mask: Uint8Array): Uint32Array {
  let n = 0;
  for (let i = 0; i < mask.length; i++) n += mask[i];
  const at = new Uint32Array(n);
  let k = 0;
  for (let i = 0; i < mask.length; i++) if (mask[i]) at[k++] = i;
  return at;
}

/** CIELAB of the pixels of the head, each taken together with the eight round it: grain of a dim photo evens out. */
function smoothLab(pixels: ArrayLike<number>, width: number, height: number, at: Uint32Array): Float32Array {
  const lab = new Float32Array(3 * at.length);
  const rgb = [0, 0, 0];
  for (let k = 0; k < at.length; k++) {
    const x = at[k] % width;
    const y = (at[k] - x) / width;
    let [r, g, b, n] = [0, 0, 0, 0];
    for (let j = Math.max(0, y - 1); j <= Math.min(height - 1, y + 1); j++) {
      for (let i = Math.max(0, x - 1); i <= Math.min(width - 1, x + 1); i++) {
        const o = 4 * (j * width + i);
        r += pixels[o];
        g += pixels[o + 1];
        b += pixels[o + 2];
        n++;
      }
    }
    rgb[0] = Math.round(r / n);
    rgb[1] = Math.round(g / n);
    rgb[2] = Math.round(b / n);
    labInto(rgb, 0, lab, 3 * k);
  }
  return lab;
}

interface Start {
  readonly hair: readonly number[];
  readonly gap: readonly number[];
  /** Both were tapped: they are not looked for. */
  readonly isTold: boolean;
}

function startOf({ hair, gap, hairIsDarker, width }: PhotoAsked, lab: Float32Array, at: Uint32Array): Start {
  const lightness = Float32Array.from({ length: at.length }, (_, k) => lab[3 * k]).sort();
  const [dark, light] = [0.08, 0.92].map((q) => lightness[Math.floor(q * (at.length - 1))]);
  const nearest = (l: number) => meanWhere(lab, at.length, (k) => Math.abs(lab[3 * k] - l) < 3) ?? [l, 0, 0];
  const round = (p: Pixel | undefined) =>
    p &&
    meanWhere(lab, at.length, (k) => {
      const x = at[k] % width;
      return (x - p[0]) ** 2 + ((at[k] - x) / width - p[1]) ** 2 <= TAP_RADIUS ** 2;
    });
  const [h, g] = [round(hair), round(gap)];
  return {
    hair: h ?? nearest(hairIsDarker ? dark : light),
    gap: g ?? nearest(hairIsDarker ? light : dark),
    isTold: h !== undefined && g !== undefined,
  };
}
const TAP_RADIUS = 4;

function meanWhere(lab: Float32Array, n: number, isMeant: (k: number) => boolean): number[] | undefined {
  const sum = [0, 0, 0];
  let count = 0;
  for (let k = 0; k < n; k++) {
    if (!isMeant(k)) continue;
    for (let c = 0; c < 3; c++) sum[c] += lab[3 * k + c];
    count++;
  }
  return count === 0 ? undefined : sum.map((s) => s / count);
}

interface Apart {
  readonly hair: readonly number[];
  readonly gap: readonly number[];
  /** Of each pixel on the way from hair (0) to gap (1). */
  readonly share: Float32Array;
  /** Between the two, in spreads of what lies about them. */
  readonly separation: number;
}

/** Two colours and a plane of lightness, each found with the others held, in turn. */
function apart(lab: Float32Array, at: Uint32Array, width: number, start: Start): Apart {
  const n = at.length;
  const share = new Float32Array(n);
  let hair = [...start.hair];
  let gap = [...start.gap];
  const light = new LightPlane(at, width);
  for (let round = 0; round < ROUNDS; round++) {
    sharesOf(lab, light, hair, gap, share);
    light.fit(lab, share, hair, gap);
    if (start.isTold) continue;
    const [h, g] = means(lab, light, share);
    hair = h ?? hair;
    gap = g ?? gap;
  }
  sharesOf(lab, light, hair, gap, share);
  return { hair, gap, share, separation: 1 / Math.max(1e-6, spread(share, start.isTold)) };
}

function sharesOf(
  lab: Float32Array,
  light: LightPlane,
  hair: readonly number[],
  gap: readonly number[],
  share: Float32Array,
) {
  const d = gap.map((g, c) => g - hair[c]);
  const l = Math.max(1e-9, d[0] * d[0] + d[1] * d[1] + d[2] * d[2]);
  for (let k = 0; k < share.length; k++) {
    const o = 3 * k;
    share[k] =
      ((lab[o] - light.at(k) - hair[0]) * d[0] + (lab[o + 1] - hair[1]) * d[1] + (lab[o + 2] - hair[2]) * d[2]) / l;
  }
}

function means(lab: Float32Array, light: LightPlane, share: Float32Array) {
  const sums = [
    [0, 0, 0],
    [0, 0, 0],
  ];
  const counts = [0, 0];
  for (let k = 0; k < share.length; k++) {
    const of = share[k] > 0.5 ? 1 : 0;
    counts[of]++;
    sums[of][0] += lab[3 * k] - light.at(k);
    sums[of][1] += lab[3 * k + 1];
    sums[of][2] += lab[3 * k + 2];
  }
  return sums.map((sum, of) => (counts[of] > 0 ? sum.map((s) => s / counts[of]) : undefined));
}

/** About either colour, on the way between them. What was tapped may have no gap at all: the larger group tells then. */
function spread(share: Float32Array, isTold: boolean): number {
  const squares = [0, 0];
  const counts = [0, 0];
  for (const s of share) {
    const of = s > 0.5 ? 1 : 0;
    squares[of] += (s - of) ** 2;
    counts[of]++;
  }
  const each = squares.map((q, of) => (counts[of] > 0 ? q / counts[of] : 0));
  if (isTold) return Math.sqrt(each[counts[1] > counts[0] ? 1 : 0]);
  return Math.sqrt((each[0] + each[1]) / 2);
}

/** Light falls off across a head: lightness = p + q x + r y beside the two colours, 0 on the mean. */
class LightPlane {
  private readonly x: Float32Array;
  private readonly y: Float32Array;
  private q = 0;
  private r = 0;

  constructor(at: Uint32Array, width: number) {
    let [sx, sy] = [0, 0];
    this.x = Float32Array.from(at, (i) => i % width);
    this.y = Float32Array.from(at, (i) => Math.floor(i / width));
    for (let k = 0; k < at.length; k++) {
      sx += this.x[k];
      sy += this.y[k];
    }
    for (let k = 0; k < at.length; k++) {
      this.x[k] = (this.x[k] - sx / at.length) / width;
      this.y[k] = (this.y[k] - sy / at.length) / width;
    }
  }

  at(k: number): number {
    return this.q * this.x[k] + this.r * this.y[k];
  }

  /** Least squares of what is left of lightness once each pixel's colour is taken off. */
  fit(lab: Float32Array, share: Float32Array, hair: readonly number[], gap: readonly number[]) {
    let [xx, xy, yy, xe, ye] = [0, 0, 0, 0, 0];
    for (let k = 0; k < share.length; k++) {
      const left = lab[3 * k] - (share[k] > 0.5 ? gap[0] : hair[0]);
      const [x, y] = [this.x[k], this.y[k]];
      xx += x * x;
      xy += x * y;
      yy += y * y;
      xe += x * left;
      ye += y * left;
    }
    const det = xx * yy - xy * xy;
    if (det <= 1e-9) return;
    this.q = (xe * yy - ye * xy) / det;
    this.r = (ye * xx - xe * xy) / det;
  }
}

const between = (a: readonly number[], b: readonly number[]) =>
  Math.sqrt((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2);
