import type { Condition } from './condition.schema';

/** The options a condition asks about, each once. */
export function optionsAskedBy(condition: Condition | null): string[] {
  if (!condition) return [];
  switch (condition.op) {
    case 'and':
    case 'or':
      return [...new Set(condition.of.flatMap(optionsAskedBy))];
    case 'not':
      return optionsAskedBy(condition.of);
    default:
      return [condition.option];
  }
}

/**
 * A chain of options that wait for each other, first and last the same; null when there is none. Depth-first search with
 * three colours (Cormen et al., Introduction to Algorithms, 20.3).
 */
export function findCycle(
  options: readonly { readonly key: string; readonly shownWhen: Condition | null }[],
): string[] | null {
  const asks = new Map(options.map((option) => [option.key, optionsAskedBy(option.shownWhen)]));
  const done = new Set<string>();
  const path: string[] = [];
  const visit = (key: string): string[] | null => {
    const start = path.indexOf(key);
    if (start >= 0) return [...path.slice(start), key];
    if (done.has(key)) return null;
    path.push(key);
    for (const next of asks.get(key) ?? []) {
      const found = visit(next);
      if (found) return found;
    }
    path.pop();
    done.add(key);
    return null;
  };
  for (const option of options) {
    const found = visit(option.key);
    if (found) return found;
  }
  return null;
}
