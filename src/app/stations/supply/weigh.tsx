/** Loose pieces by weight: from the kitchen scale that sends what it reads, or a weight that she writes. */
import { useEffect, useRef, useState } from 'react';
import { pieceG } from '../../../core/hair/index.ts';
import { piecesByWeight, steadyWeight, type Weighed } from '../../../core/supply/index.ts';
import type { ProductAsWritten } from '../../../model/plan.ts';
import { NumberField } from '../../ui/field.tsx';

interface Props {
  /** What is weighed, as the scale is told. */
  readonly of: string;
  readonly product: ProductAsWritten;
  readonly onPieces: (pieces: number) => void;
}

export function Weigh({ of, product, onPieces }: Props) {
  const [step, setStep] = useState<'off' | 'dish' | 'hair'>('off');
  const [dishG, setDishG] = useState(0);
  const [typedG, setTypedG] = useState(0);
  const { grams, steady, trouble } = useScale(step === 'off' ? undefined : { of, isEmpty: step === 'dish' });
  const each = pieceG(product);
  const hairG = step === 'hair' && grams !== undefined && steady ? Math.max(0, grams - dishG) : undefined;
  const weighed =
    typedG > 0 ? piecesByWeight(typedG, each) : hairG === undefined ? undefined : piecesByWeight(hairG, each);
  const shown = grams === undefined ? 'nothing yet' : `${(step === 'hair' ? grams - dishG : grams).toFixed(1)} g`;
  return (
    <div data-testid="weigh">
      <NumberField
        label="Or their weight, g"
        testId="weigh-typed"
        value={typedG}
        onCommit={(g) => {
          if (!(g >= 0 && g <= 5000)) return 'A weight is from 0 to 5000 g.';
          setTypedG(g);
          return undefined;
        }}
      />
      {step === 'off' ? (
        <button
          type="button"
          className="word"
          data-testid="weigh-start"
          onClick={() => {
            // What was written before is not what lies on it now.
            setTypedG(0);
            setStep('dish');
          }}
        >
          Weigh them
        </button>
      ) : (
        <p className="text-small" role="status" data-testid="weigh-reads">
          {step === 'dish' ? 'The empty dish: ' : 'Hair: '}
          <span className="fig text-lead">{shown}</span>
          {grams !== undefined && (steady ? '' : ', not at rest yet')}
        </p>
      )}
      {step === 'dish' && steady && (
        <button
          type="button"
          className="word"
          data-testid="weigh-tare"
          onClick={() => {
            setDishG(grams ?? 0);
            setStep('hair');
          }}
        >
          Set to none, and put the pieces in
        </button>
      )}
      {trouble && (
        <p role="alert" className="note text-madder">
          {trouble}
        </p>
      )}
      {weighed && <Says weighed={weighed} onPieces={onPieces} done={() => setStep('off')} />}
    </div>
  );
}

function Says({
  weighed,
  onPieces,
  done,
}: {
  readonly weighed: Weighed;
  readonly onPieces: Props['onPieces'];
  readonly done: () => void;
}) {
  const [low, high] = weighed.range;
  return (
    <p className="text-small" data-testid="weigh-says">
      About {weighed.pieces} pieces, {low} to {high} likely.{' '}
      <button
        type="button"
        className="word"
        data-testid="weigh-take"
        onClick={() => {
          onPieces(weighed.pieces);
          done();
        }}
      >
        Write {weighed.pieces}
      </button>
    </p>
  );
}

/** After so long without a reading the scale is taken to be off, ms. */
const SILENT_MS = 4000;

/** What the scale reads; undefined while nothing is weighed. */
function useScale(asked: { readonly of: string; readonly isEmpty: boolean } | undefined) {
  const [readings, setReadings] = useState<readonly number[]>([]);
  const [trouble, setTrouble] = useState<string>();
  const heard = useRef(false);
  const key = asked && `${asked.of} ${asked.isEmpty}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is weighed is known by its key
  useEffect(() => {
    setReadings([]);
    setTrouble(undefined);
    if (!asked) return undefined;
    heard.current = false;
    const query = new URLSearchParams({ of: asked.of, dish: asked.isEmpty ? 'empty' : 'full' });
    const source = new EventSource(`/api/scale?${query}`);
    const silent = () => setTrouble('The scale says nothing. Write the weight instead, or count.');
    const timer = setTimeout(() => heard.current || silent(), SILENT_MS);
    source.onmessage = (event) => {
      const grams = gramsIn(event.data);
      if (grams === undefined) return;
      heard.current = true;
      setTrouble(undefined);
      setReadings((last) => [...last.slice(-40), grams]);
    };
    source.onerror = silent;
    return () => {
      clearTimeout(timer);
      source.close();
    };
  }, [key]);
  const reading = steadyWeight(readings);
  return { grams: reading?.grams ?? readings.at(-1), steady: reading?.steady ?? false, trouble };
}

/** What is no weight is no reading. */
function gramsIn(data: unknown): number | undefined {
  try {
    const { grams } = JSON.parse(String(data)) as { grams?: unknown };
    return typeof grams === 'number' && Number.isFinite(grams) && Math.abs(grams) < 20_000 ? grams : undefined;
  } catch {
    return undefined;
  }
}
