/** How she would like to buy. */
import { BUYING_AIM_NAMES, BUYING_AIMS, SURENESSES } from '../../../core/trade/index.ts';
import { type BuyingAsWritten, buyingOf, setBuying } from '../../../model/buying.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { type FieldEntry, Fields } from '../../ui/fields.tsx';
import { money, weekday } from '../../ui/format.ts';

/** A wish with what may be left open. */
type Wish = Omit<BuyingAsWritten, 'budget' | 'by'> & {
  readonly budget: number | undefined;
  readonly by: string | undefined;
};

const SURE_NAMES: Readonly<Record<number, string>> = {
  0.5: 'half of the time',
  0.8: 'in four of five installs',
  0.95: 'in nineteen of twenty',
};
const COLOURS: ReadonlyArray<readonly [number, string]> = [
  [0, 'the very colour'],
  [2, 'as good as the same'],
  [6, 'seen side by side'],
  [10, 'near enough'],
];
/** A wish that was given up may lie between. */
const coloursWith = (within: number) =>
  COLOURS.some(([c]) => c === within) ? COLOURS : [...COLOURS, [within, `up to ${within} off`] as const];

const wishFields = (currency: string): ReadonlyArray<FieldEntry<Wish>> => [
  {
    key: 'aim',
    kind: 'choice',
    label: 'What matters',
    wide: true,
    testId: 'buy-aim',
    options: BUYING_AIMS.map((a) => [a, BUYING_AIM_NAMES[a]] as const),
    words: (aim) => `Buying: ${BUYING_AIM_NAMES[aim]}`,
  },
  {
    key: 'sure',
    kind: 'choice',
    label: 'It lasts',
    wide: true,
    testId: 'buy-sure',
    when: ({ aim }) => aim !== 'surest',
    options: SURENESSES.map((s) => [s, SURE_NAMES[s]] as const),
    words: (sure) => `Packs that last ${SURE_NAMES[sure]}`,
  },
  {
    key: 'colourWithin',
    kind: 'choice',
    label: 'Colour',
    wide: true,
    testId: 'buy-colour',
    options: ({ colourWithin }) => coloursWith(colourWithin),
    words: () => 'How far a colour may be off',
  },
  {
    key: 'longerCutDown',
    kind: 'choice',
    label: 'Longer hair',
    wide: true,
    testId: 'buy-longer',
    options: [
      ['no', 'not taken'],
      ['yes', 'cut down to its length'],
    ],
    words: (cut) => (cut === 'yes' ? 'Longer hair may be cut down' : 'No longer hair'),
  },
  {
    key: 'budget',
    kind: 'number',
    label: `At most, ${currency}`,
    testId: 'buy-budget',
    orNone: 'any sum',
    words: (budget) => (budget === undefined ? 'Any sum' : `At most ${money(budget, currency)}`),
  },
  {
    key: 'by',
    kind: 'text',
    input: 'date',
    label: 'There by',
    testId: 'buy-by',
    orNone: 'any day',
    words: (by) => (by === undefined ? 'On any day' : `There by ${weekday(by)}`),
  },
];

export function Wishes({ session, currency }: { readonly session: PlanSession; readonly currency: string }) {
  const { plan } = session;
  const { budget, by, ...wish } = buyingOf(plan);
  return (
    <div className="mt-2" data-testid="buying">
      <Fields
        record={{ ...wish, budget, by }}
        of={wishFields(currency)}
        set={(change, words) => session.apply(setBuying(plan, change, words ?? 'How to buy'))}
      />
    </div>
  );
}
