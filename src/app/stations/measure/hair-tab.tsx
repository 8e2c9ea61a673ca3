/** Her own hair, by region. */

import type { PlanResult } from '../../../core/findings/index.ts';
import { fullnessOf } from '../../../core/hair/index.ts';
import {
  CURLS,
  FULLNESS,
  HAIR_REGION_NAMES,
  HAIR_REGIONS,
  type HairRegion,
  STRANDS,
} from '../../../core/trade/index.ts';
import { setOwnHair } from '../../../model/measure-commands.ts';
import type { HairAsWritten, PlanDocument } from '../../../model/plan.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Several } from '../../ui/choice.tsx';
import { type FieldEntry, Fields, named, type TakeChange } from '../../ui/fields.tsx';

type Table<R> = ReadonlyArray<FieldEntry<R>>;
type OwnHair = PlanDocument['ownHair'];

const same = <T extends string>(value: T) => value;

export function HairTab({ session, result }: BenchProps) {
  const { plan } = session;
  const { ownHair } = plan;
  const set: TakeChange<OwnHair> = (change, words = '') => session.apply(setOwnHair(plan, change, words));
  return (
    <>
      <Fields record={ownHair} of={ownFields(result)} set={set} />
      <Several
        label="Ends"
        values={ownHair.freshEnds ? ['fresh'] : []}
        options={[['fresh', 'freshly trimmed'] as const]}
        onChange={(v) => set({ freshEnds: v.length > 0 }, v.length > 0 ? 'Freshly trimmed' : 'Not trimmed lately')}
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

const ownFields = (result: PlanResult | undefined): Table<OwnHair> => [
  {
    key: 'length',
    kind: 'text',
    label: 'Length, stretched',
    testId: 'own-length',
    words: (length) => `Own hair ${length}`,
  },
  {
    key: 'fullness',
    kind: 'choice',
    label: 'Fullness',
    testId: 'own-fullness',
    options: named(FULLNESS, same),
    words: (fullness) => `Own hair ${fullness}`,
  },
  {
    key: 'ponytail',
    kind: 'text',
    label: 'Ponytail, round',
    testId: 'ponytail',
    placeholder: 'not measured',
    beside: ({ ponytail }) => result && toldOf(result, ponytail.trim() !== ''),
    words: (ponytail) => (ponytail === '' ? 'Ponytail cleared' : `Ponytail ${ponytail}`),
  },
  {
    key: 'strand',
    kind: 'choice',
    label: 'Single strand',
    options: named(STRANDS, same),
    words: (strand) => `Strands ${strand}`,
  },
  {
    key: 'curl',
    kind: 'choice',
    label: 'Curl',
    testId: 'own-curl',
    options: named(CURLS, same),
    words: (curl) => `Curl: ${curl}`,
  },
];

function toldOf({ ownHair, head }: PlanResult, byPonytail: boolean): string {
  const by = byPonytail
    ? 'By your ponytail'
    : 'All of it in one tail, a tape round it at the band: it says more than a word for it. As told';
  const thousands = Math.round(ownHair.hairs / 1000);
  return `${by}: about ${thousands} thousand hairs, ${Math.round(ownHair.massG)} g, ${fullnessOf(ownHair.hairs / head.areaMm2)}.`;
}

type OfRegion = Partial<HairAsWritten>;
const AS_ELSEWHERE = [undefined, 'as elsewhere'] as const;
const orElsewhere = (value: string | undefined) => value || 'as elsewhere';

function RegionFields({ region, session }: { readonly region: HairRegion; readonly session: PlanSession }) {
  const { plan } = session;
  const { ownHair } = plan;
  const hair = ownHair.byRegion[region];
  const set: TakeChange<OfRegion> = (change, words) => {
    const merged: OfRegion = Object.fromEntries(
      Object.entries({ ...hair, ...change }).filter(([, v]) => v !== undefined && v !== ''),
    );
    const { [region]: _, ...others } = ownHair.byRegion;
    const byRegion = Object.keys(merged).length === 0 ? others : { ...others, [region]: merged };
    return session.apply(setOwnHair(plan, { byRegion }, `${HAIR_REGION_NAMES[region]}: ${words}`));
  };
  return (
    <details className="line" open={hair !== undefined}>
      <summary className="min-h-11 cursor-pointer py-2.5">{HAIR_REGION_NAMES[region]}</summary>
      <Fields record={hair ?? {}} of={regionFields(region, ownHair.length)} set={set} />
    </details>
  );
}

const regionFields = (region: HairRegion, elsewhere: string): Table<OfRegion> => [
  {
    key: 'length',
    kind: 'text',
    label: 'Length',
    testId: `own-length-${region}`,
    placeholder: elsewhere,
    words: orElsewhere,
  },
  {
    key: 'fullness',
    kind: 'choice',
    label: 'Fullness',
    options: [AS_ELSEWHERE, ...named(FULLNESS, same)],
    words: orElsewhere,
  },
  {
    key: 'strand',
    kind: 'choice',
    label: 'Strand',
    options: [AS_ELSEWHERE, ...named(STRANDS, same)],
    words: orElsewhere,
  },
  { key: 'curl', kind: 'choice', label: 'Curl', options: [AS_ELSEWHERE, ...named(CURLS, same)], words: orElsewhere },
];
