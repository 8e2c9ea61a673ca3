/** What she can do to rows and knots: scheme, brush, pulls, knots by hand, and her own choice of a knot. */

import { dequal } from 'dequal';
import { type DirectionDeg, directionDeg, type Stroke } from '../core/head/index.ts';
import type { KnotOverride, Override, PlannedKnot, PlannedRow } from '../core/knots/index.ts';
import type { BrushStroke, RowChoice, RowEdit } from '../core/rows/index.ts';
import {
  BORDER_KNOT_INFO,
  BORDER_WHEN_INFO,
  BORDER_WHERE_INFO,
  type BorderRow,
  FRINGE_INFO,
  knotName,
  lowerFirst,
  PIECE_ZONE_NAMES,
  SCHEME_INFO,
  SECOND_PASS_INFO,
  zoneName,
} from '../core/trade/index.ts';
import { freshId } from './ids.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

export function setRows(plan: PlanDocument, change: Partial<RowChoice>, words?: string): PlanChange {
  return { words: words ?? rowWords(change), plan: { ...plan, rows: { ...plan.rows, ...change } } };
}

function rowWords({ scheme, secondPass, fringe }: Partial<RowChoice>): string {
  if (scheme) return SCHEME_INFO[scheme].name;
  if (secondPass) return SECOND_PASS_INFO[secondPass].name;
  return fringe ? `Fringe: ${lowerFirst(FRINGE_INFO[fringe.how].name)}` : 'Rows changed';
}

export function setBorderRow(plan: PlanDocument, change: Partial<BorderRow>): PlanChange {
  const { where, fingers, knot, when } = change;
  const told = [
    where && lowerFirst(BORDER_WHERE_INFO[where].name),
    fingers !== undefined && `${fingers} fingers apart`,
    knot && `${BORDER_KNOT_INFO[knot].name} knots`,
    when && BORDER_WHEN_INFO[when].name,
  ].filter(Boolean);
  return setRows(
    plan,
    { borderRow: { ...plan.rows.borderRow, ...change } },
    `${PIECE_ZONE_NAMES.border}: ${told.join(', ')}`,
  );
}

export function brushRows(plan: PlanDocument, stroke: Stroke, factor: number): PlanChange {
  const percent = Math.round(Math.abs(1 / factor ** 2 - 1) * 100);
  const words =
    factor === 1
      ? 'Brushed away'
      : factor < 1
        ? `Fuller there, by about ${percent} %`
        : `Thinner there, by about ${percent} %`;
  const brush: BrushStroke = { stroke, factor };
  return setRows(plan, { brush: [...plan.rows.brush, brush] }, words);
}

export function clearBrush(plan: PlanDocument): PlanChange {
  return setRows(plan, { brush: [] }, 'Brush wiped out');
}

function byHand(plan: PlanDocument, change: RowEdit, words: string): PlanChange {
  const { hand } = plan.rows;
  return setRows(plan, { hand: [...hand, { id: freshId('h', hand), ...change }] }, words);
}

/** Pulled once more, a row keeps one change with the sum. */
export function pullRow(
  plan: PlanDocument,
  row: Pick<PlannedRow, 'pulledBy' | 'label'>,
  at: DirectionDeg,
  mm: number,
): PlanChange {
  const words = `Row ${row.label} pulled ${Math.abs(Math.round(mm * 10) / 10)} mm ${mm > 0 ? 'up' : 'down'}`;
  const old = plan.rows.hand.find((h) => h.id === row.pulledBy);
  if (old?.op !== 'pull') return byHand(plan, { op: 'pull', at, mm: tenth(mm) }, words);
  const sum = tenth(old.mm + mm);
  const hand = plan.rows.hand.flatMap((h) => (h !== old ? [h] : sum === 0 ? [] : [{ ...old, mm: sum }]));
  return setRows(plan, { hand }, words);
}

export function moveKnot(plan: PlanDocument, at: DirectionDeg, to: DirectionDeg): PlanChange {
  return byHand(plan, { op: 'move', at, to }, 'Knot moved');
}

export function addKnot(plan: PlanDocument, at: DirectionDeg): PlanChange {
  return byHand(plan, { op: 'add', at }, 'Knot added');
}

export function removeKnot(plan: PlanDocument, at: DirectionDeg): PlanChange {
  return byHand(plan, { op: 'remove', at }, 'Knot taken out');
}

/** Every third point of a row's line is enough to lay it again. */
const LINE_STRIDE = 3;

export function lineToKeep({ pointsMm: p }: Pick<PlannedRow, 'pointsMm'>): DirectionDeg[] {
  const at = (i: number) => directionDeg([p[i], p[i + 1], p[i + 2]]);
  const line: DirectionDeg[] = [];
  for (let i = 0; i < p.length - 3; i += 3 * LINE_STRIDE) line.push(at(i));
  return [...line, at(p.length - 3)];
}

export function lockRow(plan: PlanDocument, label: string, line: DirectionDeg[], knots: DirectionDeg[]): PlanChange {
  return byHand(plan, { op: 'lock', line, knots }, `Row ${label} locked`);
}

/** Opens the locked row that runs nearest to the place. */
export function unlockRow(plan: PlanDocument, label: string, at: DirectionDeg): PlanChange {
  let best: string | undefined;
  let nearest = Number.POSITIVE_INFINITY;
  plan.rows.hand.forEach((h) => {
    if (h.op !== 'lock') return;
    for (const p of h.line) {
      const d = (p[0] - at[0]) ** 2 + (p[1] - at[1]) ** 2;
      if (d < nearest) {
        nearest = d;
        best = h.id;
      }
    }
  });
  return setRows(plan, { hand: plan.rows.hand.filter((h) => h.id !== best) }, `Row ${label} unlocked`);
}

/** One change by hand taken back, whatever came after it. */
export function forgetHand(plan: PlanDocument, id: string, what: string): PlanChange {
  return setRows(plan, { hand: plan.rows.hand.filter((h) => h.id !== id) }, `Forgotten: ${what}`);
}

export function clearHand(plan: PlanDocument): PlanChange {
  return setRows(plan, { hand: [] }, 'Changes by hand forgotten');
}

/** What she wants of a knot, a row or a zone; nothing wanted lets the rules decide again. */
export function overrideKnot(
  plan: PlanDocument,
  of: Override['of'],
  wish: Override['wish'],
  words: string,
): PlanChange {
  const others = plan.knotWishes.filter((w) => !dequal(w.of, of));
  const empty = Object.values(wish).every((v) => v === undefined);
  return {
    words,
    plan: { ...plan, knotWishes: empty ? others : [...others, { id: freshId('w', plan.knotWishes), of, wish }] },
  };
}

export function overrideWords(
  of: Override['of'],
  knot: Pick<PlannedKnot, 'kind' | 'wraps' | 'lock'>,
  wish: KnotOverride,
  partKind: 'line' | 'crown' | 'swept',
): string {
  const where = 'zone' in of ? zoneName(of.zone, partKind) : 'row' in of ? 'This row' : 'This knot';
  return `${where}: ${lowerFirst(knotName({ ...knot, ...wish }))}`;
}

const tenth = (v: number) => Math.round(v * 10) / 10;
