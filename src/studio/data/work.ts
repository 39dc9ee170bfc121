import { useEffect, useRef, useState } from 'react';
import { Refusal, refusalOf } from './api';

/** A long computation of the server, as lines of JSON tell it. */
export interface Work<T> {
  readonly answer: T | null;
  /** From 0 to 1 while it runs; null when nothing does. */
  readonly done: number | null;
  readonly problem: string | null;
  start(path: string, body?: unknown): void;
  cancel(): void;
}

export function useWork<T>(): Work<T> {
  const [answer, setAnswer] = useState<T | null>(null);
  const [done, setDone] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const running = useRef<AbortController | null>(null);
  useEffect(() => () => running.current?.abort(), []);

  async function run(path: string, body: unknown, { signal }: AbortController): Promise<void> {
    const sent =
      body instanceof FormData
        ? { body }
        : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body ?? {}) };
    const response = await fetch(path, { method: 'POST', signal, ...sent });
    if (!response.ok || !response.body) throw await refusalOf(response);
    const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
    let rest = '';
    for (;;) {
      const { value, done: isOver } = await reader.read();
      if (isOver) return;
      const lines = (rest + value).split('\n');
      rest = lines.pop() ?? '';
      for (const line of lines) {
        const told = JSON.parse(line) as { done: number } | { answer: T };
        if ('answer' in told) setAnswer(told.answer);
        else setDone(told.done);
      }
    }
  }

  return {
    answer,
    done,
    problem,
    start(path, body) {
      running.current?.abort();
      const mine = new AbortController();
      running.current = mine;
      setDone(0);
      setProblem(null);
      void run(path, body, mine)
        .catch((error: unknown) => {
          if (!mine.signal.aborted)
            setProblem(error instanceof Refusal ? error.message : 'The server cannot be reached. Try again.');
        })
        .finally(() => {
          if (running.current === mine) setDone(null);
        });
    },
    cancel() {
      running.current?.abort();
      running.current = null;
      setDone(null);
    },
  };
}
