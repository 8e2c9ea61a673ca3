/**
 * Lengths as a wearer writes them: "22 1/2 in", "57 cm", "57,2", "565 mm", "31 fingers", "22½″". A bare
 * number is in her own unit. 1 inch is 25.4 mm exactly (international yard and pound agreement, 1959).
 */
export const LENGTH_UNITS = ['cm', 'in', 'mm', 'finger'] as const;
export type LengthUnit = (typeof LENGTH_UNITS)[number];

export const MM_PER_INCH = 25.4;

export type Parsed<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly why: string };

const FRACTIONS: Readonly<Record<string, string>> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const UNIT_WORDS: ReadonlyArray<readonly [RegExp, LengthUnit]> = [
  [/^(cm|cms|centimet(er|re)s?|zentimeter)$/, 'cm'],
  [/^(mm|millimet(er|re)s?)$/, 'mm'],
  [/^(in|ins|inch|inches|"|″|”|''|zoll)$/, 'in'],
  [/^(f|fw|finger|fingers|finger widths?|fingerwidths?)$/, 'finger'],
];

/** @returns millimetres, or a sentence that says what was not understood. */
export function parseLength(text: string, bareUnit: LengthUnit, fingerMm: number): Parsed<number> {
  const cleaned = normalise(text);
  if (cleaned === '') return { ok: false, why: 'Nothing is written there.' };
  const match = /^(\d+(?:\.\d+)?|\.\d+)?(?:\s*(\d+)\s*\/\s*(\d+))?\s*([^\d.]*\.?)$/.exec(cleaned);
  // "1/2 in" reads its 1 as the whole number; the fraction alone is tried first.
  const fractionOnly = /^(\d+)\s*\/\s*(\d+)\s*([^\d.]*\.?)$/.exec(cleaned);
  const [whole, over, under, word] = fractionOnly
    ? ['0', fractionOnly[1], fractionOnly[2], fractionOnly[3]]
    : match
      ? [match[1] ?? (match[2] ? '0' : undefined), match[2], match[3], match[4]]
      : [];
  if (whole === undefined)
    return { ok: false, why: `${quoted(text)} isn’t a length. Write it like 57 cm, 22 1/2 in or 31 fingers.` };
  if (under !== undefined && Number(under) === 0) return { ok: false, why: 'A fraction can’t have 0 below the line.' };
  const unit = unitOf(word ?? '', bareUnit);
  if (!unit)
    return { ok: false, why: `${quoted(word ?? '')} isn’t a unit that is known here. Use cm, mm, in or fingers.` };
  const amount = Number(whole) + (over !== undefined ? Number(over) / Number(under) : 0);
  if (!Number.isFinite(amount) || amount <= 0) return { ok: false, why: 'A length has to be more than nothing.' };
  return { ok: true, value: amount * mmPer(unit, fingerMm) };
}

/** What was written, said back: never more of it than can be read at a glance. */
export function quoted(text: string): string {
  const said = text.trim();
  return said.length > 40 ? `“${said.slice(0, 40)}…”` : `“${said}”`;
}

/** Decimal comma to point, fraction signs spelled out, one space between words. */
function normalise(text: string): string {
  return text
    .toLowerCase()
    .replace(/[¼½¾⅓⅔⅛⅜⅝⅞]/g, (c) => ` ${FRACTIONS[c]}`)
    .replace(/⁄/g, '/')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/\s+/g, ' ')
    .trim();
}

function unitOf(word: string, bareUnit: LengthUnit): LengthUnit | undefined {
  const w = word.trim().replace(/\.$/, '');
  if (w === '') return bareUnit;
  return UNIT_WORDS.find(([pattern]) => pattern.test(w))?.[1];
}

export function mmPer(unit: LengthUnit, fingerMm: number): number {
  return { cm: 10, mm: 1, in: MM_PER_INCH, finger: fingerMm }[unit];
}

/** A length in her unit, as she would write it: inches to the eighth, fingers to the quarter. */
export function formatLength(mm: number, unit: LengthUnit, fingerMm: number): string {
  const amount = mm / mmPer(unit, fingerMm);
  switch (unit) {
    case 'mm':
      return `${Math.round(amount)} mm`;
    case 'cm':
      return `${amount.toFixed(1)} cm`;
    case 'in':
      return `${mixed(amount, 8)} in`;
    case 'finger':
      return `${mixed(amount, 4)} ${amount <= 1 ? 'finger' : 'fingers'}`;
  }
}

function mixed(amount: number, parts: number): string {
  const steps = Math.round(amount * parts);
  const whole = Math.floor(steps / parts);
  let over = steps % parts;
  let under = parts;
  while (over > 0 && over % 2 === 0) {
    over /= 2;
    under /= 2;
  }
  if (over === 0) return String(whole);
  return whole === 0 ? `${over}/${under}` : `${whole} ${over}/${under}`;
}
