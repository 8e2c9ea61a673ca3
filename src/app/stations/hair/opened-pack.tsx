/** The opened pack: counted, tugged, pulled apart, hooked. What she finds overrides the label. */
import type { ProductAsWritten } from '../../../model/plan.ts';
import { TextField } from '../../ui/field.tsx';
import { Fields, type TakeChange } from '../../ui/fields.tsx';
import { numberIn } from '../../ui/number-in.ts';
import { PACK_TEST } from './fields.ts';

interface OpenedPackProps {
  readonly product: ProductAsWritten;
  readonly change: TakeChange<ProductAsWritten>;
}

export function OpenedPack({ product: p, change }: OpenedPackProps) {
  const test: TakeChange<ProductAsWritten['test']> = (found, words) => change({ test: { ...p.test, ...found } }, words);
  return (
    <>
      <TextField
        label="Counted"
        value={p.test.counted === undefined ? '' : String(p.test.counted)}
        numeric
        placeholder="unopened"
        testId="counted"
        onCommit={(text) => {
          if (text.trim() === '') return test({ counted: undefined }, 'Count taken back');
          const counted = numberIn(text);
          return typeof counted === 'string' ? counted : test({ counted }, `${counted} counted`);
        }}
      />
      <Fields record={p.test} of={PACK_TEST} set={test} />
    </>
  );
}
