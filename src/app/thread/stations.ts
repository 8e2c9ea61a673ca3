/** The stations in working order, and how each stands. */
import type { Finding } from '../../core/findings/index.ts';
import type { PlanDocument } from '../../model/plan.ts';

export const STATIONS = [
  ['aim', 'Aim'],
  ['measure', 'Measure'],
  ['base', 'Base'],
  ['cap', 'Cap'],
  ['hair', 'Hair'],
  ['rows', 'Rows & knots'],
  ['check', 'Check'],
  ['supply', 'Supply'],
  ['install', 'Install'],
  ['wear', 'Wear'],
  ['takedown', 'Takedown'],
  ['log', 'Log'],
  ['practice', 'Practice'],
] as const;
export type StationId = (typeof STATIONS)[number][0];

export function isStation(value: string | undefined): value is StationId {
  return STATIONS.some(([id]) => id === value);
}

export type StationState = 'settled' | 'open' | 'disputed' | 'defaults';

/** On a phone these are words and figures: for the shop, the mirror and the log. */
export const BY_WORDS: ReadonlySet<StationId> = new Set(['supply', 'install', 'log', 'wear', 'takedown']);

/** Stations that hold choices of a plan; the others only show or do. */
export const CHOICES: readonly StationId[] = ['aim', 'measure', 'base', 'cap', 'hair', 'rows', 'supply'];

export function stationState(
  id: StationId,
  plan: PlanDocument,
  findings: readonly Finding[],
  touched: boolean,
): StationState {
  if (findings.some((f) => f.station === id && f.severity !== 'note')) return 'disputed';
  if (plan.settled.includes(id)) return 'settled';
  return touched && CHOICES.includes(id) ? 'open' : 'defaults';
}
