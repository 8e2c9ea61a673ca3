/** The computed plan as one JSON object; docs/formats.md documents every entry. */
import { TAPE_INFO } from '../core/head/tape.ts';
import { knotName, THROUGH_WORDS } from '../core/knots/rules.ts';
import type { PlanResult } from '../core/pipeline/result.ts';
import type { SpacingStep } from '../core/pipeline/stages.ts';
import type { PlanDocument } from '../model/plan.ts';

export const COMPUTED_FORMAT = 'meshwork-computed-plan';

export function computedPlan(plan: PlanDocument, result: PlanResult, step: SpacingStep) {
  return {
    format: COMPUTED_FORMAT,
    version: 2,
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
      kind: result.cap.kind,
      size: result.cap.sizeName,
      girthOverBaseMm: round(result.cap.girthOverBaseMm, 0),
      girthBareMm: round(result.cap.girthBareMm, 0),
      bareSize: result.cap.bareSizeName,
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
      reason: k.reasons.join(' '),
      rules: k.rules,
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
    packs: { needed: result.supply.packs, range: result.supply.packRange },
    leftOver: result.supply.leftOver,
    time: {
      minutes: round(result.time.totalMinutes, 0),
      rangeMinutes: result.time.range.map((v) => round(v, 0)),
      baseMinutes: round(result.time.baseMinutes, 0),
      capMinutes: round(result.time.capMinutes, 0),
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
      hiddenShare: round(result.cover.hiddenShare, 3),
      range: result.cover.range.map((v) => round(v, 3)),
      basis: 'random-scatter estimate, ribbon width and opacity are guesses',
    },
    findings: result.findings.map((f) => ({
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

function round(value: number, digits: number): number {
  // Adding 0 turns a negative zero into zero.
  return Number(value.toFixed(digits)) + 0;
}

function nullable(value: number | undefined, digits = 1): number | null {
  return value === undefined ? null : round(value, digits);
}
