import { expect } from 'chai';
import { useState } from 'react';
import { withStudio } from '../../support/studio';
import { until } from '../../support/page';

const FACT = '<pl-fact product="heron" fact="price" after=" each">dear</pl-fact>';

describe('a text with marks', () => {
  const studio = withStudio(async () => ({
    ...(await import('~/studio/text/rich-field')),
    ...(await import('~/studio/data/draft-store')),
    ...(await import('@testing-library/react')),
  }));

  function show(first: string, most = 200) {
    const { RichField } = studio.loaded;
    const kept: string[] = [];
    let put: (text: string) => void = () => undefined;
    function Held() {
      const [value, set] = useState(first);
      put = set;
      return (
        <RichField
          label="Text"
          help="Said above."
          value={value}
          most={most}
          dir="ltr"
          onChange={(text) => {
            kept.push(text);
            set(text);
          }}
        />
      );
    }
    const { container } = studio.show(<Held />);
    const chips = () =>
      [...container.querySelectorAll('.text-chip button:first-child')].map((chip) => chip.textContent);
    return { container, kept, chips, put: (text: string) => studio.act(() => put(text)) };
  }

  it('shows facts as chips by the names of products, and asks for those it does not know', async () => {
    const { useDraft } = studio.loaded;
    useDraft.setState({ names: { product: {}, category: {}, variant: {} } });
    studio.server.answers(() => Response.json({ heron: 'Grey Heron' }));
    const { chips, kept } = show(`It costs ${FACT}.`);
    await until(() => chips()[0]?.includes('Grey Heron') === true);
    expect(chips()).to.deep.equal(['Price of Grey Heron each']);
    expect(studio.server.asked.map(({ url }) => url)).to.deep.equal(['/api/studio/products/names?slug=heron']);
    // To look at a text is not to change it.
    expect(kept).to.deep.equal([]);
  });

  it('takes a chip out, and writes what is left', async () => {
    const { container, chips, kept } = show(`It costs ${FACT} *now*.`);
    await until(() => chips().length === 1);
    await studio.user.click(container.querySelector('.text-chip button:last-child')!);
    await until(() => kept.length > 0);
    expect(kept).to.deep.equal(['It costs *now*.']);
  });

  it('shows what is changed elsewhere', async () => {
    const { container, chips, put } = show('One.');
    await until(() => container.textContent!.includes('One.'));
    put(`Two ${FACT}.`);
    await until(() => chips().length === 1);
    expect(container.querySelector('.text-editor')!.textContent).to.include('Two');
  });

  it('says that a text is too long, and keeps what fitted', async () => {
    const { container, kept } = show('x'.repeat(20), 30);
    await until(() => container.textContent!.includes('xxx'));
    const before = container.querySelector<HTMLElement>('.text-editor')!;
    await studio.user.click(before);
    const { editor } = before as unknown as { editor: { commands: { insertContent(text: string): void } } };
    await studio.act(async () => {
      editor.commands.insertContent('y'.repeat(15));
      await until(() => container.querySelector('[role=alert]') !== null);
    });
    expect(container.querySelector('[role=alert]')!.textContent).to.include('5 characters too long');
    expect(kept).to.deep.equal([]);
  });

  it('stands as it was written where it cannot be shown as it will look', async () => {
    const { container, kept } = show('# A heading larger than texts may have');
    await until(() => container.querySelector('textarea') !== null);
    expect(container.querySelector('textarea')!.value).to.equal('# A heading larger than texts may have');
    expect(kept).to.deep.equal([]);
  });
});
