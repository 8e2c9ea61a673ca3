/** Seconds for one knot, by common practice, of hands that have done it a few times. */
import { KNOT_SECONDS, type KnotKind, type Through } from '../trade/index.ts';

export function knotSeconds(
  knot: { kind: KnotKind; wraps: number; lock: boolean; through: Through; backcomb?: boolean },
  piece: { readonly loopHasToComeOff: boolean; readonly stiff?: boolean; readonly secondsBefore: number },
  /** Each piece is prepared as it comes. */
  preparedHere: boolean,
): number {
  const s = KNOT_SECONDS;
  return (
    s.base +
    knot.wraps * s.eachWrap +
    (knot.lock ? s.lock : 0) +
    (knot.kind === 'oneLeg'
      ? s.oneLeg + (piece.loopHasToComeOff ? s.loopOff : 0) + (piece.stiff ? s.stiffBent : 0)
      : 0) +
    (knot.kind === 'anchor' ? s.anchor : 0) +
    (knot.kind === 'fold' ? s.fold : 0) +
    (knot.kind === 'onBand' || knot.kind === 'onRod' || knot.kind === 'intoTie'
      ? s.onBandOrRod
      : knot.through === 'net'
        ? 0
        : s.hairInBite) +
    (knot.backcomb ? s.backcomb : 0) +
    (preparedHere ? piece.secondsBefore : 0)
  );
}
