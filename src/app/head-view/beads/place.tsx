/** A bead that is led over the head by finger or arrows and does its deed where it is dropped, or on Enter. */
import { useState } from 'react';
import type { HeadScene } from '../../../core/plan/index.ts';
import type { Projection, V3 } from '../projection.ts';
import { surfacePointAt, vertexAt } from '../surface-hit.ts';
import { Bead, movedOnScreen } from './bead.tsx';

const STRIDE_MM = 8;

export function PlaceBead(props: {
  readonly view: Projection;
  readonly scene: HeadScene;
  readonly stage: () => DOMRect | undefined;
  readonly name: string;
  readonly label: string;
  readonly onPlace: (at: V3) => void;
}) {
  const { view, scene } = props;
  const [at, setAt] = useState<V3>(
    () => surfacePointAt(view, scene.cap, view.centreX, view.centreY - 40) ?? [0, 110, 0],
  );
  const onScalp = (place: V3): V3 => {
    const i = 3 * vertexAt(scene.cap, place);
    const p = scene.cap.positions;
    return [p[i], p[i + 1], p[i + 2]];
  };
  return (
    <Bead
      view={view}
      at={at}
      name={props.name}
      label={props.label}
      stage={props.stage}
      onDrag={({ x, y }) => {
        const hit = surfacePointAt(view, scene.cap, x, y);
        if (hit) setAt(hit);
      }}
      onDrop={() => props.onPlace(at)}
      onCancel={() => undefined}
      onNudge={(right, down) => setAt(onScalp(movedOnScreen(view, at, right * STRIDE_MM, down * STRIDE_MM)))}
      onPress={() => props.onPlace(at)}
    />
  );
}
