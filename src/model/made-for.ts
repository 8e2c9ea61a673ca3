/** Whom it is made for, and what its head is sized by. */
import { isBySize, isWorn, type MadeFor, onForm, SIZE_NAMES, SIZED_BY_INFO, WHOM_INFO } from '../core/trade/index.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

export function setMadeFor(plan: PlanDocument, change: Partial<MadeFor>): PlanChange {
  const madeFor = { ...plan.madeFor, ...change };
  const { whom, sizedBy, size, wornOver } = change;
  const told = [
    whom && WHOM_INFO[whom].name,
    sizedBy && `Sized ${SIZED_BY_INFO[sizedBy].name}`,
    size && `Head: ${SIZE_NAMES[size]}`,
    wornOver !== undefined && (wornOver ? 'What it will be worn over is given' : 'Nobody’s base under it'),
  ].filter(Boolean);
  const cap = isWorn(madeFor) ? plan.cap : onForm(plan.cap);
  return { words: told.join(', ') || 'Made for another head', plan: { ...plan, madeFor, cap } };
}

/** The head of another plan: its tape, its fingers, its scan and its hairline. */
export function asKnownHead(plan: PlanDocument, known: PlanDocument): PlanChange {
  const { unit, tape, trusted, hairline, fingers, scan } = known;
  const { scan: _, ...rest } = plan;
  // That head may be known by its size alone.
  const bySize = isBySize(known.madeFor);
  const name = known.wearer.trim() || known.name;
  return {
    words: `The head of ${name}`,
    plan: {
      ...rest,
      unit,
      tape,
      trusted,
      ...(scan && { scan }),
      hairline,
      fingers,
      madeFor: {
        whom: 'head',
        sizedBy: bySize ? 'size' : 'known',
        size: known.madeFor.size,
        known: name.slice(0, 120),
        wornOver: plan.madeFor.wornOver,
      },
    },
  };
}
