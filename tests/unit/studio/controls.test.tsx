import { expect } from 'chai';
import { useState } from 'react';
import { choice, numeric, picture, place, toggle, type SettingSpec, type SettingValue } from '~/core/lane';
import { withStudio } from '../../support/studio';

const about = { label: 'Sparkle', help: 'How much it sparkles.', task: 'look' as const };

describe('a control', () => {
  const studio = withStudio(() => import('~/studio/settings/setting-control'));
  let values: SettingValue[];

  /** The control as it stands in the bench: what it changes comes back to it. */
  function showControl(spec: SettingSpec, start: SettingValue = spec.default) {
    values = [];
    const { SettingControl } = studio.loaded;
    function Held() {
      const [value, setValue] = useState(start);
      return <SettingControl spec={spec} value={value} onChange={(next) => (values.push(next), setValue(next))} />;
    }
    return studio.show(<Held />);
  }

  it('of a choice shows all there is, and what is chosen', async () => {
    const view = showControl(choice({ ...about, options: { little: 'A little', lots: 'Lots' }, default: 'little' }));
    view.getByRole('radiogroup', { name: 'Sparkle' });
    view.getByText('How much it sparkles.');

    await studio.user.click(view.getByLabelText('Lots'));

    expect(values).to.deep.equal(['lots']);
    expect((view.getByLabelText('Lots') as HTMLInputElement).checked).to.equal(true);
  });

  it('tells that it is not the default, and goes back to it', async () => {
    const view = showControl(toggle({ ...about, default: true }));
    expect(view.queryByText('back to default')).to.equal(null);

    await studio.user.click(view.getByLabelText('Off'));
    await studio.user.click(view.getByText('back to default'));

    expect(values).to.deep.equal([false, true]);
    expect(view.queryByText('back to default')).to.equal(null);
  });

  it('of a number takes what is typed when the field is left or Enter pressed, within its limits', async () => {
    const view = showControl(numeric({ ...about, default: 20, min: 10, max: 40, step: 5, unit: 'px' }));
    const field = () => view.getByRole('spinbutton', { name: 'Sparkle' });
    async function type(text: string) {
      await studio.user.clear(field());
      await studio.user.type(field(), text);
    }

    await type('33{Enter}');
    await type('400{Enter}');
    await type('-3');
    expect(values).to.deep.equal([33, 40]);
    await studio.user.tab();
    await studio.user.clear(field());
    await studio.user.tab();

    expect(values).to.deep.equal([33, 40, 10]);
    view.getByText('px');
  });

  it('of a place needs no dragging', async () => {
    const view = showControl(place({ ...about, default: 'bottom 100' }));
    const along = () => view.getByRole('slider', { name: /along the edge/ });
    expect(along().parentElement!.textContent).to.equal('leftright');

    await studio.user.click(view.getByLabelText('Left'));

    expect(values).to.deep.equal(['start 100']);
    expect(along().parentElement!.textContent).to.equal('topbottom');
    expect(along()).to.have.property('value', '100');
  });

  it('of a picture brings one in and takes it out', async () => {
    studio.server.answers(() => Response.json({ src: '/uploads/icon.svg' }));
    const view = showControl(picture({ ...about, default: '' }));
    const file = new File(['<svg/>'], 'icon.svg', { type: 'image/svg+xml' });

    await studio.user.upload(view.getByLabelText(/Sparkle|Upload a picture/), file);
    await view.findByText('Remove');

    expect(values).to.deep.equal(['/uploads/icon.svg']);
    expect(document.querySelector('img')!.getAttribute('src')).to.equal('/uploads/icon.svg');
    expect(studio.server.asked[0]).to.have.property('url', '/api/studio/icons');
    await studio.user.click(view.getByText('Remove'));
    expect(values.at(-1)).to.equal('');
  });

  it('of a picture says what is wrong with a file, and keeps the one before', async () => {
    studio.server.answers(() =>
      Response.json({ problems: [{ message: 'The file is larger than 200 kB.' }] }, { status: 413 }),
    );
    const view = showControl(picture({ ...about, default: '' }), '/uploads/old.svg');

    await studio.user.upload(view.getByLabelText(/Sparkle|Another/), new File(['x'], 'x.png', { type: 'image/png' }));

    expect((await view.findByRole('alert')).textContent).to.equal('The file is larger than 200 kB.');
    expect(values).to.deep.equal([]);
    expect(document.querySelector('img')!.getAttribute('src')).to.equal('/uploads/old.svg');
  });
});

describe('asking the server', () => {
  const studio = withStudio(() => import('~/studio/data/api'));
  const refusal = async (response: Response | Error) => {
    studio.server.answers(() => (response instanceof Error ? Promise.reject(response) : response));
    return studio.loaded.ask('GET /api/studio/draft').then(
      () => null,
      (error: unknown) => error as InstanceType<typeof studio.loaded.Refusal>,
    );
  };

  it('answers what it said', async () => {
    studio.server.answers(() => Response.json({ edit: 3 }));

    expect(await studio.loaded.sendPatch(2, [{ op: 'remove', path: '/offers/0' }])).to.deep.equal({ edit: 3 });

    const [{ url, init }] = studio.server.asked as [(typeof studio.server.asked)[0]];
    expect([url, init.method]).to.deep.equal(['/api/studio/draft', 'PATCH']);
    expect(JSON.parse(String(init.body))).to.deep.equal({ edit: 2, patch: [{ op: 'remove', path: '/offers/0' }] });
  });

  it('throws what it refused, in its own words', async () => {
    const body = { problems: [{ message: 'One.' }, { message: 'Two.' }, {}] };

    expect(await refusal(Response.json(body, { status: 422 }))).to.deep.include({
      status: 422,
      message: 'One. Two.',
      body,
    });
  });

  it('says something that can be shown, whatever came back', async () => {
    expect((await refusal(new Response('<h1>Oops', { status: 500 })))!.message).to.match(/on our side/);
    expect((await refusal(new TypeError('failed')))!.message).to.match(/cannot be reached/);
  });
});
