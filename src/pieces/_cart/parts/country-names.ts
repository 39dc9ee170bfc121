/** Countries in the shopper's language and its order. */
export function countryNames(
  codes: readonly string[],
  language: string,
): readonly (readonly [code: string, name: string])[] {
  const names = new Intl.DisplayNames([language], { type: 'region' });
  return codes
    .map((code) => [code, names.of(code) ?? code] as const)
    .sort((a, b) => a[1].localeCompare(b[1], language));
}
