import { Component, type ReactNode } from 'react';
import { Button } from './Button';

/** A view that cannot be drawn does not take the job with it: the other views, undo and what waits to be sent go on. */
export class ViewGuard extends Component<{ children: ReactNode }, { wrong: Error | null }> {
  override state = { wrong: null as Error | null };

  static getDerivedStateFromError(wrong: Error) {
    return { wrong };
  }

  override componentDidCatch(wrong: Error): void {
    console.error(wrong);
  }

  override render() {
    if (!this.state.wrong) return this.props.children;
    return (
      <section className="max-w-xl p-8" role="alert">
        <h2 className="wide font-bold text-xl">This view cannot be drawn</h2>
        <p className="mt-2">
          Nothing is lost: the job is saved and the other views still work. Undoing the last change may help.
        </p>
        <p className="mt-2 font-mono text-soft text-xs">{this.state.wrong.message}</p>
        <div className="mt-4">
          <Button look="main" onClick={() => this.setState({ wrong: null })}>
            Try again
          </Button>
        </div>
      </section>
    );
  }
}
