import type { ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';

/** A fault of one screen leaves the rest of the studio in use, and what was changed is stored all the same. */
export function FaultGuard({ children }: { children: ReactNode }) {
  return (
    <ErrorBoundary
      fallbackRender={({ resetErrorBoundary }) => (
        <div role="alert" className="m-6 flex max-w-[520px] flex-col items-start gap-3 border-s-4 border-brick ps-4">
          <h1>This screen has a fault</h1>
          <p>It is ours. What you changed in the draft is kept. Try it once more, or go on elsewhere.</p>
          <button className="btn" onClick={resetErrorBoundary}>
            Try once more
          </button>
        </div>
      )}
    >
      {children}
    </ErrorBoundary>
  );
}
