/** The points of her hairline, each moved up and down on the head. */
import { useRef, useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import { along } from '../../../core/geometry/index.ts';
import { HAIRLINE_LIMIT_MM, HAIRLINE_POINT_NAMES, type HairlinePoint } from '../../../core/head/index.ts';
import { setHairlinePoint } from '../../../model/measure-commands.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import type { PlanChange } from '../../../model/plan-change.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { type Projection, screenX, screenY, type V3 } from '../projection.ts';
import { apart, type Placed } from './apart.ts';
import { Bead, dragAlong, isFacing } from './bead.tsx';

/** One press of an arrow, mm. */
const NUDGE_MM = 2;

export function HairlineBeads(props: {
  readonly view: Projection;
  readonly result: PlanResult;
  readonly session: PlanSession;
  readonly stage: () => DOMRect | undefined;
}) {
  const { view, result, session } = props;
  const { plan } = session;
  const latest = useRef<PlanChange>(undefined);
  /** Where the finger has a bead, while the head is still on its way. */
  const [held, setHeld] = useState<{ readonly point: HairlinePoint; readonly at: V3 }>();
  const kept = session.history.present.plan;
  const atOf = (p: HairlinePoint) => (held?.point.name === p.name && held.point.side === p.side ? held.at : p.at);
  const seen = result.head.hairlinePoints.filter((p) => isFacing(view, atOf(p)));
  const places = new Map<HairlinePoint, Placed>();
  apart(seen.map((p) => ({ x: screenX(view, atOf(p)), y: screenY(view, atOf(p)) }))).forEach((placed, i) => {
    places.set(seen[i], placed);
  });
  return (
    <>
      {result.head.hairlinePoints.map((point) => (
        <Bead
          key={`${point.name}-${point.side}`}
          view={view}
          at={atOf(point)}
          placed={places.get(point)}
          small={point.side !== 'middle'}
          name={`hairline-${point.name}-${point.side}`}
          label={`Hairline, ${HAIRLINE_POINT_NAMES[point.name]}${point.side === 'middle' ? '' : `, ${point.side}`}, ${offsetOf(plan, point)} mm`}
          stage={props.stage}
          onDrag={({ dx, dy }) => {
            const from = held?.point ?? point;
            const up = upwards(from.at);
            const start = offsetOf(kept, point);
            const mm = limited(start + dragAlong(view, up, dx, dy));
            setHeld({ point: from, at: along(from.at, up, mm - start) });
            latest.current = setHairlinePoint(kept, point.name, point.side, mm);
            session.preview(latest.current.plan);
          }}
          onDrop={() => {
            if (latest.current) session.apply(latest.current);
            latest.current = undefined;
            setHeld(undefined);
          }}
          onCancel={() => {
            latest.current = undefined;
            setHeld(undefined);
            session.preview(undefined);
          }}
          onNudge={(_, down) =>
            session.apply(setHairlinePoint(plan, point.name, point.side, offsetOf(plan, point) - down * NUDGE_MM))
          }
        />
      ))}
    </>
  );
}

const limited = (mm: number) => Math.min(HAIRLINE_LIMIT_MM, Math.max(-HAIRLINE_LIMIT_MM, mm));

function offsetOf({ hairline }: PlanDocument, { name, side }: HairlinePoint): number {
  if (name === 'front' || name === 'nape') return hairline[name];
  return hairline[side === 'right' && !hairline.mirrored ? 'right' : 'left'][name];
}

/** The way up along the head, towards the crown. */
function upwards([x, y, z]: V3): V3 {
  const a = Math.atan2(x, z);
  const e = Math.atan2(y, Math.sqrt(x * x + z * z));
  return [-Math.sin(a) * Math.sin(e), Math.cos(e), -Math.cos(a) * Math.sin(e)];
}
