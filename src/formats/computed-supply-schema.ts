/** What the computed plan says of money, evenings and buying. */
import { BUYING_AIMS } from '../core/trade/index.ts';
import { figure, list, oneOf, orNull, record, some, whole, words, yesNo } from './computed-entries.ts';

export const price = record({
  total: figure,
  range: some(2, figure),
  currency: words,
  hairUsed: figure,
  wornDays: whole,
  aDay: figure,
});

const reach = record({ inTime: yesNo, minutes: orNull(figure), beginBy: words });

/** Null until she has said when she works on it. */
export const evenings = orNull(
  record({
    evenings: list(
      record({
        day: words,
        startsAt: whole,
        minutes: figure,
        workMinutes: figure,
        breakMinutes: figure,
        waitMinutes: figure,
        does: list(record({ what: words, minutes: figure })),
      }),
    ),
    countRange: some(2, whole),
    doneOn: words,
    doneRange: some(2, words),
    finishBy: orNull(record({ day: words, evenings: whole, likely: reach, slow: reach })),
  }),
);

const purchase = record({
  total: figure,
  days: whole,
  lines: list(
    record({
      offer: words,
      seller: words,
      packs: whole,
      bundles: whole,
      price: figure,
      for: list(
        record({ need: words, packs: whole, pieces: whole, split: figure, colourOff: figure, longerMm: figure }),
      ),
    }),
  ),
  sellers: list(record({ seller: words, goods: figure, delivery: figure, days: whole })),
  given: list(record({ need: words, wanted: whole, pieces: whole })),
});

/** Null where no catalogue was at hand. */
export const buying = orNull(
  record({
    currency: words,
    wish: record({
      aim: oneOf(BUYING_AIMS),
      sure: figure,
      colourWithin: figure,
      longerCutDown: oneOf(['yes', 'no']),
      budget: orNull(figure),
      by: orNull(words),
    }),
    atHand: list(record({ of: words, packs: whole })),
    wanted: list(record({ id: words, name: words, colour: words, pieces: whole })),
    can: yesNo,
    purchase: orNull(purchase),
    short: list(record({ need: words, wanted: whole, most: whole })),
    ways: list(record({ give: oneOf(['money', 'time', 'colour', 'sure', 'length']), amount: figure, purchase })),
  }),
);
