import { randomInt } from 'node:crypto';
import { stringify } from 'csv-stringify/sync';
import type { Lane } from '~/core/lane';
import { isSameCode, offersOf, plainCode, type Offer, type TypedCode } from '~/core/pricing';
import type { App } from '~/services/app';

/** Letters and digits that are not mixed up, read aloud or in a mail. */
const ALPHABET = 'abcdefghjkmnpqrstuvwxyz23456789';
const LENGTH = 9;

/** A code that cannot be guessed, with the offer's prefix. */
export function newCode({ when }: Offer): string {
  const begin = when.code === null ? '' : `${plainCode(when.code)}-`;
  return begin + Array.from({ length: LENGTH }, () => ALPHABET[randomInt(ALPHABET.length)]).join('');
}

/** Makes so many codes for an offer whose codes each work once; all that there are of it then. */
export async function makeCodes(
  app: App,
  {
    offerId,
    offer,
    count,
    accountId,
  }: {
    readonly offerId: string;
    readonly offer: Offer;
    readonly count: number;
    readonly accountId: number | null;
  },
): Promise<{ made: number; used: number }> {
  const codes = Array.from({ length: count }, () => newCode(offer));
  await app.db.inTransaction(async () => {
    await app.codes.make(offerId, codes, app.now());
    await app.audit.write({ at: app.now(), accountId, action: 'codes-made', facts: { offer: offerId, count } });
  });
  return app.codes.count(offerId);
}

/** An offer's codes as a spreadsheet (RFC 4180): the code, when it was made, when it was used. */
export async function codesCsv(app: App, offerId: string): Promise<string> {
  const day = (at: number | null) => (at === null ? '' : new Date(at).toISOString());
  const rows = await app.codes.list(offerId);
  return stringify([
    ['Code', 'Made', 'Used'],
    ...rows.map(({ code, madeAt, usedAt }) => [code.toUpperCase(), day(madeAt), day(usedAt)]),
  ]);
}

/** What each typed code stands for: of offers whose codes each work once, the offer's own where it is one of theirs and not used. */
export async function typedCodes(
  app: App,
  { offers }: Lane,
  typed: readonly string[],
): Promise<readonly (string | TypedCode)[]> {
  const single = offersOf(offers).filter(({ when }) => when.isOneTime && when.code !== null);
  if (single.length === 0 || typed.length === 0) return typed;
  const found = new Map((await app.codes.find(typed.map(plainCode))).map((one) => [one.code, one]));
  return typed.map((code): TypedCode => {
    const one = found.get(plainCode(code));
    const offer = one && single.find(({ id }) => id === one.offerId);
    if (one && offer)
      return { typed: code, code: one.isUsed ? '' : offer.when.code!, usedBy: one.isUsed ? offer.id : null };
    // The prefix alone is not a code.
    const isBegin = single.some(({ when }) => isSameCode(when.code!, code));
    return { typed: code, code: isBegin ? '' : code, usedBy: null };
  });
}
