/** Three handles on the part: its front end, its middle, its back end. Dragged, or moved with the arrows. */
import { useRef } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { LinePart, Part } from '../../../core/head/index.ts';
import type { HeadScene } from '../../../core/plan/index.ts';
import { PART_LIMITS } from '../../../core/trade/index.ts';
import { setPart, setParting } from '../../../model/commands.ts';
import type { PlanChange } from '../../../model/plan-change.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import type { Projection, V3 } from '../projection.ts';
import { surfacePointAt } from '../surface-hit.ts';
import { Bead } from './bead.tsx';

type Which = 'front' | 'middle' | 'end';
const NAMES: Readonly<Record<Which, string>> = {
  front: 'Front end of the part',
  middle: 'Bend of the part',
  end: 'Back end of the part',
};
const ARROW_MM = 3;

interface PartHandlesProps {
  readonly view: Projection;
  readonly scene: HeadScene;
  readonly result: PlanResult;
  readonly session: PlanSession;
  readonly stage: () => DOMRect | undefined;
  readonly onHold: (oldPart: Float32Array | undefined) => void;
}

/** Of the part, and of the second one where there is one. */
export function PartHandles(props: PartHandlesProps) {
  const { result, session } = props;
  const first = session.plan.part as Part;
  const { second } = session.plan.parting;
  if (first.kind !== 'line') return null;
  return (
    <>
      <LineHandles
        {...props}
        line={result.part.pointsMm}
        part={first}
        kept={session.history.present.plan.part as LinePart}
        change={(next, words) => setPart(session.plan, next, words)}
      />
      {second && result.part.second && (
        <LineHandles
          {...props}
          line={result.part.second.pointsMm}
          part={second as LinePart}
          kept={(session.history.present.plan.parting.second ?? second) as LinePart}
          change={(next, words) => ({ ...setParting(session.plan, { second: next }), ...(words ? { words } : {}) })}
          isSecond
        />
      )}
    </>
  );
}

function LineHandles(
  props: PartHandlesProps & {
    readonly line: Float32Array;
    readonly part: LinePart;
    /** Before the finger came down. */
    readonly kept: LinePart;
    readonly change: (next: LinePart, words?: string) => PlanChange;
    readonly isSecond?: boolean;
  },
) {
  const { view, session, line, part, kept, change, isSecond = false } = props;
  /** Where the finger has it now, also when the screen has not followed yet. */
  const latest = useRef<LinePart>(undefined);
  if (line.length < 9) return null;
  const place = (which: Which) => pointOn(line, which);
  const drag = (which: Which, x: number, y: number) => {
    const hit = surfacePointAt(view, props.scene.cap, x, y);
    if (!hit) return;
    // Where it was stays to be seen until the finger lifts.
    if (!latest.current) props.onHold(line);
    latest.current = moved(kept, which, hit, place('front'));
    session.preview(change(latest.current).plan);
  };
  const commit = (next: LinePart) => {
    const words = wordsFor(kept, next);
    session.apply(change(next, isSecond ? words.replace('Part', 'Second part') : words));
  };
  const release = () => {
    latest.current = undefined;
    props.onHold(undefined);
  };

  return (
    <>
      {(['middle', 'front', 'end'] as const).map((which) => (
        <Bead
          key={which}
          view={view}
          at={place(which)}
          small={which === 'middle'}
          name={isSecond ? `second-${which}` : which}
          label={isSecond ? NAMES[which].replace('the part', 'the second part') : NAMES[which]}
          stage={props.stage}
          onDrag={({ x, y }) => drag(which, x, y)}
          onDrop={() => {
            const next = latest.current;
            release();
            if (next) commit(next);
          }}
          onCancel={() => {
            release();
            session.preview(undefined);
          }}
          onNudge={(right, down) => commit(nudged(part, which, -right * ARROW_MM, down * ARROW_MM))}
        />
      ))}
    </>
  );
}

function pointOn(line: Float32Array, which: Which): V3 {
  const n = line.length / 3 - 1;
  const i = 3 * (which === 'front' ? 0 : which === 'end' ? n : Math.round(n / 2));
  return [line[i], line[i + 1], line[i + 2]];
}

function moved(part: LinePart, which: Which, hit: V3, front: V3): LinePart {
  if (which === 'front') return limited({ ...part, frontMm: hit[0] });
  if (which === 'middle') return limited({ ...part, bendMm: hit[0] - (part.frontMm + part.endMm) / 2 });
  return limited({ ...part, endMm: hit[0], lengthMm: arcBetween(front, hit) });
}

/** Length over the head between two points: the arc over their chord on a sphere of the head's size. */
export function arcBetween(a: V3, b: V3): number {
  const chord = Math.sqrt((a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2);
  const radius = 98;
  return 2 * radius * Math.asin(Math.min(0.98, chord / (2 * radius)));
}

function nudged(part: LinePart, which: Which, aside: number, back: number): LinePart {
  if (which === 'front') return limited({ ...part, frontMm: part.frontMm + aside });
  if (which === 'middle') return limited({ ...part, bendMm: part.bendMm + aside });
  return limited({ ...part, endMm: part.endMm + aside, lengthMm: part.lengthMm + back });
}

function limited(part: LinePart): LinePart {
  const clamp = (v: number, low: number, high: number) => Math.round(Math.min(high, Math.max(low, v)) * 10) / 10;
  const { asideMm: a, shortestMm, longestMm, bendMm: b } = PART_LIMITS;
  return {
    kind: 'line',
    frontMm: clamp(part.frontMm, -a, a),
    endMm: clamp(part.endMm, -a, a),
    lengthMm: clamp(part.lengthMm, shortestMm, longestMm),
    bendMm: clamp(part.bendMm, -b, b),
  };
}

function wordsFor(before: LinePart, after: LinePart): string {
  const aside = (after.frontMm + after.endMm - before.frontMm - before.endMm) / 2;
  const longer = after.lengthMm - before.lengthMm;
  const bent = after.bendMm - before.bendMm;
  if (Math.abs(longer) > Math.abs(aside) && Math.abs(longer) >= 1)
    return `Part ${Math.round(Math.abs(longer))} mm ${longer > 0 ? 'longer' : 'shorter'}`;
  if (Math.abs(bent) >= 1 && Math.abs(bent) > Math.abs(aside))
    return `Part bent ${Math.round(Math.abs(bent))} mm ${bent > 0 ? 'left' : 'right'}`;
  return `Part moved ${Math.max(1, Math.round(Math.abs(aside)))} mm ${aside > 0 ? 'left' : 'right'}`;
}
