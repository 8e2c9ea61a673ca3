/**
 * What is told by colour can be told by eyes that see fewer: the colours of the cloth and the head apart under the
 * three dichromacies, by the model of Machado, Oliveira and Fernandes (2009), and CIEDE2000 (CIE 142-2001), both as
 * the registry library culori has them. Knots are told by shape alone, so only selection and caution depend on it.
 */
import { readFileSync } from 'node:fs';
import { differenceCiede2000, filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit } from 'culori';
import { describe, expect, it } from 'vitest';
import { KNOT_KINDS } from '../core/trade/knots.ts';
import { signPath } from '../formats/signs.ts';

const css = readFileSync('src/app/theme.css', 'utf8');
const token = (name: string) => new RegExp(`--${name}: (#[0-9a-f]{6});`).exec(css)?.[1] ?? `no --${name}`;
const YARN = token('yarn');
const CLOTH = token('cloth');
const CAP = token('cap');
const BRASS = token('light');
const CAUTION = token('caution');

/** A difference that is seen at a glance between small marks; 2.3 is one that is just noticed (from memory). */
const AT_A_GLANCE = 10;
const apart = differenceCiede2000();
const EYES = {
  'all colours': <T>(c: T) => c,
  protanopia: filterDeficiencyProt(1),
  deuteranopia: filterDeficiencyDeuter(1),
  tritanopia: filterDeficiencyTrit(1),
};

describe.each(Object.entries(EYES))('seen with %s', (_, filter) => {
  const seen = filter as (colour: string) => string;
  it.each([
    ['yarn on cloth', YARN, CLOTH],
    ['yarn on the cap', YARN, CAP],
    ['what is selected from yarn', BRASS, YARN],
    ['what is selected from cloth', BRASS, CLOTH],
    ['a caution from cloth', CAUTION, CLOTH],
    ['a caution from yarn', CAUTION, YARN],
  ])('%s', (__, a, b) => {
    expect(apart(seen(a), seen(b))).toBeGreaterThan(AT_A_GLANCE);
  });
});

it('the check can fail: red and green of one lightness are one colour to a deuteranope', () => {
  const seen = filterDeficiencyDeuter(1) as (colour: string) => string;
  expect(apart('#b06a40', '#7d8440')).toBeGreaterThan(AT_A_GLANCE);
  expect(apart(seen('#b06a40'), seen('#7d8440'))).toBeLessThan(AT_A_GLANCE);
});

it('every kind of knot has a shape of its own, so that colour tells none of them', () => {
  const shapes = KNOT_KINDS.map((kind) => signPath({ kind, wraps: 1, lock: false }, 10));
  expect(new Set(shapes).size).toBe(KNOT_KINDS.length);
});
