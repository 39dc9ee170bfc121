import { useState } from 'react';
import { LETTERS } from '~/core/limits';
import {
  conditionForm,
  offerFacts,
  findOfferFaults,
  NO_GIFT,
  offerSchema,
  type Offer,
  type OfferFault,
} from '~/core/pricing';
import { wordOfferFault, type Shop } from '~/core/lane';
import { currencyOf, usualSum } from '~/core/money';
import { TextField } from '~/studio/fields/fields';
import { Tick } from '~/studio/fields/tick';
import { Clause } from './clause';
import { OfferForm, OfferFormContext } from './offer-form';
import { TogetherWith } from './together';

interface Props {
  readonly id: string;
  readonly offer: Offer;
  readonly shop: Shop;
  /** All offers, this one among them: two may not have one code. */
  readonly offers: Readonly<Record<string, Offer>>;
  /** Groups other offers are in. */
  readonly groups: readonly string[];
  readonly onChange: (offer: Offer) => void;
}

/** An offer as a sentence whose parts are changed where they stand. What would make no offer is said, and not kept. */
export function OfferEditor({ id, offer, offers, shop, groups, onChange }: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  const faults = findOfferFaults(offers, new Set([NO_GIFT])).filter(({ offerId }) => offerId === id);
  const faultOf = (field: OfferFault['field']) => {
    const fault = faults.find((one) => one.field === field);
    return (
      fault && (
        <p role="alert" className="text-[13px] text-brick">
          {wordOfferFault(fault, offers)} Until then nothing can be published.
        </p>
      )
    );
  };
  const currency = currencyOf(shop.currency);
  const around = { about: (euros: number) => usualSum(euros, currency), now: Date.now(), zone: shop.timeZone };
  function put(part: object): void {
    const next = offerSchema.safeParse({ ...offer, ...part });
    setProblem(next.success ? null : (next.error.issues[0]?.message ?? 'That makes no offer.'));
    // What is left out must not stand there as nothing: the draft is JSON.
    if (next.success) onChange(JSON.parse(JSON.stringify(next.data)) as Offer);
  }
  const facts = offerFacts(offer);
  const asked = { id, when: offer.when, limits: offer.limits };
  const canBeTold = (offer.when.code !== null && !offer.when.isOneTime) || offer.when.minGoodsMinor !== null;
  return (
    <OfferFormContext value={{ id, shop, put }}>
      <div className="flex flex-col gap-4">
        <TextField
          label="Name"
          help="Shoppers read it on their receipt."
          maxLength={LETTERS.offerName}
          value={offer.name}
          onChange={(name) => put({ name })}
        />
        <Clause title="What it does" help={facts.help}>
          <OfferForm rows={facts.form(offer, around)} />
          {faultOf('variant')}
        </Clause>
        <Clause title="When" help="Measured at full prices, before any offer.">
          <OfferForm rows={conditionForm(asked, ['cart', 'time'], around)} />
          {faultOf('until')}
        </Clause>
        <Clause title="For whom" help="Everybody, where nothing is ticked.">
          <OfferForm rows={conditionForm(asked, ['code'], around)} />
          {faultOf('code')}
          <OfferForm rows={conditionForm(asked, ['who'], around)} />
          {canBeTold && (
            <Tick
              label="tell shoppers of it in the cart, while it does not count yet"
              checked={offer.told}
              onChange={(told) => put({ told })}
            />
          )}
        </Clause>
        <Clause
          title="How often"
          help="Counted with the order; given back when a payment fails or an order is cancelled."
        >
          <OfferForm rows={conditionForm(asked, ['often'], around)} />
        </Clause>
        <TogetherWith combine={offer.combine} groups={groups} onChange={(combine) => put({ combine })} />
        {problem && (
          <p role="alert" className="text-brick">
            {problem}
          </p>
        )}
      </div>
    </OfferFormContext>
  );
}
