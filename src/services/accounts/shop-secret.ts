import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const BYTES = 32;

/** A secret of this shop's, kept beside the database and not in it, so that a copy of one is not a copy of both. */
export interface ShopSecret {
  /** A text with a signature that only this shop can make. */
  sign(text: string): string;
  /** The text that was signed; null for what this shop did not sign. */
  verify(signed: string): string | null;
}

export function openSecret(dataDir: string): ShopSecret {
  const key = readOrMake(path.join(dataDir, 'secret'));
  const signatureOf = (text: string) => createHmac('sha256', key).update(text).digest('base64url');
  return {
    sign: (text) => `${text}.${signatureOf(text)}`,
    verify(signed) {
      const at = signed.lastIndexOf('.');
      if (at < 1) return null;
      const text = signed.slice(0, at);
      const [given, right] = [Buffer.from(signed.slice(at + 1)), Buffer.from(signatureOf(text))];
      return given.length === right.length && timingSafeEqual(given, right) ? text : null;
    },
  };
}

function readOrMake(file: string): Buffer {
  try {
    // Exclusive: two processes that start at once end up with one secret.
    writeFileSync(file, randomBytes(BYTES), { mode: 0o600, flag: 'wx' });
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
  }
  const key = readFileSync(file);
  if (key.length !== BYTES)
    throw new Error(
      `${file} is empty or cut. Put it back from a backup; or delete it, and links in mails and known devices end.`,
    );
  return key;
}
