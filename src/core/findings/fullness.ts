/**
 * Too thin, too wide, too big, too heavy: what the finished look has against how full she wants it. What would mend it are
 * the gaps for this hair, with what they would make of pieces, packs and hours said before.
 */
import { type HairGaps, ZONE_SPARES } from '../fullness/index.ts';
import type { Look, Plan, PlanInputs } from '../plan/index.ts';
import { demandsOf, planSupply, productsInColours } from '../supply/index.ts';
import {
  FULLNESS_INFO,
  gapsInWords,
  isWorn,
  lowerFirst,
  percent,
  SCHEME_INFO,
  type SpacingZone,
  TEXTURE_INFO,
  ZONES,
  zoneName,
} from '../trade/index.ts';
import type { NamedFix } from './finding.ts';
import { mainProduct } from './hair.ts';
import type { LookCheck } from './look-check.ts';

/** Gaps that the model takes for enough may come out this much thinner: no plan that is left to the hair is told off for it. */
const MODEL_ERROR = 0.02;
/** The same of thickness, a share. */
const THICKNESS_ERROR = 0.15;

/** What hair has to hide: her scalp, or the net where nobody is under it. */
export const groundOf = ({ madeFor }: Pick<PlanInputs, 'madeFor'>) => (isWorn(madeFor) ? 'the scalp' : 'the net');

export const tooThin: LookCheck = (inputs, result, look) => {
  const aim = FULLNESS_INFO[inputs.finish.fullness];
  if (look.hiddenShare >= aim.leastHidden - MODEL_ERROR) return undefined;
  const more = look.gaps.fillingForHair.hidden > look.gaps.filling.hidden;
  return {
    code: 'cover.thin',
    severity: 'caution',
    station: 'check',
    what: `Thinner than ${aim.name}.`,
    why: `${percent(look.hiddenShare)} of ${groundOf(inputs)} would be hidden; ${aim.name} asks for about ${percent(aim.leastHidden)} (a guess). Opening the pieces comes before more hair where they can be opened.`,
    ...(more ? mend(inputs, result, look, ZONES) : {}),
  };
};

export const tooWide: LookCheck = (inputs, result, look) => {
  if (isGivenByBase(inputs)) return undefined;
  const { fingers, forHair } = look.gaps;
  const aim = FULLNESS_INFO[inputs.finish.fullness];
  const wide = ZONES.filter(
    (z) => z !== 'part' && look.hiddenIn[z] < aim.leastHidden - ZONE_SPARES - MODEL_ERROR && fingers[z] > forHair[z],
  );
  if (wide.length === 0) return undefined;
  const texture = TEXTURE_INFO[mainProduct(inputs).texture].name;
  const told = wide.map((z) => `${lowerFirst(zoneName(z, inputs.part.kind))} ${percent(look.hiddenIn[z])}`);
  return {
    code: 'spacing.tooWide',
    severity: 'caution',
    station: 'rows',
    what: `Wider than this ${texture} hair covers.`,
    why: `Hidden at these gaps: ${told.join(', ')}; ${aim.name} asks for about ${percent(aim.leastHidden)} (a guess until a first row is in).`,
    ...mend(inputs, result, look, wide),
  };
};

export const size: LookCheck = (inputs, result, look) => {
  const aim = FULLNESS_INFO[inputs.finish.fullness];
  const thick = look.thicknessMm;
  const [least, most] = aim.thicknessMm;
  if (thick >= least * (1 - THICKNESS_ERROR) && thick <= most) return undefined;
  const cm = (mm: number) => `${(mm / 10).toFixed(1)} cm`;
  const { filling, fillingForHair } = look.gaps;
  return thick > most
    ? {
        code: 'size.big',
        severity: 'caution',
        station: 'check',
        what: `Bigger than ${aim.name}.`,
        why: `It lies about ${cm(thick)} thick; ${aim.name} is at most ${cm(most)} (a guess). What is hooked can be taken out again; an outline trims it.`,
        ...(isLighterForHair(inputs, look) ? mend(inputs, result, look, ZONES) : {}),
      }
    : {
        code: 'size.small',
        severity: 'caution',
        station: 'check',
        what: `Smaller than ${aim.name}.`,
        why: `It lies about ${cm(thick)} thick; ${aim.name} asks for ${cm(least)} at least (a guess).`,
        ...(fillingForHair.thicknessMm > filling.thicknessMm ? mend(inputs, result, look, ZONES) : {}),
      };
};

/** Against what her own hair bears for days, a net taking its share: the weight alone says nothing. */
export const heavy: LookCheck = (inputs, result, look) => {
  const { load, base } = result;
  const onHairG = load.sections.reduce((s, x) => s + x.onHairG[1], 0);
  const bears = base.sections.reduce((s, x) => s + (x.role === 'base' ? x.carriesG[0] : 0), 0);
  if (onHairG <= bears) return undefined;
  return {
    code: 'load.heavy',
    severity: 'caution',
    station: 'check',
    what: `${Math.round(load.massG)} g is heavy for your own hair.`,
    why: `${inputs.cap.dome === 'none' ? 'All of it' : `Up to ${Math.round(onHairG)} g of it`} would hang on your own hair, which bears about ${Math.round(bears)} g with ease (a guess). Wet it is ${Math.round(load.wetG[0])} to ${Math.round(load.wetG[1])} g. No figure promises safety: headache or sore roots mean take some out.`,
    ...(isLighterForHair(inputs, look) ? mend(inputs, result, look, ZONES) : {}),
  };
};

/** Whether the gaps for this hair take less of it and still hide enough. */
function isLighterForHair({ finish }: PlanInputs, { gaps: { filling, fillingForHair } }: Look): boolean {
  return fillingForHair.massG < filling.massG && fillingForHair.hidden >= FULLNESS_INFO[finish.fullness].leastHidden;
}

/** On bands and rods the base says where pieces go: a gap has no say. */
const isGivenByBase = ({ rows }: PlanInputs) => SCHEME_INFO[rows.scheme].gapsBy !== undefined;

/** More than this many times the pieces is said in so many words. */
const MANY_MORE = 2;

/** Sets zones to the gap for this hair, each its own, and says what that comes to; nothing where they have it already. */
function mend(inputs: PlanInputs, result: Plan, { gaps }: Look, zones: readonly SpacingZone[]): { fix?: NamedFix } {
  const changed = zones.filter((z) => gaps.fingers[z] !== gaps.forHair[z]);
  if (changed.length === 0 || isGivenByBase(inputs)) return {};
  const fingers = Object.fromEntries(changed.map((z) => [z, gaps.forHair[z]]));
  return {
    fix: {
      deed: `Set ${gapsInWords(fingers, inputs.part.kind)}: ${gapsComeTo(inputs, result, gaps, changed)}`,
      change: { kind: 'setSpacing', fingers },
    },
  };
}

/** About what the gaps for this hair, in those zones, would make of pieces, packs and hours. */
export function gapsComeTo(
  inputs: PlanInputs,
  { knots, pieces, supply, time, mix }: Plan,
  { filling, fillingForHair }: HairGaps,
  changed: readonly SpacingZone[] = ZONES,
): string {
  const then = ZONES.reduce((n, z) => n + (changed.includes(z) ? fillingForHair : filling).piecesIn[z], 0);
  const factor = filling.pieces > 0 ? then / filling.pieces : 1;
  const hooked = new Map(pieces.map((p) => [p.cut, p]));
  const demands = demandsOf(inputs.cuts, knots, hooked).map((d) => ({ ...d, knots: Math.round(d.knots * factor) }));
  const { packs } = planSupply(
    productsInColours(inputs.products, inputs.colours, mix?.mainProduct),
    demands,
    inputs.reserveShare,
  );
  const hours = (minutes: number) => `${Math.max(0.5, Math.round(minutes / 30) / 2)} h`;
  const many = factor > MANY_MORE ? ', more than twice as many' : '';
  return `about ${Math.round(supply.pieces * factor)} pieces instead of ${supply.pieces}${many}, ${packs === 1 ? '1 pack' : `${packs} packs`}, ${hours(time.totalMinutes + (factor - 1) * time.knotMinutes)}`;
}
