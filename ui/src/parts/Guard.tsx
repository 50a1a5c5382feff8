import { Component, type ReactNode } from 'react';

interface Props {
  /** What could not be shown, as in "This question". */
  what: string;
  /** When it changes, showing is tried again. */
  about?: unknown;
  children: ReactNode;
}

/** Around every screen and every question: if showing it fails, that is said in its place, and all else on the page stays. */
export class Guard extends Component<Props, { error: Error | null }> {
  override state: { error: Error | null } = { error: null };

  static getDerivedStateFromError(error: unknown) {
    return { error: error instanceof Error ? error : new Error(String(error)) };
  }

  override componentDidUpdate(before: Props) {
    if (before.about !== this.props.about && this.state.error) this.setState({ error: null });
  }

  override render() {
    const { error } = this.state;
    if (!error) return this.props.children;
    return (
      <div className="my-3" role="alert">
        <p className="notice">
          {this.props.what} cannot be shown; something in it was not expected. What you typed is kept in this browser and on the server.
        </p>
        <p className="pt-1 text-sm text-quiet">{error.message}</p>
        <p className="flex gap-4 pt-1">
          <button className="act" onClick={() => this.setState({ error: null })}>
            Show it again
          </button>
          <button className="act" onClick={() => window.location.reload()}>
            Reload the page
          </button>
        </p>
      </div>
    );
  }
}
