/** The quiet strip at the foot of the stage: where the viewer stands, the mirror, and what is shown. */
import { lazy, Suspense } from 'react';
import { LAYER_INFO, LAYERS, type Layer } from '../view/layers.ts';
import { useView, VIEWS, type ViewName } from '../view/view-store.ts';

const WornDay = lazy(() => import('./worn-day.tsx').then((m) => ({ default: m.WornDay })));
const Ramp = lazy(() => import('./check-notes.tsx').then((m) => ({ default: m.Ramp })));

const WORDS: ReadonlyArray<readonly [ViewName, string]> = [
  ['front', 'front'],
  ['left', 'left'],
  ['behind', 'behind'],
  ['right', 'right'],
  ['top', 'top'],
];

/** @param shown what the stage shows, where there is a choice */
export function Strip({ shown }: { readonly shown?: readonly [Layer, (layer: Layer) => void] }) {
  const { mirror, close, wornDay, turn, toggleMirror, stepBack } = useView();
  return (
    <div className="strip">
      <div className="strip-part">
        <Ring />
        {WORDS.map(([name, word]) => (
          <button key={name} type="button" className="strip-word" onClick={() => turn(VIEWS[name])}>
            <span className="sr-only">look from </span>
            {word}
          </button>
        ))}
        <button type="button" className="strip-word" aria-pressed={mirror} onClick={toggleMirror}>
          <span>
            <span className="sr-only">in a </span>mirror
          </span>
        </button>
        {close.zoom > 1 && (
          <button type="button" className="strip-word font-strong" data-testid="whole" onClick={stepBack}>
            the whole
          </button>
        )}
      </div>
      {shown?.[0] === 'light' && (
        <Suspense>
          <Ramp />
        </Suspense>
      )}
      {shown && wornDay && (
        <Suspense>
          <WornDay />
        </Suspense>
      )}
      {shown && <LayerWords layer={shown[0]} choose={shown[1]} />}
    </div>
  );
}

function LayerWords({ layer, choose }: { readonly layer: Layer; readonly choose: (layer: Layer) => void }) {
  return (
    <fieldset className="strip-part" aria-label="What the stage shows">
      {LAYERS.map((l) => (
        <button
          key={l}
          type="button"
          className="strip-word"
          aria-pressed={l === layer}
          data-testid={`layer-${l}`}
          title={`${LAYER_INFO[l].name}: ${LAYER_INFO[l].more}`}
          onClick={() => choose(l)}
        >
          <span>{LAYER_INFO[l].name}</span>
          <span className="sr-only"> {LAYER_INFO[l].more}</span>
        </button>
      ))}
    </fieldset>
  );
}

const RADII = [27, 10] as const;

/** A bead on a ring round a small head: where the viewer stands. */
function Ring() {
  const { azimuth, elevation, mirror } = useView();
  const fromTop = elevation > 1.2;
  // In a mirror her left stands on the other side of the ring.
  const x = Math.sin(azimuth) * RADII[0] * (mirror ? 1 : -1);
  const y = Math.cos(azimuth) * -RADII[1];
  return (
    <svg className="strip-ring" width="68" height="34" viewBox="-34 -17 68 34" aria-hidden="true">
      <ellipse rx={RADII[0]} ry={RADII[1]} fill="none" stroke="var(--ink)" strokeWidth="1.3" />
      <path d="M-6 1a6 5 0 1 0 12 0a6 5 0 1 0 -12 0M-2 -3.6L0 -7L2 -3.6" fill="var(--ink)" />
      <circle
        cx={fromTop ? 0 : x}
        cy={fromTop ? 0 : y}
        r="5"
        fill="var(--brass)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
    </svg>
  );
}
