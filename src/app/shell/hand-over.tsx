/** A plan on its way to another screen: as a code that it reads off this one, as a link, or as a file. Nothing goes through a server. */
import { create } from 'qrcode';
import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import { packPlan } from '../../formats/link/plan-link.ts';
import { withoutHerself } from '../../model/herself.ts';
import type { PlanDocument } from '../../model/plan.ts';
import { exportPlan } from '../session/files.ts';
import { Choice } from '../ui/choice.tsx';
import './hand-over.css';

/** A code that a camera reads off a screen at arm's length holds so many signs (guess). */
const MOST_SIGNS = 1800;
/** White round a code, in its squares (ISO/IEC 18004). */
const QUIET = 4;

type Whom = 'me' | 'friend';
const WHOM: ReadonlyArray<{ readonly value: Whom; readonly name: string; readonly reason: string }> = [
  { value: 'me', name: 'To my own tablet', reason: 'With all of it.' },
  { value: 'friend', name: 'To a friend', reason: 'Without my name, head, hair and marks.' },
];

export function HandOver({ plan, onClose }: { readonly plan: PlanDocument; readonly onClose: () => void }) {
  const [whom, setWhom] = useState<Whom>('me');
  const [isCopied, setCopied] = useState(false);
  const given = useMemo(() => (whom === 'me' ? plan : withoutHerself(plan)), [plan, whom]);
  const link = useMemo(() => `${location.origin}/bring#${packPlan(given)}`, [given]);
  const fits = link.length <= MOST_SIGNS;
  const copy = () =>
    navigator.clipboard.writeText(link).then(
      () => setCopied(true),
      () => setCopied(false),
    );
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-50 bg-black/35" />
        <Dialog.Content className="panel hand-over" aria-describedby={undefined} data-testid="hand-over">
          <Dialog.Title className="text-heading">Hand over “{plan.name}”</Dialog.Title>
          <div className="mt-3">
            <Choice
              label="To whom"
              value={whom}
              options={WHOM}
              onChange={(value) => {
                setWhom(value);
                setCopied(false);
              }}
            />
          </div>
          {fits ? (
            <Code text={link} />
          ) : (
            <p className="note mt-4" data-testid="too-long">
              There is too much in it for a code. The link and the file hold all of it.
            </p>
          )}
          <p className="note mt-3">
            {fits && 'The other camera reads it off this screen. '}The plan is in the address itself and goes through no
            server.
            {isThisMachineOnly(location.hostname) &&
              ' This address is one of this machine alone: to another one it goes as a file, or from an address of Meshwork that both can reach.'}
          </p>
          <div className="mt-2 flex flex-wrap gap-x-6">
            <button type="button" className="word font-strong" onClick={copy} data-testid="copy-link" data-link={link}>
              {isCopied ? 'Copied' : 'Copy the link'}
            </button>
            <button type="button" className="word font-strong" onClick={() => exportPlan(given)}>
              As a file
            </button>
            <Dialog.Close className="word">Close</Dialog.Close>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const isThisMachineOnly = (host: string) => /^(localhost|127\.|\[?::1)/.test(host);

/** Dark on white in both themes: cameras look for that. */
function Code({ text }: { readonly text: string }) {
  const { size, path } = useMemo(() => squaresOf(text), [text]);
  const side = size + 2 * QUIET;
  return (
    <svg
      className="code"
      viewBox={`${-QUIET} ${-QUIET} ${side} ${side}`}
      role="img"
      aria-label="A code that holds the link"
      data-testid="code"
    >
      <rect x={-QUIET} y={-QUIET} width={side} height={side} fill="white" />
      <path d={path} fill="black" shapeRendering="crispEdges" />
    </svg>
  );
}

function squaresOf(text: string) {
  const { modules } = create(text, { errorCorrectionLevel: 'L' });
  const { size } = modules;
  const parts: string[] = [];
  for (let y = 0; y < size; y++) for (let x = 0; x < size; x++) if (modules.get(y, x)) parts.push(`M${x} ${y}h1v1h-1z`);
  return { size, path: parts.join('') };
}
