import { Ajv2020 } from 'ajv/dist/2020.js';
import { expect } from 'chai';
import type { Lane } from '~/core/lane';
import { configurationSchema, writeConfiguration } from '~/core/lane/document/configuration';
import { showDraft } from '~/services/draft/edit-draft';
import { checkConfiguration, takeConfiguration } from '~/services/draft/take-configuration';
import { draftDemoLane, liveDemoLane } from '../../demo/lane';
import { openTestShop, type TestShop } from '../support/shop';

const ORIGIN = 'https://hollowtarn.example';

describe('a configuration as a file', () => {
  let shop: TestShop;
  before(async () => (shop = await openTestShop()));
  after(() => shop.close());

  const fileOf = (change: (lane: Lane) => void = () => undefined) => {
    const lane = liveDemoLane();
    change(lane);
    return writeConfiguration(lane, ORIGIN);
  };
  const check = (text: string) => checkConfiguration(shop.app, text);
  const refusal = async (text: string) => {
    const done = await check(text);
    return done.ok ? null : done.problems[0]!;
  };
  const take = async (text: string) => {
    const { edit } = await showDraft(shop.app);
    return takeConfiguration(shop.app, text, { edit, accountId: 1 });
  };

  it('fits its published schema, which refuses what is none', () => {
    const fits = new Ajv2020({ strict: false, validateFormats: false }).compile(configurationSchema());
    for (const lane of [liveDemoLane(), draftDemoLane()])
      expect(fits(JSON.parse(writeConfiguration(lane, ORIGIN))), JSON.stringify(fits.errors?.slice(0, 3))).to.equal(
        true,
      );
    expect(fits({ format: 'paved-lane-configuration', lane: { version: 3 } })).to.equal(false);
    expect(fits({ ...(JSON.parse(fileOf()) as object), more: 1 })).to.equal(false);
  });

  it('says what it would change and changes nothing, then stands in the draft as it was written', async () => {
    const before = await showDraft(shop.app);
    const text = fileOf((lane) => void (lane.pieces['quick-view']!.look.css = '[data-slot=name]{color:#123456}'));
    const checked = await check(text);
    expect(checked.ok && checked.value.changes.map(({ code }) => code)).to.include('css');
    expect((await showDraft(shop.app)).lane).to.deep.equal(before.lane);
    expect((await take(text)).ok).to.equal(true);
    const { lane, token } = await showDraft(shop.app);
    expect(JSON.parse(writeConfiguration(lane as Lane, ORIGIN))).to.deep.equal(JSON.parse(text));
    expect(token).to.equal(before.token);
    const again = await check(text);
    expect(again.ok && again.value).to.deep.equal({ changes: [], misfits: [] });
  });

  it('tells what does not fit this shop', async () => {
    const checked = await check(
      fileOf((lane) => {
        lane.pieces['quick-view']!.where.categories = { mode: 'only', slugs: ['nowhere-here'] };
        lane.shop.timeZone = 'Asia/Tokyo';
      }),
    );
    if (!checked.ok) throw new Error(JSON.stringify(checked.problems));
    expect(checked.value.misfits.join(' ')).to.contain('nowhere-here');
    // The shop's clock stays its own.
    expect(checked.value.changes.some(({ at }) => at.includes('timeZone'))).to.equal(false);
  });

  it('is refused with the place where it is another currency, version, format or no JSON, and nothing is changed', async () => {
    const { lane: before } = await showDraft(shop.app);
    const broken = fileOf().replace('"pieces": {', '"pieces": {{');
    expect(await refusal(broken)).to.deep.include({
      code: 'configuration-json',
      facts: { line: broken.slice(0, broken.indexOf('{{')).split('\n').length },
    });
    expect(await refusal('['.repeat(4000))).to.include({ code: 'configuration-json' });
    expect(await refusal('{"format":"another","lane":{}}')).to.include({ code: 'configuration-other' });
    expect(await refusal(fileOf((lane) => void ((lane as { version: number }).version = 99)))).to.include({
      code: 'lane-version',
    });
    expect(await refusal(fileOf((lane) => void (lane.shop.currency = 'JPY')))).to.include({
      code: 'configuration-currency',
    });
    expect(await refusal(fileOf((lane) => void (lane.theme.ink = 'dark')))).to.include({
      code: 'lane-invalid',
      path: 'theme/ink',
    });
    expect((await showDraft(shop.app)).lane).to.deep.equal(before);
  });
});
