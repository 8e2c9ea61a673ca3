/** Where the viewer stands: a bead on a ring round a small head, with the words to step to. */
import { useView, VIEWS, type ViewName } from '../view/view-store.ts';

const WORDS: ReadonlyArray<readonly [ViewName, string, string]> = [
  ['front', 'front', 'left-17 -top-5'],
  ['left', 'left', '-left-1 top-5.5'],
  ['right', 'right', 'left-35.5 top-5.5'],
  ['behind', 'behind', 'left-15.5 top-15'],
];

export function ViewRing() {
  const { azimuth, elevation, mirror, turn, toggleMirror } = useView();
  const fromTop = elevation > 1.2;
  // In a mirror her left stands on the other side of the ring.
  const beadX = 92 + Math.sin(azimuth) * -52 * (mirror ? -1 : 1);
  const beadY = 41 - Math.cos(azimuth) * 21;
  return (
    <div className="view-ring">
      <svg className="absolute left-0 top-1" width="186" height="84" aria-hidden="true">
        <ellipse cx="92" cy="41" rx="52" ry="21" fill="none" stroke="var(--ink)" strokeWidth="1.3" />
        {[0, 1, 2, 3].map((i) => (
          <circle
            key={i}
            cx={92 + Math.sin((i * Math.PI) / 2) * 52}
            cy={41 + Math.cos((i * Math.PI) / 2) * 21}
            r="2.4"
            fill="var(--ink)"
          />
        ))}
        <path d="M83 42a9 7.5 0 1 0 18 0a9 7.5 0 1 0 -18 0M89 34.5L92 30L95 34.5" fill="var(--ink)" />
        {!fromTop && <circle cx={beadX} cy={beadY} r="7" fill="var(--brass)" stroke="var(--ink)" strokeWidth="1.5" />}
      </svg>
      {WORDS.map(([name, word, place]) => (
        <button
          key={name}
          type="button"
          className={`word absolute justify-center text-note text-ink2 ${mirror && name === 'left' ? 'left-35.5 top-5.5' : mirror && name === 'right' ? '-left-1 top-5.5' : place}`}
          style={{ margin: 0, minWidth: 44 }}
          onClick={() => turn(VIEWS[name])}
        >
          <span className="sr-only">look from </span>
          {word}
        </button>
      ))}
      <Toggle on={fromTop} onClick={() => turn(fromTop ? VIEWS.behind : VIEWS.top)} word="from the top" />
      <Toggle on={mirror} onClick={toggleMirror} word="in a mirror" />
    </div>
  );
}

function Toggle(props: { readonly on: boolean; readonly word: string; readonly onClick: () => void }) {
  return (
    <button
      type="button"
      aria-pressed={props.on}
      onClick={props.onClick}
      className="toggle word whitespace-nowrap text-note text-ink2"
    >
      <span
        aria-hidden="true"
        className="mr-2 inline-block size-2.75 rounded-full border-[1.5px] border-ink"
        style={{ background: props.on ? 'var(--brass)' : 'transparent' }}
      />
      {props.word}
    </button>
  );
}
