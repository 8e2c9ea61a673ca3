/** How big hair is, drawn from three sides: as trimmed, before, and the bare head in it. */
import { SIZE_VIEWS } from '../../../core/cover/index.ts';
import type { HairOnHead } from '../../../core/plan/index.ts';

const OUTLINE_BOX = { width: 96, height: 118, words: 18 };
/** Hair that is not long is drawn in this scale, so that heads of two plans compare. */
const MM_A_PX = 4.6;

/** Scale in which all three outlines fit, and where the highest of them ends. */
function fitted(hair: HairOnHead) {
  const outlines = SIZE_VIEWS.flatMap((v) => [
    hair.size[v].outlineMm,
    ...(hair.untrimmed ? [hair.untrimmed[v].outlineMm] : []),
  ]);
  let [side, top, bottom] = [0, 0, 0];
  for (const outline of outlines) {
    for (let i = 0; i < outline.length; i += 2) {
      side = Math.max(side, Math.abs(outline[i]));
      top = Math.max(top, outline[i + 1]);
      bottom = Math.min(bottom, outline[i + 1]);
    }
  }
  const { width, height, words } = OUTLINE_BOX;
  const mmAPx = Math.max(MM_A_PX, (2 * side) / (width - 2), (top - bottom) / (height - words - 2));
  return { mmAPx, topPx: top / mmAPx + 1 };
}

/** The outline from each side: solid as trimmed, dashed before, and the bare head in it. */
export function Outlines({ hair, crownMm }: { readonly hair: HairOnHead; readonly crownMm: number }) {
  const { width, height } = OUTLINE_BOX;
  const { mmAPx, topPx } = fitted(hair);
  const path = (outline: Float32Array) =>
    Array.from(
      { length: outline.length / 2 },
      (_, i) => `${outline[2 * i] / mmAPx} ${-outline[2 * i + 1] / mmAPx}`,
    ).join('L');
  return (
    <div className="mt-3 flex justify-between" aria-hidden="true">
      {SIZE_VIEWS.map((v) => (
        <svg
          key={v}
          aria-hidden="true"
          width={width}
          height={height}
          viewBox={`${-width / 2} ${-topPx} ${width} ${height}`}
        >
          <ellipse
            rx={(v === 'left' ? 99 : 79) / mmAPx}
            ry={(v === 'top' ? 99 : crownMm) / mmAPx}
            fill="none"
            stroke="var(--hair)"
          />
          {hair.untrimmed && (
            <path d={`M${path(hair.untrimmed[v].outlineMm)}Z`} fill="none" stroke="var(--ink2)" strokeDasharray="3 3" />
          )}
          <path d={`M${path(hair.size[v].outlineMm)}Z`} fill="none" stroke="var(--ink)" strokeWidth="1.6" />
          <text y={height - topPx - 3} textAnchor="middle" className="fill-ink2 text-note">
            {v === 'left' ? 'side' : v}
          </text>
        </svg>
      ))}
    </div>
  );
}
