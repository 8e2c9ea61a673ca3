import { type SignedKnot, signPath } from '../../formats/signs.ts';

/** A knot's sign on a short piece of thread. */
export function Sign({
  knot,
  size = 4.8,
  colour = 'var(--ink)',
  open = false,
}: {
  readonly knot: SignedKnot;
  readonly size?: number;
  readonly colour?: string;
  readonly open?: boolean;
}) {
  const half = size * 3.3;
  return (
    <svg
      className="flex-none"
      width={half}
      height={size * 3}
      viewBox={`${-half / 2} ${-size * 1.5} ${half} ${size * 3}`}
      aria-hidden="true"
    >
      <path d={`M${-half / 2},0H${half / 2}`} stroke={colour} strokeWidth="1.3" />
      <path
        d={signPath(knot, size)}
        fill={open ? 'var(--ground)' : colour}
        stroke={open ? colour : 'none'}
        strokeWidth="1.8"
      />
    </svg>
  );
}
