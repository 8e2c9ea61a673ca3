/** A button that lets her choose a file. */
import { useRef } from 'react';

export function OpenFile(props: {
  readonly words: string;
  readonly className: string;
  /** What the field is called where it is heard, not seen. */
  readonly label: string;
  readonly accept: string;
  readonly testId: string;
  readonly onChosen: (file: File) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className={props.className} onClick={() => input.current?.click()}>
        {props.words}
      </button>
      <input
        ref={input}
        type="file"
        accept={props.accept}
        className="sr-only"
        tabIndex={-1}
        aria-label={props.label}
        data-testid={props.testId}
        onChange={(e) => {
          const [chosen] = e.target.files ?? [];
          // The same file may be chosen once more.
          e.target.value = '';
          if (chosen) props.onChosen(chosen);
        }}
      />
    </>
  );
}
