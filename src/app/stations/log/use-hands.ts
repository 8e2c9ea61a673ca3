/** What all of her styles say of her hands, worked out in a worker, with what she has decided of it. */
import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo, useState } from 'react';
import type { HandsChoices, HandsOfHers } from '../../../core/hands/index.ts';
import type { Pace } from '../../../core/trade/index.ts';
import { handsChoices, handsOf, toldOfHands } from '../../../store/hands.ts';
import { painter } from '../../ask/clients.ts';
import { db } from '../../session/database.ts';

export interface Hands {
  readonly of: string;
  /** Undefined while it is being learned. */
  readonly found: HandsOfHers | undefined;
  readonly choices: HandsChoices;
}

export function useHands(planId: string, said: Pace): Hands | undefined {
  const told = useLiveQuery(async () => {
    const of = await handsOf(db, planId);
    return { of, choices: await handsChoices(db, of), styles: await toldOfHands(db, planId) };
  }, [planId]);
  const [found, setFound] = useState<HandsOfHers>();
  useEffect(() => {
    if (!told) return;
    let isWanted = true;
    void painter.call('handsFrom', { styles: told.styles, said, choices: told.choices }).then((outcome) => {
      if (isWanted && outcome.state === 'done') setFound(outcome.value);
    });
    return () => {
      isWanted = false;
    };
  }, [told, said]);
  return useMemo(() => told && { of: told.of, choices: told.choices, found }, [told, found]);
}
