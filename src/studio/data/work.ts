import { useEffect, useRef, useState } from 'react';
import type { Asking, LinesOf, RouteName } from '~/contract';
import { Refusal, send } from './api';

/** A long computation of the server, as lines of JSON tell it. */
export interface Work<Name extends RouteName> {
  readonly answer: LinesOf<Name> | null;
  /** From 0 to 1 while it runs; null when nothing does. */
  readonly done: number | null;
  readonly problem: string | null;
  /** `asking` is left out where the route takes nothing. */
  start(asking?: Asking<Name>): void;
  cancel(): void;
}

/** One computation at a time: starting another ends the one under way, and so does leaving the screen. */
export function useWork<Name extends RouteName>(name: Name): Work<Name> {
  const [answer, setAnswer] = useState<LinesOf<Name> | null>(null);
  const [done, setDone] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const running = useRef<AbortController | null>(null);
  useEffect(() => () => running.current?.abort(), []);

  async function run(asking: Asking<Name>, { signal }: AbortController): Promise<void> {
    const response = await send(name, asking, { signal });
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
    let rest = '';
    for (;;) {
      const { value, done: isOver } = await reader.read();
      if (isOver) return;
      const lines = (rest + value).split('\n');
      rest = lines.pop() ?? '';
      for (const line of lines) {
        const told = JSON.parse(line) as { done: number } | { answer: LinesOf<Name> };
        if ('answer' in told) setAnswer(told.answer);
        else setDone(told.done);
      }
    }
  }

  return {
    answer,
    done,
    problem,
    start(asking = {} as Asking<Name>) {
      running.current?.abort();
      const mine = new AbortController();
      running.current = mine;
      setDone(0);
      setProblem(null);
      void run(asking, mine)
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
