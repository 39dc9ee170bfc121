import { randomUUID } from 'node:crypto';
import { mkdir, readdir, readFile, rename, writeFile } from 'node:fs/promises';
import path from 'node:path';

export interface Mail {
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  readonly html: string;
}

export interface DeliveredMail extends Mail {
  readonly id: string;
  /** Milliseconds since 1970. */
  readonly at: number;
}

/** What a mail service must do. A mail sent twice under one key arrives once. */
export interface Mailbox {
  send(mail: Mail & { key: string }): Promise<void>;
}

/** The stand-in can be looked into. */
export interface StandInMailbox extends Mailbox {
  list(limit: number): Promise<DeliveredMail[]>;
}

/** Stands in for a mail service: every mail is a file in a folder. Nothing leaves this machine. */
export function standInMailbox(folder: string, now: () => number = Date.now): StandInMailbox {
  const fileOf = (key: string) => path.join(folder, `${key.replace(/[^\w-]/g, '_')}.json`);
  return {
    async send({ key, ...mail }) {
      await mkdir(folder, { recursive: true });
      const file = fileOf(key);
      const known = await readFile(file, 'utf8').catch(() => null);
      if (known !== null) return;
      // Written aside and moved: a crash leaves no half a mail.
      const aside = `${file}.${randomUUID()}`;
      await writeFile(aside, JSON.stringify({ id: key, at: now(), ...mail } satisfies DeliveredMail));
      await rename(aside, file);
    },
    async list(limit) {
      const names = (await readdir(folder).catch(() => [])).filter((name) => name.endsWith('.json'));
      const mails = await Promise.all(
        names.map(async (name) => JSON.parse(await readFile(path.join(folder, name), 'utf8')) as DeliveredMail),
      );
      return mails.sort((a, b) => b.at - a.at).slice(0, limit);
    },
  };
}
