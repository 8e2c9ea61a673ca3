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
    version: 1,
    plan: { id: plan.id, name: plan.name },
    head: {
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
      })),
    },
    base: {
      minutes: round(result.base.minutes, 1),
      sections: result.base.sections.map((s, i) => ({
        id: s.id,
        name: s.name,
        areaCm2: round(s.areaMm2 / 100, 1),
        hairs: Math.round(s.hairs),
        ownHairG: round(s.massG, 1),
        tailThicknessMm: round(s.tailThicknessMm, 1),
        pieces: result.load.sections[i].pieces,
        carriesG: round(result.load.sections[i].massG, 1),
        timesOwnHair: result.load.sections[i].timesOwnHair.map((v) => round(v, 2)),
      })),
    },
    cap: {
      kind: result.cap.kind,
      size: result.cap.sizeName,
      girthOverBaseMm: round(result.cap.girthOverBaseMm, 0),
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
      mend: f.mend ? { deed: f.mend.deed, change: f.mend.change } : null,
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
