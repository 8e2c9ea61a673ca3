/** As it is planned and as one way on would lay it, side by side: what is in is filled, what is to come is open. */
import { useEffect, useState } from 'react';
import type { PlanResult } from '../../../core/findings/index.ts';
import type { HeadScene } from '../../../core/plan/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { painter } from '../../ask/clients.ts';
import { inputsOf } from '../../ask/fineness.ts';
import { OneOf } from '../../ui/tabs.tsx';
import { VIEWS } from '../../view/view-store.ts';
import { HeadSoFar } from './where-picture.tsx';

type View = 'behind' | 'left' | 'right' | 'top';
const VIEW_WORDS: ReadonlyArray<readonly [View, string]> = [
  ['behind', 'behind'],
  ['left', 'left'],
  ['right', 'right'],
  ['top', 'top'],
];

export function Both(props: {
  readonly plan: PlanDocument;
  readonly result: PlanResult;
  readonly scene: HeadScene | undefined;
  readonly then: PlanDocument;
}) {
  const { plan, result, scene, then } = props;
  const [view, setView] = useState<View>('behind');
  const [other, setOther] = useState<PlanResult>();
  useEffect(() => {
    let isWanted = true;
    setOther(undefined);
    void painter.call('plan', inputsOf(then)).then((outcome) => {
      if (isWanted && outcome.state === 'done') setOther(outcome.value);
    });
    return () => {
      isWanted = false;
    };
  }, [then]);
  const shown = [
    ['As planned', plan, result],
    ['This way', then, other],
  ] as const;
  return (
    <div className="mt-2" data-testid="both">
      <OneOf label="Seen from" value={view} options={VIEW_WORDS} onChange={setView} testId="both-view" />
      <div className="flex flex-wrap gap-6">
        {shown.map(([name, of, laid]) => (
          <figure key={name} data-state={laid ? 'drawn' : 'waiting'}>
            <figcaption className="note">
              {name}
              {laid ? `: ${laid.knots.length} knots in all` : ' …'}
            </figcaption>
            {laid && (
              <HeadSoFar
                plan={of}
                result={laid}
                scene={scene}
                isIn={new Set(laid.knots.map((k) => k.id))}
                view={VIEWS[view]}
                className="max-tablet:[zoom:0.84]"
              />
            )}
          </figure>
        ))}
      </div>
    </div>
  );
}
