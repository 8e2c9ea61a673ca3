/** What a refusal is: one line, begun large, ended by a stop or the place in brackets, nothing of it endless. */
import { expect } from 'vitest';

/** It may quote the file, whatever stands there. */
export function isSentence(why: string) {
  expect(why).toMatch(/^[\p{Lu}“][^\u0000-\u001f\u007f-\u009f\u2028\u2029]*[.…)]$/u);
  expect(why.length).toBeLessThan(400);
  expect(why).not.toMatch(/must be|must match|required field|final value|cast from|\[object/);
}

/** And has none of a library’s words. */
export function isOurSentence(why: string) {
  isSentence(why);
  expect(why).not.toMatch(/`|undefined|NaN/);
}
