/** Contrast of the colour tokens by WCAG 2.2: relative luminance and contrast ratio as its glossary defines them. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { TOKENS } from './ui/tokens.ts';

const css = readFileSync('src/app/theme.css', 'utf8');
const block = (selector: string) => {
  const start = css.indexOf(`${selector} {`);
  return css.slice(start, css.indexOf('}', start));
};
const tokensOf = (selector: string) =>
  new Map([...block(selector).matchAll(/--([\w-]+):\s*(#[0-9a-f]{6});/g)].map((m) => [m[1], m[2]]));
const light = tokensOf(':root');
const dark = new Map([...light, ...tokensOf(':root[data-theme="dark"]'), ...tokensOf(":root[data-theme='dark']")]);

function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const c = Number.parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

function contrast(a: string, b: string): number {
  const [hi, lo] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (hi + 0.05) / (lo + 0.05);
}

it('black on white is 21, the same colour 1 (WCAG 2.2, glossary)', () => {
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 9);
  expect(contrast('#777777', '#777777')).toBe(1);
  // 4.48: the well-known grey that just misses AA on white.
  expect(contrast('#777777', '#ffffff')).toBeCloseTo(4.48, 2);
});

describe.each([
  ['light', light],
  ['dark', dark],
] as const)('%s', (_, tokens) => {
  const of = (name: string) => tokens.get(name) ?? `missing ${name}`;
  it.each([
    ['ink', 'ground'],
    ['ink', 'ground-hi'],
    ['ink', 'ticket'],
    ['ink2', 'ground'],
    ['ink2', 'ground-hi'],
    ['ink2', 'ticket'],
    ['brass-ink', 'ground'],
    ['madder', 'ground'],
    ['madder', 'ground-hi'],
    ['madder', 'ticket'],
    ['yarn', 'cloth'],
    ['w-ink2', 'cloth'],
  ])('text %s on %s reaches 4.5', (text, ground) => {
    expect(contrast(of(text), of(ground))).toBeGreaterThanOrEqual(4.5);
  });

  it('brass that only fills has an ink outline where it is weak', () => {
    const weak = contrast(of('brass'), of('ground')) < 3;
    expect(weak ? contrast(of('ink'), of('ground')) : 21).toBeGreaterThan(3);
    expect(contrast('#eeb04a', of('cloth'))).toBeGreaterThan(3);
  });
});

it('the style sheet has every token that canvas and shaders ask for', () => {
  expect(TOKENS.filter((name) => !css.includes(`  --${name}: `))).toEqual([]);
});
