import { signInOwner } from '../support/owner';
import { changingTest as test, expect, signIn, type Page } from './harness';

/** Not pressed, and why. */
const EXEMPT: readonly (readonly [RegExp, string])[] = [
  [/^Sign out/, 'ends the visit of the test; people.test presses it'],
  [/^End all other/, 'ends the sessions of tests beside this one; people.test presses it'],
];
/** Buttons that differ only in what they are about are one: the first of them is pressed. */
const kindOf = (name: string) =>
  name
    .replace(/[“"].*?[”"]/g, '…')
    .replace(/:.*$/, ':')
    .replace(/[\d.,€%]+/g, '#')
    .trim();
/** Of each kind of name on a screen. */
const MOST_ALIKE = 1;
const MOST_DEEP = 2;

interface Button {
  readonly name: string;
  readonly nth: number;
}

/** Buttons there are to press, of an open dialog alone where there is one. */
async function buttonsOf(page: Page): Promise<Button[]> {
  return page.evaluate(() => {
    const within = [...document.querySelectorAll('dialog[open], [role=dialog]')].at(-1) ?? document.body;
    const seen = new Map<string, number>();
    return [...within.querySelectorAll<HTMLElement>('button, [role=button], [role=tab]')].flatMap((button) => {
      const isThere =
        button.checkVisibility({ visibilityProperty: true }) && !button.closest('[inert], [aria-hidden=true]');
      if (!isThere || button.matches(':disabled, [aria-disabled=true]')) return [];
      const labelled = button
        .getAttribute('aria-labelledby')
        ?.split(' ')
        .map((id) => document.getElementById(id)?.textContent)
        .join(' ');
      const name = (button.getAttribute('aria-label') ?? labelled ?? button.textContent ?? button.title)
        .trim()
        .replace(/\s+/g, ' ');
      const nth = seen.get(name) ?? 0;
      seen.set(name, nth + 1);
      return [{ name, nth }];
    });
  });
}

/** Presses a button of those above; false when it is not there any more. */
async function press(page: Page, { name, nth }: Button): Promise<boolean> {
  return page.evaluate(
    ({ name, nth }) => {
      const within = [...document.querySelectorAll('dialog[open], [role=dialog]')].at(-1) ?? document.body;
      const found = [...within.querySelectorAll<HTMLElement>('button, [role=button], [role=tab]')].filter((button) => {
        if (!button.checkVisibility({ visibilityProperty: true }) || button.matches(':disabled, [aria-disabled=true]'))
          return false;
        const labelled = button
          .getAttribute('aria-labelledby')
          ?.split(' ')
          .map((id) => document.getElementById(id)?.textContent)
          .join(' ');
        return (
          (button.getAttribute('aria-label') ?? labelled ?? button.textContent ?? button.title)
            .trim()
            .replace(/\s+/g, ' ') === name
        );
      })[nth];
      if (!found) return false;
      const told = window as unknown as { changes: number };
      told.changes = 0;
      const watch = new MutationObserver((list) => (told.changes += list.length));
      watch.observe(document, { subtree: true, childList: true, attributes: true, characterData: true });
      document.addEventListener('focusin', () => (told.changes += 1));
      found.scrollIntoView({ block: 'center' });
      found.focus();
      told.changes = 0;
      found.click();
      return true;
    },
    { name, nth },
  );
}

test('every button of every screen of the studio can be pressed, and does something', async ({ page, server }) => {
  test.setTimeout(600_000);
  const owner = await signInOwner(server);
  await signIn(page, server.origin);
  const faults: string[] = [];
  let at = '';
  let heard = 0;
  const tell = (fault: string) => {
    console.log(`${at}: ${fault}`);
    faults.push(`${at}: ${fault}`);
  };
  page.on('pageerror', (error) => tell(error.message));
  page.on('request', () => (heard += 1));
  page.on('download', () => (heard += 1));
  page.on('filechooser', () => (heard += 1));
  page.on('dialog', (dialog) => {
    heard += 1;
    void dialog.dismiss();
  });
  page.context().on('page', (other) => {
    heard += 1;
    void other.close();
  });
  await page.goto(`${server.origin}/studio/orders`);
  const order = await page.locator('a[href^="/studio/orders/"]').first().getAttribute('href');
  const { lane } = await owner.get<{ lane: { pieces: Record<string, { kind: string }> } }>('/api/studio/draft');
  const kinds = new Map(Object.entries(lane.pieces).map(([id, { kind }]) => [kind, id]));
  const paths = [
    ...['', '/offers', '/suggestions', '/links', '/catalogue', '/orders', '/shop', '/mailbox', '/people', '/revisions'],
    ...[
      '/catalogue/categories',
      '/catalogue/import',
      '/catalogue/searches',
      '/catalogue/heron',
      '/catalogue/sail-your-own/options',
    ],
    ...['/stretch/browse', '/stretch/after'],
    ...[...kinds.values()].map((id) => `/bench/${id}`),
  ]
    .map((path) => `/studio${path}`)
    .concat(order!);

  let found = 0;
  let pressed = 0;
  const exempt = new Set<string>();
  const known = new Set<string>();

  /** Presses what is there, and whatever comes up on the way to `path` and then `way`. */
  async function pressAll(path: string, way: readonly Button[]): Promise<void> {
    const alike = new Map<string, number>();
    for (const button of await buttonsOf(page)) {
      const kind = kindOf(button.name);
      // The frame of the studio is the same on every screen, and a dialog may be opened from many places.
      const key = `${way.length > 0 ? 'dialog' : path.replace(/\d+/g, '#')} ${kind}`;
      const isFrame = way.length === 0 && (known.has(`frame ${kind}`) || false);
      alike.set(kind, (alike.get(kind) ?? 0) + 1);
      if (isFrame || known.has(key) || alike.get(kind)! > MOST_ALIKE) continue;
      known.add(key);
      found += 1;
      const why = EXEMPT.find(([name]) => name.test(button.name));
      if (why) {
        exempt.add(`${button.name}: ${why[1]}`);
        continue;
      }
      at = [path, ...way.map(({ name }) => name), button.name].join(' › ');
      heard = 0;
      if (!(await press(page, button))) {
        await goTo(path, way);
        heard = 0;
        if (!(await press(page, button))) {
          tell('gone before it was pressed');
          continue;
        }
      }
      pressed += 1;
      await page.waitForTimeout(120);
      const isThere = page.url() === server.origin + path;
      const changes = isThere
        ? await page.evaluate(() => (window as unknown as { changes?: number }).changes ?? 1).catch(() => 1)
        : 1;
      if (changes === 0 && heard === 0) tell('nothing happens');
      const isOpen = isThere && (await page.locator('dialog[open], [role=dialog]').count()) > way.length;
      if (isOpen && way.length < MOST_DEEP) await pressAll(path, [...way, button]);
      if (!isThere || isOpen || way.length > 0) await goTo(path, way);
    }
  }

  async function goTo(path: string, way: readonly Button[]): Promise<void> {
    // What was pressed last may be leading somewhere itself.
    await page.goto(server.origin + path).catch(() => page.goto(server.origin + path));
    await page
      .locator('astro-island[ssr]')
      .first()
      .waitFor({ state: 'detached' })
      .catch(() => undefined);
    await page.waitForTimeout(150);
    for (const step of way) {
      await press(page, step);
      await page.waitForTimeout(150);
    }
  }

  for (const path of paths) {
    await goTo(path, []);
    await pressAll(path, []);
  }
  console.log(`${pressed} of ${found} buttons pressed; left out: ${[...exempt].join('; ') || 'none'}`);
  expect(faults).toEqual([]);
  expect(exempt.size).toBeLessThanOrEqual(5);
  expect(pressed).toBe(found - exempt.size);
});
