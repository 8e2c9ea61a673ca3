/** Rows that somebody else did, entered line by line: drawn, copied beside, mirrored, with where their ends lie. */
import type { Parking } from '../core/base/index.ts';
import { cross, dot, minus, unit } from '../core/geometry/index.ts';
import { type DirectionDeg, directionDeg, directionOf } from '../core/head/index.ts';
import { BASE_LIMITS, PARKING_NAMES, type ParkingHow } from '../core/trade/index.ts';
import { setBase } from './base-commands.ts';
import { LOWEST_PLACE_DEG } from './checks.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

type Line = readonly DirectionDeg[];
type FoundEdit = PlanDocument['base']['edits'][number];

/** The section of a line, by its place in the list. */
export const lineSection = (at: number) => `row${at + 1}`;

const linesOf = ({ base }: PlanDocument) => base.found.lines as readonly Line[];

function withLines(plan: PlanDocument, lines: readonly Line[], words: string, parking = plan.base.parking): PlanChange {
  const found = { ...plan.base.found, lines: lines as PlanDocument['base']['found']['lines'] };
  return setBase(plan, { found, parking }, words);
}

export function addLine(plan: PlanDocument, line: Line): PlanChange {
  return withLines(plan, [...linesOf(plan), line], 'Row entered');
}

/** Beside a line, as long and as curved, so far towards her left (or her right, below zero). */
export function copyLine(plan: PlanDocument, at: number, mm: number): PlanChange {
  return withEnds(
    plan,
    at,
    [beside(linesOf(plan)[at], mm)],
    `Row ${at + 1} copied to the ${mm > 0 ? 'left' : 'right'}`,
  );
}

/** Lines on the other side of the head, of those that have none there. */
export function mirrorLines(plan: PlanDocument): PlanChange {
  let next = plan;
  linesOf(plan).forEach((line, at) => {
    const over = mirrored(line);
    if (!linesOf(next).some((other) => isSame(other, over))) next = withEnds(next, at, [over], '').plan;
  });
  const added = linesOf(next).length - linesOf(plan).length;
  return { words: added === 1 ? 'One row mirrored' : `${added} rows mirrored`, plan: next };
}

export function mirrorLine(plan: PlanDocument, at: number): PlanChange {
  return withEnds(plan, at, [mirrored(linesOf(plan)[at])], `Row ${at + 1} mirrored`);
}

/** Where its end lies; undefined as is usual. */
export function setEnd(plan: PlanDocument, at: number, how: ParkingHow | undefined): PlanChange {
  const { [lineSection(at)]: _, ...others } = plan.base.parking.bySection;
  const bySection = how === undefined ? others : { ...others, [lineSection(at)]: { how } };
  const words = `End of row ${at + 1}: ${how === undefined ? 'as is usual' : PARKING_NAMES[how]}`;
  return setBase(plan, { parking: { ...plan.base.parking, bySection } }, words);
}

/** One line taken out; all that is said of the others stays with them, since sections are named by their place in the list. */
export function dropLine(plan: PlanDocument, at: number): PlanChange {
  const id = (section: string) => {
    const number = Number(/^row(\d+)$/.exec(section)?.[1]);
    if (!Number.isFinite(number) || number < at + 1) return section;
    return number === at + 1 ? undefined : lineSection(number - 2);
  };
  const { parking, edits, locked } = plan.base;
  const bySection = Object.fromEntries(
    Object.entries(parking.bySection).flatMap(([section, own]) => {
      const to = id(section);
      return to === undefined ? [] : [[to, own]];
    }),
  );
  const lines = linesOf(plan).filter((_, i) => i !== at);
  const { words, plan: next } = withLines(plan, lines, `Row ${at + 1} taken out`, { ...parking, bySection });
  const renamed = edits.flatMap((e) => editWith(e, id) ?? []);
  const keys = locked.flatMap((key) => {
    const both = key.split('|').map(id);
    return both.includes(undefined) ? [] : [both.join('|')];
  });
  return {
    words,
    plan: {
      ...next,
      base: { ...next.base, edits: renamed, locked: keys },
      rows: { ...next.rows, off: plan.rows.off.flatMap((section) => id(section) ?? []) },
    },
  };
}

/** An edit of sections under their new names; undefined where one of them is gone. */
function editWith(edit: FoundEdit, id: (section: string) => string | undefined): FoundEdit | undefined {
  const renamed = Object.fromEntries(
    Object.entries(edit).map(([key, v]) => [key, ['a', 'b', 'section'].includes(key) ? id(String(v)) : v]),
  );
  return Object.values(renamed).includes(undefined) ? undefined : (renamed as unknown as FoundEdit);
}

/** New lines whose ends lie as those of the one they are made from. */
function withEnds(plan: PlanDocument, at: number, lines: readonly Line[], words: string): PlanChange {
  const own = plan.base.parking.bySection[lineSection(at)] as Parking | undefined;
  const first = linesOf(plan).length;
  // What it joins or points to is another tail’s affair on the other side.
  const ends =
    own && !own.into && !own.to ? lines.map((_, i) => [lineSection(first + i), { how: own.how }] as const) : [];
  const bySection = { ...plan.base.parking.bySection, ...Object.fromEntries(ends) };
  return withLines(plan, [...linesOf(plan), ...lines], words, { ...plan.base.parking, bySection });
}

export const canAdd = (plan: PlanDocument) => linesOf(plan).length < BASE_LIMITS.lines;

const mirrored = (line: Line): Line => line.map(([azimuth, elevation]) => [0 - azimuth, elevation] as const);

/** Places this near are one, degrees: a finger's breadth. */
const SAME_DEG = 8;

/** Whether two lines run along each other: in the mean of their places. */
function isSame(a: Line, b: Line): boolean {
  const gap = (from: Line, to: Line) =>
    from.reduce((sum, p) => sum + Math.min(...to.map((q) => apart(p, q))), 0) / from.length;
  return Math.max(gap(a, b), gap(b, a)) < SAME_DEG;
}

function apart(a: DirectionDeg, b: DirectionDeg): number {
  const cosine = dot(directionOf(a), directionOf(b));
  return (Math.acos(Math.min(1, Math.max(-1, cosine))) * 180) / Math.PI;
}

/** From the middle of a head to its scalp, mm: only to turn a shift into an angle, a centimetre more or less is nothing. */
const RADIUS_MM = 95;

/** Every place of a line moved across it, over a ball as large as a head. */
function beside(line: Line, mm: number): Line {
  const points = line.map(directionOf);
  const first = points[0];
  const last = points[points.length - 1];
  // Across the whole line, so that a copy is as straight as its model; towards her left where it leads there at all.
  const across = unit(cross(minus(last, first), points[points.length >> 1]));
  const turn = (mm / RADIUS_MM) * (across[0] < 0 ? -1 : 1);
  return points.map((p) => {
    const [azimuth, elevation] = directionDeg(
      unit([0, 1, 2].map((c) => p[c] + turn * across[c]) as [number, number, number]),
    );
    return [azimuth, Math.max(LOWEST_PLACE_DEG, elevation)] as const;
  });
}
