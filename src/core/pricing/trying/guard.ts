import { searchBelowFloor, type GuardAnswer, type GuardInput } from '../margin/margins';
import { findOverlaps, type Overlap } from './overlaps';

/** What keeps an owner from offers that cost more than they should: which meet, and a cart below the floor. Yields how far it is. */
export function* guard(input: GuardInput): Generator<number, GuardAnswer & { readonly overlaps: readonly Overlap[] }> {
  const overlaps = yield* within(findOverlaps(input.offers, input.goods), 0, 0.1);
  const answer = yield* within(searchBelowFloor(input), 0.1, 1);
  return { ...answer, overlaps };
}

/** A work that is part of another: from where to where of it. */
function* within<T>(work: Generator<number, T>, from: number, to: number): Generator<number, T> {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    yield from + (to - from) * step.value;
  }
}
