/** What can't be shown takes down itself alone: a sentence stands in its place, and one button that tries again. */
import { Component, type ErrorInfo, type ReactNode } from 'react';

interface GuardProps {
  /** "The bench", at the start of a sentence. */
  readonly what: string;
  /** Another plan, station or deed is tried again without being asked. */
  readonly resetKey?: unknown;
  readonly children: ReactNode;
  /** In place of the sentence. */
  readonly fallback?: (error: unknown, again: () => void) => ReactNode;
  readonly onFault?: (error: unknown) => void;
}

interface Fault {
  readonly error: unknown;
}

export class Guard extends Component<GuardProps, { readonly fault: Fault | undefined }> {
  override state = { fault: undefined as Fault | undefined };

  static getDerivedStateFromError(error: unknown) {
    return { fault: { error } };
  }

  override componentDidCatch(error: unknown, info: ErrorInfo) {
    this.props.onFault?.(error);
    console.info(`${this.props.what} could not be shown.`, error, info.componentStack);
  }

  override componentDidUpdate(before: GuardProps) {
    if (this.state.fault && before.resetKey !== this.props.resetKey) this.again();
  }

  private readonly again = () => this.setState({ fault: undefined });

  override render() {
    const { fault } = this.state;
    if (!fault) return this.props.children;
    const { what, fallback } = this.props;
    if (fallback) return fallback(fault.error, this.again);
    return (
      <div role="alert" className="p-6" data-fault={what}>
        <p>
          {what} could not be shown: {sentenceOf(fault.error)} The rest works on, and nothing of the plan was changed.
        </p>
        <button type="button" className="word font-strong" onClick={this.again}>
          Try again
        </button>
      </div>
    );
  }
}

/** What went wrong, as a sentence. */
export function sentenceOf(error: unknown): string {
  const words = error instanceof Error ? error.message.trim() : '';
  if (/dynamically imported module|Importing a module script|Loading chunk/.test(words))
    return 'a part of the program did not arrive.';
  if (words === '') return 'something went wrong in it.';
  return /[.!?]$/.test(words) ? words : `${words}.`;
}
