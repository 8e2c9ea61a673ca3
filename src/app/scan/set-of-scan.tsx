/** What she sets of a scan: where the tape runs, and what of it is hair. */
import { SCAN_MARK_NAMES, SCAN_MARKS, type ScanMark } from '../../core/scan/index.ts';
import { NumberField } from '../ui/field.tsx';
import type { ScanWork } from './kept-scan.ts';
import type { Brush } from './scan-stage.tsx';
import type { ScanOnTheWay } from './use-scan.ts';

/** What each bead marks: one word brings it to the front. */
export function Marks(props: {
  readonly scan: ScanOnTheWay;
  readonly onAtHand: () => void;
  readonly onReset: () => void;
}) {
  const isMoved = Object.keys(props.scan.moved).length > 0;
  const show = (mark: ScanMark) => {
    props.onAtHand();
    // The bead is there once the brush is put down.
    requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-bead="mark-${mark}"]`)?.focus());
  };
  return (
    <section className="mt-4">
      <h2 className="text-title">Where the tape runs</h2>
      <p className="note">
        Guessed from length, breadth and height. Drag each bead to where it belongs, or move it with the arrows: of the
        hairline a scan knows nothing.
      </p>
      <div className="mt-1 flex flex-wrap gap-x-5">
        {SCAN_MARKS.map((mark) => (
          <button
            key={mark}
            type="button"
            className={`word ${props.scan.moved[mark] ? 'font-strong' : ''}`}
            onClick={() => show(mark)}
            data-testid={`mark-${mark}`}
          >
            {SCAN_MARK_NAMES[mark]}
          </button>
        ))}
      </div>
      <button
        type="button"
        className="word text-note"
        disabled={!isMoved}
        onClick={props.onReset}
        data-testid="marks-as-guessed"
      >
        As guessed again
      </button>
    </section>
  );
}

const MOST_HAIR_MM = 30;

export function HairUnder(props: {
  readonly scan: ScanOnTheWay;
  readonly brush: Brush | undefined;
  readonly onBrush: (brush: Brush | undefined) => void;
  readonly onSet: (change: Partial<Pick<ScanWork, 'hairMm' | 'strokes'>>) => void;
}) {
  const { scan, brush, onBrush, onSet } = props;
  const tools: ReadonlyArray<readonly [name: string, tool: Brush | undefined]> = [
    ['Turn it', undefined],
    ['Press down', { radiusMm: 28, pressMm: 2 }],
    ['Smooth', { radiusMm: 28, pressMm: 0 }],
  ];
  return (
    <section className="mt-4">
      <h2 className="text-title">Hair under it</h2>
      <NumberField
        label="All over, mm"
        testId="scan-hair"
        value={Math.round(10 * scan.hairMm) / 10}
        onCommit={(hairMm) => {
          if (hairMm < 0 || hairMm > MOST_HAIR_MM) return `From 0 to ${MOST_HAIR_MM} mm.`;
          onSet({ hairMm });
          return undefined;
        }}
      />
      <div className="mt-2 flex flex-wrap gap-2">
        {tools.map(([name, tool]) => (
          <button
            key={name}
            type="button"
            className="button tool w-auto"
            aria-pressed={brush?.pressMm === tool?.pressMm}
            onClick={() => onBrush(tool)}
          >
            {name}
          </button>
        ))}
        <button
          type="button"
          className="word"
          disabled={scan.strokes.length === 0}
          onClick={() => onSet({ strokes: scan.strokes.slice(0, -1) })}
        >
          Last stroke back
        </button>
      </div>
      <p className="note mt-1">
        A bun, a fold of the cap: brush over it. What is pressed on one side is pressed on both.
      </p>
    </section>
  );
}
