import { signInOwner } from '../support/owner';
import { loneTest as test, expect, signIn, type Page } from './harness';

/** Not pressed, and why. */
const EXEMPT: readonly (readonly [RegExp, string])[] = [
  [/^Sign out/, 'ends the visit of the test; api/people.test sends what it sends'],
  [/^End all other/, 'ends the sessions of tests beside this one; unit/studio/people.test presses it'],
];
/** Buttons that differ only in what they are about are one: the first of them is pressed. */
const kindOf = (name: string) =>
  name
    .replace(/[“"].*?[”"]/g, '…')
    .replace(/:.*$/, ':')
    .replace(/[\d.,€%]+/g, '#')
    .trim();
/** Benches are one screen, with what each kind brings. */
const screenOf = (path: string) => path.replace(/\/(bench|orders|stretch)\/.*/, '/$1');
/** Of each kind of name on a screen. */
const MOST_ALIKE = 1;
const MOST_DEEP = 2;

interface Button {
  readonly name: string;
  readonly nth: number;
}

/** Buttons there are to press, of an open dialog alone where there is one; with `wanted`, that one is pressed. */
async function buttons(page: Page, wanted: Button | null = null): Promise<Button[]> {
  return page.evaluate((wanted) => {
    const within = [...document.querySelectorAll('dialog[open], [role=dialog]')].at(-1) ?? document.body;
    const seen = new Map<string, number>();
    return [...within.querySelectorAll<HTMLElement>('button, [role=button], [role=tab]')].flatMap((button) => {
      // What is chosen already, and what is dragged, does nothing by being pressed.
      if (button.matches(':disabled, [aria-disabled=true], [aria-pressed=true], [aria-selected=true], [aria-current]'))
        return [];
      if (button.getAttribute('aria-roledescription') === 'sortable') return [];
      if (!button.checkVisibility({ visibilityProperty: true }) || button.closest('[inert], [aria-hidden=true]'))
        return [];
      const labels = (button.getAttribute('aria-labelledby') ?? '').split(' ').map((id) => document.getElementById(id));
      const labelled = labels.map((label) => label?.textContent ?? '').join(' ');
      const said = button.getAttribute('aria-label') || labelled.trim() || button.textContent || button.title;
      const name = said.trim().replace(/\s+/g, ' ');
      const nth = seen.get(name) ?? 0;
      seen.set(name, nth + 1);
      if (wanted?.name === name && wanted.nth === nth) {
        const told = window as unknown as { changes: number };
        const count = () => (told.changes += 1);
        // The preview is a page of its own, drawn into shadow roots.
        const roots: Node[] = [document];
        for (const { contentDocument } of document.querySelectorAll('iframe'))
          if (contentDocument)
            roots.push(
              contentDocument,
              ...[...contentDocument.querySelectorAll('*')].flatMap(({ shadowRoot }) => shadowRoot ?? []),
            );
        for (const root of roots) {
          new MutationObserver(count).observe(root, {
            subtree: true,
            childList: true,
            attributes: true,
            characterData: true,
          });
          root.addEventListener('scroll', count, true);
        }
        document.addEventListener('focusin', count);
        button.focus();
        told.changes = 0;
        button.click();
      }
      return [{ name, nth }];
    });
  }, wanted);
}

/** Presses one of those above; false when it is not there, nor comes soon. */
async function press(page: Page, button: Button): Promise<boolean> {
  for (let i = 0; i < 5; i += 1) {
    const there = await buttons(page, button).catch(() => []);
    if (there.some(({ name, nth }) => name === button.name && nth === button.nth)) return true;
    await page.waitForTimeout(100);
  }
  return false;
}

test('every button of every screen of the studio can be pressed, and does something', async ({ page, server }) => {
  test.setTimeout(600_000);
  const owner = await signInOwner(server);
  await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
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
    // Leaving with something unsaved is meant here.
    void (dialog.type() === 'beforeunload' ? dialog.accept() : dialog.dismiss());
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
    '',
    '/offers',
    '/suggestions',
    '/links',
    '/catalogue',
    '/orders',
    '/shop',
    '/mailbox',
    '/people',
    '/revisions',
    '/proof',
    '/seen',
    '/catalogue/categories',
    '/catalogue/import',
    '/catalogue/searches',
    '/catalogue/heron',
    '/catalogue/sail-your-own/options',
    '/stretch/browse',
    '/stretch/after',
    ...[...kinds.values()].map((id) => `/bench/${id}`),
  ]
    .map((path) => `/studio${path}`)
    .concat(order!);

  let found = 0;
  let pressed = 0;
  let left = 0;
  const exempt = new Set<string>();
  /** Pressed once: the frame of the studio is the same on every screen, and a dialog is opened from many places. */
  const known = new Set<string>();

  /** Presses what is there, and whatever comes up on the way to `path` and then `way`. */
  async function pressAll(path: string, way: readonly Button[]): Promise<void> {
    const alike = new Map<string, number>();
    for (const button of await buttons(page)) {
      const kind = kindOf(button.name);
      const key = `${way.length > 0 ? 'dialog' : screenOf(path)} ${kind}`;
      alike.set(kind, (alike.get(kind) ?? 0) + 1);
      if (known.has(key) || alike.get(kind)! > MOST_ALIKE) continue;
      known.add(key);
      found += 1;
      const why = EXEMPT.find(([name]) => name.test(button.name));
      if (why) {
        exempt.add(`${button.name}: ${why[1]}`);
        left += 1;
        continue;
      }
      at = [path, ...way.map(({ name }) => name), button.name].join(' › ');
      heard = 0;
      if (!(await press(page, button))) {
        await goTo(path, way);
        heard = 0;
        // What was pressed before took it away for good.
        if (!(await press(page, button))) {
          found -= 1;
          continue;
        }
      }
      pressed += 1;
      await page.waitForTimeout(80);
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
    await expect(() => page.goto(server.origin + path)).toPass({ timeout: 30_000 });
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
  expect(pressed).toBe(found - left);
});
