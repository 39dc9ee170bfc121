import { useEffect, useState } from 'react';

/** A value once it has not changed for so many milliseconds: what is asked while somebody types waits for the end of the word. */
export function useSettled<Value>(value: Value, pauseMs: number): Value {
  const [settled, setSettled] = useState(value);
  const key = JSON.stringify(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), pauseMs);
    return () => clearTimeout(timer);
    // A value that says the same is the same.
  }, [key, pauseMs]);
  return settled;
}
