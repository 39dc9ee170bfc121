import { type Options, Ground, usePlan, StepDialog } from './step-dialog';
import { useState } from 'react';
import { type Lane } from '~/core/lane';
import { currencyOf, formatMoney } from '~/core/money';
import { ask } from '~/studio/data/api';
import { useAnswer } from '~/studio/data/query';
import { count, moment, plural } from '~/studio/data/format';
import { NumberField } from '~/studio/fields/number-field';

export function CurrencyStep({ shop, currencies }: { shop: Lane['shop']; currencies: Options }) {
  const nameOf = (code: string) => currencies.find(([key]) => key === code)?.[1] ?? code;
  return (
    <Ground
      label="Currency"
      help="What the shop asks for. A change converts prices, offers and delivery at once, or keeps their numbers."
      said={nameOf(shop.currency)}
    >
      {(close) => <CurrencyDialog shop={shop} currencies={currencies} onClose={close} />}
    </Ground>
  );
}

function CurrencyDialog({
  shop,
  currencies,
  onClose,
}: {
  shop: Lane['shop'];
  currencies: Options;
  onClose: () => void;
}) {
  const [to, setTo] = useState('');
  const [rate, setRate] = useState<number | null>(null);
  const wish = { to, rate: rate ?? 1 };
  const { plan, problem, isBusy, change } = usePlan(
    useAnswer('GET /api/studio/grounds/currency', to === '' ? null : { query: wish }),
    (edit) => ask('POST /api/studio/grounds/currency', { body: { ...wish, edit } }),
  );
  const money = (amount: number, code: string) => formatMoney(amount, currencyOf(code), shop.locale);
  return (
    <StepDialog
      what="currency"
      to={to}
      options={currencies}
      present={shop.currency}
      onTo={setTo}
      how={
        to !== '' && (
          <fieldset className="flex flex-col gap-2">
            <legend className="font-semibold">Prices, offers and delivery</legend>
            <label className="flex items-center gap-2">
              <input type="radio" checked={rate === null} onChange={() => setRate(null)} />
              keep their numbers
            </label>
            <span className="flex flex-wrap items-center gap-2">
              <label className="flex items-center gap-2">
                <input type="radio" checked={rate !== null} onChange={() => setRate(1)} />
                are converted:
              </label>
              1 {shop.currency} is
              <NumberField
                label={`${to} for 1 ${shop.currency}`}
                className="w-28"
                min={0}
                step="any"
                value={rate ?? 1}
                onChange={(next) => next > 0 && setRate(next)}
              />
              {to}
            </span>
          </fieldset>
        )
      }
      plan={
        plan && (
          <>
            <p>
              Changes at once, in the draft and in the open shop: {plural(plan.products, 'product', 'products')} with
              their options and costs, {plural(plan.offers, 'offer', 'offers')}
              {plan.zones > 0 && ` and ${plural(plan.zones, 'delivery zone', 'delivery zones')}`}.
            </p>
            {plan.examples.length > 0 && (
              <table className="tbl">
                <thead>
                  <tr>
                    <th>For example</th>
                    <th className="num">Now</th>
                    <th className="num">Then</th>
                  </tr>
                </thead>
                <tbody>
                  {plan.examples.map((example) => (
                    <tr key={example.name}>
                      <td>{example.name}</td>
                      <td className="num">{money(example.fromMinor, plan.from)}</td>
                      <td className="num">{money(example.toMinor, plan.to)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
            <p className="help">
              {plan.orders > 0
                ? `${count(plan.orders)} paid ${plan.orders === 1 ? 'order keeps' : 'orders keep'} the currency ${plan.orders === 1 ? 'it was' : 'they were'} paid in, with refunds and mails. `
                : ''}
              Figures of the lane map count orders in the new currency from now on, and the lowest price of 30 days
              begins anew. Carts stay, and are shown in the new currency.
            </p>
          </>
        )
      }
      problem={problem}
      isBusy={isBusy}
      onChange={() => void change()}
      onClose={onClose}
    />
  );
}

export function ZoneStep({ shop, zones }: { shop: Lane['shop']; zones: Options }) {
  return (
    <Ground
      label="Time zone"
      help="When a day begins: for offers, delivery dates and figures."
      said={shop.timeZone.replaceAll('_', ' ')}
    >
      {(close) => <ZoneDialog shop={shop} zones={zones} onClose={close} />}
    </Ground>
  );
}

function ZoneDialog({ shop, zones, onClose }: { shop: Lane['shop']; zones: Options; onClose: () => void }) {
  const [to, setTo] = useState('');
  const { plan, problem, isBusy, change } = usePlan(
    useAnswer('GET /api/studio/grounds/zone', to === '' ? null : { query: { to } }),
    (edit) => ask('POST /api/studio/grounds/zone', { body: { to, edit } }),
  );
  const clock = (local: string) => local.slice(11);
  const at = (iso: string) => moment(Date.parse(iso), shop);
  return (
    <StepDialog
      what="time zone"
      to={to}
      options={zones}
      present={shop.timeZone}
      onTo={setTo}
      plan={
        plan && (
          <>
            <p>
              It is {clock(plan.now.before)} in the shop now, and will be {clock(plan.now.after)}.
            </p>
            <p>
              {plan.orders === 0
                ? 'Every order stays on its day.'
                : `${plural(plan.orders, 'order', 'orders')} will be on the day before or after, as the clock there had it. None is lost from any list or figure.`}
            </p>
            {plan.offers.length > 0 && (
              <table className="tbl">
                <thead>
                  <tr>
                    <th>Offers keep their time of day</th>
                    <th>Until now, by your present clock</th>
                    <th>Then, by your present clock</th>
                  </tr>
                </thead>
                <tbody>
                  {plan.offers.map((offer) => (
                    <tr key={`${offer.name} ${offer.edge}`}>
                      <td>
                        {offer.name} {offer.edge === 'from' ? 'begins' : 'ends'} at {clock(offer.local)}
                      </td>
                      <td>{at(offer.before)}</td>
                      <td>{at(offer.after)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
          </>
        )
      }
      problem={problem}
      isBusy={isBusy}
      onChange={() => void change()}
      onClose={onClose}
    />
  );
}
