/** Lengths as written. 1 inch = 25.4 mm exactly (international agreement of 1959). */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatLength, LENGTH_UNITS, type LengthUnit, MM_PER_INCH, parseLength } from './lengths.ts';

const mm = (text: string, unit: LengthUnit = 'cm', finger = 18) => {
  const parsed = parseLength(text, unit, finger);
  return parsed.ok ? parsed.value : parsed.why;
};

describe('reading a length', () => {
  it.each([
    ['22 1/2 in', 571.5],
    ['22½ in', 571.5],
    ['22 ½ inches', 571.5],
    ['22.5"', 571.5],
    ['22.5 in.', 571.5],
    ['1/2 in', 12.7],
    ['½ in', 12.7],
    ['22⅝″', 574.675],
    ['57 cm', 570],
    ['57,2', 572],
    ['57.2 CM', 572],
    ['  57   cm ', 570],
    ['565 mm', 565],
    ['565mm', 565],
    ['.5 cm', 5],
    ['31 fingers', 558],
    ['31 finger widths', 558],
    ['7 1/2 fingers', 135],
    ['7½ f', 135],
    ['1 finger', 18],
  ])('"%s" is %f mm', (text, value) => {
    expect(mm(text)).toBeCloseTo(value, 9);
  });

  it('a bare number is in her own unit', () => {
    expect(LENGTH_UNITS.map((u) => mm('20', u))).toEqual([200, 508, 20, 360]);
  });

  it('fingers are her own', () => {
    expect(mm('10 fingers', 'cm', 15.5)).toBeCloseTo(155, 9);
  });

  it.each([
    '',
    '   ',
    'abc',
    '-5 cm',
    '0',
    '0 cm',
    '57 furlongs',
    '22 1/0 in',
    '1 2 3',
    '57 cm 3',
    '1e9',
    'NaN',
    '∞ cm',
    '57..2',
    '5/ in',
    '57 cm cm',
  ])('refuses "%s" with a sentence', (text) => {
    const parsed = parseLength(text, 'cm', 18);
    expect(parsed).toEqual({ ok: false, why: expect.stringMatching(/^[“A-Z].*\.$/) });
  });

  it('never throws and never gives anything but a positive number', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 20 }), fc.constantFrom(...LENGTH_UNITS), (text, unit) => {
        const parsed = parseLength(text, unit, 18);
        if (parsed.ok) expect(parsed.value > 0 && Number.isFinite(parsed.value)).toBe(true);
        else expect(parsed.why.length).toBeGreaterThan(5);
      }),
      { seed: 131, numRuns: 500 },
    );
  });
});

describe('writing a length', () => {
  it('is read again as the same, to the eighth of an inch, the quarter finger, the millimetre', () => {
    fc.assert(
      fc.property(fc.double({ min: 20, max: 800, noNaN: true }), fc.constantFrom(...LENGTH_UNITS), (value, unit) => {
        const again = mm(formatLength(value, unit, 17), 'cm', 17) as number;
        const step = { cm: 1, mm: 1, in: MM_PER_INCH / 8, finger: 17 / 4 }[unit];
        expect(Math.abs(again - value)).toBeLessThanOrEqual(step / 2 + 1e-9);
      }),
      { seed: 132 },
    );
  });

  it.each([
    [571.5, 'in', '22 1/2 in'],
    [25.4, 'in', '1 in'],
    [12.7, 'in', '1/2 in'],
    [572, 'cm', '57.2 cm'],
    [565, 'mm', '565 mm'],
    [31.5, 'finger', '1 3/4 fingers'],
    [18, 'finger', '1 finger'],
  ] as const)('%f mm in %s is "%s"', (value, unit, text) => {
    expect(formatLength(value, unit, 18)).toBe(text);
  });
});
