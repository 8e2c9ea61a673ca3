/** Tools that draw on the head instead of turning it: brush, cut, a row that is already there. */
import { useEffect, useRef, useState } from 'react';
import type { PlanResult } from '../../core/findings/plan-result.ts';
import { distance } from '../../core/geometry/vectors.ts';
import { type DirectionDeg, directionDeg, type Mark } from '../../core/head/marks.ts';
import type { HeadScene } from '../../core/plan/ask/scene.ts';
import type { MarkKind } from '../../core/trade/marks.ts';
import { addMark, setBase } from '../../model/commands.ts';
import { addKnot, brushRows } from '../../model/rows-by-hand.ts';
import { useBaseEdit } from '../session/base-edit.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { type Tool, TURN_TOOL, useView } from '../view/view-store.ts';
import type { Projection, V3 } from './projection.ts';
import { surfacePointAt, vertexAt } from './surface-hit.ts';

/** Points of a stroke lie this far apart, mm: closer ones only make the file longer. */
const STEP_MM = 4;
const MOST_POINTS = 400;

interface Drawing {
  readonly points: V3[];
  readonly pixels: Array<readonly [number, number]>;
}

export function useStrokes(props: {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  readonly scene: HeadScene | undefined;
  readonly view: Projection;
  readonly box: React.RefObject<HTMLDivElement | null>;
}) {
  const { session, result, scene, view } = props;
  const tool = useView((v) => v.tool);
  const drawing = useRef<Drawing>(undefined);
  const [pixels, setPixels] = useState<ReadonlyArray<readonly [number, number]>>();
  const { tryEdit } = useBaseEdit(session);
  // Escape puts the tool down, and what was not let go of is not kept.
  useEffect(() => {
    if (tool.kind === 'turn' || tool.kind === 'hairline') return;
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || event.defaultPrevented) return;
      drawing.current = undefined;
      setPixels(undefined);
      session.preview(undefined);
      useView.getState().hold(TURN_TOOL);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [tool, session]);
  const isDrawn = ['brush', 'cut', 'row', 'density', 'addKnot', 'finger'].includes(tool.kind);
  if (!isDrawn || !scene) return { pixels: undefined, handlers: undefined };

  const add = (event: React.PointerEvent) => {
    const place = props.box.current?.getBoundingClientRect();
    const stroke = drawing.current;
    if (!place || !stroke || stroke.points.length >= MOST_POINTS) return;
    const x = event.clientX - place.left;
    const y = event.clientY - place.top;
    const hit = surfacePointAt(view, scene.cap, x, y);
    if (!hit) return;
    const last = stroke.points.at(-1);
    if (last && distance(last, hit) < STEP_MM) return;
    stroke.points.push(hit);
    stroke.pixels.push([x, y]);
    const { plan } = session.history.present;
    if (tool.kind === 'brush') session.preview(addMark(plan, brushMark(tool, stroke.points)).plan);
    else if (tool.kind === 'density') session.preview(brushDeed(session, tool, stroke.points).plan);
    if (tool.kind !== 'brush') setPixels([...stroke.pixels]);
  };
  const finish = () => {
    const stroke = drawing.current;
    drawing.current = undefined;
    setPixels(undefined);
    if (!stroke || stroke.points.length === 0) return;
    const line = stroke.points.map(directionDeg);
    if (tool.kind === 'brush') session.apply(addMark(session.history.present.plan, brushMark(tool, stroke.points)));
    else if (tool.kind === 'cut' && result) void cut(line, stroke.points);
    else if (tool.kind === 'row') addRow(session, line);
    else if (tool.kind === 'density') useView.getState().refuse(session.apply(brushDeed(session, tool, stroke.points)));
    else if (tool.kind === 'finger') {
      if (stroke.points.length > 1) useView.getState().setCheck({ finger: stroke.points.flat() });
    } else if (tool.kind === 'addKnot') {
      const deed = addKnot(session.history.present.plan, line[line.length - 1]);
      useView.getState().refuse(session.apply(deed));
    }
  };
  const cut = async (line: DirectionDeg[], points: readonly V3[]) => {
    const { sectionId, selectSection, hold, refuse } = useView.getState();
    if (!result) return;
    const { sections, sectionOf } = result.base;
    const under = sections[sectionOf[vertexAt(scene.cap, points[points.length >> 1])]]?.id;
    const section = sectionId ?? under;
    if (!section || line.length < 2) return refuse('A cut needs a stroke from one line of the section to another.');
    if (await tryEdit({ op: 'cut', section, line }, 'Section cut')) {
      selectSection(section);
      hold({ kind: 'turn' });
    }
  };

  return {
    pixels,
    handlers: {
      onPointerDown: (e: React.PointerEvent<HTMLDivElement>) => {
        if ((e.target as Element).closest('button, a')) return;
        e.currentTarget.setPointerCapture(e.pointerId);
        drawing.current = { points: [], pixels: [] };
        useView.getState().refuse(undefined);
        add(e);
      },
      onPointerMove: (e: React.PointerEvent) => {
        if (drawing.current) add(e);
      },
      onPointerUp: finish,
      onPointerCancel: () => {
        drawing.current = undefined;
        setPixels(undefined);
        session.preview(undefined);
      },
    },
  };
}

function brushDeed(
  session: PlanSession,
  { factor, radiusMm }: Extract<Tool, { kind: 'density' }>,
  points: readonly V3[],
) {
  return brushRows(session.history.present.plan, { points: points.map(directionDeg), radiusMm }, factor);
}

export function brushMark(
  brush: { readonly mark: MarkKind; readonly radiusMm: number; readonly erase: boolean },
  points: readonly V3[],
): Mark {
  const { mark: kind, erase, radiusMm } = brush;
  return { kind, erase, place: { stroke: { points: points.map(directionDeg), radiusMm } } };
}

function addRow(session: PlanSession, line: DirectionDeg[]) {
  const { plan } = session.history.present;
  const refusal =
    line.length < 2
      ? 'A row needs a stroke from where it begins to where it ends.'
      : session.apply(
          setBase(plan, { found: { ...plan.base.found, lines: [...plan.base.found.lines, line] } }, 'Row entered'),
        );
  useView.getState().refuse(refusal);
}

export type BrushTool = Extract<Tool, { kind: 'brush' }>;
