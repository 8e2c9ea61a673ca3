/** The head of a card, read at arm's length: a number, what it is, a line about it; and the rest that she may take. */
import { Big } from './notes.tsx';

export function CardTitle(props: {
  readonly number: number;
  readonly what: string;
  /** For a test: what the number counts, and what it is the name of. */
  readonly testIds: readonly [number: string, what: string];
  /** A step is named by a sentence, a knot by two words. */
  readonly isLong?: boolean;
  readonly paused: boolean;
  readonly onPause: () => void;
  /** Beside the button. */
  readonly beside?: React.ReactNode;
  readonly children: React.ReactNode;
}) {
  const { number, what, testIds, isLong, paused, onPause } = props;
  return (
    <div className="flex flex-wrap items-end gap-6.5 max-phone:gap-3.5">
      <div
        className="fig text-far-number"
        style={{ lineHeight: 0.8, fontStretch: '76%', letterSpacing: '-.03em' }}
        data-testid={testIds[0]}
      >
        {number}
      </div>
      <div className="min-w-0 flex-1">
        <div
          className={`fig ${isLong ? 'text-far-kind' : 'text-far-row'}`}
          style={{ fontStretch: '84%' }}
          data-testid={testIds[1]}
        >
          {what}
        </div>
        {paused ? (
          <div className="mt-2 text-far-text leading-tight" role="status" data-testid="paused">
            Paused, and kept. Space goes on.
          </div>
        ) : (
          <div className={`mt-2 leading-tight text-ink2 ${isLong ? 'text-far-note' : 'text-far-text'}`}>
            {props.children}
          </div>
        )}
      </div>
      {props.beside}
      <Big onClick={onPause}>{paused ? 'Go on' : 'Pause'}</Big>
    </div>
  );
}
