import { expect } from 'chai';
import { newOption, type ProductOption } from '~/core/options';
import { mountOptions, type MountedOptions, type OptionsState } from '~/pieces/_options/mount';
import { pieceOf } from '../../support/draw';
import { fakeHost } from '../../support/host';
import { fakeServer, settled, until, withPage } from '../../support/page';

const OPTIONS: ProductOption[] = [
  { ...newOption('text', 'name', 'Name'), required: true, effect: { amountMinor: 900, per: 'unit', weightGrams: 0 } },
  { ...newOption('one', 'printing', 'Printing'), shownWhen: { op: 'isSet', option: 'name' } },
  { ...newOption('file', 'art', 'Artwork') },
] as ProductOption[];

describe('options that are asked', () => {
  const { open } = withPage('https://shop.example/shop/p/heron');
  let mounted: MountedOptions;
  let heard: OptionsState[];
  let server: ReturnType<typeof fakeServer>;
  beforeEach(() => (server = fakeServer()));
  afterEach(() => {
    mounted.destroy();
    server.restore();
  });

  function ask(answers: OptionsState['answers'] = {}, uploads: Record<string, string> = {}): void {
    open('<div id="place"></div>');
    heard = [];
    const { host, pieces } = fakeHost();
    pieces.set('options', pieceOf('product-options'));
    const container = document.querySelector<HTMLElement>('#place')!;
    mounted = mountOptions({
      container,
      slug: 'heron',
      options: OPTIONS,
      answers,
      uploads,
      host,
      onChange: (state) => heard.push(state),
    });
  }
  const root = () => document.querySelector('#place')!.shadowRoot!;
  const one = <Found extends HTMLElement = HTMLElement>(selector: string) => root().querySelector<Found>(selector)!;
  const asked = () =>
    [...root().querySelectorAll<HTMLElement>('[data-option]')].map(({ dataset }) => dataset['option']);
  function type(selector: string, value: string): void {
    const field = one<HTMLInputElement>(selector);
    field.value = value;
    field.dispatchEvent(new window.Event('input', { bubbles: true }));
    field.dispatchEvent(new window.Event('change', { bubbles: true }));
  }
  async function send(name: string, bytes = 1): Promise<void> {
    const field = one<HTMLInputElement>('[data-option=art] input');
    Object.defineProperty(field, 'files', { configurable: true, value: [new File([new Uint8Array(bytes)], name)] });
    field.dispatchEvent(new window.Event('change', { bubbles: true }));
    await settled();
  }

  it('follow every answer, and tell what it comes to', () => {
    ask();
    expect(asked()).to.deep.equal(['name', 'art']);

    type('[data-option=name] input', 'Ada');

    expect(asked()).to.deep.equal(['name', 'printing', 'art']);
    expect(heard.at(-1)!.answers).to.deep.equal({ name: 'Ada' });
    expect(heard.at(-1)!.evaluation.effects.map((effect) => effect.amountMinor)).to.deep.equal([900]);
    type('[data-option=name] input', '');
    expect(mounted.state.answers).to.deep.equal({});
    expect(asked()).to.deep.equal(['name', 'art']);
  });

  it('tell nothing where nothing changed', () => {
    ask({ name: 'Ada' });

    type('[data-option=name] input', 'Ada');

    expect(heard).to.deep.equal([]);
  });

  it('send a file as soon as it is chosen, and show its name', async () => {
    ask();
    server.answers(() => Response.json({ id: 'upload-1', name: 'sail.png' }));

    await send('sail.png');
    await until(() => heard.length > 0);

    const [{ url, init }] = server.asked as [(typeof server.asked)[number]];
    expect(url).to.equal('/api/uploads?product=heron&option=art&name=sail.png');
    expect((init.body as File).name).to.equal('sail.png');
    expect(mounted.state.answers).to.deep.equal({ art: 'upload-1' });
    expect(one('[data-option=art]').textContent).to.include('sail.png');
  });

  it('keep the answer from before when a file is refused, and say why', async () => {
    ask({ art: 'upload-0' }, { 'upload-0': 'before.png' });
    server.answers(() => Response.json({ problems: [{ message: 'Choose PNG.' }] }, { status: 422 }));
    await send('x.exe');
    await settled(10);
    expect(one('[data-option=art]').textContent).to.include('Choose PNG.');
    expect(mounted.state.answers).to.deep.equal({ art: 'upload-0' });

    server.answers(() => Promise.reject(new TypeError('no connection')));
    await send('y.png');
    await until(() => one('[data-option=art]').textContent.includes('y.png could not be sent.'));

    expect(mounted.state.answers).to.deep.equal({ art: 'upload-0' });
  });

  it('say that a file is too large before it is sent', async () => {
    ask();
    await send('lake.png', 5 * 1024 * 1024 + 1);

    await until(() => one('[data-option=art]').textContent.includes('takes files up to 5 MB. Choose a smaller one.'));
    expect([server.asked, heard]).to.deep.equal([[], []]);
  });

  it('say what is open in words, and lead to the first of it', async () => {
    ask();
    expect(mounted.complain()).to.equal(true);
    await until(() => one('[data-option=name]').textContent.includes('Please fill in'));

    expect(one('[data-option=name]').textContent).to.include('Please fill in “Name”.');
    expect(root().activeElement).to.equal(one('[data-option=name] input'));
    type('[data-option=name] input', 'Ada');
    expect(one('[data-option=name]').textContent).not.to.include('Please fill in');
    expect(mounted.complain()).to.equal(false);
  });

  it('say what the server found, in its words', () => {
    ask({ name: 'Ada' });

    expect(mounted.complain([{ path: 'option:name', message: 'Not that name.' }])).to.equal(true);

    expect(one('[data-option=name]').textContent).to.include('Not that name.');
  });

  it('are filled in at once', () => {
    ask();
    mounted.fill({ name: 'Grace', printing: 'second' });

    expect(one<HTMLInputElement>('[data-option=name] input').value).to.equal('Grace');
    expect(heard.at(-1)!.answers).to.deep.equal({ name: 'Grace', printing: 'second' });
  });

  it('stand right to left when the page does', () => {
    ask();
    const { host, pieces } = fakeHost();
    pieces.set('options', pieceOf('product-options', {}, 'ar'));

    mounted.update({ ...host, language: 'ar' });

    expect(document.querySelector('#place')!.getAttribute('dir')).to.equal('rtl');
  });
});
