/** Strips to lay against the head: one in her own fingers, and one for every gap of the plan with a mark at each knot. */
import type { PlanResult } from '../../core/findings/index.ts';
import { FILLED_INFO, isOffHead, type SpacingZone, ZONES, zoneName } from '../../core/trade/index.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { fingerMm } from '../../model/to-inputs.ts';
import type { Drawing, Mark } from './drawing.ts';

const LONG_MM = 232;
const STRIP_MM = 16;
const BETWEEN_MM = 6;
const LEFT = 6;

interface Strip {
  readonly title: string;
  readonly stepMm: number;
  /** What stands at a mark. */
  readonly number: (i: number) => string;
  readonly halves: boolean;
}

export function fingerRule(plan: PlanDocument, result: PlanResult): Drawing {
  const finger = fingerMm(plan);
  const strips: Strip[] = [
    {
      title: `Your finger, ${finger.toFixed(1)} mm`,
      stepMm: finger,
      number: (i) => String(i),
      halves: true,
    },
    ...ZONES.map((zone) => gapStrip(plan, result, zone)),
  ];
  return {
    name: 'Rule in your own fingers',
    id: 'rule',
    widthMm: LONG_MM + 2 * LEFT,
    heightMm: strips.length * (STRIP_MM + BETWEEN_MM) + 10,
    description: `A rule in fingers of ${finger.toFixed(1)} mm, and one for each gap of the plan.`,
    marks: [
      {
        kind: 'text',
        x: LEFT,
        y: 5,
        text: 'Cut the strips out and lay them along a row. They bend with the head; they don’t stretch.',
        size: 3.2,
      },
      ...strips.flatMap((strip, i) => stripMarks(strip, 10 + i * (STRIP_MM + BETWEEN_MM))),
    ],
  };
}

/** Along a row where the knots are set: on a net that is filled off the head, as it lies there. */
function gapStrip(plan: PlanDocument, { cap }: PlanResult, zone: SpacingZone): Strip {
  const { pitchMm, wornPitchMm } = cap.onForm.spacing[zone];
  const isOff = isOffHead({ dome: cap.dome, filledOn: plan.cap.filledOn });
  const worn = isOff && Math.abs(pitchMm - wornPitchMm) >= 0.1 ? `; worn ${wornPitchMm.toFixed(1)} mm` : '';
  const where = isOff ? ` ${FILLED_INFO[plan.cap.filledOn].name}` : '';
  return {
    title: `${zoneName(zone, plan.part.kind)}: a knot at every mark${where}, ${pitchMm.toFixed(1)} mm${worn}`,
    stepMm: pitchMm,
    number: (i) => String(i + 1),
    halves: false,
  };
}

function stripMarks({ title, stepMm, number, halves }: Strip, y: number): Mark[] {
  const count = Math.floor(LONG_MM / stepMm);
  const long = count * stepMm;
  const box = [0, 0, long, 0, long, STRIP_MM, 0, STRIP_MM, 0, 0].map((v, i) => v + (i % 2 === 0 ? LEFT : y));
  const marks: Mark[] = [{ kind: 'line', at: box, style: 'cut' }];
  for (let i = 0; i <= count; i++) {
    const x = LEFT + i * stepMm;
    marks.push({ kind: 'line', at: [x, y, x, y + 6], style: 'row' });
    if (i > 0 && i < count) marks.push({ kind: 'text', x, y: y + 9.4, text: number(i), size: 3.2, anchor: 'middle' });
    const parts = halves && i < count ? [0.25, 0.5, 0.75] : [];
    for (const p of parts)
      marks.push({ kind: 'line', at: [x + p * stepMm, y, x + p * stepMm, y + (p === 0.5 ? 4 : 2.4)], style: 'thin' });
  }
  return [...marks, { kind: 'text', x: LEFT + 2, y: y + STRIP_MM - 2, text: title, size: 3 }];
}
