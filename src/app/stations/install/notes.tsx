/** Beside the knot in hand: the forecast, the end, a note for later. */

import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { InstallForecast } from '../../../core/install/index.ts';
import { duration } from '../../../core/trade/index.ts';
import type { PlanDocument } from '../../../model/plan.ts';
import { range } from '../../ui/format.ts';
import type { AtTheMirrorProps } from './use-install.ts';

export function Big(props: { readonly onClick: () => void; readonly children: React.ReactNode }) {
  return (
    <button
      type="button"
      onClick={props.onClick}
      className="min-h-15 rounded-[3px] border-2 border-ink px-5 text-far-text"
    >
      {props.children}
    </button>
  );
}

/** The thread that is left: what is needed, and what is over or missing. */
export function Forecast({
  forecast,
  total,
  tonight,
}: {
  readonly forecast: InstallForecast;
  readonly total: number;
  /** How far this evening goes, where she has said when it ends. */
  readonly tonight: string | undefined;
}) {
  const lasts = forecast.piecesOver >= 0;
  const share = Math.min(
    1,
    forecast.knotsToCome / Math.max(1, forecast.knotsToCome + Math.max(0, forecast.piecesOver)),
  );
  return (
    <div data-testid="forecast">
      <svg width="100%" height="30" viewBox="0 0 740 30" preserveAspectRatio="none" aria-hidden="true">
        <path d={`M0,14H${740 * share}`} stroke="var(--ink)" strokeWidth="11" />
        {lasts ? (
          <path d={`M${740 * share},14H740`} stroke="var(--brass)" strokeWidth="11" />
        ) : (
          <path d="M700,14H740" stroke="var(--madder)" strokeWidth="11" strokeDasharray="8 6" />
        )}
        <path d={`M${740 * share},0V28`} stroke="var(--ink)" strokeWidth="3.5" />
      </svg>
      <div className="mt-1 flex flex-wrap justify-between gap-x-8 text-far-note">
        <span>
          {forecast.knotsToCome} of {total} knots to come, about {duration(forecast.secondsToCome / 60)}, likely{' '}
          {range(forecast.secondsRange, (s) => duration(s / 60))}
          {forecast.fromOwnPace
            ? ' at your pace'
            : forecast.fromEarlierStyles
              ? ' at the pace of your earlier styles'
              : ''}
        </span>
        <span className={`font-strong ${lasts ? 'text-brass-ink' : 'text-madder'}`}>
          {lasts
            ? `It lasts: ${forecast.piecesOver} pieces over`
            : `It lasts for ${forecast.knotsToCome + forecast.piecesOver} of them`}
        </span>
        {tonight && <span data-testid="tonight">{tonight}</span>}
      </div>
    </div>
  );
}

export function Done({
  plan,
  state,
  onFinish,
  onAgain,
}: {
  readonly plan: PlanDocument;
  readonly state: AtTheMirrorProps['install']['state'];
  readonly onFinish: () => void;
  readonly onAgain: () => void;
}) {
  const navigate = useNavigate();
  const empty = state.done.filter((d) => d.skipped).length;
  const found = state.pauses.filter((p) => !p.said).length;
  return (
    <section
      className="overflow-y-auto px-10 py-8 text-far-text"
      // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls on a small screen
      tabIndex={0}
      aria-label="All is done"
    >
      <p className="fig text-callout">Every knot is in</p>
      <p className="mt-4 max-w-[40ch]" data-testid="done-words">
        {state.piecesUsed} pieces hooked{empty > 0 ? `, ${empty} places left empty` : ''},{' '}
        {duration(state.workedSeconds / 60)} at work
        {found > 0 && `; ${found} long ${found === 1 ? 'silence was' : 'silences were'} taken for rests`}.
      </p>
      <button
        type="button"
        className="button primary mt-6 max-w-105 text-far-text"
        data-testid="finish"
        onClick={() => {
          if (!state.finished) onFinish();
          navigate(`/plan/${plan.id}/log`);
        }}
      >
        Finish and write one line
      </button>
      <button type="button" className="word mt-4 block text-far-note" onClick={onAgain} data-testid="order">
        Something once more: the order of work
      </button>
    </section>
  );
}

export function NotePad({
  onKeep,
  onClose,
}: {
  readonly onKeep: (text: string) => void;
  readonly onClose: () => void;
}) {
  const [text, setText] = useState('');
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  const keep = () => {
    if (text.trim()) onKeep(text.trim());
    onClose();
  };
  return (
    <dialog
      ref={dialog}
      className="panel m-auto w-[min(560px,92vw)] p-6 text-far-text backdrop:bg-black/40"
      onClose={onClose}
      aria-label="Note"
    >
      <label htmlFor="install-note" className="fig text-figure">
        A note for later
      </label>
      <textarea
        id="install-note"
        data-testid="note-text"
        className="mt-3 w-full border-b-2 border-ink p-1"
        rows={3}
        maxLength={300}
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <div className="mt-4 flex gap-4">
        <button type="button" className="button primary" onClick={keep} data-testid="keep-note">
          Keep it
        </button>
        <button type="button" className="button" onClick={onClose}>
          Leave it
        </button>
      </div>
    </dialog>
  );
}
