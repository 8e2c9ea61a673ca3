/** The bench of each station; it comes when it is first wanted. */
import { type ComponentType, lazy } from 'react';
import type { StationId } from '../thread/stations.ts';
import type { CheckProps, WithFinding } from '../ui/bench-props.ts';

type StationProps = WithFinding & CheckProps;

const bench = (load: () => Promise<ComponentType<StationProps>>) =>
  lazy(() => load().then((component) => ({ default: component })));

export const BENCHES: Readonly<Record<StationId, ComponentType<StationProps>>> = {
  aim: bench(() => import('../stations/aim/bench.tsx').then((m) => m.AimBench)),
  measure: bench(() => import('../stations/measure/bench.tsx').then((m) => m.MeasureBench)),
  base: bench(() => import('../stations/base/bench.tsx').then((m) => m.BaseBench)),
  cap: bench(() => import('../stations/cap/bench.tsx').then((m) => m.CapBench)),
  hair: bench(() => import('../stations/hair/bench.tsx').then((m) => m.HairBench)),
  rows: bench(() => import('../stations/rows/bench.tsx').then((m) => m.RowsBench)),
  check: bench(() => import('../stations/check/bench.tsx').then((m) => m.CheckBench)),
  supply: bench(() => import('../stations/supply/bench.tsx').then((m) => m.SupplyBench)),
  install: bench(() => import('../stations/install/bench.tsx').then((m) => m.InstallBench)),
  wear: bench(() => import('../stations/wear/bench.tsx').then((m) => m.WearBench)),
  takedown: bench(() => import('../stations/takedown/bench.tsx').then((m) => m.TakedownBench)),
  log: bench(() => import('../stations/log/bench.tsx').then((m) => m.LogBench)),
  practice: bench(() => import('../stations/practice/bench.tsx').then((m) => m.PracticeBench)),
};
