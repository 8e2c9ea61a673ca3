/** What is moved of a base: the ends and the middle of a line, the tie of a section, the end of its tail. */
import { useRef, useState } from 'react';
import { type BaseEdit, LONGEST_MOVE_MM } from '../../../core/base/index.ts';
import type { PlanResult } from '../../../core/findings/index.ts';
import { along, cross, minus, pointAt, unit } from '../../../core/geometry/index.ts';
import { directionDeg } from '../../../core/head/index.ts';
import type { HeadScene } from '../../../core/plan/index.ts';
import { editBase } from '../../../model/base-commands.ts';
import { park } from '../../../model/commands.ts';
import type { PlanChange } from '../../../model/plan-change.ts';
import { useBaseEdit } from '../../session/base-edit.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { useView } from '../../view/view-store.ts';
import type { Projection, V3 } from '../projection.ts';
import { surfacePointAt, vertexAt } from '../surface-hit.ts';
import { Bead, dragAlong, movedOnScreen } from './bead.tsx';

const NUDGE_MM = 4;

interface Props {
  readonly view: Projection;
  readonly scene: HeadScene;
  readonly result: PlanResult;
  readonly session: PlanSession;
  readonly stage: () => DOMRect | undefined;
}

export function BaseBeads(props: Props) {
  const sectionId = useView((v) => v.sectionId);
  const lineKey = useView((v) => v.lineKey);
  const { sections, lines } = props.result.base;
  const line = lines.find((l) => l.key === lineKey);
  const section = sections.find((s) => s.id === sectionId && s.role === 'base');
  return (
    <>
      {line && !line.locked && <LineBeads {...props} line={line} />}
      {section && !line && section.parking.how !== 'laid' && <TieBead {...props} section={section} />}
      {section && !line && LED.includes(section.parking.how) && <TailBead {...props} section={section} />}
    </>
  );
}

/** Ways of parking whose end she may place. */
const LED: readonly string[] = ['folded', 'wrapped', 'sewn', 'crossed', 'parcel'];

type Line = PlanResult['base']['lines'][number];
type Section = PlanResult['base']['sections'][number];
type End = 'start' | 'middle' | 'end';
const END_NAMES: Readonly<Record<End, string>> = {
  start: 'First end of the line',
  middle: 'Middle of the line',
  end: 'Other end of the line',
};

interface HeldLine {
  readonly end: End;
  readonly line: Line;
  readonly across: V3;
  /** 1 where `across` leads from a to b. */
  readonly sign: number;
  readonly mm: number;
}

function LineBeads({ view, scene, result, session, stage, line }: Props & { readonly line: Line }) {
  const { tryEdit } = useBaseEdit(session);
  const { held, latest, hold } = useHeldLine();
  const kept = session.history.present.plan;
  const edit = (end: End, mm: number) => moveOf(line, end, mm);
  const grasp = (end: End): HeldLine => {
    const across = acrossLine(line, SHARES[end]);
    return { end, line, across, sign: towardsB(scene, result, line, SHARES[end], across), mm: 0 };
  };
  const place = (end: End): V3 => {
    const at = pointOf(held?.line ?? line, SHARES[end]);
    if (!held || (held.end !== end && held.end !== 'middle')) return at;
    return along(at, held.across, held.mm);
  };
  return (['start', 'middle', 'end'] as const).map((end) => (
    <Bead
      key={end}
      view={view}
      at={place(end)}
      small={end !== 'middle'}
      name={`line-${end}`}
      label={`${END_NAMES[end]}, ${line.words}`}
      stage={stage}
      onDrag={({ dx, dy }) => {
        const from = latest.current ?? grasp(end);
        const moved = { ...from, mm: limited(dragAlong(view, from.across, dx, dy)) };
        hold(moved);
        session.preview(editBase(kept, [edit(end, moved.sign * moved.mm)], 'Line moved').plan);
      }}
      onDrop={() => {
        const moved = latest.current;
        hold(undefined);
        if (moved) void tryEdit(edit(end, moved.sign * moved.mm), 'Line moved');
      }}
      onCancel={() => {
        hold(undefined);
        session.preview(undefined);
      }}
      onNudge={(right, down) => {
        const { across, sign } = grasp(end);
        const mm = dragAlong(view, across, right, down) * view.pxPerMm;
        const way = Math.abs(mm) < 0.1 ? 0 : Math.sign(mm) * sign;
        if (way !== 0) void tryEdit(edit(end, way * NUDGE_MM), 'Line moved');
      }}
    />
  ));
}

/** The line as it was when the finger came down: what is worked out meanwhile lags behind the finger. */
function useHeldLine() {
  const [held, setHeld] = useState<HeldLine>();
  const latest = useRef<HeldLine>(undefined);
  const hold = (next: HeldLine | undefined) => {
    latest.current = next;
    setHeld(next);
  };
  return { held, latest, hold };
}

const moveOf = ({ a, b }: Line, end: End, mm: number): BaseEdit => ({
  op: 'move',
  a,
  b,
  startMm: end === 'end' ? 0 : mm,
  endMm: end === 'start' ? 0 : mm,
});

const SHARES: Readonly<Record<End, number>> = { start: 0.06, middle: 0.5, end: 0.94 };
const limited = (mm: number) => Math.round(Math.min(LONGEST_MOVE_MM, Math.max(-LONGEST_MOVE_MM, mm)) * 10) / 10;

function pointOf({ pointsMm: p }: Line, share: number): V3 {
  return pointAt(p, Math.round(share * (p.length / 3 - 1)));
}

/** Along the scalp, at right angles to the line. */
function acrossLine({ pointsMm: p }: Line, share: number): V3 {
  const n = p.length / 3;
  const i = Math.round(share * (n - 1));
  const a = Math.max(0, i - 3);
  const b = Math.min(n - 1, i + 3);
  return unit(cross(pointAt(p, i), minus(pointAt(p, b), pointAt(p, a))));
}

/** 1 where `across` leads from a to b: moving that way makes a larger. */
function towardsB(scene: HeadScene, result: PlanResult, line: Line, share: number, across: V3): number {
  const at = pointOf(line, share);
  const id = result.base.sections[result.base.sectionOf[vertexAt(scene.cap, along(at, across, 7))]]?.id;
  return id === line.b ? 1 : -1;
}

function TieBead({ view, scene, session, stage, section }: Props & { readonly section: Section }) {
  const { tryEdit } = useBaseEdit(session);
  const latest = useRef<BaseEdit>(undefined);
  const kept = session.history.present.plan;
  const edit = (at: V3): BaseEdit => ({ op: 'tie', section: section.id, at: directionDeg(at) });
  return (
    <Bead
      view={view}
      at={section.tieMm}
      name="tie"
      label={`Tie of ${section.name}, ${section.tieWords}`}
      stage={stage}
      onDrag={({ x, y }) => {
        const hit = surfacePointAt(view, scene.cap, x, y);
        if (!hit) return;
        latest.current = edit(hit);
        session.preview(editBase(kept, [latest.current], 'Tie moved').plan);
      }}
      onDrop={() => {
        const moved = latest.current;
        latest.current = undefined;
        if (moved) void tryEdit(moved, 'Tie moved');
      }}
      onCancel={() => {
        latest.current = undefined;
        session.preview(undefined);
      }}
      onNudge={(right, down) =>
        void tryEdit(edit(movedOnScreen(view, section.tieMm, right * NUDGE_MM, down * NUDGE_MM)), 'Tie moved')
      }
    />
  );
}

function TailBead({ view, scene, session, stage, section }: Props & { readonly section: Section }) {
  const latest = useRef<PlanChange>(undefined);
  const kept = session.history.present.plan;
  const p = section.pathMm;
  const end: V3 = [p[p.length - 3], p[p.length - 2], p[p.length - 1]];
  const deed = (at: V3) =>
    park(kept, { [section.id]: { ...section.parking, to: directionDeg(at) } }, `Tail of ${section.name} led elsewhere`);
  return (
    <Bead
      view={view}
      at={end}
      small
      name="tail-end"
      label={`End of the tail of ${section.name}`}
      stage={stage}
      onDrag={({ x, y }) => {
        const hit = surfacePointAt(view, scene.cap, x, y);
        if (!hit) return;
        latest.current = deed(hit);
        session.preview(latest.current.plan);
      }}
      onDrop={() => {
        if (latest.current) session.apply(latest.current);
        latest.current = undefined;
      }}
      onCancel={() => {
        latest.current = undefined;
        session.preview(undefined);
      }}
      onNudge={(right, down) =>
        session.apply(deed(movedOnScreen(view, end, right * 3 * NUDGE_MM, down * 3 * NUDGE_MM)))
      }
    />
  );
}
