/** Her own hair, by region. */

import { fullnessOf } from '../../../core/hair/own-hair.ts';
import {
  CURLS,
  FULLNESS,
  HAIR_REGION_NAMES,
  HAIR_REGIONS,
  type HairRegion,
  STRANDS,
} from '../../../core/trade/own-hair.ts';
import { setOwnHair } from '../../../model/commands.ts';
import type { HairAsWritten } from '../../../model/plan.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Several } from '../../ui/choice.tsx';
import { SelectField, TextField } from '../../ui/field.tsx';

export function HairTab({ session, result }: BenchProps) {
  const { plan } = session;
  const { ownHair } = plan;
  return (
    <>
      <TextField
        label="Length, stretched"
        value={ownHair.length}
        testId="own-length"
        onCommit={(text) => session.apply(setOwnHair(plan, { length: text.trim() }, `Own hair ${text.trim()}`))}
      />
      <SelectField
        label="Fullness"
        value={ownHair.fullness}
        testId="own-fullness"
        options={FULLNESS.map((f) => [f, f] as const)}
        onChange={(fullness) => session.apply(setOwnHair(plan, { fullness }, `Own hair ${fullness}`))}
      />
      <TextField
        label="Ponytail, round"
        value={ownHair.ponytail}
        testId="ponytail"
        placeholder="not measured"
        onCommit={(text) =>
          session.apply(
            setOwnHair(
              plan,
              { ponytail: text.trim() },
              text.trim() === '' ? 'Ponytail cleared' : `Ponytail ${text.trim()}`,
            ),
          )
        }
        beside={
          result &&
          `${ownHair.ponytail.trim() === '' ? 'All of it in one tail, a tape round it at the band: it says more than a word for it. As told' : 'By your ponytail'}: about ${Math.round(result.ownHair.hairs / 1000)} thousand hairs, ${Math.round(result.ownHair.massG)} g, ${fullnessOf(result.ownHair.hairs / result.head.areaMm2)}.`
        }
      />
      <SelectField
        label="Single strand"
        value={ownHair.strand}
        options={STRANDS.map((s) => [s, s] as const)}
        onChange={(strand) => session.apply(setOwnHair(plan, { strand }, `Strands ${strand}`))}
      />
      <SelectField
        label="Curl"
        value={ownHair.curl}
        testId="own-curl"
        options={CURLS.map((c) => [c, c] as const)}
        onChange={(curl) => session.apply(setOwnHair(plan, { curl }, `Curl: ${curl}`))}
      />
      <Several
        label="Ends"
        values={ownHair.freshEnds ? ['fresh'] : []}
        options={[['fresh', 'freshly trimmed'] as const]}
        onChange={(v) =>
          session.apply(
            setOwnHair(plan, { freshEnds: v.length > 0 }, v.length > 0 ? 'Freshly trimmed' : 'Not trimmed lately'),
          )
        }
      />
      <h3 className="mt-4 text-title">Where it differs</h3>
      {HAIR_REGIONS.map((region) => (
        <RegionFields key={region} region={region} session={session} />
      ))}
      <p className="note mt-3">
        Hairs a cm² and their thickness are from memory of handbooks; a ponytail’s packing is a guess.
      </p>
    </>
  );
}

function RegionFields({ region, session }: { readonly region: HairRegion; readonly session: PlanSession }) {
  const { plan } = session;
  const { ownHair } = plan;
  const hair = ownHair.byRegion[region];
  const set = (change: Partial<HairAsWritten>, words: string) => {
    const merged = Object.fromEntries(
      Object.entries({ ...hair, ...change }).filter(([, v]) => v !== undefined && v !== ''),
    ) as Partial<HairAsWritten>;
    const { [region]: _, ...others } = ownHair.byRegion;
    const byRegion = Object.keys(merged).length === 0 ? others : { ...others, [region]: merged };
    return session.apply(setOwnHair(plan, { byRegion }, `${HAIR_REGION_NAMES[region]}: ${words}`));
  };
  return (
    <details className="line" open={hair !== undefined}>
      <summary className="min-h-11 cursor-pointer py-2.5">{HAIR_REGION_NAMES[region]}</summary>
      <TextField
        label="Length"
        value={hair?.length ?? ''}
        testId={`own-length-${region}`}
        placeholder={ownHair.length}
        onCommit={(text) => set({ length: text.trim() }, text.trim() || 'as elsewhere')}
      />
      <AsElsewhere
        label="Fullness"
        value={hair?.fullness}
        options={FULLNESS}
        onChange={(fullness) => set({ fullness }, fullness ?? 'as elsewhere')}
      />
      <AsElsewhere
        label="Strand"
        value={hair?.strand}
        options={STRANDS}
        onChange={(strand) => set({ strand }, strand ?? 'as elsewhere')}
      />
      <AsElsewhere
        label="Curl"
        value={hair?.curl}
        options={CURLS}
        onChange={(curl) => set({ curl }, curl ?? 'as elsewhere')}
      />
    </details>
  );
}

function AsElsewhere<T extends string>(props: {
  readonly label: string;
  readonly value: T | undefined;
  readonly options: readonly T[];
  readonly onChange: (value: T | undefined) => void;
}) {
  return (
    <SelectField
      label={props.label}
      value={props.value ?? ''}
      options={[['', 'as elsewhere'] as const, ...props.options.map((o) => [o, o] as const)]}
      onChange={(v) => props.onChange(v === '' ? undefined : (v as T))}
    />
  );
}
