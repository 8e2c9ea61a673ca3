/** Words that only insiders know, each in one plain sentence. */
import { expect, it } from 'vitest';
import { TERM_PATTERN, TERMS, termOf } from './term-words.ts';

it('each means one sentence or two, and is not told by itself alone', () => {
  for (const { words, means, hair } of TERMS) {
    expect(means, words[0]).toMatch(/^[A-Z].*\.$/);
    expect(means.length, words[0]).toBeLessThan(160);
    expect(hair).toMatch(/^M/);
    for (const w of words) expect(termOf(w)?.words[0]).toBe(words[0]);
  }
});

it('is found as a whole word, never in another', () => {
  expect(TERM_PATTERN.exec('Bites at the edge carry much')?.[0]).toBe('Bites');
  expect(TERM_PATTERN.exec('Set one-leg knots there')?.[0]).toBe('one-leg');
  expect(TERM_PATTERN.test('A block and a clock, unwrapped, marginal')).toBe(false);
});
