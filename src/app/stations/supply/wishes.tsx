/** How she would like to buy. */
import { BUYING_AIM_NAMES, BUYING_AIMS, SURENESSES } from '../../../core/trade/index.ts';
import { type BuyingAsWritten, buyingOf, setBuying } from '../../../model/buying.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { SelectField, TextField } from '../../ui/field.tsx';
import { money, weekday } from '../../ui/format.ts';
import { numberIn } from '../../ui/number-in.ts';

const SURE_NAMES: Readonly<Record<string, string>> = {
  '0.5': 'half of the time',
  '0.8': 'in four of five installs',
  '0.95': 'in nineteen of twenty',
};
const COLOURS = [
  ['0', 'the very colour'],
  ['2', 'as good as the same'],
  ['6', 'seen side by side'],
  ['10', 'near enough'],
] as const;

export function Wishes({ session, currency }: { readonly session: PlanSession; readonly currency: string }) {
  const { plan } = session;
  const wish = buyingOf(plan);
  const set = (change: Partial<BuyingAsWritten>, words: string) =>
    session.apply(setBuying(plan, { ...wish, ...change }, words));
  const within = String(wish.colourWithin);
  return (
    <div className="mt-2" data-testid="buying">
      <SelectField
        label="What matters"
        wide
        testId="buy-aim"
        value={wish.aim}
        options={BUYING_AIMS.map((a) => [a, BUYING_AIM_NAMES[a]] as const)}
        onChange={(aim) => set({ aim }, `Buying: ${BUYING_AIM_NAMES[aim]}`)}
      />
      {wish.aim !== 'surest' && (
        <SelectField
          label="It lasts"
          wide
          testId="buy-sure"
          value={String(wish.sure)}
          options={SURENESSES.map((s) => [String(s), SURE_NAMES[String(s)]] as const)}
          onChange={(sure) =>
            set({ sure: Number(sure) as BuyingAsWritten['sure'] }, `Packs that last ${SURE_NAMES[sure]}`)
          }
        />
      )}
      <SelectField
        label="Colour"
        wide
        testId="buy-colour"
        value={within}
        options={COLOURS.some(([c]) => c === within) ? COLOURS : [...COLOURS, [within, `up to ${within} off`] as const]}
        onChange={(c) => set({ colourWithin: Number(c) }, 'How far a colour may be off')}
      />
      <SelectField
        label="Longer hair"
        wide
        testId="buy-longer"
        value={wish.longerCutDown}
        options={[
          ['no', 'not taken'],
          ['yes', 'cut down to its length'],
        ]}
        onChange={(longerCutDown) =>
          set({ longerCutDown }, longerCutDown === 'yes' ? 'Longer hair may be cut down' : 'No longer hair')
        }
      />
      <Limits session={session} currency={currency} />
    </div>
  );
}

/** What it may cost, and when it has to be there; either may be left open. */
function Limits({ session, currency }: { readonly session: PlanSession; readonly currency: string }) {
  const { plan } = session;
  const wish = buyingOf(plan);
  const set = (change: Partial<BuyingAsWritten>, words: string) =>
    session.apply(setBuying(plan, { ...wish, ...change }, words));
  const without = (key: 'budget' | 'by', words: string) => {
    const { [key]: _, ...rest } = wish;
    return session.apply(setBuying(plan, rest as BuyingAsWritten, words));
  };
  return (
    <>
      <TextField
        label={`At most, ${currency}`}
        testId="buy-budget"
        numeric
        value={wish.budget === undefined ? '' : String(wish.budget)}
        placeholder="any sum"
        onCommit={(text) => {
          if (text.trim() === '') return without('budget', 'Any sum');
          const budget = numberIn(text);
          return typeof budget === 'string' ? budget : set({ budget }, `At most ${money(budget, currency)}`);
        }}
      />
      <TextField
        label="There by"
        type="date"
        testId="buy-by"
        value={wish.by ?? ''}
        onCommit={(by) => (by === '' ? without('by', 'On any day') : set({ by }, `There by ${weekday(by)}`))}
      />
    </>
  );
}
