import { describe, expect, it } from 'vitest';
import type { Finding } from '../../core/findings/finding.ts';
import { newPlan } from '../../model/defaults.ts';
import { isStation, STATIONS, stationState } from './stations.ts';

const plan = newPlan('p', 'P');
const finding = (station: Finding['station'], severity: Finding['severity']): Finding => ({
  code: 'x',
  severity,
  station,
  what: 'x',
  why: 'x',
});

describe('stations', () => {
  it('are thirteen, in working order', () => {
    expect(STATIONS.map(([, name]) => name).join(' · ')).toBe(
      'Aim · Measure · Base · Cap · Hair · Rows & knots · Check · Supply · Install · Wear · Takedown · Log · Practice',
    );
    expect(isStation('hair')).toBe(true);
    expect(isStation('hairdo')).toBe(false);
    expect(isStation(undefined)).toBe(false);
  });

  it('are as they came, open once touched, settled once tied', () => {
    expect(stationState('hair', plan, [], false)).toBe('defaults');
    expect(stationState('hair', plan, [], true)).toBe('open');
    expect(stationState('hair', { ...plan, settled: ['hair'] }, [], true)).toBe('settled');
    expect(stationState('wear', plan, [], true)).toBe('defaults');
  });

  it('are disputed by a finding, settled or not; a note disputes nothing', () => {
    const settled = { ...plan, settled: ['measure'] };
    expect(stationState('measure', settled, [finding('measure', 'caution')], true)).toBe('disputed');
    expect(stationState('measure', settled, [finding('measure', 'note')], true)).toBe('settled');
    expect(stationState('hair', plan, [finding('measure', 'stop')], false)).toBe('defaults');
  });
});
