/** Tools that draw on the head instead of turning it: brush, cut, a row that is already there. */
import { useCallback, useEffect, useRef, useState } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import { distance } from '../../core/geometry/index.ts';
import { type DirectionDeg, directionDeg, type Mark } from '../../core/head/index.ts';
import type { HeadScene } from '../../core/plan/index.ts';
import type { MarkKind } from '../../core/trade/index.ts';
import { addLine } from '../../model/found-lines.ts';
import { addMark } from '../../model/measure-commands.ts';
import { paintPlace } from '../../model/places.ts';
import type { PlanDocument } from '../../model/plan.ts';
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

interface Props {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  readonly scene: HeadScene | undefined;
  readonly view: Projection;
  readonly box: React.RefObject<HTMLDivElement | null>;
}

/** Tools that draw. */
type Pen = Extract<Tool, { kind: 'brush' | 'cut' | 'row' | 'density' | 'place' | 'addKnot' | 'finger' }>;
const PENS: ReadonlySet<Tool['kind']> = new Set(['brush', 'cut', 'row', 'density', 'place', 'addKnot', 'finger']);
const isPen = (tool: Tool): tool is Pen => PENS.has(tool.kind);

/** Lies over the picture while a tool is held that draws on it; comes when one is first taken. */
export function Pens(props: Props) {
  const { session, scene, view, box } = props;
  const tool = useView((v) => v.tool);
  const drawing = useRef<Drawing>(undefined);
  const [pixels, setPixels] = useState<Drawing['pixels']>();
  const finish = useFinish(props);
  const forget = useCallback(() => {
    drawing.current = undefined;
    setPixels(undefined);
  }, []);
  useEscape(session, forget);
  if (!isPen(tool) || !scene) return null;
  const add = (event: React.PointerEvent) => {
    const place = box.current?.getBoundingClientRect();
    const stroke = drawing.current;
    if (!place || !stroke || !extended(stroke, view, scene, event.clientX - place.left, event.clientY - place.top))
      return;
    session.preview(whileDrawn(session.history.present.plan, tool, stroke.points));
    if (tool.kind !== 'brush') setPixels([...stroke.pixels]);
  };
  const handlers = {
    onPointerDown: (e: React.PointerEvent<HTMLDivElement>) => {
      e.stopPropagation();
      e.currentTarget.setPointerCapture(e.pointerId);
      drawing.current = { points: [], pixels: [] };
      useView.getState().refuse(undefined);
      add(e);
    },
    onPointerMove: (e: React.PointerEvent) => {
      if (drawing.current) add(e);
    },
    onPointerUp: () => {
      const stroke = drawing.current;
      forget();
      if (stroke && stroke.points.length > 0) finish(tool, stroke.points);
    },
    onPointerCancel: () => {
      forget();
      session.preview(undefined);
    },
  };
  const line = pixels?.map(([x, y]) => `${x},${y}`).join(' ');
  return (
    <div className="absolute inset-0 touch-none" {...handlers} data-pen="ready">
      {line && (
        <svg className="leader" aria-hidden="true" fill="none">
          <polyline points={line} stroke="var(--under)" strokeWidth="5" />
          <polyline points={line} stroke="var(--light)" strokeWidth="2.6" />
        </svg>
      )}
    </div>
  );
}

/** Escape puts the tool down, and what was not let go of is not kept. */
function useEscape(session: PlanSession, forget: () => void) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape' || event.defaultPrevented) return;
      forget();
      session.preview(undefined);
      useView.getState().hold(TURN_TOOL);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [session, forget]);
}

/** Adds where the finger is, if that is on the head and far enough from the last point. */
function extended({ points, pixels }: Drawing, view: Projection, scene: HeadScene, x: number, y: number): boolean {
  if (points.length >= MOST_POINTS) return false;
  const hit = surfacePointAt(view, scene.cap, x, y);
  const last = points.at(-1);
  if (!hit || (last && distance(last, hit) < STEP_MM)) return false;
  points.push(hit);
  pixels.push([x, y]);
  return true;
}

/** The plan as it would be if the finger lifted now; undefined where that is seen only afterwards. */
function whileDrawn(plan: PlanDocument, pen: Pen, points: readonly V3[]): PlanDocument | undefined {
  if (pen.kind === 'brush') return addMark(plan, brushMark(pen, points)).plan;
  if (pen.kind === 'density') return densityStroke(plan, pen, points).plan;
  if (pen.kind === 'place')
    return paintPlace(plan, pen.id, { points: points.map(directionDeg), radiusMm: pen.radiusMm }).plan;
  return undefined;
}

/** What each tool does with a stroke that is done. */
function useFinish({ session, result, scene }: Props) {
  const { tryEdit } = useBaseEdit(session);
  const { plan } = session.history.present;
  const { refuse, setCheck } = useView.getState();
  const cut = async (line: DirectionDeg[], points: readonly V3[]) => {
    const { sectionId, selectSection, hold } = useView.getState();
    if (!result || !scene) return;
    const { sections, sectionOf } = result.base;
    const under = sections[sectionOf[vertexAt(scene.cap, points[points.length >> 1])]]?.id;
    const section = sectionId ?? under;
    if (!section || line.length < 2) return refuse('A cut needs a stroke from one line of the section to another.');
    if (await tryEdit({ op: 'cut', section, line }, 'Section cut')) {
      selectSection(section);
      hold(TURN_TOOL);
    }
  };
  return (pen: Pen, points: readonly V3[]) => {
    const line = points.map(directionDeg);
    switch (pen.kind) {
      case 'brush':
        session.apply(addMark(plan, brushMark(pen, points)));
        break;
      case 'cut':
        void cut(line, points);
        break;
      case 'row':
        refuse(rowAdded(session, line));
        break;
      case 'density':
        refuse(session.apply(densityStroke(plan, pen, points)));
        break;
      case 'place':
        refuse(session.apply(paintPlace(plan, pen.id, { points: line, radiusMm: pen.radiusMm })));
        break;
      case 'finger':
        if (points.length > 1) setCheck({ finger: points.flat() });
        break;
      case 'addKnot':
        refuse(session.apply(addKnot(plan, line[line.length - 1])));
        break;
    }
  };
}

function densityStroke(
  plan: PlanDocument,
  { factor, radiusMm }: Extract<Tool, { kind: 'density' }>,
  points: readonly V3[],
) {
  return brushRows(plan, { points: points.map(directionDeg), radiusMm }, factor);
}

export function brushMark(
  brush: { readonly mark: MarkKind; readonly radiusMm: number; readonly erase: boolean },
  points: readonly V3[],
): Mark {
  const { mark: kind, erase, radiusMm } = brush;
  return { kind, erase, place: { stroke: { points: points.map(directionDeg), radiusMm } } };
}

/** Why a row could not be entered, if so. */
function rowAdded(session: PlanSession, line: DirectionDeg[]): string | undefined {
  const { plan } = session.history.present;
  if (line.length < 2) return 'A row needs a stroke from where it begins to where it ends.';
  return session.apply(addLine(plan, line));
}

export type BrushTool = Extract<Tool, { kind: 'brush' }>;
