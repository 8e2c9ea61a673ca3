/** A colour of hair as it looks in the light, shaded from root to tip where it is. */
import { useId } from 'react';
import { litHair } from '../../core/trade/index.ts';

export function Swatch(props: {
  readonly shades: readonly string[];
  readonly className: string;
  /** Drawn over it. */
  readonly children?: React.ReactNode;
}) {
  const { shades, className, children } = props;
  const id = useId();
  const lit = shades.length > 0 ? shades.map(litHair) : [litHair('')];
  return (
    <svg viewBox="0 0 22 22" className={className} aria-hidden="true">
      {lit.length > 1 && (
        <linearGradient id={id} x1="0" y1="0" x2="0" y2="1">
          {lit.map((colour, i) => (
            <stop key={i} offset={i / (lit.length - 1)} stopColor={colour} />
          ))}
        </linearGradient>
      )}
      <circle cx="11" cy="11" r="10" fill={lit.length > 1 ? `url(#${id})` : lit[0]} stroke="var(--line)" />
      {children}
    </svg>
  );
}
