/** What she decides herself about a knot, its row or its zone. */
import { dequal } from 'dequal';
import { useState } from 'react';
import { directionDeg } from '../../../core/head/index.ts';
import type { Override, PlannedKnot } from '../../../core/knots/index.ts';
import { KIND_NAMES, KNOT_KINDS, lowerFirst, pieceZoneOf, THROUGH_WORDS, THROUGHS } from '../../../core/trade/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { overrideKnot, overrideWords } from '../../../model/rows-by-hand.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { SelectField } from '../../ui/field.tsx';
import { type FieldEntry, Fields, named, yesNo } from '../../ui/fields.tsx';

export function KnotOverrides({ session, knot }: { readonly session: PlanSession; readonly knot: PlannedKnot }) {
  const { plan } = session;
  const [of, setOf] = useState<'knot' | 'row' | 'zone'>('knot');
  const at = directionDeg([knot.xMm, knot.yMm, knot.zMm]);
  const place: Override['of'] =
    of === 'zone' ? { zone: pieceZoneOf(knot.zone) } : of === 'row' ? { row: at } : { knot: at };
  const now = plan.knotWishes.find((w) => dequal(w.of, place))?.wish ?? {};
  const want = (change: Override['wish']) => {
    const wish = { ...now, ...change };
    return session.apply(overrideKnot(plan, place, wish, overrideWords(place, knot, wish, plan.part.kind)));
  };
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
      <Fields record={now} of={overrideFields(knot, plan.cuts)} set={want} />
    </section>
  );
}

const AS_RULED = [undefined, 'as the rules say'] as const;

/** What she may wish for this knot. What it is stays listed, even where she may not choose it again. */
function overrideFields(knot: PlannedKnot, cuts: PlanDocument['cuts']): ReadonlyArray<FieldEntry<Override['wish']>> {
  const kinds = KNOT_KINDS.filter((kind) => kind === knot.kind || knot.may.kinds.includes(kind));
  const ways = THROUGHS.filter((through) => through === knot.through || knot.may.through.includes(through));
  return [
    {
      key: 'kind',
      kind: 'choice',
      label: 'Knot',
      wide: true,
      testId: 'wish-kind',
      options: [AS_RULED, ...named(kinds, (k) => lowerFirst(KIND_NAMES[k]))],
    },
    {
      key: 'wraps',
      kind: 'choice',
      label: 'Wraps',
      testId: 'wish-wraps',
      options: [AS_RULED, ...[1, 2, 3, 4].map((n) => [n, String(n)] as const)],
    },
    { key: 'lock', kind: 'choice', label: 'Lock', when: () => knot.may.lock, options: [AS_RULED, ...yesNo()] },
    {
      key: 'through',
      kind: 'choice',
      label: 'Through',
      wide: true,
      options: [AS_RULED, ...named(ways, (t) => THROUGH_WORDS[t].replace('through ', ''))],
    },
    {
      key: 'cut',
      kind: 'choice',
      label: 'Piece',
      wide: true,
      when: () => cuts.length > 1,
      options: [[undefined, 'as its zone'], ...cuts.map((c) => [c.id, c.name] as const)],
    },
  ];
}
