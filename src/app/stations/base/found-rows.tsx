/** Rows that somebody else did: drawn with a finger, copied beside, mirrored, each with where its end lies. */
import { useState } from 'react';
import type { BaseChoice } from '../../../core/base/index.ts';
import { PARKING_NAMES, PARKINGS, type ParkingHow } from '../../../core/trade/index.ts';
import { setBase } from '../../../model/base-commands.ts';
import {
  canAdd,
  copyLine,
  dropLine,
  lineSection,
  mirrorLine,
  mirrorLines,
  setEnd,
} from '../../../model/found-lines.ts';
import { fingerMm } from '../../../model/to-inputs.ts';
import type { PlanSession } from '../../session/plan-session.ts';
import { NumberField, SelectField } from '../../ui/field.tsx';
import { Fields, type TakeChange } from '../../ui/fields.tsx';
import { ToolButton } from '../../ui/tabs.tsx';
import { TURN_TOOL, useView } from '../../view/view-store.ts';
import { FOUND } from './fields.ts';

/** Rows that people lay by hand are about so far apart, fingers (common practice, no source). */
const APART_FINGERS = 1.5;

export function FoundRows({ session }: { readonly session: PlanSession }) {
  const { plan } = session;
  const { found } = plan.base;
  const { tool, hold } = useView();
  const [apart, setApart] = useState(APART_FINGERS);
  const set: TakeChange<BaseChoice['found']> = (change, words) =>
    session.apply(setBase(plan, { found: { ...found, ...change } as BaseChoice['found'] }, words ?? ''));
  return (
    <>
      <Fields record={found as BaseChoice['found']} of={FOUND} set={set} />
      <p className="note mt-2">
        {found.lines.length === 0
          ? 'Laid as rows straight back until you draw yours: each from where it begins to where it ends.'
          : `${found.lines.length} ${found.lines.length === 1 ? 'row' : 'rows'} entered.`}
      </p>
      <div className="mt-2 grid grid-cols-2 gap-2">
        <ToolButton
          testId="draw-row"
          held={tool.kind === 'row'}
          onPress={() => hold(tool.kind === 'row' ? TURN_TOOL : { kind: 'row' })}
        >
          Draw a row
        </ToolButton>
        <button
          type="button"
          className="button"
          data-testid="mirror-rows"
          disabled={found.lines.length === 0}
          onClick={() => session.apply(mirrorLines(plan))}
        >
          Mirror all
        </button>
      </div>
      {found.lines.length > 0 && (
        <NumberField
          label="Copies lie apart, fingers"
          testId="copy-apart"
          value={apart}
          onCommit={(v) => {
            if (v < 0.5 || v > 6) return 'Copies lie from half a finger to six apart.';
            setApart(v);
            return undefined;
          }}
        />
      )}
      {found.lines.map((_, i) => (
        <FoundRow key={i} session={session} at={i} apartMm={apart * fingerMm(plan)} />
      ))}
    </>
  );
}

function FoundRow({
  session,
  at,
  apartMm,
}: {
  readonly session: PlanSession;
  readonly at: number;
  readonly apartMm: number;
}) {
  const { plan } = session;
  const { sectionId, selectSection, refuse } = useView();
  const id = lineSection(at);
  const isOpen = sectionId === id;
  const end = plan.base.parking.bySection[id]?.how;
  const name = `Row ${at + 1}`;
  const isFull = !canAdd(plan);
  const deeds = [
    ['Copy to the left', () => copyLine(plan, at, apartMm), isFull],
    ['Copy to the right', () => copyLine(plan, at, -apartMm), isFull],
    ['Mirror it', () => mirrorLine(plan, at), isFull],
    ['Take it out', () => dropLine(plan, at), false],
  ] as const;
  return (
    <section className="line py-1" aria-label={name} data-testid={`found-${id}`}>
      <div className="flex items-baseline justify-between gap-3">
        <button
          type="button"
          className="word font-strong"
          aria-expanded={isOpen}
          onClick={() => selectSection(isOpen ? undefined : id)}
        >
          {name}
        </button>
        <span className="note">{end ? `end ${PARKING_NAMES[end]}` : ''}</span>
      </div>
      {isOpen && (
        <>
          <SelectField
            label="Its end lies"
            wide
            testId="found-end"
            value={(end ?? '') as string}
            options={[
              ['', 'as is usual'] as const,
              ...PARKINGS.filter((p) => p !== 'laid').map((p) => [p, PARKING_NAMES[p]] as const),
            ]}
            onChange={(how) => session.apply(setEnd(plan, at, how === '' ? undefined : (how as ParkingHow)))}
          />
          <div className="flex flex-wrap gap-x-5">
            {deeds.map(([words, deed, isOff]) => (
              <button
                key={words}
                type="button"
                className="word"
                disabled={isOff}
                onClick={() => refuse(session.apply(deed()))}
              >
                {words}
              </button>
            ))}
          </div>
        </>
      )}
    </section>
  );
}
