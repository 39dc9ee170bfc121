import { run } from '@zootools/email-spell-checker';
import { fill } from '~/core/words/fill';
import { afterPress } from '~/runtime/kit/after-press';

/** Where most people have their mail. Of these alone slips are asked about: any other name may be somebody's own. */
const HOSTS = [
  'gmail.com',
  'googlemail.com',
  'outlook.com',
  'outlook.de',
  'hotmail.com',
  'hotmail.de',
  'live.com',
  'msn.com',
  'yahoo.com',
  'yahoo.de',
  'yahoo.co.uk',
  'ymail.com',
  'icloud.com',
  'me.com',
  'aol.com',
  'mail.com',
  'mail.de',
  'proton.me',
  'protonmail.com',
  'posteo.de',
  'mailbox.org',
  'web.de',
  'gmx.de',
  'gmx.net',
  'gmx.com',
  'gmx.at',
  't-online.de',
  'freenet.de',
  'orange.fr',
  'free.fr',
  'btinternet.com',
  'bt.com',
];

/** The address that was likely meant; null where it may well be right. */
export function meantEmail(typed: string): string | null {
  const found = run({ email: typed.trim(), domains: HOSTS, secondLevelDomains: [], topLevelDomains: [] });
  return found?.full ?? null;
}

/** Asks below the field about a likely slip; the address goes on as it was typed unless its owner takes the other. */
export function askMeant(page: HTMLElement, sentence: string): void {
  const field = page.querySelector<HTMLInputElement>('[name=email]')!;
  const meant = meantEmail(field.value);
  const place = page.querySelector('.meant') ?? placeBelow(field);
  const button = document.createElement('button');
  button.type = 'button';
  button.className = 'to-field';
  button.textContent = fill(sentence, { email: meant ?? '' });
  button.addEventListener('click', () => {
    field.value = meant!;
    field.focus();
    place.replaceChildren();
    field.dispatchEvent(new Event('change', { bubbles: true }));
  });
  afterPress(() => place.replaceChildren(...(meant ? [button] : [])));
}

/** A line below a field, read out when it is filled. */
function placeBelow(field: HTMLElement): HTMLElement {
  const place = document.createElement('p');
  place.className = 'meant';
  place.setAttribute('role', 'status');
  field.parentElement!.append(place);
  return place;
}
