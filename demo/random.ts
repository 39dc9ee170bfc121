import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

export interface Random {
  chance(p: number): boolean;
  whole(from: number, to: number): number;
  pick<T>(items: readonly T[]): T;
  /** Picks a key in proportion to its weight. */
  weighted<K extends string>(weights: Readonly<Record<K, number>>): K;
}

/** The same seed draws the same demo. */
export function randomFrom(seed: number): Random {
  const generator = xoroshiro128plus(seed);
  const unit = () => uniformFloat64(generator);
  const whole = (from: number, to: number) => uniformInt(generator, from, to);
  return {
    chance: (p) => unit() < p,
    whole,
    pick: (items) => items[whole(0, items.length - 1)]!,
    weighted: (weights) => {
      const entries = Object.entries<number>(weights) as [keyof typeof weights, number][];
      let left = unit() * entries.reduce((sum, [, weight]) => sum + weight, 0);
      for (const [key, weight] of entries) if ((left -= weight) < 0) return key;
      return entries.at(-1)![0];
    },
  };
}
