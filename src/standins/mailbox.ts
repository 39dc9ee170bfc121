import { randomUUID } from 'node:crypto';
import { mkdir, readdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
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
  /** Mails whose key names this, oldest first. */
  listAbout(token: string): Promise<DeliveredMail[]>;
  /** How many mails went to an address, in whatever case it is written. */
  countTo(email: string): Promise<number>;
  /** Takes away the mails to an address; answers how many. */
  eraseTo(email: string): Promise<number>;
}

/** Stands in for a mail service: every mail is a file in a folder. Nothing leaves this machine. */
export function standInMailbox(folder: string, now: () => number = Date.now): StandInMailbox {
  const fileOf = (key: string) => path.join(folder, `${key.replace(/[^\w-]/g, '_')}.json`);

  /** Every mail that can be read, newest first; a broken file costs that mail. */
  async function readAll(): Promise<{ file: string; mail: DeliveredMail }[]> {
    const names = (await readdir(folder).catch(() => [])).filter((name) => name.endsWith('.json'));
    const mails = await Promise.all(
      names.map(async (name) => {
        const file = path.join(folder, name);
        const mail = await readFile(file, 'utf8').then(readMail, () => null);
        return mail ? [{ file, mail }] : [];
      }),
    );
    return mails.flat().sort((a, b) => b.mail.at - a.mail.at);
  }

  const mailsTo = async (email: string) => (await readAll()).filter(({ mail }) => mail.to.toLowerCase() === email);

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
      return (await readAll()).map(({ mail }) => mail).slice(0, limit);
    },
    async listAbout(token) {
      const named = (await readAll()).map(({ mail }) => mail).filter((mail) => mail.id.includes(token));
      return named.reverse();
    },
    async countTo(email) {
      return (await mailsTo(email)).length;
    },
    async eraseTo(email) {
      const found = await mailsTo(email);
      await Promise.all(found.map(({ file }) => rm(file, { force: true })));
      return found.length;
    },
  };
}

/** A kept mail; null for a file that is none. */
function readMail(text: string): DeliveredMail | null {
  try {
    const mail = JSON.parse(text) as Partial<DeliveredMail> | null;
    const isMail =
      typeof mail?.at === 'number' &&
      [mail.id, mail.to, mail.subject, mail.text, mail.html].every((part) => typeof part === 'string');
    return isMail ? (mail as DeliveredMail) : null;
  } catch {
    return null;
  }
}
