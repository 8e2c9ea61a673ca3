/** The computed plan as one JSON object; docs/formats.md documents every entry. */
import type { OutlineBox } from '../core/cover/index.ts';
import type { Judged, PlanResult } from '../core/findings/index.ts';
import type { HairOnHead, SpacingStep } from '../core/plan/index.ts';
import { isWorn, knotName, TAPE_INFO, THROUGH_WORDS } from '../core/trade/index.ts';
import type { PlanDocument } from '../model/plan.ts';
import { schemeOf } from '../model/to-inputs.ts';
import { type Computed, each, nullable, round } from './computed.ts';
import { baseFigures, capFigures } from './computed-base.ts';
import type { BuyingFigures } from './computed-buying.ts';
import { eveningFigures, priceFigures } from './computed-evenings.ts';
import { COMPUTED_FORMAT, COMPUTED_VERSION, type ComputedPlan } from './computed-schema.ts';

/** @param buying null where no catalogue was at hand */
export function computedPlan(
  plan: PlanDocument,
  result: PlanResult,
  step: SpacingStep,
  judged: Judged,
  buying: BuyingFigures | null = null,
): ComputedPlan {
  const all: Computed = { plan, result, step, judged };
  const { hair, look } = judged;
  return {
    format: COMPUTED_FORMAT,
    version: COMPUTED_VERSION,
    plan: { id: plan.id, name: plan.name },
    head: headFigures(all),
    madeFor: { ...plan.madeFor, size: plan.madeFor.sizedBy === 'size' ? plan.madeFor.size : null },
    ownHair: isWorn(plan.madeFor) ? ownHairFigures(all) : null,
    base: baseFigures(all),
    cap: capFigures(all),
    hair: hairFigures(all),
    rowScheme: rowSchemeFigures(all),
    spacing: {
      said: plan.spacing.said,
      fingers: result.spacing.fingers,
      hers: result.spacing.hers,
      forHair: gapFigures(all),
      centresMm: each(result.spacing.centresMm, (v) => round(v, 1)),
      step: { fingers: step.stepFingers, tighter: stepToJson(step.tighter), wider: stepToJson(step.wider) },
    },
    rows: rowFigures(all),
    knots: knotFigures(all),
    pieces: pieceFigures(all),
    packs: { needed: result.supply.packs, range: result.supply.packRange, toBuy: result.supply.toBuy },
    supply: supplyFigures(all),
    buying,
    colours: colourFigures(all),
    ownRow: ownRowFigures(all),
    strands: result.strands.map((s) => ({ ...s, atMm: s.atMm.map((v) => round(v, 1)) })),
    worklist: workFigures(all),
    leftOver: result.supply.leftOver,
    time: timeFigures(all),
    evenings: eveningFigures(all),
    price: priceFigures(all),
    weight: {
      grams: round(result.load.massG, 0),
      range: result.load.range.map((v) => round(v, 0)),
      wetGrams: result.load.wetG.map((v) => round(v, 0)),
    },
    cover: coverFigures(all),
    size: { ...sizes(hair.size), untrimmed: hair.untrimmed ? sizes(hair.untrimmed) : null },
    bites: look.bites.map((b) => ({
      of: b.name,
      count: b.bites,
      medianTimesOwn: round(b.median, 1),
      worstTimesOwn: b.worst ? b.worst.timesOwn.map((v) => round(v, 1)) : null,
    })),
    findings: findingFigures(all),
  };
}

const stepToJson = (to: SpacingStep['wider']) => (to ? { pieces: to.pieces, packs: to.packs } : null);

function gapFigures({ judged }: Computed) {
  const { gaps } = judged.look;
  return {
    fingers: gaps.forHair,
    reached: gaps.reached,
    hidden: round(gaps.fillingForHair.hidden, 2),
    thicknessMm: round(gaps.fillingForHair.thicknessMm, 0),
    grams: round(gaps.fillingForHair.massG, 0),
  };
}

function headFigures({ result }: Computed) {
  return {
    standings: result.head.standings.map((s) => ({ ...s, mm: round(s.mm, 0) })),
    scalpAreaCm2: round(result.head.areaMm2 / 100, 1),
    meshVertices: result.head.meshVertices,
    chiSquare: round(result.head.fit.chiSquare, 2),
    converged: result.head.fit.converged,
    contradictory: result.head.fit.contradictory ?? null,
    measures: result.head.fit.measures.map((m) => ({
      measure: m.measure,
      name: TAPE_INFO[m.measure].name,
      estimated: m.givenMm === undefined,
      givenMm: nullable(m.givenMm),
      fittedMm: round(m.fittedMm, 1),
      sdMm: round(m.sdMm, 1),
      residualMm: m.givenMm === undefined ? null : round(m.givenMm - m.fittedMm, 1),
      othersSuggestMm: nullable(m.othersSuggestMm),
      contradiction: nullable(m.contradiction, 2),
      unseenBelowMm: nullable(m.unseenBelowMm),
      readSdMm: round(m.readSdMm, 1),
    })),
  };
}

function ownHairFigures({ result }: Computed) {
  return {
    hairs: Math.round(result.ownHair.hairs),
    massG: round(result.ownHair.massG, 1),
    regions: result.ownHair.regions.map((r) => ({
      region: r.region,
      areaCm2: round(r.areaMm2 / 100, 1),
      hairsPerCm2: round(100 * r.hairsPerMm2, 0),
      lengthMm: round(r.lengthMm, 0),
    })),
  };
}

function hairFigures({ result }: Computed) {
  return result.pieces.map((p) => ({
    cut: p.cut,
    product: p.product,
    perPack: round(p.perPack, 3),
    massG: round(p.massG, 3),
    strands: round(p.strands, 2),
    hangingEnds: round(p.hangingEnds, 2),
    lengthMm: round(p.lengthMm, 0),
    thicknessMm: round(p.thicknessMm, 1),
    knotWidthMm: round(p.knotWidthMm, 1),
    liesFlat: p.liesFlat,
    widthFactor: round(p.widthFactor, 2),
    canOneLeg: p.canOneLeg,
    canLock: p.canLock,
    secondsBefore: round(p.secondsBefore, 1),
    secondsAfter: round(p.secondsAfter, 1),
  }));
}

function rowSchemeFigures({ plan, result }: Computed) {
  return {
    scheme: schemeOf(plan),
    secondPass: plan.rows.secondPass,
    cannotLay: result.rowScheme.cannotLay ?? null,
    there: [...new Map(result.linesThere.map((l) => [l.id, { id: l.id, of: l.of, on: l.isOn }])).values()],
    brickScore: round(result.rowScheme.brickScore, 3),
    borderRow: result.borderRow
      ? {
          ...result.borderRow,
          share: round(result.borderRow.share, 3),
          centresMm: round(result.borderRow.centresMm, 1),
        }
      : null,
    intoBase: result.intoBase.map(({ entry, sections, ...figures }) => ({
      ...figures,
      id: entry,
      sections: sections.map((s) => ({
        ...s,
        massG: round(s.massG, 2),
        bearsG: s.bearsG.map((g) => round(g, 1)),
        room: s.room ?? null,
        thicknessMm: round(s.thicknessMm, 1),
      })),
    })),
    wholeRows: result.rowScheme.wholeRows,
    insertedRows: result.rowScheme.insertedRows,
    lostChanges: result.rowScheme.lostChanges.map((l) => ({ ...l, atMm: l.atMm.map((v) => round(v, 1)) })),
    lostWishes: result.rowScheme.lostWishes,
  };
}

function rowFigures({ result }: Computed) {
  return result.rows.map((r) => ({
    id: r.id,
    label: r.label,
    kind: r.kind,
    lengthMm: round(r.lengthMm, 1),
    knots: r.knotCount,
    startMm: round(r.startMm, 1),
    endMm: round(r.endMm, 1),
    locked: r.locked,
    pulled: r.pulledBy !== undefined,
    second: r.second,
    pass: r.pass,
  }));
}

function knotFigures({ result }: Computed) {
  return result.knots.map((k, i) => ({
    number: i + 1,
    id: k.id,
    row: result.rows[k.row].id,
    place: k.place,
    positionMm: [round(k.xMm, 2), round(k.yMm, 2), round(k.zMm, 2)],
    fromMiddleMm: round(k.fromMiddleMm, 1),
    zone: k.zone,
    kind: k.kind,
    name: knotName(k),
    wraps: k.wraps,
    lock: k.lock,
    through: k.through,
    throughWords: THROUGH_WORDS[k.through],
    hookDirection: { vector: k.hook.map((v) => round(v, 3)), words: k.hookWords },
    holes: k.holes,
    entry: k.entry,
    biteMm: round(k.biteMm, 1),
    cut: k.cut,
    into: k.into ?? null,
    netHere: k.onNet,
    byHand: k.hand ?? null,
    reason: k.chain.map((r) => r.because).join(' '),
    rules: k.chain.map((r) => ({ id: r.id, school: r.school ?? null, saidFor: r.saidFor ?? null })),
    where: k.where.words,
    piece: k.piece,
    colour: k.colour,
  }));
}

function pieceFigures({ result }: Computed) {
  return {
    needed: result.supply.pieces,
    reserve: result.supply.reservePieces,
    perPack: round(result.supply.piecesPerPack, 3),
    massG: round(result.piece.massG, 3),
    strands: round(result.piece.strands, 2),
    hangingEnds: round(result.piece.hangingEnds, 2),
    knotWidthMm: round(result.piece.knotWidthMm, 1),
  };
}

function supplyFigures({ result }: Computed) {
  return result.supply.lines.map((l) => ({
    product: l.product,
    colour: l.colour,
    name: l.name,
    pieces: l.pieces,
    reserve: l.reservePieces,
    packs: l.packs,
    range: l.packRange,
    atHand: l.atHand,
    toBuy: l.toBuy,
    leftOver: l.leftOver,
    price: round(l.price, 2),
    enough: l.enough.map((e) => ({
      packs: round(e.packs, 2),
      forKnots: round(e.forKnots, 4),
      withReserve: round(e.withReserve, 4),
    })),
    packsToBeSure: l.packsToBeSure,
  }));
}

/** How the colours came out; null where all is of one. */
function colourFigures({ result: { mix } }: Computed) {
  if (!mix) return null;
  const { alike = 0, byChance = 0, furthestOff = 0 } = mix.evenness ?? {};
  return {
    dealt: mix.colours.map(({ id, pieces, asked }) => ({ id, pieces, asked: round(asked, 2) })),
    missing: mix.missing,
    alike: round(alike, 3),
    byChance: round(byChance, 3),
    furthestOff: round(furthestOff, 3),
  };
}

/** What a test row says; null where she made none. */
function ownRowFigures({ result: { ownRow } }: Computed) {
  if (!ownRow) return null;
  const { hands, pace } = ownRow;
  return { piecesAPlanned: round(hands.factor, 3), sd: round(hands.sd, 3), secondsATold: round(pace, 3) };
}

function workFigures({ result }: Computed) {
  return result.worklist.map((w) => ({
    kind: w.kind,
    what: w.what,
    how: w.how,
    minutes: w.minutes,
    waitMinutes: w.waitMinutes,
    tools: [...w.tools],
    wrong: w.wrong ?? null,
    caution: w.caution ?? null,
    knots: w.knots ? { from: w.knots[0] + 1, to: w.knots[1] } : null,
  }));
}

function timeFigures({ result: { time } }: Computed) {
  return {
    minutes: time.totalMinutes,
    rangeMinutes: time.range.map((v) => round(v, 0)),
    baseMinutes: time.baseMinutes,
    capMinutes: time.capMinutes,
    prepareMinutes: time.prepareMinutes,
    waitingMinutes: time.waitingMinutes,
    knotMinutes: time.knotMinutes,
    finishMinutes: time.finishMinutes,
    takedown: { minutes: time.takedownMinutes, rangeMinutes: time.takedownRange.map((v) => round(v, 0)) },
  };
}

function coverFigures({ plan, result, judged }: Computed) {
  return {
    hiddenShare: round(judged.look.hiddenShare, 3),
    range: judged.range.all.map((v) => round(v, 3)),
    byGuess: each(judged.range.by, (ends) => ends.map((v) => round(v, 3))),
    seen: each(judged.look.seen, (v) => round(v, 3)),
    patches: judged.look.patches.map((p) => ({
      where: p.words,
      areaCm2: round(p.areaMm2 / 100, 1),
      widthMm: round(p.widthMm, 0),
      shows: round(p.shows, 2),
    })),
    knots: result.knots.map((k, i) => ({
      id: k.id,
      hiddenBy: judged.look.knots[i].by,
      shows: round(judged.look.knots[i].shows, 2),
    })),
    lines: judged.look.lines.map((l) => ({ of: l.kind, shows: round(l.shows, 2) })),
    of: isWorn(plan.madeFor) ? ('scalp' as const) : ('net' as const),
    basis: 'ribbons traced over the head; their width, opacity and spread are guesses',
  };
}

function findingFigures({ result, judged }: Computed) {
  return [...result.findings, ...judged.findings].map((f) => ({
    code: f.code,
    severity: f.severity,
    station: f.station,
    what: f.what,
    why: f.why,
    knots: f.knotIds ?? [],
    measure: f.measure ?? null,
    sections: f.sectionIds ?? [],
    mend: f.fix ? { deed: f.fix.deed, change: f.fix.change } : null,
    otherwise: f.otherwise ? { deed: f.otherwise.deed, change: f.otherwise.change } : null,
  }));
}

function sizes(size: HairOnHead['size']) {
  const box = (b: OutlineBox) => ({
    widthMm: round(b.widthMm, 0),
    heightMm: round(b.heightMm, 0),
    beyondMm: b.beyondMm.map((v) => round(v, 0)),
  });
  return { front: box(size.front), left: box(size.left), top: box(size.top) };
}
