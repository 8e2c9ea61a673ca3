/** The stage: her head, turned with a finger; what is selected stands in one light and is told in words. */
import { lazy, Suspense, useCallback, useRef, useState } from 'react';
import type { PlanResult } from '../../core/findings/index.ts';
import type { HeadScene } from '../../core/plan/index.ts';
import type { Checked } from '../ask/checked.ts';
import type { PlanSession } from '../session/plan-session.ts';
import { useLoaded } from '../session/use-loaded.ts';
import { useSize } from '../ui/use-size.ts';
import { isLook, type Layer, type Show } from '../view/layers.ts';
import { useView } from '../view/view-store.ts';
import { MODES } from './modes/modes.ts';
import { Beads, Leader, Told } from './on-stage.tsx';
import { Strip } from './strip.tsx';
import { turnByKey, useTurning } from './turning.ts';
import { useCloser } from './use-closer.ts';
import { useDrawnPicture } from './use-drawn-picture.ts';
import { useLines } from './use-lines.ts';
import { useSeen } from './use-seen.ts';
import './head-view.css';

const Pens = lazy(() => import('./pens.tsx').then((m) => ({ default: m.Pens })));

export function HeadView(props: {
  readonly session: PlanSession;
  readonly result: PlanResult | undefined;
  readonly scene: HeadScene | undefined;
  readonly show: Show;
  /** What she chose of what the stage shows, and how she chooses. */
  readonly shown: readonly [Layer, (layer: Layer) => void];
  readonly partHandles: boolean;
  readonly atCheck: boolean;
  readonly checked: Checked;
}) {
  const { session, result, scene, show, checked } = props;
  const { view: check } = checked;
  const box = useRef<HTMLDivElement>(null);
  const glCanvas = useRef<HTMLCanvasElement>(null);
  const lineCanvas = useRef<HTMLCanvasElement>(null);
  const size = useSize(box);
  const { selectedId, tape, sectionId, placeId, lineKey, showBumps, lit, mirror, moving, tool } = useView();
  const [oldPart, setOldPart] = useState<Float32Array>();
  const mode = useLoaded(MODES[show]);
  const look = isLook(show) ? checked.lookAs : undefined;
  const hair = show === 'hair' ? checked.hair : undefined;
  const seen = useSeen(show, size, check, hair);
  const { plan } = session;
  const picture = useDrawnPicture(glCanvas, { plan, result, scene, show, seen, check, look, hair });
  const lineView = { selectedId, tape, sectionId, placeId, lineKey, showBumps, lit, check };
  const drawn = { ...lineView, plan, result, scene, seen, look, oldPart, marksSeen: props.atCheck };
  useLines(lineCanvas, drawn, mode);
  useCloser(box);
  const drag = useTurning(box, (x, y) => {
    const { touched } = useView.getState();
    if (touched && scene) touched(seen, scene, x, y);
    else if (result) mode?.tap(drawn, result, x, y);
  });
  const stage = useCallback(() => box.current?.getBoundingClientRect(), []);
  const counts = result ? ` with ${result.rows.length} rows and ${result.knots.length} knots` : '';
  const on = { session, result, scene, show, look, hair, picture, stage, view: seen, atCheck: props.atCheck };
  return (
    <div className="stage" data-tool={tool.kind} data-moving={moving ? 'yes' : 'no'}>
      {/* biome-ignore lint/a11y/useSemanticElements: a drawing that is turned is no element HTML has */}
      <div
        ref={box}
        className="picture"
        role="group"
        aria-label={`Your head${counts}. Arrow keys turn it, plus and minus go closer and back.`}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: the arrows turn it
        tabIndex={0}
        {...drag}
        onKeyDown={turnByKey}
      >
        <canvas ref={glCanvas} className={mirror ? '-scale-x-100' : ''} aria-hidden="true" data-picture={picture} />
        <canvas ref={lineCanvas} aria-hidden="true" />
        {tool.kind !== 'turn' && tool.kind !== 'hairline' && (
          <Suspense fallback={<i hidden data-pen="loading" />}>
            <Pens {...{ session, result, scene, box }} view={seen} />
          </Suspense>
        )}
        <Leader {...on} />
        <Beads {...on} onHoldPart={setOldPart} partHandles={props.partHandles} />
      </div>
      <Told {...on} />
      <Strip shown={props.shown} />
    </div>
  );
}
