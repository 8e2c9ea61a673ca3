/** The order in which a style comes out, from what is really in: what holds to own hair is found first, and none is missed. */
import { snipSeconds } from '../time/index.ts';
import { TAKEDOWN, type Through } from '../trade/index.ts';

export interface KnotIn {
  readonly id: string;
  readonly row: number;
  readonly through: Through;
}

export type OutKind = 'throughHair' | 'border' | 'cap' | 'onNet' | 'bands' | 'detangle';

export interface OutStep {
  /** Of its kind, and its row where it has one. */
  readonly id: string;
  readonly kind: OutKind;
  readonly row: number | undefined;
  readonly knotIds: readonly string[];
  readonly minutes: number;
}

export interface TakenFrom {
  /** What is in, in the order in which it was laid. */
  readonly knots: readonly KnotIn[];
  readonly bands: number;
  readonly hasCap: boolean;
  /** She needs so many times what 'some' practice needs. */
  readonly pace: number;
}

/**
 * With a cap: knots through own hair row by row from the top down, border and anchors, the cap with all that is on its net
 * alone, that off the head; without one all of them row by row. Then bands, then combing out. Its minutes add up to those that the plan tells.
 */
export function takedownOrder({ knots, bands, hasCap, pace }: TakenFrom): OutStep[] {
  const step = (kind: OutKind, of: readonly KnotIn[], minutes: number, row?: number): OutStep => ({
    id: row === undefined ? kind : `${kind}-${row}`,
    kind,
    row,
    knotIds: of.map((k) => k.id),
    minutes: pace * minutes,
  });
  const snips = (of: readonly KnotIn[]) => of.reduce((s, k) => s + snipSeconds(k.through, hasCap), 0) / 60;
  const byRow = (kind: OutKind, of: readonly KnotIn[]) =>
    [...new Set(of.map((k) => k.row))]
      // What was laid last lies on top, and is reached first.
      .sort((a, b) => b - a)
      .map((row) => of.filter((k) => k.row === row))
      .map((inRow) => step(kind, inRow, snips(inRow), inRow[0].row));
  const border = knots.filter((k) => k.through === 'border');
  const onNet = hasCap ? knots.filter((k) => k.through === 'net') : [];
  const own = knots.filter((k) => !border.includes(k) && !onNet.includes(k));
  return [
    ...byRow('throughHair', own),
    ...(border.length > 0 ? [step('border', border, snips(border))] : []),
    ...(hasCap ? [step('cap', [], TAKEDOWN.capMinutes)] : []),
    ...(onNet.length > 0 ? [step('onNet', onNet, snips(onNet))] : []),
    ...(bands > 0 ? [step('bands', [], (bands * TAKEDOWN.bandOff) / 60)] : []),
    step('detangle', [], TAKEDOWN.detangleMinutes),
  ];
}
