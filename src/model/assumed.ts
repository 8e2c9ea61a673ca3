/** What of a plan is still as it began, station by station: said where she can say otherwise. */
import { dequal } from 'dequal';
import { isBySize, isWorn, PACE_NAMES, TAPE_MEASURES } from '../core/trade/index.ts';
import { newPlan, START_CAP } from './defaults.ts';
import type { PlanDocument } from './plan.ts';

const START = newPlan('start', '');

type Said = (plan: PlanDocument) => ReadonlyArray<string | false>;

const SAID: Readonly<Record<string, Said>> = {
  aim: ({ finish, pace, part }) => [
    finish.fullness === START.finish.fullness && 'How full: “enough”, as most aim',
    pace === START.pace && `pace: ${PACE_NAMES[START.pace]}`,
    dequal(part, START.part) && 'the part: on the left',
  ],
  measure: (plan) => [
    ...(isBySize(plan.madeFor) ? [] : [estimated(plan)]),
    dequal(plan.fingers, START.fingers) && 'your fingers: 18 mm wide',
    isWorn(plan.madeFor) &&
      dequal(plan.ownHair, START.ownHair) &&
      `your own hair: ${START.ownHair.length}, curly, medium`,
  ],
  base: ({ base, madeFor }) => [
    isWorn(madeFor) && dequal(base, START.base) && 'Four sections behind and four in front, as for long or thick hair',
  ],
  cap: ({ cap }) => [dequal(cap, START_CAP) && 'A closed net as it is mostly sold: 50 cm round, opening to 1.4 times'],
  hair: ({ products }) => [
    dequal(products, START.products) && 'A pack that is an example: write in your own, its pieces, mass and length',
  ],
  rows: ({ spacing, rows }) => [
    Object.keys(spacing.fingers).length === 0 && 'Gaps are left to the hair',
    rows.scheme === undefined && 'rows follow the base',
  ],
};

function estimated({ tape }: PlanDocument): string | false {
  const missing = TAPE_MEASURES.filter((m) => tape[m].length === 0).length;
  return missing > 0 && `${missing} of ${TAPE_MEASURES.length} measures are estimated`;
}

/** "4 of 6 measures are estimated; your fingers: 18 mm wide."; nothing where all is hers. */
export function assumedAt(station: string, plan: PlanDocument): string | undefined {
  const said = (SAID[station]?.(plan) ?? []).filter((s) => s !== false);
  return said.length > 0 ? `${said.join('; ')}.` : undefined;
}

const WAY = ['aim', 'measure', 'base', 'cap', 'hair', 'rows', 'check', 'supply', 'install'] as const;

export type OnTheWay = (typeof WAY)[number];

/** The station that comes next: no base where nobody wears it, no cap where there is none. */
export function nextStation(
  station: string,
  { madeFor, cap }: Pick<PlanDocument, 'madeFor' | 'cap'>,
): OnTheWay | undefined {
  const way = WAY.filter(
    (s) => s === station || ((s !== 'base' || isWorn(madeFor)) && (s !== 'cap' || cap.dome !== 'none')),
  );
  const here = way.indexOf(station as OnTheWay);
  return here < 0 ? undefined : way[here + 1];
}
