/** What a scan changes in a plan: its measures, or its shape in the size of her tape. */
import type { HeldAgainst } from '../core/scan/index.ts';
import { isBySize, type MadeFor, TAPE_INFO, TAPE_MEASURES } from '../core/trade/index.ts';
import { formatLength } from './lengths.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';
import { fingerMm } from './to-inputs.ts';

const LONGEST_NAME = 120;

/** The head follows the measures of the scan; what it was of before is in the undo. */
export function followScan(plan: PlanDocument, measures: readonly HeldAgainst[]): PlanChange {
  const { scan: _, ...rest } = plan;
  const words = `Measured by a scan: ${TAPE_INFO.girth.name.toLowerCase()} ${written(plan, measures[0].scanMm)}`;
  return {
    words,
    plan: { ...rest, madeFor: measured(plan.madeFor), tape: tapeOf(plan, measures, () => true), trusted: [] },
  };
}

/** The shape of the scan; its size where there is no tape to be believed. */
export function takeShape(
  plan: PlanDocument,
  name: string,
  relief: string,
  measures: readonly HeldAgainst[],
): PlanChange {
  const scan = { name: name.trim().slice(0, LONGEST_NAME) || 'scan', relief };
  const tape = tapeOf(plan, measures, (m) => m.tapeMm === undefined || m.believed === 'scan');
  return { words: `The shape of ${scan.name}`, plan: { ...plan, madeFor: measured(plan.madeFor), scan, tape } };
}

/** A head that was known by its size alone is known by its measures now. */
const measured = (madeFor: MadeFor): MadeFor => (isBySize(madeFor) ? { ...madeFor, sizedBy: 'tape' } : madeFor);

export function withoutShape(plan: PlanDocument): PlanChange {
  const { scan: _, ...rest } = plan;
  return { words: 'The shape of the scan taken off', plan: rest };
}

function tapeOf(
  plan: PlanDocument,
  measures: readonly HeldAgainst[],
  isTaken: (m: HeldAgainst) => boolean,
): PlanDocument['tape'] {
  return Object.fromEntries(
    TAPE_MEASURES.map((measure) => {
      const found = measures.find((m) => m.measure === measure);
      return [measure, found && isTaken(found) ? [written(plan, found.scanMm)] : plan.tape[measure]];
    }),
  ) as unknown as PlanDocument['tape'];
}

const written = (plan: PlanDocument, mm: number) => formatLength(mm, plan.unit, fingerMm(plan));
