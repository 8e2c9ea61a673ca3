/** How big it is, and what it is trimmed to. */
import { SIZE_VIEWS, type SizeView } from '../../../core/cover/index.ts';
import type { HairOnHead } from '../../../core/plan/index.ts';
import { FULLNESS_AIMS, FULLNESS_INFO, OUTLINE_INFO, OUTLINES, upperFirst } from '../../../core/trade/index.ts';
import { setFinish } from '../../../model/finish.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import type { CheckProps } from '../../ui/bench-props.ts';
import { Choice } from '../../ui/choice.tsx';
import { SelectField, TextField } from '../../ui/field.tsx';
import { Ledger, WasNow } from '../../ui/ledger.tsx';
import { Outlines } from './outlines.tsx';

const VIEW_WORDS: Readonly<Record<SizeView, readonly [name: string, across: string]>> = {
  front: ['From the front', 'beyond the head, right and left'],
  left: ['From the side', 'beyond the head, behind and in front'],
  top: ['From above', 'beyond the head, right and left'],
};

export function SizeTab({ session, result, checked: { hair } }: CheckProps) {
  const { plan } = session;
  const { outline } = plan.finish;
  return (
    <>
      <h2>How big it is</h2>
      <p className="note mt-1.25">How full you want it; too thin and too big are both told against that.</p>
      <Choice
        label="Fullness"
        value={plan.finish.fullness}
        options={FULLNESS_AIMS.map((f) => ({
          value: f,
          name: upperFirst(FULLNESS_INFO[f].name),
          reason: FULLNESS_INFO[f].words,
        }))}
        onChange={(fullness) => session.apply(setFinish(plan, { fullness }))}
      />
      <div className="mt-3">
        <SelectField
          label="Trimmed to"
          value={outline}
          testId="outline"
          options={OUTLINES.map((o) => [o, OUTLINE_INFO[o].name] as const)}
          onChange={(o) => session.apply(setFinish(plan, { outline: o }))}
        />
        {outline !== 'none' && (
          <TextField
            label={outline === 'round' ? 'From the head at most' : 'Below the nape line'}
            value={plan.finish.reach}
            testId="reach"
            onCommit={(reach) => session.apply(setFinish(plan, { reach }))}
          />
        )}
        <p className="note mt-1">{OUTLINE_INFO[outline].reason}</p>
      </div>
      {hair && <SizeLedger hair={hair} finger={fingerMm(plan)} />}
      {hair && <Outlines hair={hair} crownMm={result?.head.landmarks.crown[1] ?? 0} />}
      <p className="note mt-2">
        {hair &&
          `Over the scalp it lies ${Math.round(hair.meanThicknessMm)} mm thick on the whole: a guess by texture. `}
        Trim in small steps with the head upright, less on the first day: it settles overnight, and what is cut is gone.
        Blunt tips, a mirror, a finger between blade and skin.
      </p>
    </>
  );
}

function SizeLedger({ hair, finger }: { readonly hair: HairOnHead; readonly finger: number }) {
  const fingers = (mm: number) => (Math.round((2 * mm) / finger) / 2).toString().replace('.5', '½');
  const across = ({ widthMm, heightMm }: HairOnHead['size'][SizeView]) => `${fingers(widthMm)} × ${fingers(heightMm)}`;
  return (
    <Ledger
      large
      testId="size"
      caption={`Fingers, wide × high${hair.untrimmed ? '; before trimming beside it' : ''}`}
      lines={SIZE_VIEWS.map((v) => {
        const now = across(hair.size[v]);
        const [right, left] = hair.size[v].beyondMm;
        return {
          key: v,
          name: (
            <>
              {VIEW_WORDS[v][0]}
              <span className="note block">
                {fingers(right)} and {fingers(left)} {VIEW_WORDS[v][1]}
              </span>
            </>
          ),
          cells: [hair.untrimmed ? <WasNow key="now" was={across(hair.untrimmed[v])} now={now} /> : now],
        };
      })}
    />
  );
}
