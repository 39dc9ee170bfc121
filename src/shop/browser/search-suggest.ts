import type { AnswerOf } from '~/contract';
type Hit = AnswerOf<'GET /api/search'>[number];

const WAIT_MS = 140;
const SHORTEST = 2;

/** Shows what the search would find while it is typed (combobox with a list, WAI-ARIA 1.2); without it the form just searches. */
function suggestIn(form: HTMLFormElement): void {
  const input = form.querySelector<HTMLInputElement>('input[type=search]')!;
  const list = document.createElement('ul');
  list.id = 'search-hits';
  list.className = 'search-hits';
  list.setAttribute('role', 'listbox');
  list.setAttribute('aria-label', input.getAttribute('aria-label') ?? '');
  list.hidden = true;
  form.append(list);
  for (const [name, value] of Object.entries({
    role: 'combobox',
    'aria-autocomplete': 'list',
    'aria-controls': list.id,
    'aria-expanded': 'false',
  }))
    input.setAttribute(name, value);
  let timer: ReturnType<typeof setTimeout> | undefined;
  let asking: AbortController | null = null;
  let at = -1;

  function show(hits: readonly Hit[]): void {
    at = -1;
    list.replaceChildren(
      ...hits.map((hit, i) => {
        const item = document.createElement('li');
        item.id = `search-hit-${i}`;
        item.setAttribute('role', 'option');
        item.setAttribute('aria-selected', 'false');
        const link = document.createElement('a');
        link.href = hit.href;
        link.tabIndex = -1;
        const picture = document.createElement('img');
        picture.alt = '';
        picture.width = picture.height = 44;
        if (hit.picture) picture.src = hit.picture;
        const name = document.createElement('span');
        name.textContent = hit.name;
        const price = document.createElement('span');
        price.className = 'price';
        price.textContent = hit.price;
        link.append(picture, name, price);
        item.append(link);
        return item;
      }),
    );
    list.hidden = hits.length === 0;
    input.setAttribute('aria-expanded', String(hits.length > 0));
    input.removeAttribute('aria-activedescendant');
  }

  async function ask(): Promise<void> {
    asking?.abort();
    const typed = input.value.trim();
    if (typed.length < SHORTEST) return show([]);
    asking = new AbortController();
    const query = new URLSearchParams({ q: typed, lang: document.documentElement.lang });
    const response = await fetch(`/api/search?${query}`, { signal: asking.signal }).catch(() => null);
    if (response?.ok) show((await response.json()) as AnswerOf<'GET /api/search'>);
  }

  function move(to: number): void {
    const items = [...list.children];
    at = (to + items.length) % items.length;
    items.forEach((item, i) => item.setAttribute('aria-selected', String(i === at)));
    input.setAttribute('aria-activedescendant', items[at]!.id);
    items[at]!.scrollIntoView({ block: 'nearest' });
  }

  input.addEventListener('input', () => {
    clearTimeout(timer);
    timer = setTimeout(() => void ask(), WAIT_MS);
  });
  input.addEventListener('keydown', (event) => {
    if (event.key === 'Escape' && !list.hidden) {
      event.preventDefault();
      show([]);
    }
    if (list.hidden) return;
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      move(event.key === 'ArrowDown' ? at + 1 : at < 0 ? -1 : at - 1);
    }
    if (event.key === 'Enter' && at >= 0) {
      event.preventDefault();
      list.children[at]!.querySelector('a')!.click();
    }
  });
  form.addEventListener('focusout', (event) => {
    if (!form.contains(event.relatedTarget as Node | null)) show([]);
  });
  // A press on a hit must not close the list before it counts.
  list.addEventListener('pointerdown', (event) => event.preventDefault());
}

document.querySelectorAll<HTMLFormElement>('form[data-search]').forEach(suggestIn);

export {};
