// Run in a copy of the program that has the toys: what it makes of them, as JSON.
import { renderToStaticMarkup } from 'react-dom/server';
import { createElement } from 'react';
import { currencyOf } from '~/core/money';
import { beginOffer, offerFacts, OFFER_KINDS, priceCart, pricingInputSchema, readOffer } from '~/core/pricing';
import { settingSchema, settingText, settingValueSchema, type SettingSpec } from '~/core/lane/settings/types';
import { SettingControl } from '~/studio/settings/setting-control';

const kind = OFFER_KINDS.find((one) => String(one) === 'roundDown')!;
const begun = beginOffer(kind, currencyOf('EUR'));
const offer = { ...begun, on: true, toMinor: 500, when: { ...begun.when, weekday: 1 } };
const reader = {
  money: (minor: number) => `€${minor / 100}`,
  moment: (iso: string) => iso,
  nameOf: (_: string, key: string) => key,
};
const price = (today: string) =>
  priceCart(
    pricingInputSchema.parse({
      lines: [
        { id: 'a', product: 'a', variant: 'a', quantity: 2, unitMinor: 999 },
        { id: 'b', product: 'b', variant: 'b', quantity: 1, unitMinor: 345 },
      ],
      offers: [
        { ...offer, id: 'round' },
        { kind: 'percentOff', id: 'fifth', target: 'lines', basisPoints: 2000 },
      ],
      at: `${today}T12:00:00Z`,
      today,
      tax: { basisPoints: 2000, included: true },
    }),
  );
const [monday, tuesday] = [price('2026-11-30'), price('2026-12-01')];
const spec = JSON.parse(
  '{"type":"size","key":"size","label":"Size","help":"How large.","task":"parts","default":{"wide":3,"high":2}}',
) as SettingSpec;
const size = { wide: 4, high: 5 } as never;
process.stdout.write(
  JSON.stringify({
    kinds: OFFER_KINDS,
    help: offerFacts({ kind }).help,
    reads: readOffer(offer, reader),
    monday: { total: monday.totalMinor, taken: monday.taken },
    tuesday: { total: tuesday.totalMinor, refused: tuesday.refused },
    setting: {
      usual: settingSchema(spec).parse(undefined),
      text: settingText(spec, size, { nameOf: (_: string, key: string) => key } as never),
      isHeld: settingValueSchema.safeParse(size).success,
      drawn: renderToStaticMarkup(createElement(SettingControl, { spec, value: size, onChange: () => undefined })),
    },
  }),
);
