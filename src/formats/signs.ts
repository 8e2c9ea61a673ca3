/**
 * Knot signs: the shape says how the piece is held. One bead for one pass, lobes to count them, half a bead
 * for one side only, a lozenge for what is pinned through hair and net, a bow after the beads for a lock.
 * A ring for a thread loop drawn through, a hairpin for a fold and a second one where it is wrapped twice, a crescent round a coil, bars for a band, slanted
 * turns for a rod, beads on a bar for a tied root, strands of a plait for what goes into one. As SVG path data about the origin, the thread running along x; `r` is half the height.
 */
import type { KnotKind } from '../core/trade/index.ts';

export interface SignedKnot {
  readonly kind: KnotKind;
  readonly wraps: number;
  readonly lock: boolean;
}

const SIGNS: Readonly<Record<KnotKind, (knot: SignedKnot, r: number) => string>> = {
  anchor: (_, r) => lozenge(r),
  wrap: ({ wraps: n, lock }, r) => (lock ? wraps(n, 0.9 * r, -1.05 * r) + bow(r, 0.95 * r) : wraps(n, r, 0)),
  oneLeg: ({ wraps: n }, r) => (n > 1 ? inRow(n, 1.24 * r, (cx) => halfBead(cx, 0.8 * r)) : halfBead(0, r)),
  fold: ({ wraps: n, lock }, r) =>
    inRow(n, 1.5 * r, (cx) => hairpin(cx, r, n)) + bowBehind(lock, n > 1 ? 0.9 * n : 1, r),
  threadLoop: (_, r) => ring(r),
  roundCoil: ({ wraps: n, lock }, r) => crescent(r) + wraps(n, 0.5 * r, 0) + bowBehind(lock, 1.3, r),
  onBand: ({ wraps: n, lock }, r) => bar(-1.7 * r, r) + wraps(n, 0.8 * r, 0) + bar(1.7 * r, r) + bowBehind(lock, 2, r),
  onRod: ({ wraps: n, lock }, r) =>
    turns(r) + (n > 1 ? wraps(n, 0.5 * r, 2.4 * r) : '') + bowBehind(lock, n > 1 ? 3.4 : 1.5, r),
  intoTie: ({ wraps: n, lock }, r) => stubs(r) + wraps(n, 0.72 * r, 0) + bowBehind(lock, n > 1 ? 1.6 : 1, r),
  onTail: ({ wraps: n, lock }, r) =>
    chevrons(r) + (n > 1 ? wraps(n, 0.5 * r, 2.6 * r) : '') + bowBehind(lock, n > 1 ? 3.6 : 1.7, r),
};

export const signPath = (knot: SignedKnot, r: number) => SIGNS[knot.kind](knot, r);

/** Key under which knots share a sign. */
export function signKey(knot: SignedKnot): string {
  // An anchor shows that it holds the cap, not how often it is wrapped; one leg has no loop left to lock.
  if (knot.kind === 'anchor' || knot.kind === 'threadLoop') return knot.kind;
  return `${knot.kind}${knot.wraps}${knot.lock && knot.kind !== 'oneLeg' ? 'lock' : ''}`;
}

const f = (v: number) => v.toFixed(2);

function lozenge(r: number): string {
  return `M0,${f(-1.45 * r)}L${f(1.3 * r)},0L0,${f(1.45 * r)}L${f(-1.3 * r)},0Z`;
}

const inRow = (count: number, pitch: number, draw: (cx: number) => string) =>
  Array.from({ length: count }, (_, i) => draw((i - (count - 1) / 2) * pitch)).join('');

/** @param end of what it stands behind, in half heights */
const bowBehind = (lock: boolean, end: number, r: number) => (lock ? bow(r, (end + 0.6) * r) : '');

function halfBead(cx: number, r: number): string {
  const w = 1.12 * r;
  const top = -0.12 * r;
  return `M${f(cx - w)},${f(top)}H${f(cx + w)}A${f(w)},${f(w)} 0 0 1 ${f(cx - w)},${f(top)}Z`;
}

function wraps(count: number, r: number, cx: number): string {
  if (count <= 1) {
    const b = 0.82 * r;
    return `M${f(cx - b)},0A${f(b)},${f(b)} 0 1 1 ${f(cx + b)},0A${f(b)},${f(b)} 0 1 1 ${f(cx - b)},0Z`;
  }
  const w = count > 3 ? 0.7 * r : 0.92 * r;
  const gap = Math.max(0.9, 0.3 * r);
  return inRow(count, w + gap, (at) => lobe(cx + at, w, r));
}

function lobe(cx: number, w: number, r: number): string {
  const k = 0.46 * w;
  const x0 = cx - w / 2;
  const x1 = cx + w / 2;
  return (
    `M${f(x0 + k)},${f(-r)}H${f(x1 - k)}A${f(k)},${f(k)} 0 0 1 ${f(x1)},${f(-r + k)}V${f(r - k)}` +
    `A${f(k)},${f(k)} 0 0 1 ${f(x1 - k)},${f(r)}H${f(x0 + k)}A${f(k)},${f(k)} 0 0 1 ${f(x0)},${f(r - k)}V${f(-r + k)}` +
    `A${f(k)},${f(k)} 0 0 1 ${f(x0 + k)},${f(-r)}Z`
  );
}

/** Drawn shut: pulled in at the waist. */
function bow(r: number, cx: number): string {
  const w = 0.95 * r;
  const waist = 0.16 * r;
  return `M${f(cx - w)},${f(-0.95 * r)}L${f(cx)},${f(-waist)}L${f(cx + w)},${f(-0.95 * r)}V${f(0.95 * r)}L${f(cx)},${f(waist)}L${f(cx - w)},${f(0.95 * r)}Z`;
}

/** A bead with a hole: the inner circle runs the other way round. */
function ring(r: number): string {
  const i = 0.46 * r;
  return `M${f(-r)},0A${f(r)},${f(r)} 0 1 1 ${f(r)},0A${f(r)},${f(r)} 0 1 1 ${f(-r)},0ZM${f(-i)},0A${f(i)},${f(i)} 0 1 0 ${f(i)},0A${f(i)},${f(i)} 0 1 0 ${f(-i)},0Z`;
}

/** Folded: two legs joined on top; narrower where several stand in a row. */
function hairpin(cx: number, r: number, count: number): string {
  const w = (count > 1 ? 0.62 : 0.95) * r;
  const i = (count > 1 ? 0.22 : 0.38) * r;
  return `M${f(cx - w)},${f(r)}V${f(-0.1 * r)}A${f(w)},${f(w)} 0 0 1 ${f(cx + w)},${f(-0.1 * r)}V${f(r)}H${f(cx + i)}V${f(-0.1 * r)}A${f(i)},${f(i)} 0 0 0 ${f(cx - i)},${f(-0.1 * r)}V${f(r)}Z`;
}

/** Open towards what it goes round. */
function crescent(r: number): string {
  return `M${f(-1.3 * r)},${f(0.5 * r)}A${f(1.3 * r)},${f(1.3 * r)} 0 0 1 ${f(1.3 * r)},${f(0.5 * r)}L${f(0.95 * r)},${f(0.5 * r)}A${f(0.95 * r)},${f(0.95 * r)} 0 0 0 ${f(-0.95 * r)},${f(0.5 * r)}Z`;
}

function bar(cx: number, r: number): string {
  const w = 0.16 * r;
  return `M${f(cx - w)},${f(-1.15 * r)}H${f(cx + w)}V${f(1.15 * r)}H${f(cx - w)}Z`;
}

/** What of a bar looks out above and below a bead. */
function stubs(r: number): string {
  const w = 0.2 * r;
  return [-1, 1].map((s) => `M${f(-w)},${f(s * 0.82 * r)}H${f(w)}V${f(s * 1.5 * r)}H${f(-w)}Z`).join('');
}

/** Two strands of a plait, one over the other. */
function chevrons(r: number): string {
  return [-0.75, 0.75]
    .map((c) => {
      const [from, tip, thick] = [(c - 0.6) * r, (c + 0.3) * r, 0.62 * r];
      return `M${f(from)},${f(-r)}H${f(from + thick)}L${f(tip + thick)},0L${f(from + thick)},${f(r)}H${f(from)}L${f(tip)},0Z`;
    })
    .join('');
}

/** Turns of thread, aslant. */
function turns(r: number): string {
  return [-0.95, 0, 0.95]
    .map(
      (c) =>
        `M${f((c - 0.5) * r)},${f(r)}L${f((c + 0.05) * r)},${f(-r)}H${f((c + 0.5) * r)}L${f((c - 0.05) * r)},${f(r)}Z`,
    )
    .join('');
}
