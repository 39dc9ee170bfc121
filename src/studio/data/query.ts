import { keepPreviousData, QueryClient, useMutation, useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import type { AnswerOf, Asking, RouteName } from '~/contract';
import { answerTo } from './api';

/** Nothing is asked again by itself, or kept for later: what a screen shows was answered while it was looked at. */
const client = new QueryClient({
  defaultOptions: {
    queries: { retry: false, refetchOnWindowFocus: false, gcTime: 0, networkMode: 'always' },
    mutations: { networkMode: 'always' },
  },
});

interface Answered<Answer> {
  readonly answer: Answer | null;
  /** What was refused, or that nobody answers, as a sentence. */
  readonly problem: string | null;
  readonly isAsking: boolean;
  askAgain(): void;
}

/** What keeps an answer on the screen while the next one is on its way, and what is known without asking. */
interface Keeping<Answer> {
  readonly keepsLast?: boolean;
  /** What the answer hangs on beside what is asked: it is asked again when that changes. */
  readonly asOf?: number;
  /** Asks again so often, for what goes on at the server. */
  readonly againAfterMs?: number;
  /** The answer to what is asked first, as the page came with it. */
  readonly first?: Answer;
}

/** The answer of a route, asked anew whenever what is asked changes; a request nobody waits for is ended. Null: do not ask. */
export function useAnswer<Name extends RouteName>(
  name: Name,
  asking: Asking<Name> | null,
  { keepsLast = false, asOf = 0, againAfterMs, first }: Keeping<AnswerOf<Name>> = {},
): Answered<AnswerOf<Name>> {
  const key = JSON.stringify([asking, asOf]);
  const firstKey = useRef(key);
  const hasCome = first !== undefined && key === firstKey.current;
  const query = useQuery(
    {
      queryKey: [name, key],
      queryFn: ({ signal }) => answerTo(name, asking!, { signal }),
      enabled: asking !== null && !hasCome,
      refetchInterval: againAfterMs ?? false,
      ...(keepsLast && { placeholderData: keepPreviousData }),
    },
    client,
  );
  return {
    answer: (hasCome ? first : query.data) ?? null,
    problem: query.error?.message ?? null,
    isAsking: query.isFetching,
    askAgain: () => void query.refetch(),
  };
}

/** Something sent by a press: whether it is under way, and what became of it. */
export function useSending<Name extends RouteName>(name: Name, onAnswer: (answer: AnswerOf<Name>) => void) {
  const mutation = useMutation<AnswerOf<Name>, Error, Asking<Name>>(
    { mutationFn: (asking) => answerTo(name, asking), onSuccess: onAnswer },
    client,
  );
  return {
    send: mutation.mutate,
    isSending: mutation.isPending,
    problem: mutation.error?.message ?? null,
  };
}
