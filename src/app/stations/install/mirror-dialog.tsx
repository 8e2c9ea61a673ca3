/** A sheet over the mirror: large type, closed by Escape or by its own word; the keys of the mirror rest meanwhile. */
import { useEffect, useId, useRef } from 'react';

export function MirrorDialog(props: {
  readonly title: string;
  readonly onClose: () => void;
  readonly testId: string;
  readonly children: React.ReactNode;
}) {
  const dialog = useRef<HTMLDialogElement>(null);
  const id = useId();
  useEffect(() => {
    // Opened by a key that is still down, it would take that key as its own.
    dialog.current?.showModal();
  }, []);
  return (
    <dialog
      ref={dialog}
      className="panel m-auto overflow-y-auto p-6 text-ink backdrop:bg-black/40"
      style={{ width: 'min(760px, 94vw)', maxHeight: '92dvh' }}
      onClose={props.onClose}
      aria-labelledby={id}
      data-testid={props.testId}
    >
      <div className="flex items-start justify-between gap-4">
        <h2 id={id} className="text-figure">
          {props.title}
        </h2>
        <button type="button" className="word text-title" onClick={props.onClose} data-testid="close-dialog">
          Close
        </button>
      </div>
      <div className="mt-3 text-lead">{props.children}</div>
    </dialog>
  );
}
