import type { CartRequest, ChangedCart } from '~/contract/shop/cart';
import { randomUUID } from 'node:crypto';
import { changeCart, MOST_PER_LINE, type CartChange } from '~/core/cart';
import { resolveVariant } from '~/core/catalogue';
import { isPostcode, servedCountries } from '~/core/delivery';
import { isSameCode } from '~/core/pricing';
import { fail, ok, type Result } from '~/core/problems';
import type { App } from '~/services/app';
import { network } from '~/services/limits';
import { cartRules } from './cart-goods';
import { requestContext, type RequestContext } from '~/services/request-context';
import { checkUploads } from '~/services/files/uploads';
import { withBetter } from './show-cart';
import { viewStored } from './view-cart';

interface Changing {
  readonly changeId?: string | null;
  readonly language?: string;
  /** The address it comes from: codes cannot be tried without end. Null: not from a shopper. */
  readonly from?: string | null;
}

/**
 * Changes a cart and answers it priced. A refused change leaves it as it was. With a `changeId` a change sent again, because
 * its answer was lost, is made once.
 */
export async function changeCartOf(
  app: App,
  token: string,
  request: CartRequest,
  { changeId = null, language = 'en', from = null }: Changing = {},
): Promise<Result<ChangedCart>> {
  if (request.kind === 'coupon' && from !== null) {
    const seconds = await app.limits.codes.take(network(from));
    if (seconds !== null) return fail('code', 'too-many-tries', { seconds });
  }
  const context = await requestContext(app, { language });
  const change = await toChange(context, request);
  return change.ok ? makeChange(context, token, change.value, changeId) : change;
}

/** As `changeCartOf`, of a change that did not come from a shopper. */
export async function makeChange(
  context: RequestContext,
  token: string,
  wanted: CartChange,
  changeId: string | null = null,
): Promise<Result<ChangedCart>> {
  const { app, today } = context;
  if ('answers' in wanted) {
    const uploads = await checkUploads(app, token, wanted.variantId, wanted.answers);
    if (!uploads.ok) return uploads;
  }
  // Another tab was faster: start again from the cart as it is now.
  for (;;) {
    const cart = await app.carts.read(token);
    if (changeId && cart.changeIds.includes(changeId))
      return ok({ view: await withBetter(context, cart, await viewStored(context, cart)), lineId: null });
    const putBack = wanted.kind === 'put-back' ? cart.removed.map(({ line }) => line.variantId) : [];
    const ids = [
      ...cart.lines.map((line) => line.variantId),
      ...putBack,
      ...('variantId' in wanted ? [wanted.variantId] : []),
    ];
    const facts = await app.catalogue.variantFacts(ids);
    const changed = changeCart(cart, wanted, cartRules(facts, today));
    if (!changed.ok) return changed;
    const viewed = await viewStored(context, { ...changed.value, version: cart.version + 1 }, { facts });
    const { view } = viewed;
    // A code that does not apply is not stored; one that stops applying later is shown with the reason.
    if (wanted.kind === 'coupon') {
      const typed = view.codes.find(({ code }) => isSameCode(code, wanted.code));
      if (typed?.problem && !typed.isWaiting) return fail('code', 'invalid', { message: typed.problem });
    }
    if (!(await app.carts.write(token, cart, changed.value, { now: app.now(), changeId }))) continue;
    const before = new Map(cart.lines.map((line) => [line.id, line]));
    const touched = changed.value.lines.find((line) => before.get(line.id) !== line);
    return ok({ view: await withBetter(context, changed.value, viewed), lineId: touched?.id ?? lineOf(wanted) });
  }
}

function lineOf(change: CartChange): string | null {
  if (change.kind === 'add') return change.newLineId;
  return 'lineId' in change ? change.lineId : null;
}

async function toChange(context: RequestContext, request: CartRequest): Promise<Result<CartChange>> {
  switch (request.kind) {
    case 'add': {
      const variantId = await variantOf(context.app, request);
      if (!variantId.ok) return variantId;
      return ok({
        kind: 'add',
        variantId: variantId.value,
        answers: request.answers,
        quantity: Math.min(request.quantity, MOST_PER_LINE + 1),
        newLineId: randomUUID(),
      });
    }
    case 'reshape': {
      const variantId = await variantOf(context.app, request);
      if (!variantId.ok) return variantId;
      return ok({ kind: 'reshape', lineId: request.lineId, variantId: variantId.value, answers: request.answers });
    }
    case 'coupon':
      if (request.code === '') return fail('code', 'coupon-unknown', { code: '' });
      return ok({ kind: 'coupon', code: request.code, isBeside: context.live.lane.shop.severalCodes });
    case 'destination':
      return checkDestination(context, request.country, request.postcode);
    default:
      return ok(request);
  }
}

function checkDestination({ live }: RequestContext, country: string, postcode: string): Result<CartChange> {
  if (country === '') return ok({ kind: 'destination', destination: null });
  const { delivery } = live.lane.shop;
  if (!servedCountries(delivery).includes(country)) return fail('country', 'country-unserved');
  // Without a postcode the whole country is meant: an estimate follows the country at once.
  if (postcode !== '' && !isPostcode(country, postcode)) return fail('postcode', 'postcode-invalid', { country });
  return ok({ kind: 'destination', destination: { country, postcode } });
}

async function variantOf(
  app: App,
  request: {
    variantId?: number | undefined;
    product?: string | undefined;
    sku?: string | undefined;
    choices: Record<string, string>;
  },
): Promise<Result<number>> {
  if (request.variantId) return ok(request.variantId);
  if (request.sku) {
    const facts = (await app.catalogue.factsOfSkus([request.sku])).get(request.sku);
    return facts ? ok(facts.variantId) : fail('sku', 'not-found');
  }
  const product = request.product ? await app.catalogue.findProduct(request.product) : null;
  if (!product) return fail('product', 'not-found');
  const variant = resolveVariant(product, request.choices);
  return variant.ok ? ok(variant.value.id) : variant;
}
