/** Her plans: open, new, copy, rename, delete with undo, bring in from a file; and how the screen looks. */

import { Dialog } from 'radix-ui';
import { type ThemeChoice, useTheme } from '../session/theme.ts';
import { PlanList } from './plan-list.tsx';

export function PlansDialog(props: {
  readonly open: boolean;
  readonly currentId: string | undefined;
  readonly onOpenChange: (open: boolean) => void;
}) {
  return (
    <Dialog.Root open={props.open} onOpenChange={props.onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/35" />
        <Dialog.Content
          className="panel fixed left-0 top-0 z-50 h-dvh w-[min(440px,100vw)] overflow-y-auto p-8"
          aria-describedby={undefined}
        >
          <Dialog.Title className="text-heading">Your plans</Dialog.Title>
          <PlanList currentId={props.currentId} close={() => props.onOpenChange(false)} />
          <LookChoice />
          <Dialog.Close className="word mt-4">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const LOOKS: ReadonlyArray<readonly [ThemeChoice, string]> = [
  ['auto', 'as this machine'],
  ['light', 'light'],
  ['dark', 'dark'],
];

function LookChoice() {
  const { choice, choose } = useTheme();
  return (
    <div className="line mt-4 pt-2">
      <h3 className="text-title">Look</h3>
      <div className="flex gap-8">
        {LOOKS.map(([value, name]) => (
          <button
            key={value}
            type="button"
            className={`word ${choice === value ? 'font-strong underline underline-offset-4' : ''}`}
            aria-pressed={choice === value}
            onClick={() => void choose(value)}
          >
            {name}
          </button>
        ))}
      </div>
    </div>
  );
}
