import { expect } from 'chai';
import { fakeServer, until, withPage } from '../../support/page';

const FORM = '<form data-search><input type="search" name="q" aria-label="Search"></form><a href="#x">Else</a>';

describe('what a search would find', () => {
  const { open } = withPage();
  let server: ReturnType<typeof fakeServer>;
  let turn = 0;

  beforeEach(async () => {
    open(FORM);
    server = fakeServer();
    server.answers((url) =>
      Response.json(
        url.includes('none')
          ? []
          : ['Heron', 'Kestrel'].map((name) => ({ name, href: `#${name}`, price: '€7', picture: null })),
      ),
    );
    // The script is one of a page: it is read anew for each.
    turn += 1;
    await import(`~/shop/browser/search-suggest?${turn}`);
  });
  afterEach(() => server.restore());

  const input = () => document.querySelector('input')!;
  const list = () => document.querySelector<HTMLElement>('[role=listbox]')!;
  const type = async (text: string, isThere: () => boolean) => {
    input().value = text;
    input().dispatchEvent(new Event('input', { bubbles: true }));
    await until(isThere);
  };
  const press = (key: string) => {
    const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
    input().dispatchEvent(event);
    return event;
  };

  it('is listed while it is typed, asked for once, and gone when nothing is found', async () => {
    // One letter is too little to ask for.
    await type('h', () => true);
    await type('her', () => !list().hidden);
    // Carts of other tests may still be trying to send what was put in.
    const searches = server.asked.map(({ url }) => url).filter((url) => url.startsWith('/api/search'));
    expect(searches).to.deep.equal(['/api/search?q=her&lang=']);
    expect([...list().children].map((item) => item.textContent)).to.deep.equal(['Heron€7', 'Kestrel€7']);
    expect(input().getAttribute('aria-expanded')).to.equal('true');
    await type('none', () => list().hidden === true);
    expect(input().getAttribute('aria-expanded')).to.equal('false');
  });

  it('is walked through by arrows, round and round, and followed by Enter', async () => {
    await type('her', () => !list().hidden);
    const active = () => document.getElementById(input().getAttribute('aria-activedescendant') ?? '')?.textContent;
    press('ArrowUp');
    expect(active()).to.equal('Kestrel€7');
    press('ArrowDown');
    expect(active()).to.equal('Heron€7');
    expect(list().querySelectorAll('[aria-selected=true]')).to.have.length(1);
    let followed = '';
    list().addEventListener('click', (event) => {
      event.preventDefault();
      followed = (event.target as HTMLAnchorElement).getAttribute('href')!;
    });
    expect(press('Enter').defaultPrevented).to.equal(true);
    expect(followed).to.equal('#Heron');
  });

  it('closes with Escape and when the field is left, and Enter searches then', async () => {
    await type('her', () => !list().hidden);
    press('Escape');
    expect(list().hidden).to.equal(true);
    expect(press('Enter').defaultPrevented).to.equal(false);
    await type('hero', () => !list().hidden);
    document.querySelector('form')!.dispatchEvent(new FocusEvent('focusout', { bubbles: true, relatedTarget: null }));
    expect(list().hidden).to.equal(true);
  });
});
