import { randomUUID } from 'node:crypto';
import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible';
import { evaluateOptions, type Answers, type ProductOption } from '~/core/options';
import { own } from '~/core/own';
import { fail, ok, type Result } from '~/core/problems';
import type { Upload } from '~/data';
import type { App } from '~/services/app';
import { shopToday } from '~/services/lane/live-lane';

type FileOption = Extract<ProductOption, { kind: 'file' }>;

const KEPT_UNUSED_MS = 7 * 86_400_000;
const perCart = new RateLimiterMemory({ points: 20, duration: 600 });
const perAddress = new RateLimiterMemory({ points: 60, duration: 600 });

/** Where shoppers' files lie, each under its id. */
export const uploadsFolder = (app: App) => path.join(app.db.dataDir, 'uploads');

/** Keeps a shopper's file for an option of a product, cleaned, outside of what the shop serves. */
export async function keepUpload(
  app: App,
  request: { cartToken: string; product: string; option: string; name: string; bytes: Uint8Array; from: string },
): Promise<Result<{ id: string; name: string }>> {
  try {
    await Promise.all([perCart.consume(request.cartToken), perAddress.consume(request.from)]);
  } catch (limited) {
    if (!(limited instanceof RateLimiterRes)) throw limited;
    return fail('file', 'upload-too-many', { seconds: Math.ceil(limited.msBeforeNext / 1000) });
  }
  const product = await app.catalogue.findProduct(request.product);
  const option = product?.options.find(
    (candidate): candidate is FileOption => candidate.kind === 'file' && candidate.key === request.option,
  );
  if (!option) return fail('option', 'not-found');
  if (request.bytes.length > option.mostBytes)
    return fail('file', 'body-too-large', { limit: `${Math.round(option.mostBytes / 104_857.6) / 10} MB` });
  const cleaned = await app.cleaning.clean({ kind: 'file', bytes: request.bytes, forms: option.forms });
  if (!cleaned.ok) return cleaned;
  const { type, bytes } = cleaned.value;
  const id = randomUUID();
  const name = request.name.replace(/[^\p{L}\p{N}._ -]/gu, '').slice(-80) || 'file';
  await mkdir(uploadsFolder(app), { recursive: true });
  await writeFile(path.join(uploadsFolder(app), id), bytes);
  await app.uploads.insert({
    id,
    cartToken: request.cartToken,
    name,
    type,
    bytes: bytes.length,
    createdAt: app.now(),
  });
  return ok({ id, name });
}

/** A kept file, for the holder of the cart it was given for, or for the shop; null for everybody else. */
export async function openUpload(
  app: App,
  id: string,
  who: { cartToken: string | null; isShop: boolean },
): Promise<{ upload: Upload; bytes: Uint8Array } | null> {
  const upload = (await app.uploads.find([id])).get(id);
  if (!upload || !(who.isShop || upload.cartToken === who.cartToken)) return null;
  const bytes = await readFile(path.join(uploadsFolder(app), upload.id)).catch(() => null);
  return bytes && { upload, bytes };
}

/** What a shopper's own files are called, by id; of others nothing is said. */
export async function namesOfUploads(
  app: App,
  ids: readonly string[],
  cartToken: string | null,
): Promise<Record<string, string>> {
  const found = [...(await app.uploads.find(ids.slice(0, 60))).values()];
  return Object.fromEntries(
    found.flatMap(({ id, name, cartToken: owner }) => (owner === cartToken ? [[id, name]] : [])),
  );
}

/** Whether the files these answers name are there and the shopper's own. */
export async function checkUploads(
  app: App,
  cartToken: string,
  variantId: number,
  answers: Answers,
): Promise<Result<null>> {
  if (Object.keys(answers).length === 0) return ok(null);
  const options = (await app.catalogue.variantFacts([variantId])).get(variantId)?.options ?? [];
  // Only answers that count: a file for an option that is not asked is dropped, not reported missing.
  const { answers: counted } = evaluateOptions(options, answers, await shopToday(app));
  const files = options.filter((option) => option.kind === 'file' && own(counted, option.key) !== undefined);
  const found = await app.uploads.find(files.map((option) => String(counted[option.key])));
  const lost = files.find((option) => found.get(String(counted[option.key]))?.cartToken !== cartToken);
  return lost ? fail(`option:${lost.key}`, 'option-upload-gone', { label: lost.label }) : ok(null);
}

/** Deletes files that no cart or order names after a week. */
export async function sweepUploads(app: App): Promise<number> {
  const ids = await app.db.inTransaction(() => app.uploads.deleteUnused(app.now() - KEPT_UNUSED_MS));
  await Promise.all(ids.map((id) => rm(path.join(uploadsFolder(app), id), { force: true })));
  return ids.length;
}
