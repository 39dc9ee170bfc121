/** Fetches the messages' script early, so that it works without a connection, too. */
export function readyToSay(): void {
  void import('./say-beside').catch(() => undefined);
}

/** Says what came of a press beside what was pressed. */
export function say(text: string, isBad = false, themeCss = ''): void {
  void import('./say-beside').then(
    ({ sayBeside }) => sayBeside(text, { isBad, themeCss }),
    () => undefined,
  );
}
