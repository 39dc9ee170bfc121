import { countryName } from '~/core/delivery/countries';
import { NO_GIFT } from '../engine/offer-faults';
import type { LineSelection, Offer } from '../engine/pricing.schema';

/** How an owner's shop names things and writes sums and days. */
export interface OfferReader {
  readonly money: (amountMinor: number) => string;
  /** A moment (ISO 8601) as people write it, exact to what it says. */
  readonly moment: (iso: string) => string;
  readonly nameOf: (what: 'product' | 'category' | 'variant', key: string) => string;
}

/** The rule of an offer as one sentence. Two rules that differ in what they do never read the same; its name is no part of it. */
export function readOffer(offer: Offer, reader: OfferReader): string {
  const clauses = [does(offer, reader), ...conditions(offer, reader), ...limits(offer), together(offer)];
  if (offer.told) clauses.push('told of in the cart');
  return `${clauses.join(', ')}.`;
}

const percent = (basisPoints: number) => `${basisPoints / 100} %`;
const either = (texts: readonly string[]) => new Intl.ListFormat('en', { type: 'disjunction' }).format(texts);
const items = (count: number) => (count === 1 ? '1 item' : `${count} items`);
const times = (count: number) => (count === 1 ? 'once' : `${count} times`);
const sorted = (texts: readonly string[]) => [...new Set(texts)].sort();

/** What a selection holds, after “in”. */
export function readSelection(selection: LineSelection, { nameOf }: Pick<OfferReader, 'nameOf'>): string {
  const named = (of: NonNullable<NonNullable<LineSelection>['only']>) => [
    ...sorted(of.categories ?? []).map((slug) => `category “${nameOf('category', slug)}”`),
    ...sorted(of.tags ?? []).map((tag) => `tag “${tag}”`),
    ...sorted(of.products ?? []).map((slug) => `“${nameOf('product', slug)}”`),
    ...sorted(of.variants ?? []).map((sku) => `variant “${nameOf('variant', sku)}”`),
  ];
  if (!selection) return 'the whole shop';
  const what = selection.only ? either(named(selection.only)) || 'nothing at all' : 'the whole shop';
  const without = selection.except ? named(selection.except) : [];
  return without.length > 0 ? `${what} but not ${either(without)}` : what;
}

function does(offer: Offer, reader: OfferReader): string {
  const { money } = reader;
  const within = (selection: LineSelection) => readSelection(selection, reader);
  switch (offer.kind) {
    case 'percentOff':
    case 'amountOff': {
      const off = offer.kind === 'percentOff' ? percent(offer.basisPoints) : money(offer.amountMinor);
      const of = offer.target === 'lines' ? 'each item' : 'the total';
      const most = offer.maxMinor === null ? '' : `, at most ${money(offer.maxMinor)} in all`;
      return `Take ${off} off ${of} in ${within(offer.selection)}${most}`;
    }
    case 'priceIs':
      return `Sell each item in ${within(offer.selection)} at ${money(offer.unitMinor)}`;
    case 'quantityBreaks': {
      const steps = [...offer.breaks]
        .sort((a, b) => a.from - b.from)
        .map(
          (step) =>
            `from ${step.from} on ${'unitMinor' in step ? `${money(step.unitMinor)} each` : `${percent(step.basisPoints)} off each`}`,
        );
      const of = offer.count === 'line' ? 'of one kind' : 'of all kinds together';
      return `Sell in ${within(offer.selection)} by quantity ${of}: ${steps.join('; ')}`;
    }
    case 'buyGet': {
      const what = offer.basisPoints === 10_000 ? 'free' : `at ${percent(offer.basisPoints)} off`;
      const most = offer.most === null ? '' : `, at most ${times(offer.most)} a cart`;
      const isSame = within(offer.buy) === within(offer.get);
      const which = isSame ? '' : `, the ${offer.choose} first`;
      return `For ${items(offer.buyQuantity)} bought in ${within(offer.buy)}, give ${items(offer.getQuantity)} in ${isSame ? 'the same' : within(offer.get)} ${what}${which}${most}`;
    }
    case 'bundle': {
      const parts = offer.items.map(({ selection, quantity }) => `${items(quantity)} in ${within(selection)}`);
      const most = offer.most === null ? '' : `, at most ${times(offer.most)} a cart`;
      return `Sell ${parts.join(' with ')} together for ${money(offer.priceMinor)}${most}`;
    }
    case 'deliveryOff': {
      const by = offer.methods.length > 0 ? ` by ${either(sorted(offer.methods))}` : '';
      if (offer.flatMinor !== undefined) return `Deliver${by} for ${money(offer.flatMinor)}`;
      if (offer.amountMinor !== undefined) return `Take ${money(offer.amountMinor)} off delivery${by}`;
      return offer.basisPoints === 10_000
        ? `Deliver${by} free`
        : `Take ${percent(offer.basisPoints ?? 0)} off delivery${by}`;
    }
    case 'gift':
      return `Give ${offer.quantity} × ${offer.variant === NO_GIFT ? 'a gift that is not chosen yet' : `variant “${reader.nameOf('variant', offer.variant)}”`} for nothing`;
  }
}

function conditions({ when }: Offer, reader: OfferReader): string[] {
  const measured = when.counts === null ? '' : ` in ${readSelection(when.counts, reader)}`;
  return [
    when.code !== null &&
      (when.isOneTime
        ? `with one of the codes that begin with “${when.code.toLowerCase()}”, each once`
        : `with the code “${when.code.toLowerCase()}”`),
    when.minGoodsMinor !== null && `when the cart holds ${reader.money(when.minGoodsMinor)} or more${measured}`,
    when.minQuantity !== null && `when the cart holds ${items(when.minQuantity)} or more${measured}`,
    when.shopper === 'new' && 'for a first order',
    when.shopper === 'returning' && 'for those who have bought before',
    when.birthdayDays !== null &&
      `at most ${when.birthdayDays === 1 ? '1 day' : `${when.birthdayDays} days`} from the shopper’s birthday`,
    when.countries.length > 0 &&
      `delivered to ${either(sorted(when.countries).map((code) => countryName(code, 'en')))}`,
    when.sources.length > 0 && `for visits from ${either(sorted(when.sources).map((source) => `“${source}”`))}`,
    when.from !== null && `from ${reader.moment(when.from)}`,
    when.until !== null && `until ${reader.moment(when.until)}`,
  ].filter((clause) => clause !== false);
}

function limits({ limits: { total, perShopper } }: Offer): string[] {
  return [total !== null && `${times(total)} in all`, perShopper !== null && `${times(perShopper)} per shopper`].filter(
    (clause) => clause !== false,
  );
}

function together({ combine: { group, per, alone }, rank }: Offer): string {
  const with_ = [
    alone && 'never with any other offer',
    group !== null && per === 'order' && `with no other offer of “${group}”`,
    group !== null && per === 'item' && `each item by one offer of “${group}”`,
    !alone && group === null && 'together with any other offer',
  ].filter((clause) => clause !== false);
  return [...with_, ...(rank === 0 ? [] : [`in turn ${rank}`])].join(', ');
}
