/** What a piece may be at a place, and why not. Benches list what `mayBe` returns; nothing else decides it. */
import { KNOT_KINDS, THROUGHS } from '../../trade/index.ts';
import { type KnotOverride, type KnotSituation, type MayBe, netHolds } from './situation.ts';

/** What of a situation bounds what a piece may be. */
export type Bounds = Pick<
  KnotSituation,
  'canOneLeg' | 'canLock' | 'loose' | 'threadLoop' | 'capped' | 'netHere' | 'blending' | 'on' | 'into'
>;

/** Why a piece can't be held so, or nothing where it can. */
export function cannot(s: Bounds, wanted: KnotOverride): string | undefined {
  const { kind } = wanted;
  if (kind === 'oneLeg' && !s.canOneLeg) return 'both sides of this piece have to be free, and its loop stays on';
  if (wanted.lock && !s.canLock) return 'this piece has neither band nor ring to lock with';
  if (wanted.lock && kind === 'oneLeg') return 'a one-leg knot has no loop left to lock';
  if (kind === 'fold' && !s.loose) return 'only loose hair is folded by hand';
  if (kind === 'threadLoop' && !s.threadLoop) return 'this piece has no thread loop';
  if (kind === 'onBand' && s.on !== 'band') return 'there is no band here';
  if (kind === 'onRod' && s.on !== 'rod') return 'there is no threaded rod here';
  if (kind === 'roundCoil' && s.on !== 'coil') return 'there is no coil here';
  if (kind === 'intoTie' && s.into !== 'root') return 'it does not go into a tied root here';
  if (kind === 'onTail' && s.into !== 'through' && s.into !== 'onTop')
    return 'there is no plait or twist under it here';
  const hasNet = netHolds(s) && s.on !== 'band' && s.on !== 'rod';
  if (kind === 'anchor' && !hasNet) return 'there is no cap here to be held';
  if (wanted.through !== undefined && wanted.through !== 'hair' && !hasNet) return 'there is no net here';
  return undefined;
}

const known = new Map<string, MayBe>();

/** All that a piece may be there; one record for all places that are bounded alike, since a plan has hundreds. */
export function mayBe(s: Bounds): MayBe {
  const { canOneLeg, canLock, loose, threadLoop, capped, netHere, blending, on, into } = s;
  const key = `${canOneLeg} ${canLock} ${loose} ${threadLoop} ${capped} ${netHere} ${blending} ${on} ${into}`;
  const found = known.get(key) ?? {
    kinds: KNOT_KINDS.filter((kind) => cannot(s, { kind }) === undefined),
    through: THROUGHS.filter((through) => cannot(s, { through }) === undefined),
    lock: canLock,
  };
  known.set(key, found);
  return found;
}
