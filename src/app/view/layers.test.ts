/** What the stage shows follows her choice, and the tool in her hand. */
import { expect, it } from 'vitest';
import { STATIONS } from '../thread/stations.ts';
import { FIRST_LAYER, LAYERS, layerWith, showOf } from './layers.ts';
import { TURN_TOOL } from './view-store.ts';

it('without a tool it is as she chose, at every station', () => {
  for (const [station] of STATIONS)
    for (const layer of LAYERS) {
      expect(layerWith(TURN_TOOL, layer)).toBe(layer);
      if (layer === 'hair' || layer === 'light') expect(showOf(station, layer)).toBe(layer);
    }
  expect(showOf('measure', FIRST_LAYER.measure)).toBe('tape');
  expect(showOf('cap', FIRST_LAYER.cap)).toBe('opening');
});

it('a tool that moves a knot needs knots, one that parts hair needs hair; a choice that will do stays', () => {
  expect(layerWith({ kind: 'moveKnot' }, 'hair')).toBe('rows');
  expect(layerWith({ kind: 'finger' }, 'rows')).toBe('hair');
  expect(layerWith({ kind: 'finger' }, 'light')).toBe('light');
  expect(layerWith({ kind: 'hairline' }, 'rows')).toBe('base');
});
