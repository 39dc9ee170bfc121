import { randomUUID } from 'node:crypto';
import { changeCart, MOST_PER_LINE, type CartChange, type CartView } from '~/core/cart';
import { resolveVariant } from '~/core/catalogue';
import { fail, ok, type Result } from '~/core/problems';
import { z } from 'zod';
import type { App } from './app';
import { viewLines } from './view-cart';

const quantity = z.coerce.number().int().min(0).max(9999);

/** A change as forms and the runtime send it. An add names a variant, or a product and its choices. */
export const cartRequestSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('add'),
    variantId: z.coerce.number().int().positive().optional(),
    product: z.string().max(120).optional(),
    choices: z.record(z.string().max(80), z.string().max(120)).default({}),
    quantity: quantity.min(1).default(1),
  }),
  z.strictObject({ kind: z.literal('set'), lineId: z.string().max(60), quantity }),
  z.strictObject({ kind: z.literal('remove'), lineId: z.string().max(60) }),
]);
export type CartRequest = z.infer<typeof cartRequestSchema>;

/** Changes a cart and answers it priced. A refused change leaves it as it was. */
export async function changeCartOf(app: App, token: string, request: CartRequest): Promise<Result<CartView>> {
  const change = await toChange(app, request);
  if (!change.ok) return change;
  const written = await app.db.inTransaction(async () => {
    const lines = await app.carts.readLines(token);
    const ids = lines.map((line) => line.variantId);
    if (change.value.kind === 'add') ids.push(change.value.variantId);
    const facts = await app.catalogue.variantFacts(ids);
    const changed = changeCart(lines, change.value, (id) => facts.get(id));
    if (changed.ok) await app.carts.writeLines(token, changed.value, app.now());
    return changed;
  });
  return written.ok ? ok((await viewLines(app, written.value)).view) : written;
}

async function toChange(app: App, request: CartRequest): Promise<Result<CartChange>> {
  if (request.kind !== 'add') return ok(request);
  const made = (variantId: number) =>
    ok<CartChange>({
      kind: 'add',
      variantId,
      quantity: Math.min(request.quantity, MOST_PER_LINE + 1),
      newLineId: randomUUID(),
    });
  if (request.variantId) return made(request.variantId);
  const product = request.product ? await app.catalogue.findProduct(request.product) : null;
  if (!product) return fail('product', 'not-found');
  const variant = resolveVariant(product, request.choices);
  return variant.ok ? made(variant.value.id) : variant;
}
