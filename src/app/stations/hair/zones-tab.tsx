/** Which piece goes where. */

import { useId } from 'react';
import { MIX_EVERY, PIECE_ZONES, pieceZoneName } from '../../../core/trade/index.ts';
import { setZonePiece } from '../../../model/cap-and-hair.ts';
import type { BenchProps } from '../../ui/bench-props.ts';
import { SelectField } from '../../ui/field.tsx';

export function ZonesTab({ session, result }: BenchProps) {
  const { plan } = session;
  const id = useId();
  const cuts = plan.cuts.map((c) => [c.id, c.name] as const);
  const count = (zone: string) => result?.knots.filter((k) => k.pieceZone === zone).length ?? 0;
  return (
    <>
      <p className="note">Size and gap are two settings: the same mass can be few thick pieces or many thin ones.</p>
      {PIECE_ZONES.map((zone) => {
        const { cut, mixed } = plan.pieces[zone];
        if (zone === 'fringe' && plan.rows.fringe.how !== 'short') return null;
        if (zone === 'border' && plan.rows.borderRow.where === 'none') return null;
        return (
          <section key={zone} className="mt-2" aria-labelledby={`${id}-${zone}`}>
            <div id={`${id}-${zone}`} className="sr-only">
              {pieceZoneName(zone, plan.part.kind)}
            </div>
            <SelectField
              label={pieceZoneName(zone, plan.part.kind)}
              wide
              value={cut}
              testId={`piece-${zone}`}
              options={cuts}
              onChange={(c) => session.apply(setZonePiece(plan, zone, mixed ? { cut: c, mixed } : { cut: c }))}
            />
            {plan.cuts.length > 1 && (
              <SelectField
                label="mixed with"
                wide
                value={mixed ? `${mixed.cut} ${mixed.every}` : ''}
                options={[
                  ['', 'nothing'] as const,
                  ...cuts
                    .filter(([c]) => c !== cut)
                    .flatMap(([c, name]) =>
                      MIX_EVERY.slice(0, 2).map(
                        (n) => [`${c} ${n}`, `every ${n === 2 ? 'second' : 'third'}: ${name}`] as const,
                      ),
                    ),
                ]}
                onChange={(v) => {
                  const [other, every] = v.split(' ');
                  session.apply(
                    setZonePiece(plan, zone, v === '' ? { cut } : { cut, mixed: { cut: other, every: Number(every) } }),
                  );
                }}
              />
            )}
            <p className="note">{count(zone)} knots</p>
          </section>
        );
      })}
    </>
  );
}
