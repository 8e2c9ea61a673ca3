/** Days of a worn style: notes of two devices, how far it has come, when it comes off, what is due, how long roots dry. */
import { addDays, differenceInCalendarDays, formatISO, parseISO } from 'date-fns';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  agedOf,
  fuzzLoft,
  LONGEST_WORN_DAYS,
  mattedWidth,
  TEXTURES,
  WEAR_KINDS,
  type WearKind,
} from '../trade/index.ts';
import { agedBy, comesOff, type Worn } from './ageing.ts';
import { dryingHours, leavesGAnHour, ROOM, SATURATED, type Wet, waterG } from './drying.ts';
import { dueUntil, nextDue, wetOn } from './due.ts';
import { foldWear, type WearEvent } from './notes.ts';

const curls: Worn = { texture: 'looseCurl', lengthMm: 300, meantDays: 60, isOnHead: true };
const first = '2026-10-20';
const later = (days: number) => formatISO(addDays(parseISO(first), days), { representation: 'date' });
let made = 0;
const noted = (what: WearKind, day: string): WearEvent => ({ key: `k${made++}`, atMs: made, day, what });
const notes = (...told: ReadonlyArray<readonly [WearKind, number]>) =>
  foldWear(told.map(([w, d]) => noted(w, later(d))));
const days = (from: string, to: string) => differenceInCalendarDays(parseISO(to), parseISO(from));

describe('notes', () => {
  const events = fc.array(
    fc.record({
      key: fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f'),
      atMs: fc.nat(1000),
      day: fc.integer({ min: 0, max: 40 }).map(later),
      what: fc.constantFrom(...WEAR_KINDS),
    }),
  );
  /** Each key stands for one event, whoever tells it. */
  const ofKeys = events.map((all) => [...new Map(all.map((e) => [e.key, e])).values()]);

  it('of two devices are the same in whichever order and however often they come, and none is lost', () => {
    fc.assert(
      fc.property(ofKeys, fc.array(fc.nat(5)), (all, twice) => {
        const again = twice.flatMap((i) => (all[i] ? [all[i]] : []));
        const there = foldWear([...all, ...again]);
        expect(foldWear([...again, ...[...all].reverse()])).toEqual(there);
        expect(there.map((n) => n.key).sort()).toEqual(all.map((e) => e.key).sort());
        for (let i = 1; i < there.length; i++) expect(there[i].day >= there[i - 1].day).toBe(true);
      }),
    );
  });

  it('that are taken back are gone, also where the taking back comes first', () => {
    const one = noted('fuzz', first);
    const back: WearEvent = { key: 'back', atMs: 0, day: first, what: 'undo', undoes: one.key };
    expect(foldWear([one, back])).toEqual([]);
    expect(foldWear([back, one])).toEqual([]);
  });
});

describe('how far it has come', () => {
  it('is the week of the guess after a week, so that picture and day are of one model', () => {
    expect(agedBy([], first, later(7))).toEqual(agedOf('firstWeek'));
    expect(agedBy([], first, first)).toEqual(agedOf('finished'));
    expect(mattedWidth(agedOf('firstWeek'))).toBeCloseTo(0.85, 12);
  });

  it('a night without cover is a day more, tidying one less; a slip creeps; notes of days to come count then', () => {
    const told = notes(['uncovered', 2], ['uncovered', 3], ['tidied', 4], ['slip', 5], ['matted', 20]);
    expect(7 * agedBy(told, first, later(3)).mattedWeeks).toBeCloseTo(5, 9);
    expect(7 * agedBy(told, first, later(4)).mattedWeeks).toBeCloseTo(5, 9);
    expect(7 * agedBy(told, first, later(7)).creptWeeks).toBeCloseTo(11, 9);
  });
});

describe('fuzz', () => {
  it('grows by the day, more where she saw it, and is gone once it is tidied; hair stands off by it, never beyond all bounds', () => {
    const fuzz = (told: ReturnType<typeof notes>, day: number) => 7 * agedBy(told, first, later(day)).fuzzWeeks;
    expect(fuzz([], 6)).toBeCloseTo(6, 9);
    expect(fuzz(notes(['fuzz', 3]), 6)).toBeCloseTo(10, 9);
    expect(fuzz(notes(['fuzz', 3], ['tidied', 5]), 6)).toBeCloseTo(1, 9);
    expect(fuzz(notes(['fuzz', 5], ['tidied', 5]), 6)).toBeCloseTo(1, 9);
    expect(fuzz(notes(['trimmed', 5], ['fuzz', 6]), 6)).toBeCloseTo(5, 9);
    const stands = (fuzzWeeks: number) => fuzzLoft({ mattedWeeks: 0, creptWeeks: 0, fuzzWeeks });
    expect(stands(0)).toBe(1);
    expect(stands(2)).toBeGreaterThan(stands(1));
    expect(stands(50)).toBeCloseTo(1.4, 9);
  });
});

describe('the day by which it comes off', () => {
  it('kinky hair mats after about two weeks, smoother hair later; long smooth hair below the shoulders sooner (common practice, no source)', () => {
    const of = (worn: Partial<Worn>) => days(first, comesOff({ ...curls, ...worn }, [], first, first).day);
    expect(of({ texture: 'kinky' })).toBe(14);
    for (const texture of TEXTURES.filter((t) => t !== 'kinky')) expect(of({ texture })).toBeGreaterThan(14);
    expect(of({ texture: 'straight', lengthMm: 600 })).toBeLessThan(of({ texture: 'straight', lengthMm: 300 }));
  });

  it('nothing stays on a head longer than six weeks, whatever she means to', () => {
    for (const texture of TEXTURES) {
      const { day } = comesOff({ ...curls, texture, meantDays: 180 }, [], first, first);
      expect(days(first, day)).toBeLessThanOrEqual(LONGEST_WORN_DAYS);
    }
    const wig = comesOff({ ...curls, texture: 'twist', meantDays: 60, isOnHead: false }, [], first, first);
    expect(wig.why).toBe('matted');
  });

  it('moves with what she noted: nights without cover forward, tidying back, and says by what', () => {
    const plain = comesOff(curls, [], first, later(10));
    const nights = comesOff(curls, notes(['uncovered', 1], ['uncovered', 2], ['uncovered', 3]), first, later(10));
    const tidied = comesOff(curls, notes(['tidied', 4], ['tidied', 8]), first, later(10));
    expect(days(nights.day, plain.day)).toBe(3);
    expect(days(plain.day, tidied.day)).toBe(2);
    expect(nights.plainDay).toBe(plain.day);
    const [from, to] = nights.between as readonly [string, string];
    expect(from < nights.day && nights.day < to).toBe(true);
  });

  it('bumps or pain on a second day: at once; an itch that stays, or matted hair: within two days', () => {
    const at = (...told: ReadonlyArray<readonly [WearKind, number]>) =>
      comesOff(curls, notes(...told), first, later(9));
    expect(at(['bumps', 9])).toMatchObject({ day: later(9), why: 'hurts' });
    expect(at(['sore', 7], ['sore', 9])).toMatchObject({ day: later(9), why: 'hurts' });
    expect(at(['sore', 1]).why).not.toBe('hurts');
    expect(at(['itch', 7], ['itch', 8], ['itch', 9])).toMatchObject({ day: later(11), why: 'itches' });
    expect(at(['itch', 9]).why).not.toBe('itches');
    expect(at(['matted', 9])).toMatchObject({ day: later(11), why: 'mattedNow' });
  });

  it('goes by the calendar across months, leap years and summer time (date-fns)', () => {
    for (const start of ['2028-02-20', '2027-02-20', '2027-03-20', '2026-10-20', '2026-12-30']) {
      const { day } = comesOff({ ...curls, meantDays: 12 }, [], start, start);
      expect(day).toBe(formatISO(addDays(parseISO(start), 12), { representation: 'date' }));
    }
  });
});

describe('what is due', () => {
  const due = (told: ReturnType<typeof notes>, day: number) =>
    Object.fromEntries(nextDue(curls, told, first, later(day)).map((d) => [d.care, days(first, d.day)]));

  it('washing and tidying count from when they were done last; what she sees or feels makes them due now', () => {
    expect(due([], 2)).toMatchObject({ wash: 9, tidy: 4, edges: 3, night: 2 });
    expect(due(notes(['washed', 2], ['tidied', 3]), 5)).toMatchObject({ wash: 11, tidy: 7 });
    expect(due(notes(['fuzz', 2], ['itch', 1]), 2)).toMatchObject({ tidy: 2, wash: 1 });
    expect(due(notes(['itch', 1], ['washed', 2]), 2).wash).toBe(11);
    // Seen and seen to on the same day.
    expect(due(notes(['fuzz', 2], ['tidied', 2]), 3).tidy).toBe(6);
  });

  it('roots are dried on the day they got wet, anchors held the day they slipped; a wig has no edges', () => {
    expect(due(notes(['swam', 5]), 5).dry).toBe(5);
    expect(due(notes(['swam', 5]), 6).dry).toBeUndefined();
    expect(due(notes(['slip', 5]), 5).hold).toBe(5);
    expect(nextDue({ ...curls, isOnHead: false }, [], first, first).some((d) => d.care === 'edges')).toBe(false);
    expect(wetOn(notes(['rained', 3], ['washed', 3]), later(3))).toBe(1);
  });

  it('for the calendar each comes again until it is off, none on that day or after', () => {
    const all = dueUntil(curls, [], first, first, later(28));
    expect(all.filter((d) => d.care === 'wash').map((d) => days(first, d.day))).toEqual([9, 18, 27]);
    expect(all.every((d) => d.day < later(28))).toBe(true);
  });
});

describe('drying', () => {
  const wet: Wet = {
    texture: 'looseCurl',
    isSynthetic: true,
    lengthMm: 350,
    hairG: 180,
    ownHairG: 60,
    net: 'holes',
    scalpMm2: 62_000,
  };

  it('humidity ratios are those of the Magnus formula (Alduchov and Eskridge 1996; from memory) at sea level', () => {
    const ratio = (celsius: number, share: number) => {
      const hPa = share * 6.1094 * Math.exp((17.625 * celsius) / (243.04 + celsius));
      return (0.622 * hPa) / (1013.25 - hPa);
    };
    expect(SATURATED / ratio(28, 1)).toBeCloseTo(1, 1);
    expect(ROOM / ratio(20, 0.5)).toBeCloseTo(1, 1);
  });

  it('an open wet square metre loses some 400 g an hour into a still room (25 times the difference of humidity)', () => {
    expect(leavesGAnHour(1e6, 0)).toBeGreaterThan(350);
    expect(leavesGAnHour(1e6, 0)).toBeLessThan(500);
  });

  it('takes hours under a net, and a fraction of them with a dryer (common practice, no source: half a day and more for roots under a full style)', () => {
    const { byItself, withDryer } = dryingHours(wet, 1);
    expect(byItself[0]).toBeGreaterThan(1);
    expect(byItself[1]).toBeLessThan(24);
    expect(withDryer[1]).toBeLessThan(0.5 * byItself[1]);
  });

  it('goes with the water held and the way out: mass, length, fibre, net, rain', () => {
    const middle = (change: Partial<Wet>, share = 1) => dryingHours({ ...wet, ...change }, share).byItself[0];
    expect(middle({ hairG: 360 })).toBeGreaterThan(middle({}));
    expect(middle({ isSynthetic: false })).toBeGreaterThan(middle({}));
    expect(middle({ net: 'closed' })).toBeGreaterThan(middle({}));
    expect(middle({ net: 'none' })).toBeLessThan(middle({}));
    expect(middle({}, 0.5)).toBeCloseTo(0.5 * middle({}), 9);
    // Longer hair of the same mass has less of it at the root.
    expect(waterG({ ...wet, lengthMm: 600 })).toBeLessThan(waterG(wet));
  });
});
