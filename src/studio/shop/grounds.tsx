import { useState, type ReactNode } from 'react';
import { type Lane } from '~/core/lane';
import { currencyOf, formatMoney } from '~/core/money';
import { ask } from '~/studio/data/api';
import { useAnswer } from '~/studio/data/query';
import { useDraft } from '~/studio/data/draft-store';
import { count, moment, plural } from '~/studio/data/format';
import { Modal } from '~/studio/fields/modal';
import { NumberField } from '~/studio/fields/number-field';
import { Labelled, SelectField } from '~/studio/fields/fields';

type Options = readonly (readonly [value: string, label: string])[];

interface GroundProps {
  readonly label: string;
  readonly help: string;
  readonly said: string;
  readonly children: (close: () => void) => ReactNode;
}

/** Something the shop stands on: how it is, and a step that changes it. */
function Ground({ label, help, said, children }: GroundProps) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Labelled label={label} help={help}>
      {(id, describedBy) => (
        <span className="flex items-center gap-3">
          <output id={id} aria-describedby={describedBy}>
            {said}
          </output>
          <button className="btn" onClick={() => setOpen(true)}>
            Change the {label.toLowerCase()} …
          </button>
          {isOpen && children(() => setOpen(false))}
        </span>
      )}
    </Labelled>
  );
}

/** What a change would do, asked anew whenever the wish changes; and the change itself, on the draft of an edit number. */
function usePlan<Plan>(
  planned: { readonly answer: Plan | null; readonly problem: string | null },
  apply: (edit: number) => Promise<unknown>,
) {
  const [refused, setRefused] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);

  async function change(): Promise<void> {
    setBusy(true);
    try {
      // What is typed elsewhere on the page goes first.
      if (!(await useDraft.getState().flush())) throw new Error('Your last change could not be stored yet. Try again.');
      await apply(useDraft.getState().edit);
      location.reload();
    } catch (error) {
      setRefused((error as Error).message);
      setBusy(false);
    }
  }
  return { plan: planned.answer, problem: refused ?? planned.problem, isBusy, change };
}

interface StepDialogProps {
  /** What is changed: “currency”. */
  readonly what: string;
  readonly to: string;
  /** All there are, the present one among them. */
  readonly options: Options;
  readonly present: string;
  readonly onTo: (to: string) => void;
  /** How it is to be done, between the wish and what it would do. */
  readonly how?: ReactNode;
  /** What it would do; null while that is not known. */
  readonly plan: ReactNode;
  readonly problem: string | null;
  readonly isBusy: boolean;
  readonly onChange: () => void;
  readonly onClose: () => void;
}

/** The wish, what it would do, and the press that does it. */
function StepDialog(props: StepDialogProps) {
  const { what, to, options, present, plan, problem } = props;
  return (
    <Modal title={`Change the ${what}`} text="You see first what it does." onClose={props.onClose} width={620}>
      <div className="flex flex-col gap-4">
        <SelectField
          label={`New ${what}`}
          value={to}
          options={[['', 'Choose …'], ...options.filter(([key]) => key !== present)]}
          onChange={props.onTo}
        />
        {props.how}
        <Problem text={problem} />
        {plan && (
          <div className="panel flex flex-col gap-2 px-4 py-3" data-testid="plan">
            {plan}
          </div>
        )}
        <span className="flex gap-2">
          <button className="btn btn-go" disabled={plan === null || props.isBusy} onClick={props.onChange}>
            Change the {what}
          </button>
          <button className="btn" onClick={props.onClose}>
            Cancel
          </button>
        </span>
      </div>
    </Modal>
  );
}

function Problem({ text }: { text: string | null }) {
  return (
    text && (
      <p role="alert" className="border-s-4 border-brick ps-3 text-brick">
        {text}
      </p>
    )
  );
}

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
