/** How a plan looks once it is in: what shows, which knots, how big it is, why, and what is not known of it. */
import { placeWords } from '../base/index.ts';
import {
  barePatches,
  concealments,
  hiddenShare,
  isolines,
  linesShown,
  logOf,
  SIDE_TO_EYE,
  SIDES,
  seenShare,
  showing,
} from '../cover/index.ts';
import { layerMm, volumeMm3 } from '../fall/index.ts';
import { zoneAt } from '../fullness/index.ts';
import { verticesUnder } from '../geometry/index.ts';
import type { Point } from '../head/index.ts';
import { biteGroups } from '../load/index.ts';
import { agedOf, fuzzLoft, GROUND_LUMINANCE, hairLuminance, isWorn, type SpacingZone, ZONES } from '../trade/index.ts';
import type { Look, ToldPatch } from './look-result.ts';
import { base, baseContext, ownHair } from './stages/base.ts';
import { cap, openingLine } from './stages/cap.ts';
import { owed, ownHairOver, prints, shows, worn, wornKnots } from './stages/fall.ts';
import { gaps } from './stages/for-hair.ts';
import { head } from './stages/head.ts';
import { knots } from './stages/knots.ts';
import { herPart, partAsWorn } from './stages/part.ts';
import { spacing } from './stages/spacing.ts';
import { stage } from './stages/stage.ts';

/** Hidden share alone: what a search asks for. */
export const hidden = stage(
  'hidden',
  ({ of }) => ({ mesh: of(head).mesh, shows: of(shows), owed: of(owed) }),
  ({ mesh, shows: through, owed: where }) => hiddenShare(mesh, through, where),
);

/** Share hidden in each zone; 1 where no cover is owed. */
export const hiddenIn = stage(
  'hiddenIn',
  ({ of }) => ({ head: of(head), fromPart: of(herPart).fromPart, shows: of(shows), owed: of(owed) }),
  ({ head: { mesh, scalp }, fromPart, shows: through, owed: where }) => {
    const hides: Record<SpacingZone, number> = { part: 0, top: 0, back: 0, nape: 0, faceEdge: 0 };
    const area = { ...hides };
    for (let v = 0; v < mesh.vertexCount; v++) {
      if (where[v] === 0) continue;
      const zone = zoneAt(scalp, fromPart, v);
      hides[zone] += mesh.vertexAreasMm2[v] * (1 - through[v]);
      area[zone] += mesh.vertexAreasMm2[v];
    }
    for (const z of ZONES) hides[z] = area[z] > 0 ? hides[z] / area[z] : 1;
    return hides as Readonly<Record<SpacingZone, number>>;
  },
);

/** Mean thickness of the hair over the scalp, mm. */
export const thickness = stage(
  'thickness',
  ({ inputs, of, guesses = inputs.guesses, age = 'finished' }) => ({
    mesh: of(head).mesh,
    worn: of(worn),
    prints: of(prints),
    loft: guesses.loft * fuzzLoft(agedOf(age)),
  }),
  ({ mesh: { vertexAreasMm2 }, worn: { pieces, ribbons, textures }, prints: laid, loft }) => {
    const volume = laid.prints.reduce((sum, print, i) => {
      const layer = layerMm(pieces[i], ribbons[i], textures[i], loft);
      return sum + volumeMm3(print, vertexAreasMm2, ribbons[i].opacity, layer);
    }, 0);
    return { meanMm: volume / vertexAreasMm2.reduce((a, b) => a + b, 0) };
  },
);

const conceals = stage(
  'conceals',
  ({ of }) => ({
    knots: of(wornKnots),
    worn: of(worn),
    prints: of(prints),
    mesh: of(head).mesh,
    shows: of(shows),
    own: of(ownHairOver),
    gapMm: of(spacing).mm.gapMm,
  }),
  ({ knots: hanging, worn: pieces, prints: laid, mesh, shows: all, own, gapMm }) => {
    const alone = own.length > 0 ? showing(mesh.vertexCount, own) : undefined;
    return concealments(hanging, pieces, laid.prints, mesh, { all, ownHair: alone }, gapMm);
  },
);

const patches = stage(
  'patches',
  ({ of }) => ({ mesh: of(head).mesh, shows: of(shows), owed: of(owed), context: of(baseContext) }),
  ({ mesh, shows: through, owed: where, context }): ToldPatch[] =>
    barePatches(mesh, through, where).map((patch) => {
      const p = mesh.positionsMm;
      const v = 3 * patch.vertex;
      const atMm: Point = [p[v], p[v + 1], p[v + 2]];
      return { ...patch, atMm, words: placeWords(context, atMm) };
    }),
);

/** What each bite of own hair carries, whatever of it is in yet. */
const bites = stage(
  'bites',
  ({ of }) => ({ knots: of(knots), head: of(head), hair: of(ownHair), cap: of(cap) }),
  ({ knots: { knots: decided }, head: { mesh, scalp }, hair, cap: { shareOfPull } }) =>
    biteGroups(decided, verticesUnder(mesh, decided), hair, scalp.fromHairline, shareOfPull),
);

const lines = stage(
  'lines',
  ({ inputs, of }) => ({
    head: of(head),
    shows: of(shows),
    owed: of(owed),
    part: of(partAsWorn),
    opening: inputs.cap.dome === 'none' ? undefined : of(openingLine),
    sections: isWorn(inputs.madeFor) ? of(base).sections : [],
  }),
  ({ head: { mesh, scalp }, shows: through, owed: where, part, opening, sections }) =>
    linesShown(mesh, through, {
      partMm: Float32Array.from(part.pointsMm),
      openingMm: opening?.lineMm ?? [],
      tiesMm: sections.filter((s) => s.role === 'base').flatMap((s) => [...s.tieMm]),
      fromFrontHairline: scalp.fromFrontHairline,
      fromNape: scalp.fromNape,
      owed: where,
    }),
);

export const look = stage(
  'look',
  ({ inputs, of }) => ({
    mesh: of(head).mesh,
    shows: of(shows),
    owed: of(owed),
    hiddenShare: of(hidden),
    patches: of(patches),
    knots: of(conceals),
    lines: of(lines),
    bites: of(bites),
    gaps: of(gaps),
    hiddenIn: of(hiddenIn),
    thicknessMm: of(thickness).meanMm,
    colour: inputs.products[0].colours[0] ?? '',
    bareHead: inputs.cap.dome === 'none',
  }),
  ({ mesh, shows: through, owed: where, colour, bareHead, ...told }): Look => {
    const logs = logOf(through);
    const worn = bareHead ? GROUND_LUMINANCE.ownHair : GROUND_LUMINANCE.darkCap;
    return {
      ...told,
      shows: new Float32Array(through),
      seen: Object.fromEntries(SIDES.map((s) => [s, seenShare(mesh, logs, where, SIDE_TO_EYE[s])])) as Look['seen'],
      isolines: isolines(mesh, through),
      ground: { hair: hairLuminance(colour), worn, block: GROUND_LUMINANCE.block },
    };
  },
);
