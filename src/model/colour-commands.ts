/** What she can do to the colours of a plan. */
import type { ColourShares, MixedColour } from '../core/colours/index.ts';
import { lowerFirst } from '../core/trade/index.ts';
import { colourName, withColours } from './colours.ts';
import { freshId } from './ids.ts';
import { placeName } from './places.ts';
import type { PlanDocument } from './plan.ts';
import type { PlanChange } from './plan-change.ts';

/** A colour that comes in begins with this share of all pieces; less where others leave less. */
const FIRST_SHARE = 0.25;

const sumOf = (shares: ColourShares) => Object.values(shares).reduce((a, b) => a + b, 0);
const hundredth = (share: number) => Math.round(100 * share) / 100;

export function addColour(plan: PlanDocument, name: string): PlanChange {
  const { more, shares } = plan.colours;
  const id = freshId('c', more);
  const share = hundredth(Math.min(FIRST_SHARE, Math.max(0, 1 - sumOf(shares))));
  return withColours(
    plan,
    { more: [...more, { id, name, packsAtHand: 0 }], shares: { ...shares, [id]: share } },
    `${name} mixed in`,
  );
}

export function setColour(
  plan: PlanDocument,
  id: string,
  change: Partial<Omit<MixedColour, 'id'>>,
  words: string,
): PlanChange {
  return withColours(plan, { more: plan.colours.more.map((c) => (c.id === id ? { ...c, ...change } : c)) }, words);
}

/** Takes it out everywhere; a place that said nothing but its share is the same as the rest again. */
export function removeColour(plan: PlanDocument, id: string): PlanChange {
  const without = (shares: ColourShares) => Object.fromEntries(Object.entries(shares).filter(([c]) => c !== id));
  const { more, noMore, shares } = plan.colours;
  const { hooked, left } = plan.colours;
  const rest = withColours(
    plan,
    {
      more: more.filter((c) => c.id !== id),
      noMore: noMore.filter((c) => c !== id),
      shares: without(shares),
      hooked: Object.fromEntries(Object.entries(hooked).filter(([, c]) => c !== id)),
      left: without(left),
    },
    `${colourName(plan, id)} taken out`,
  );
  const places = plan.places.flatMap((place) => {
    if (!place.colours) return [place];
    const { colours, ...others } = place;
    const left = without(colours);
    if (more.length > 1) return [{ ...others, colours: left }];
    return saysNothing(others) ? [] : [others];
  });
  return { ...rest, plan: { ...rest.plan, places } };
}

const saysNothing = (place: Omit<PlanDocument['places'][number], 'colours'>) =>
  Object.keys(place.schools).length === 0 && place.secondPass === undefined && place.cut === undefined;

/** What can be given to a colour beside the others that are mixed in. */
export function mostShare(plan: PlanDocument, id: string, placeId?: string): number {
  const shares = sharesAt(plan, placeId);
  return hundredth(Math.max(0, 1 - sumOf(shares) + (shares[id] ?? 0)));
}

const sharesAt = (plan: PlanDocument, placeId?: string): ColourShares =>
  plan.places.find((p) => p.id === placeId)?.colours ?? plan.colours.shares;

/** A share of all pieces, or of a place. */
export function setShare(plan: PlanDocument, id: string, share: number, placeId?: string): PlanChange {
  const old = plan.places.find((p) => p.id === placeId);
  const now = { ...sharesAt(plan, placeId), [id]: share };
  const where = old ? `, ${lowerFirst(placeName(plan, old as Parameters<typeof placeName>[1]))}` : '';
  const words = `${colourName(plan, id)}: ${Math.round(100 * share)} %${where}`;
  if (placeId === undefined) return withColours(plan, { shares: now }, words);
  return { words, plan: { ...plan, places: plan.places.map((p) => (p.id === placeId ? { ...p, colours: now } : p)) } };
}

/** A place gets shares of its own, as the rest has them now; or is as the rest again. */
export function setOwnShares(plan: PlanDocument, placeId: string, isOwn: boolean): PlanChange {
  const places = plan.places.flatMap((place) => {
    if (place.id !== placeId) return [place];
    const { colours: _, ...others } = place;
    if (isOwn) return [{ ...others, colours: plan.colours.shares }];
    return saysNothing(others) ? [] : [others];
  });
  return { words: isOwn ? 'Its own colours' : 'Colours as the rest', plan: { ...plan, places } };
}

/** Shares as packs at hand are: all of them last as long. Undefined where nothing is at hand. */
export function sharesAsPacks(plan: PlanDocument): PlanChange | undefined {
  const { more } = plan.colours;
  const own = plan.products[0].packsAtHand;
  const all = own + more.reduce((sum, c) => sum + c.packsAtHand, 0);
  if (all === 0 || more.length === 0) return undefined;
  // Rounded down, so that the sum is never above one.
  const shares = Object.fromEntries(more.map((c) => [c.id, Math.floor((1000 * c.packsAtHand) / all) / 1000]));
  return withColours(plan, { shares }, 'Shares as packs are at hand');
}

/** What can’t be had any more has to last. */
export function setNoMore(plan: PlanDocument, id: string, isOver: boolean): PlanChange {
  const rest = plan.colours.noMore.filter((c) => c !== id);
  return withColours(
    plan,
    { noMore: isOver ? [...rest, id] : rest },
    isOver ? `${colourName(plan, id)}: no more to be had` : `${colourName(plan, id)} can be bought`,
  );
}
