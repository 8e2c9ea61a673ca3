import { expect, it } from 'vitest';
import { stretchWords } from './in-words.ts';

const said = (letters: string) => stretchWords([...letters].map((l) => (l === 'd' ? 'dark' : 'light')));

it.each([
  ['dddldddl', '3 dark, 1 light, and again'],
  ['dddldddldd', '3 dark, 1 light, and again'],
  ['dldldl', '1 dark, 1 light, and again'],
  ['ddldl', '2 dark, 1 light, 1 dark, 1 light'],
  ['dddl', '3 dark, 1 light'],
  ['dddd', 'all dark'],
  ['l', 'light'],
  ['', ''],
])('a stretch of %s is told as “%s”', (letters, words) => {
  expect(said(letters)).toBe(words);
});
