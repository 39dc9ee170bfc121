/** What a record holds under a key that came from outside: `constructor` and the like are not in it unless somebody put them there. */
export function own<T>(record: Readonly<Record<string, T>>, key: string): T | undefined {
  return Object.hasOwn(record, key) ? record[key] : undefined;
}
