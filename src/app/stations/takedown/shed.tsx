/** What came out of her own hair, by the scale or by eye, against what days explain. */
import { useState } from 'react';
import { SHED_CAUTION } from '../../../core/trade/index.ts';
import { type ShedVerdict, shedUsual, shedVerdict, tuftAcrossMm } from '../../../core/wear/index.ts';
import { NumberField } from '../../ui/field.tsx';

const VERDICT: Readonly<Record<ShedVerdict, string>> = {
  less: 'Less than so many days shed: some may still be in, or left in the comb.',
  usual: 'About what so many days shed.',
  more: 'Somewhat more than so many days shed. Watch the next weeks.',
  tooMuch: SHED_CAUTION,
};

/** Shares of what is usual at most that are drawn. */
const DRAWN = [0.25, 0.6, 1, 2] as const;
/** Of her screen, about; a coin beside it is drawn to the same scale. */
const PX_A_MM = 1.6;
const COIN_MM = 23;

export function Shed({ days, hairG }: { readonly days: number; readonly hairG: number }) {
  const [grams, setGrams] = useState<number>();
  const usual = shedUsual(days, hairG);
  const [least, most] = usual.massG;
  const verdict = grams === undefined ? undefined : shedVerdict(grams, days, hairG);
  return (
    <section className="mt-5" aria-label="Hair that was shed">
      <h3 className="text-title">What came out of your own hair</h3>
      <p className="note mt-1">
        In {days === 1 ? 'one day' : `${days} days`} a scalp sheds {usual.hairs[0]} to {usual.hairs[1]} hairs, worn or
        not (50 to 150 a day, from memory); of yours that is {figure(least)} to {figure(most)} g. It stays in until now.
      </p>
      <NumberField
        label="By the scale, g"
        value={grams ?? 0}
        onCommit={(g) => {
          if (!(g >= 0 && g <= 500)) return 'It has to be from 0 to 500 g.';
          setGrams(g);
          return undefined;
        }}
        testId="shed-grams"
      />
      <fieldset className="mt-2 flex flex-wrap items-end gap-3">
        <legend className="note">Or by eye, rolled into a ball; the ring is a coin of {COIN_MM} mm</legend>
        {DRAWN.map((share) => (
          <button
            key={share}
            type="button"
            className="relative grid min-h-11 min-w-11 place-items-center"
            aria-pressed={grams === share * most}
            aria-label={`A ball ${Math.round(tuftAcrossMm(share * most))} mm across`}
            onClick={() => setGrams(share * most)}
            data-testid={`tuft-${share}`}
          >
            <Tuft acrossMm={tuftAcrossMm(share * most)} isChosen={grams === share * most} />
          </button>
        ))}
      </fieldset>
      {verdict && (
        <p
          className={`mt-2 ${verdict === 'tooMuch' ? 'text-madder' : ''}`}
          role={verdict === 'tooMuch' ? 'alert' : 'status'}
          data-testid="shed-said"
        >
          {VERDICT[verdict]}
        </p>
      )}
      <p className="note mt-1">
        Short pieces without a white bulb are broken, not shed: how many matters more than how much.
      </p>
    </section>
  );
}

/** A tangle in a circle, and the coin. */
function Tuft({ acrossMm, isChosen }: { readonly acrossMm: number; readonly isChosen: boolean }) {
  const size = PX_A_MM * Math.max(acrossMm, COIN_MM) + 4;
  const r = (PX_A_MM * acrossMm) / 2;
  const strands = Array.from({ length: 22 }, (_, i) => {
    const [a, b] = [2.4 * i, 2.4 * i + 2 + (i % 5) / 3];
    const at = (t: number, by: number) => `${(by * r * Math.cos(t)).toFixed(1)} ${(by * r * Math.sin(t)).toFixed(1)}`;
    return `M${at(a, 1)}Q${at(a + 1.3, 0.2 + (i % 4) / 5)} ${at(b, 0.95)}`;
  });
  return (
    <svg width={size} height={size} viewBox={`${-size / 2} ${-size / 2} ${size} ${size}`} aria-hidden="true">
      <path d={strands.join('')} fill="none" stroke="var(--ink)" strokeWidth={isChosen ? 2 : 1.2} />
      <circle r={(PX_A_MM * COIN_MM) / 2} fill="none" stroke="var(--brass)" strokeWidth={isChosen ? 2.5 : 1.5} />
    </svg>
  );
}

const figure = (g: number) => (g < 1 ? g.toFixed(1) : String(Math.round(g)));
