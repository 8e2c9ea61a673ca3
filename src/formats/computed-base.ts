/** Base and cap of the computed plan. */
import type { NetOnForm } from '../core/cap/index.ts';
import { type Computed, each, round } from './computed.ts';

function sectionFigures({ result }: Computed) {
  return result.base.sections.map((s, i) => ({
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
    minutes: result.base.work.find((w) => w.sectionId === s.id)?.minutes ?? 0,
    tenderShare: round(s.tenderShare, 3),
    mayCarryG: s.carriesG.map((v) => round(v, 0)),
    pieces: result.load.sections[i].pieces,
    carriesG: round(result.load.sections[i].massG, 1),
    timesOwnHair: result.load.sections[i].timesOwnHair.map((v) => round(v, 2)),
  }));
}

export function baseFigures(all: Computed) {
  const { plan, result } = all;
  return {
    family: plan.base.family,
    minutes: result.base.minutes,
    sections: sectionFigures(all),
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
    work: result.base.work.map((w) => ({ what: w.what, how: w.how, minutes: w.minutes })),
    consumables: result.base.consumables.map((c) => ({ name: c.name, count: c.count, unit: c.unit })),
    lostEdits: result.base.lostEdits,
  };
}

function formSpacing({ result }: Computed) {
  return each(result.cap.onForm.spacing, (f) => ({
    wornMm: round(f.wornGapMm, 1),
    gapMm: round(f.gapMm, 1),
    pitchMm: round(f.pitchMm, 1),
    gapFingers: round(f.gapFingers, 2),
    pitchFingers: round(f.pitchFingers, 2),
    holesUp: round(f.holesUp, 1),
    holesAcross: round(f.holesAcross, 1),
    knotsPerCm2: [round(f.densityThere, 3), round(f.densityWorn, 3)],
  }));
}

function openingFigures({ plan, result }: Computed) {
  return {
    kind: plan.cap.opening,
    lengthMm: round(result.cap.opening.lengthMm, 0),
    widthMm: round(result.cap.opening.widthMm, 0),
    surplusMm: round(result.cap.opening.surplusMm, 0),
    piecesToClose: result.cap.opening.piecesToClose,
    partOnNetMm: round(result.cap.opening.partOnNetMm, 0),
    cutAtMm: round(result.cap.opening.cutAtMm, 1),
    marginMm: round(result.cap.opening.marginMm, 1),
    afterKnot: result.cap.cutAfterKnot,
  };
}

export function capFigures(all: Computed) {
  const { plan, result } = all;
  return {
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
      spacing: formSpacing(all),
    },
    opening: openingFigures(all),
    combsMm: result.cap.combsMm.map((p) => p.map((v) => round(v, 1))),
    anchors: result.cap.anchors.map((a) => ({
      place: a.place,
      knots: a.knotIds,
      combs: a.combs,
      pins: a.pins,
      afterKnot: a.afterKnot,
    })),
  };
}

function netFigures(net: NetOnForm) {
  return {
    stretch: { across: round(net.stretch.across, 4), up: round(net.stretch.up, 4) },
    holeMm: { across: round(net.holeAcrossMm, 2), up: round(net.holeUpMm, 2) },
  };
}
