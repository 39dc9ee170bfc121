/**
 * Says what came of a press beside what was pressed. Fetched with the first sign of somebody, so that it is there
 * without a connection, too.
 */
export function say(text: string, isBad = false, themeCss = ''): void {
  void import('./say-beside').then(
    ({ sayBeside }) => sayBeside(text, { isBad, themeCss }),
    () => undefined,
  );
}
