import { useEffect } from 'react';

/** Asks before the page is left while something is not saved. */
export function useUnsaved(isChanged: boolean): void {
  useEffect(() => {
    if (!isChanged) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    addEventListener('beforeunload', warn);
    return () => removeEventListener('beforeunload', warn);
  }, [isChanged]);
}
