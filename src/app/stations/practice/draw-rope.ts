/** A moving knot drawn: each short stretch of rope, bar, hook and ring in the order of its depth, so that over and under are seen. */
import type { Held, RopeFrame } from '../../../core/practice/index.ts';
import { token } from '../../ui/tokens.ts';

export interface RopeLook {
  readonly held: Held;
  readonly radius: number;
  readonly isFromAbove: boolean;
  /** Right and left change places. */
  readonly isTurned: boolean;
}

interface Stroke {
  readonly depth: number;
  draw(ctx: CanvasRenderingContext2D): void;
}

const FRONT = 0.2;
const ABOVE = 1.05;
/** What is in sight, in thicknesses: across, above the bar and below it. */
const ACROSS = 24;
const OVER = 9;
const BELOW = 17;
const MARK_STEP = 0.6;
/** Room left between one strand and another that it crosses. */
const HALO = 0.34;

export function drawRope(
  ctx: CanvasRenderingContext2D,
  width: number,
  height: number,
  frame: RopeFrame,
  look: RopeLook,
) {
  const scale = Math.min(width / ACROSS, height / (OVER + BELOW));
  const at = projector(width, height, scale, look);
  const half = width / scale / 2 + 1;
  const strokes: Stroke[] = [
    ...(NETTED.has(look.held) ? netStrokes(at, scale, half) : []),
    ...barStrokes(look, at, scale, half),
    ...ropeStrokes(frame.rope, at, scale),
    ...hookStrokes(frame, look, at, scale),
    ...ringStrokes(frame, at, scale),
  ];
  strokes.sort((a, b) => a.depth - b.depth);
  ctx.clearRect(0, 0, width, height);
  for (const s of strokes) s.draw(ctx);
}

type Projector = (x: number, y: number, z: number) => readonly [x: number, y: number, depth: number];

function projector(width: number, height: number, scale: number, { isFromAbove, isTurned }: RopeLook): Projector {
  const pitch = isFromAbove ? ABOVE : FRONT;
  const [c, s] = [Math.cos(pitch), Math.sin(pitch)];
  const turn = isTurned ? -1 : 1;
  const foot = height * (OVER / (OVER + BELOW));
  return (x, y, z) => [width / 2 + scale * turn * x, foot - scale * (c * y - s * z), c * z + s * y];
}

type Place = ReturnType<Projector>;

interface Thread {
  readonly thick: number;
  readonly halo: number;
  readonly colour: string;
  /** What goes on beyond the picture has no round ends. */
  readonly isEndless?: boolean;
}

/** A stretch with room round it, so that it stands off what it crosses. */
function stretch(a: Place, b: Place, { thick, halo, colour, isEndless }: Thread): Stroke {
  return {
    depth: (a[2] + b[2]) / 2,
    draw: (ctx) => {
      if (halo > 0) line(ctx, [a, b], thick + halo, token('halo'), 'butt');
      line(ctx, [a, b], thick, colour, isEndless ? 'butt' : 'round');
    },
  };
}

function line(
  ctx: CanvasRenderingContext2D,
  places: readonly Place[],
  width: number,
  colour: string,
  cap: CanvasLineCap,
  aside = 0,
) {
  ctx.lineCap = cap;
  ctx.lineWidth = width;
  ctx.strokeStyle = colour;
  ctx.beginPath();
  places.forEach((p, i) => {
    const [nx, ny] = normalAt(places, i);
    ctx.lineTo(p[0] + aside * nx, p[1] + aside * ny);
  });
  ctx.stroke();
}

function normalAt(places: readonly Place[], i: number): readonly [number, number] {
  const [a, b] = [places[Math.max(0, i - 1)], places[Math.min(places.length - 1, i + 1)]];
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const length = Math.hypot(dx, dy) || 1;
  return [-dy / length, dx / length];
}

/** Strands of a lock: how far from its middle, as shares of its thickness; the light lies on one side. */
const STRANDS = [
  [-0.34, 'lock-light'],
  [-0.2, 'lock-light'],
  [-0.04, 'tail'],
  [0.14, 'lock-light'],
  [0.32, 'tail'],
] as const;
/** Strands go on over the neighbours, whose ends would cover them. */
const GOES_ON = 3;

/** A lock of hair with its strands. */
function ropeStrokes(rope: RopeFrame['rope'], at: Projector, scale: number): Stroke[] {
  const thick = 0.96 * scale;
  const hair: Thread = { thick, halo: HALO * scale, colour: token('lock') };
  const n = rope.length / 3;
  const places = Array.from({ length: n }, (_, i) => at(rope[3 * i], rope[3 * i + 1], rope[3 * i + 2]));
  return Array.from({ length: n - 1 }, (_, i): Stroke => {
    const plain = stretch(places[i], places[i + 1], hair);
    const near = places.slice(Math.max(0, i - GOES_ON), i + 2 + GOES_ON);
    return {
      depth: plain.depth,
      draw: (ctx) => {
        plain.draw(ctx);
        for (const [aside, colour] of STRANDS)
          line(ctx, near, Math.max(0.8, 0.06 * thick), token(colour), 'butt', aside * thick);
      },
    };
  });
}

/** What it is hooked to: threads of a net, a band, a twisted tail, own hair. */
function barStrokes({ held, radius }: RopeLook, at: Projector, scale: number, half: number): Stroke[] {
  return BARS[held](radius).flatMap(({ y, z, thick, colour, marks }) => {
    // Straight, and everywhere as deep: one stroke from end to end.
    const bar = stretch(at(-half, y, z), at(half, y, z), {
      thick: scale * thick,
      halo: scale * 0.16,
      colour: token(colour),
      isEndless: true,
    });
    const turns = marks ? Math.floor((2 * half) / MARK_STEP) : 0;
    const marked = Array.from({ length: turns }, (_, i) => twistMark(at, -half + i * MARK_STEP, y, z, thick, scale));
    return [bar, ...marked];
  });
}

/** A turn of a plait or of a thread, lying on what it is a turn of. */
function twistMark(at: Projector, x: number, y: number, z: number, thick: number, scale: number): Stroke {
  const [a, b] = [at(x, y - 0.34 * thick, z), at(x + 0.42, y + 0.34 * thick, z)];
  return { ...stretch(a, b, { thick: 0.1 * scale, halo: 0, colour: token('sign') }), depth: at(x, y, z)[2] + 0.01 };
}

const NETTED: ReadonlySet<Held> = new Set(['net', 'netAndHair', 'border']);
const MESH = 3;

/** The net behind it all, faint. */
function netStrokes(at: Projector, scale: number, half: number): Stroke[] {
  const out: Stroke[] = [];
  const thread: Thread = { thick: 0.09 * scale, halo: 0, colour: token('net-thread') };
  for (let y = -BELOW - 2 * MESH; y < OVER + MESH; y += 2 * MESH)
    for (let x = -half - MESH; x < half + MESH; x += MESH * 1.2)
      for (const by of [-1, 1]) {
        const drawn = stretch(at(x, y, -4), at(x + by * MESH * 0.6, y + MESH, -4), thread);
        const back = stretch(at(x + by * MESH * 0.6, y + MESH, -4), at(x, y + 2 * MESH, -4), thread);
        for (const s of [drawn, back])
          out.push({
            depth: -1000,
            draw: (ctx) => {
              ctx.globalAlpha = 0.28;
              s.draw(ctx);
              ctx.globalAlpha = 1;
            },
          });
      }
  return out;
}

interface Bar {
  readonly y: number;
  readonly z: number;
  readonly thick: number;
  readonly colour: 'plait' | 'net-thread' | 'brass';
  readonly marks: boolean;
}

const thread = (y: number, thick = 0.3): Bar => ({ y, z: 0, thick, colour: 'net-thread', marks: false });

const BARS: Readonly<Record<Held, (radius: number) => readonly Bar[]>> = {
  net: () => [thread(0.2), thread(-0.2)],
  hair: (r) => [{ y: 0, z: 0, thick: 2 * r, colour: 'plait', marks: true }],
  netAndHair: (r) => [
    { y: 0, z: 0, thick: 2 * r - 0.3, colour: 'plait', marks: true },
    { ...thread(0), z: r - 0.1 },
  ],
  border: (r) => [
    { y: 0.3 * r, z: 0, thick: 1.2 * r, colour: 'net-thread', marks: false },
    { y: -0.5 * r, z: 0, thick: r, colour: 'plait', marks: true },
  ],
  band: (r) => [{ y: 0, z: 0, thick: 2 * r, colour: 'net-thread', marks: false }],
  rod: (r) => [{ y: 0, z: 0, thick: 2 * r, colour: 'net-thread', marks: true }],
  tail: (r) => [{ y: 0, z: 0, thick: 2 * r, colour: 'plait', marks: true }],
};

const HOOK_LONG = 30;

/** A latch hook from below: its shank, its bend, its latch. */
function hookStrokes({ hook }: RopeFrame, _: RopeLook, at: Projector, scale: number): Stroke[] {
  if (!hook) return [];
  const [x, y, z] = hook;
  const bend: Array<readonly [number, number, number]> = [
    [x + 0.2, y - HOOK_LONG, z],
    [x + 0.2, y - 2, z],
    [x + 0.1, y + 0.5, z],
    [x + 0.5, y + 0.9, z + 0.3],
    [x + 0.8, y + 0.4, z + 0.5],
    [x + 0.7, y - 0.5, z + 0.5],
  ];
  const out: Stroke[] = [];
  for (let i = 0; i + 1 < bend.length; i++) {
    const steps = i === 0 ? 40 : 2;
    for (let k = 0; k < steps; k++) {
      const p = (t: number) => [0, 1, 2].map((c) => bend[i][c] + (bend[i + 1][c] - bend[i][c]) * t);
      const [a, b] = [p(k / steps), p((k + 1) / steps)];
      out.push(
        stretch(at(a[0], a[1], a[2]), at(b[0], b[1], b[2]), {
          thick: 0.46 * scale,
          halo: 0.16 * scale,
          colour: token('brass'),
        }),
      );
    }
  }
  return out;
}

/** The band or ring that is pushed to the root: half of it before the tails, half behind. */
function ringStrokes({ ringY, rope }: RopeFrame, at: Projector, scale: number): Stroke[] {
  if (ringY === undefined || ringY < -BELOW - 4) return [];
  const n = rope.length / 3;
  // As wide as the tails lie apart at its height.
  let [left, right, z] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    if (Math.abs(rope[3 * i + 1] - ringY) > 0.7) continue;
    left = Math.min(left, rope[3 * i]);
    right = Math.max(right, rope[3 * i]);
    z = rope[3 * i + 2];
  }
  const [mid, wide] = [(left + right) / 2, (right - left) / 2 + 0.75];
  const out: Stroke[] = [];
  const STEPS = 36;
  for (let i = 0; i < STEPS; i++) {
    const p = (k: number) => {
      const a = (2 * Math.PI * k) / STEPS;
      return at(mid + wide * Math.cos(a), ringY, z + 0.95 * Math.sin(a));
    };
    out.push(stretch(p(i), p(i + 1), { thick: 0.4 * scale, halo: 0.14 * scale, colour: token('light') }));
  }
  return out;
}
