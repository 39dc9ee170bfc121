import { expect } from 'chai';
import { createSurfaces, type Surface } from '~/runtime/surfaces';
import { settled, until, withPage } from '../../support/page';

const DIALOG =
  '<button id="opener">Open</button><dialog><button id="first">1</button><a id="second" href="#">2</a><button hidden>no</button></dialog>';

describe('surfaces', () => {
  const { open: openPage } = withPage('https://shop.example/shop/all');
  let closings: string[];

  beforeEach(() => {
    closings = [];
    openPage(DIALOG);
  });

  const one = (selector: string) => document.querySelector<HTMLElement>(selector)!;
  function surface(over: Partial<Surface> = {}): Surface {
    const dialog = over.dialog ?? (one('dialog') as HTMLDialogElement);
    return { dialog, address: null, opener: one('#opener'), onClose: () => closings.push('first'), ...over };
  }
  function another(): Surface {
    const dialog = document.createElement('dialog');
    document.body.append(dialog);
    return { dialog, address: null, opener: null, onClose: () => closings.push('second') };
  }
  const press = (key: string, init: KeyboardEventInit = {}, on: Element = one('dialog')) => {
    const event = new window.KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...init });
    on.dispatchEvent(event);
    return event;
  };

  it('take the focus, keep the page behind still, and give both back', () => {
    const surfaces = createSurfaces(true);
    one('#opener').focus();

    surfaces.open(surface());

    expect(one('dialog').hasAttribute('open')).to.equal(true);
    expect(surfaces.current?.dialog).to.equal(one('dialog'));
    expect(document.documentElement.style.overflow).to.equal('hidden');

    surfaces.close();

    expect(one('dialog').hasAttribute('open')).to.equal(false);
    expect(document.documentElement.style.overflow).to.equal('');
    expect(document.activeElement).to.equal(one('#opener'));
    expect(closings).to.deep.equal(['first']);
    expect(surfaces.current).to.equal(null);
  });

  it('are there one at a time', () => {
    const surfaces = createSurfaces(false);
    surfaces.open(surface());
    const second = another();

    surfaces.open(second);

    expect(closings).to.deep.equal(['first']);
    expect(one('dialog').hasAttribute('open')).to.equal(false);
    expect(surfaces.current).to.equal(second);
  });

  it('close on Esc and on a press beside them, not on one inside', () => {
    const surfaces = createSurfaces(false);
    surfaces.open(surface());
    one('#first').dispatchEvent(new window.MouseEvent('click', { bubbles: true }));
    expect(closings).to.deep.equal([]);
    one('dialog').dispatchEvent(new window.MouseEvent('click', { bubbles: true }));
    expect(closings).to.deep.equal(['first']);

    surfaces.open(surface());
    const cancel = new window.Event('cancel', { cancelable: true });
    one('dialog').dispatchEvent(cancel);

    expect(cancel.defaultPrevented).to.equal(true);
    expect(closings).to.deep.equal(['first', 'first']);
  });

  it('keep Tab inside, both ways, and leave out what cannot be seen', () => {
    createSurfaces(false).open(surface());

    one('#second').focus();
    expect(press('Tab').defaultPrevented).to.equal(true);
    expect(document.activeElement?.id).to.equal('first');

    expect(press('Tab', { shiftKey: true }).defaultPrevented).to.equal(true);
    expect(document.activeElement?.id).to.equal('second');

    one('#first').focus();
    expect(press('Tab').defaultPrevented).to.equal(false);
    expect(press('ArrowDown').defaultPrevented).to.equal(false);
  });

  it('stand on a step of the history, at their address, and go with the way back', async () => {
    const surfaces = createSurfaces(true);

    surfaces.open(surface({ address: '/shop/p/heron' }));
    expect(location.pathname).to.equal('/shop/p/heron');

    history.back();
    await until(() => location.pathname === '/shop/all');

    expect(location.pathname).to.equal('/shop/all');
    expect(closings).to.deep.equal(['first']);
    expect(surfaces.current).to.equal(null);
  });

  it('leave the history as it was when they are closed by hand', async () => {
    const surfaces = createSurfaces(true);
    surfaces.open(surface({ address: '/shop/p/heron' }));

    surfaces.close();
    await until(() => location.pathname === '/shop/all');

    expect(location.pathname).to.equal('/shop/all');
    expect(closings).to.deep.equal(['first']);
  });

  it('follow one another on one step of the history', async () => {
    const surfaces = createSurfaces(true);
    const before = history.length;
    surfaces.open(surface({ address: '/shop/p/heron' }));
    surfaces.open({ ...another(), address: '/shop/p/wagtail' });

    expect(history.length).to.equal(before + 1);
    expect(location.pathname).to.equal('/shop/p/wagtail');

    history.back();
    await until(() => location.pathname === '/shop/all');
    expect(closings).to.deep.equal(['first', 'second']);
    expect(location.pathname).to.equal('/shop/all');
  });

  it('opened while the one before is still on its way back get a step of their own', async () => {
    const surfaces = createSurfaces(true);
    surfaces.open(surface({ address: '/shop/p/heron' }));
    surfaces.close();

    surfaces.open({ ...another(), address: '/shop/p/wagtail' });
    await until(() => location.pathname === '/shop/p/wagtail');

    expect(location.pathname).to.equal('/shop/p/wagtail');
    expect(surfaces.current).not.to.equal(null);
    expect(closings).to.deep.equal(['first']);
  });

  it('in the bench leave the history alone', async () => {
    const surfaces = createSurfaces(false);
    const before = history.length;

    surfaces.open(surface({ address: '/shop/p/heron' }));
    surfaces.close();
    await settled(20);

    expect(history.length).to.equal(before);
    expect(location.pathname).to.equal('/shop/all');
  });

  describe('that stand aside', () => {
    it('leave focus, page and history to the shopper, and close on Esc from anywhere', async () => {
      const surfaces = createSurfaces(true);
      one('#opener').focus();
      const before = history.length;

      surfaces.open(surface({ isAside: true }));

      expect(one('dialog').hasAttribute('open')).to.equal(true);
      expect(document.activeElement?.id).to.equal('opener');
      expect(document.documentElement.style.overflow).to.equal('');
      expect(history.length).to.equal(before);
      expect(press('Tab').defaultPrevented).to.equal(false);

      one('dialog').dispatchEvent(new window.MouseEvent('click', { bubbles: true }));
      expect(closings).to.deep.equal([]);

      press('Escape', {}, document.body);
      await settled();
      expect(closings).to.deep.equal(['first']);
    });

    it('do not go with the way back of the browser', async () => {
      const surfaces = createSurfaces(true);
      history.pushState({}, '', '/shop/p/heron');
      surfaces.open(surface({ isAside: true }));

      history.back();
      await until(() => location.pathname === '/shop/all');

      expect(location.pathname).to.equal('/shop/all');
      expect(surfaces.current).not.to.equal(null);
    });

    it('do not send the focus to where they were asked for, unless it was in them', () => {
      const surfaces = createSurfaces(true);
      const field = document.createElement('input');
      document.body.append(field);
      surfaces.open(surface({ isAside: true }));
      field.focus();

      surfaces.close();
      expect(document.activeElement).to.equal(field);

      surfaces.open(surface({ isAside: true }));
      one('#first').focus();
      surfaces.close();
      expect(document.activeElement?.id).to.equal('opener');
    });
  });
});
