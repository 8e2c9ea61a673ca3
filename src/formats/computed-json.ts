/** The computed plan as one JSON object; docs/formats.md documents every entry. */
import type { NetOnForm } from '../core/cap/stretch.ts';
import { SIDES, type Side } from '../core/cover/cover.ts';
import type { OutlineBox } from '../core/cover/size.ts';
import type { Judged } from '../core/findings/judge.ts';
import type { PlanResult } from '../core/findings/plan-result.ts';
import type { SpacingStep } from '../core/plan/ask/spacing-step.ts';
import type { HairOnHead } from '../core/plan/look-result.ts';
import type { FallGuess } from '../core/trade/guesses.ts';
import { knotName, THROUGH_WORDS } from '../core/trade/knots.ts';
import { TAPE_INFO } from '../core/trade/tape.ts';
import type { PlanDocument } from '../model/plan.ts';

export const COMPUTED_FORMAT = 'meshwork-computed-plan';

function netFigures(net: NetOnForm) {
  return {
    stretch: { across: round(net.stretch.across, 4), up: round(net.stretch.up, 4) },
    holeMm: { across: round(net.holeAcrossMm, 2), up: round(net.holeUpMm, 2) },
  };
}

export function computedPlan(plan: PlanDocument, result: PlanResult, step: SpacingStep, judged: Judged) {
  const { look, hair, range } = judged;
  return {
    format: COMPUTED_FORMAT,
    version: 5,
    plan: { id: plan.id, name: plan.name },
    head: {
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
    },
    ownHair: {
      hairs: Math.round(result.ownHair.hairs),
      massG: round(result.ownHair.massG, 1),
      regions: result.ownHair.regions.map((r) => ({
        region: r.region,
        areaCm2: round(r.areaMm2 / 100, 1),
        hairsPerCm2: round(100 * r.hairsPerMm2, 0),
        lengthMm: round(r.lengthMm, 0),
      })),
    },
    base: {
      family: plan.base.family,
      minutes: round(result.base.minutes, 1),
      sections: result.base.sections.map((s, i) => ({
        id: s.id,
        name: s.name,
        role: s.role,
        areaCm2: round(s.areaMm2 / 100, 1),
        hairs: Math.round(s.hairs),
        ownHairG: round(s.massG, 1),
        tailThicknessMm: round(s.tailThicknessMm, 1),
        tailLengthMm: round(s.tailLengthMm, 0),
        hairLengthMm: round(s.hairLengthMm, 0),
        neededToBindMm: round(s.neededToBindMm, 0),
        neededToReachMm: round(s.neededToReachMm, 0),
        tieMm: s.tieMm.map((v) => round(v, 1)),
        tie: s.tieWords,
        parking: s.parking.how,
        into: s.parking.into ?? null,
        bands: s.bands,
        pins: s.pins,
        threadMm: round(s.threadMm, 0),
        minutes: round(s.minutes, 1),
        tenderShare: round(s.tenderShare, 3),
        mayCarryG: s.carriesG.map((v) => round(v, 0)),
        leastBiteMm2: round(s.biteMm2PerG * result.piece.massG, 1),
        pieces: result.load.sections[i].pieces,
        carriesG: round(result.load.sections[i].massG, 1),
        timesOwnHair: result.load.sections[i].timesOwnHair.map((v) => round(v, 2)),
      })),
      lines: result.base.lines.map((l) => ({
        between: [l.a, l.b],
        lengthMm: round(l.lengthMm, 0),
        shown: l.shown,
        locked: l.locked,
        words: l.words,
      })),
      bumps: {
        highestMm: round(result.base.bumps.highestMm, 1),
        lumps: result.base.bumps.lumps.map((l) => ({
          atMm: l.atMm.map((v) => round(v, 1)),
          heightMm: round(l.heightMm, 1),
          areaCm2: round(l.areaMm2 / 100, 2),
          sections: l.sections.map((n) => result.base.sections[n]?.id ?? ''),
        })),
      },
      work: result.base.work.map((w) => ({ what: w.what, how: w.how, minutes: round(w.minutes, 1) })),
      consumables: result.base.consumables.map((c) => ({ name: c.name, count: c.count, unit: c.unit })),
      lostEdits: result.base.lostEdits,
    },
    cap: {
      dome: result.cap.dome,
      size: result.cap.sizeName,
      bareSize: result.cap.bareSizeName,
      girthOverBaseMm: round(result.cap.girthOverBaseMm, 0),
      girthBareMm: round(result.cap.girthBareMm, 0),
      depthMm: round(result.cap.depthMm, 0),
      fit: result.cap.fit,
      emptyBackMm: round(result.cap.emptyBackMm, 0),
      knotsToCloseTop: result.cap.knotsToCloseTop,
      filledOn: plan.cap.filledOn,
      onHead: netFigures(result.cap.onHead),
      onForm: {
        ...netFigures(result.cap.onForm),
        spacing: Object.fromEntries(
          Object.entries(result.cap.onForm.spacing).map(([zone, f]) => [
            zone,
            {
              wornMm: round(f.wornGapMm, 1),
              gapMm: round(f.gapMm, 1),
              pitchMm: round(f.pitchMm, 1),
              gapFingers: round(f.gapFingers, 2),
              pitchFingers: round(f.pitchFingers, 2),
              holesUp: round(f.holesUp, 1),
              holesAcross: round(f.holesAcross, 1),
              knotsPerCm2: [round(f.densityThere, 3), round(f.densityWorn, 3)],
            },
          ]),
        ),
      },
      opening: {
        kind: plan.cap.opening,
        lengthMm: round(result.cap.opening.lengthMm, 0),
        widthMm: round(result.cap.opening.widthMm, 0),
        surplusMm: round(result.cap.opening.surplusMm, 0),
        piecesToClose: result.cap.opening.piecesToClose,
        partOnNetMm: round(result.cap.opening.partOnNetMm, 0),
        cutAtMm: round(result.cap.opening.cutAtMm, 1),
        marginMm: round(result.cap.opening.marginMm, 1),
        afterKnot: result.cap.cutAfterKnot,
      },
      anchors: result.cap.anchors.map((a) => ({
        place: a.place,
        knots: a.knotIds,
        combs: a.combs,
        pins: a.pins,
        afterKnot: a.afterKnot,
      })),
    },
    hair: result.pieces.map((p) => ({
      cut: p.cut,
      product: p.product,
      perPack: p.perPack,
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
    })),
    rowScheme: {
      scheme: plan.rows.scheme,
      secondPass: plan.rows.secondPass,
      cannotLay: result.rowScheme.cannotLay ?? null,
      brickScore: round(result.rowScheme.brickScore, 3),
      wholeRows: result.rowScheme.wholeRows,
      insertedRows: result.rowScheme.insertedRows,
      lostChanges: result.rowScheme.lostChanges.map((l) => ({ ...l, atMm: l.atMm.map((v) => round(v, 1)) })),
      lostWishes: result.rowScheme.lostWishes,
    },
    spacing: {
      said: plan.spacing.said,
      fingers: plan.spacing.fingers,
      centresMm: Object.fromEntries(Object.entries(result.spacing.centresMm).map(([z, v]) => [z, round(v, 1)])),
      step: { fingers: step.stepFingers, tighter: step.tighter ?? null, wider: step.wider ?? null },
    },
    rows: result.rows.map((r) => ({
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
    })),
    knots: result.knots.map((k, i) => ({
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
      netHere: k.onNet,
      byHand: k.hand ?? null,
      reason: k.chain.map((r) => r.because).join(' '),
      rules: k.chain.map((r) => ({ id: r.id, school: r.school ?? null })),
      where: k.where.words,
      piece: k.piece,
    })),
    pieces: {
      needed: result.supply.pieces,
      reserve: result.supply.reservePieces,
      perPack: result.supply.piecesPerPack,
      massG: round(result.piece.massG, 3),
      strands: round(result.piece.strands, 2),
      hangingEnds: round(result.piece.hangingEnds, 2),
      knotWidthMm: round(result.piece.knotWidthMm, 1),
    },
    packs: { needed: result.supply.packs, range: result.supply.packRange, toBuy: result.supply.toBuy },
    supply: result.supply.lines.map((l) => ({
      product: l.product,
      name: l.name,
      pieces: l.pieces,
      reserve: l.reservePieces,
      packs: l.packs,
      range: l.packRange,
      atHand: l.atHand,
      toBuy: l.toBuy,
      leftOver: l.leftOver,
      price: round(l.price, 2),
    })),
    worklist: result.worklist.map((w) => ({
      kind: w.kind,
      what: w.what,
      how: w.how,
      minutes: round(w.minutes, 1),
      knots: w.knots ? { from: w.knots[0] + 1, to: w.knots[1] } : null,
    })),
    leftOver: result.supply.leftOver,
    time: {
      minutes: round(result.time.totalMinutes, 0),
      rangeMinutes: result.time.range.map((v) => round(v, 0)),
      baseMinutes: round(result.time.baseMinutes, 0),
      capMinutes: round(result.time.capMinutes, 0),
      prepareMinutes: round(result.time.prepareMinutes, 0),
      knotMinutes: round(result.time.knotMinutes, 0),
      finishMinutes: round(result.time.finishMinutes, 0),
    },
    price: {
      total: round(result.supply.price, 2),
      range: result.supply.priceRange.map((v) => round(v, 2)),
      currency: plan.currency,
    },
    weight: {
      grams: round(result.load.massG, 0),
      range: result.load.range.map((v) => round(v, 0)),
      wetGrams: result.load.wetG.map((v) => round(v, 0)),
    },
    cover: {
      hiddenShare: round(look.hiddenShare, 3),
      range: range.all.map((v) => round(v, 3)),
      byGuess: Object.fromEntries(
        Object.entries(range.by).map(([g, ends]) => [g, ends.map((v) => round(v, 3))]),
      ) as Record<FallGuess, number[]>,
      seen: Object.fromEntries(SIDES.map((s) => [s, round(look.seen[s], 3)])) as Record<Side, number>,
      patches: look.patches.map((p) => ({
        where: p.words,
        areaCm2: round(p.areaMm2 / 100, 1),
        widthMm: round(p.widthMm, 0),
        shows: round(p.shows, 2),
      })),
      knots: result.knots.map((k, i) => ({
        id: k.id,
        hiddenBy: look.knots[i].by,
        shows: round(look.knots[i].shows, 2),
      })),
      lines: look.lines.map((l) => ({ of: l.kind, shows: round(l.shows, 2) })),
      basis: 'ribbons traced over the head; their width, opacity and spread are guesses',
    },
    size: { ...sizes(hair.size), untrimmed: hair.untrimmed ? sizes(hair.untrimmed) : null },
    bites: look.bites.map((b) => ({
      of: b.name,
      count: b.bites,
      medianTimesOwn: round(b.median, 1),
      worstTimesOwn: b.worst ? b.worst.timesOwn.map((v) => round(v, 1)) : null,
    })),
    findings: [...result.findings, ...judged.findings].map((f) => ({
      code: f.code,
      severity: f.severity,
      station: f.station,
      what: f.what,
      why: f.why,
      knots: f.knotIds ?? [],
      measure: f.measure ?? null,
      sections: f.sectionIds ?? [],
      mend: f.mend ? { deed: f.mend.deed, change: f.mend.change } : null,
      otherwise: f.otherwise ? { deed: f.otherwise.deed, change: f.otherwise.change } : null,
    })),
  };
}

function sizes(size: HairOnHead['size']) {
  const box = (b: OutlineBox) => ({
    widthMm: round(b.widthMm, 0),
    heightMm: round(b.heightMm, 0),
    beyondMm: b.beyondMm.map((v) => round(v, 0)),
  });
  return { front: box(size.front), left: box(size.left), top: box(size.top) };
}

function round(value: number, digits: number): number {
  // Adding 0 turns a negative zero into zero.
  return Number(value.toFixed(digits)) + 0;
}

function nullable(value: number | undefined, digits = 1): number | null {
  return value === undefined ? null : round(value, digits);
}
