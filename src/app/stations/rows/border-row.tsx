/** A row along the border of the cap, or along the hairline without one. */
import {
  BORDER_KNOT_INFO,
  BORDER_KNOTS,
  BORDER_WHEN_INFO,
  BORDER_WHENS,
  BORDER_WHERE_INFO,
  BORDER_WHERES,
  type BorderRow,
  isOffHead,
  PIECE_ZONE_NAMES,
  percent,
} from '../../../core/trade/index.ts';
import { setZonePiece } from '../../../model/cap-and-hair.ts';
import { setBorderRow } from '../../../model/rows-by-hand.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { Choice } from '../../ui/choice.tsx';
import { SelectField } from '../../ui/field.tsx';
import { type FieldEntry, Fields, named } from '../../ui/fields.tsx';

export function BorderRowBench({ session, result }: BenchProps) {
  const { plan } = session;
  const { borderRow } = plan.rows;
  const piece = plan.pieces.border;
  const isThere = borderRow.where !== 'none';
  return (
    <>
      <h3 className="mt-5 text-title">{PIECE_ZONE_NAMES.border}</h3>
      <Choice
        label={PIECE_ZONE_NAMES.border}
        value={borderRow.where}
        options={BORDER_WHERES.map((value) => ({ value, ...BORDER_WHERE_INFO[value] }))}
        onChange={(where) => session.apply(setBorderRow(plan, { where }))}
      />
      {isThere && result && (
        <p className="note mt-1" data-testid="border-figures">
          {result.borderRow
            ? `${result.borderRow.knots} knots, ${percent(result.borderRow.share)} of all, ${result.borderRow.minutes} min. Rows beside it end before it; no other knot moves.`
            : 'No place is free for it.'}
        </p>
      )}
      {isThere && (
        <SelectField
          label="Hooked with"
          wide
          testId="border-piece"
          value={piece.cut}
          options={plan.cuts.map((c) => [c.id, c.name] as const)}
          onChange={(cut) => session.apply(setZonePiece(plan, 'border', { ...piece, cut }))}
        />
      )}
      <Fields
        record={{ ...borderRow, hasBorder: plan.cap.dome !== 'none' && !isOffHead(plan.cap) }}
        of={isThere ? FIELDS : []}
        set={({ hasBorder: _, ...change }) => session.apply(setBorderRow(plan, change))}
      />
    </>
  );
}

type Told = BorderRow & { readonly hasBorder: boolean };

const FIELDS: ReadonlyArray<FieldEntry<Told>> = [
  { key: 'fingers', kind: 'number', label: 'Apart, fingers', testId: 'border-fingers' },
  {
    key: 'knot',
    kind: 'choice',
    label: 'Knot',
    wide: true,
    testId: 'border-knot',
    options: named(BORDER_KNOTS, (k) => BORDER_KNOT_INFO[k].name),
    beside: ({ knot }) => BORDER_KNOT_INFO[knot].reason,
  },
  {
    key: 'when',
    kind: 'choice',
    label: 'Laid',
    wide: true,
    testId: 'border-when',
    // Where no border goes back there is no such moment.
    options: ({ hasBorder, when }) =>
      named(
        BORDER_WHENS.filter((w) => w !== 'border' || hasBorder || when === w),
        (w) => BORDER_WHEN_INFO[w].name,
      ),
    beside: ({ when }) => BORDER_WHEN_INFO[when].reason,
  },
];
