/** Hair: the packs in her hand, what is done to a piece, and which piece each zone is hooked with. */
import { useState } from 'react';
import type { WithFinding } from '../../ui/bench-props.ts';
import { Parts } from '../../ui/tabs.tsx';
import { ColoursTab } from './colours-tab.tsx';
import { CutsTab } from './cuts-tab.tsx';
import { PacksTab } from './packs-tab.tsx';
import { ShelfTab } from './shelf-tab.tsx';
import { ZonesTab } from './zones-tab.tsx';

export function HairBench({ session, result, finding }: WithFinding) {
  const [open, setOpen] = useState('packs');
  const [productId, setProductId] = useState<string>();
  const product = session.plan.products.find((p) => p.id === productId) ?? session.plan.products[0];
  return (
    <>
      <h2>The pack in your hand</h2>
      {finding}
      <Parts
        label="What of the hair"
        open={open}
        onOpen={setOpen}
        parts={[
          {
            id: 'packs',
            name: 'Packs',
            content: <PacksTab session={session} result={result} product={product} onPick={setProductId} />,
          },
          { id: 'cuts', name: 'Cuts', content: <CutsTab session={session} result={result} /> },
          { id: 'zones', name: 'Zones', content: <ZonesTab session={session} result={result} /> },
          { id: 'colours', name: 'Colours', content: <ColoursTab session={session} result={result} /> },
          { id: 'shelf', name: 'Shelf', content: <ShelfTab session={session} /> },
        ]}
      />
    </>
  );
}
