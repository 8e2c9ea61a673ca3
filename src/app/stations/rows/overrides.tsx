/** What she decides herself about a knot, its row or its zone. */
import { dequal } from 'dequal';
import { useState } from 'react';
import { directionDeg } from '../../../core/head/marks.ts';
import type { Override } from '../../../core/knots/place/overrides.ts';
import type { PlannedKnot } from '../../../core/knots/place/planned.ts';
import { KIND_NAMES, KNOT_KINDS, THROUGH_WORDS, THROUGHS } from '../../../core/trade/knots.ts';
import { lowerFirst } from '../../../core/trade/words.ts';
import { pieceZoneOf } from '../../../core/trade/zones.ts';
import { wishKnot, wishWords } from '../../../model/rows-by-hand.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { SelectField } from '../../ui/field.tsx';

export function KnotWishes({ session, knot }: { readonly session: PlanSession; readonly knot: PlannedKnot }) {
  const { plan } = session;
  const [of, setOf] = useState<'knot' | 'row' | 'zone'>('knot');
  const at = directionDeg([knot.xMm, knot.yMm, knot.zMm]);
  const place: Override['of'] =
    of === 'zone' ? { zone: pieceZoneOf(knot.zone) } : of === 'row' ? { row: at } : { knot: at };
  const now = plan.knotWishes.find((w) => dequal(w.of, place))?.wish ?? {};
  const want = (change: Override['wish']) => {
    const wish = { ...now, ...change };
    session.apply(wishKnot(plan, place, wish, wishWords(place, knot, wish, plan.part.kind)));
  };
  // What it is stays listed, even where she may not choose it again.
  const kinds = KNOT_KINDS.filter((kind) => kind === knot.kind || knot.may.kinds.includes(kind));
  const ways = THROUGHS.filter((through) => through === knot.through || knot.may.through.includes(through));
  return (
    <section className="mt-4" aria-label="Your own choice">
      <h3 className="text-title">Your own choice</h3>
      <SelectField
        label="for"
        value={of}
        testId="wish-of"
        options={
          [
            ['knot', 'this knot'],
            ['row', 'its whole row'],
            ['zone', 'its zone'],
          ] as const
        }
        onChange={setOf}
      />
      <SelectField
        label="Knot"
        wide
        value={now.kind ?? ''}
        testId="wish-kind"
        options={[['', 'as the rules say'] as const, ...kinds.map((k) => [k, lowerFirst(KIND_NAMES[k])] as const)]}
        onChange={(kind) => want({ kind: kind === '' ? undefined : kind })}
      />
      <SelectField
        label="Wraps"
        value={now.wraps === undefined ? '' : String(now.wraps)}
        testId="wish-wraps"
        options={[['', 'as the rules say'] as const, ...[1, 2, 3, 4].map((n) => [String(n), String(n)] as const)]}
        onChange={(n) => want({ wraps: n === '' ? undefined : Number(n) })}
      />
      {knot.may.lock && (
        <SelectField
          label="Lock"
          value={now.lock === undefined ? '' : now.lock ? 'yes' : 'no'}
          options={
            [
              ['', 'as the rules say'],
              ['yes', 'yes'],
              ['no', 'no'],
            ] as const
          }
          onChange={(v) => want({ lock: v === '' ? undefined : v === 'yes' })}
        />
      )}
      <SelectField
        label="Through"
        wide
        value={now.through ?? ''}
        options={[
          ['', 'as the rules say'] as const,
          ...ways.map((t) => [t, THROUGH_WORDS[t].replace('through ', '')] as const),
        ]}
        onChange={(through) => want({ through: through === '' ? undefined : through })}
      />
      {plan.cuts.length > 1 && (
        <SelectField
          label="Piece"
          wide
          value={now.cut ?? ''}
          options={[['', 'as its zone'] as const, ...plan.cuts.map((c) => [c.id, c.name] as const)]}
          onChange={(id) => want({ cut: id === '' ? undefined : id })}
        />
      )}
    </section>
  );
}
