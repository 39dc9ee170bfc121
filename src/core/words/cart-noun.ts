/** What a shop calls its cart. */
export const CART_KINDS = ['cart', 'bag', 'basket', 'own'] as const;
export type CartKind = (typeof CART_KINDS)[number];
export type Gender = 'm' | 'f' | 'n';

export interface CartNaming {
  readonly kind: CartKind;
  /** By language, for a word of the owner's own; a language without one keeps what ships. The gender matters in German. */
  readonly own: Readonly<Record<string, { readonly word: string; readonly gender: Gender } | undefined>>;
}

/** As the words ship. */
export const CALLED_CART: CartNaming = { kind: 'cart', own: {} };

/** Turns a text that speaks of a cart into one that speaks of what this shop calls it. */
export type Rename = (text: string) => string;

interface Noun {
  readonly word: string;
  readonly gender: Gender;
}

const NOUNS: Readonly<Record<string, Readonly<Partial<Record<CartKind, Noun>>>>> = {
  en: { bag: { word: 'bag', gender: 'n' }, basket: { word: 'basket', gender: 'n' } },
  de: { bag: { word: 'Tasche', gender: 'f' }, basket: { word: 'Einkaufskorb', gender: 'm' } },
  // The Arabic word that ships is a basket already.
  ar: { bag: { word: 'حقيبة', gender: 'f' } },
};

const RENAMES: Readonly<Record<string, (text: string, noun: Noun) => string>> = {
  en: renameEnglish,
  de: renameGerman,
  ar: renameArabic,
};

const unchanged: Rename = (text) => text;

/** How a shop's texts in a language (ISO 639-1) are renamed. Languages whose words do not ship speak English until they are written. */
export function cartRename({ kind, own }: CartNaming, language: string): Rename {
  if (kind === 'cart') return unchanged;
  const spoken = language in RENAMES ? language : 'en';
  const noun = kind === 'own' ? (own[language] ?? own[spoken]) : NOUNS[spoken]![kind];
  if (!noun?.word) return unchanged;
  return (text) => RENAMES[spoken]!(text, noun);
}

const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);
/** As the word it stands for is written: with a capital, or without. */
const like = (model: string, word: string) =>
  model.charAt(0) === model.charAt(0).toLowerCase() ? word : capital(word);

function renameEnglish(text: string, { word }: Noun): string {
  const article = /^[aeiou]/i.test(word) ? 'an' : 'a';
  return text.replace(/(?<![\w{-])(?:(an?)(\s+))?(cart)(s?)(?![\w}-])/gi, (...found: readonly string[]) => {
    const [, before, space = '', cart = '', s = ''] = found;
    return `${before ? like(before, article) + space : ''}${like(cart, word)}${s}`;
  });
}

/** What stands before a masculine noun, as it is before a feminine and a neuter one (Duden, Deklination). */
const GERMAN: Readonly<Record<string, Readonly<Record<'f' | 'n', string>>>> = {
  ...Object.fromEntries(
    ['ein', 'kein', 'mein', 'dein', 'sein', 'ihr', 'unser'].flatMap((stem) => [
      [stem, { f: `${stem}e`, n: stem }],
      [`${stem}en`, { f: `${stem}e`, n: stem }],
      [`${stem}em`, { f: `${stem}er`, n: `${stem}em` }],
      [`${stem}es`, { f: `${stem}er`, n: `${stem}es` }],
    ]),
  ),
  der: { f: 'die', n: 'das' },
  den: { f: 'die', n: 'das' },
  dem: { f: 'der', n: 'dem' },
  des: { f: 'der', n: 'des' },
  dieser: { f: 'diese', n: 'dieses' },
  diesen: { f: 'diese', n: 'dieses' },
  diesem: { f: 'dieser', n: 'diesem' },
  zum: { f: 'zur', n: 'zum' },
  im: { f: 'in der', n: 'im' },
  am: { f: 'an der', n: 'am' },
  vom: { f: 'von der', n: 'vom' },
  beim: { f: 'bei der', n: 'beim' },
};

function renameGerman(text: string, { word, gender }: Noun): string {
  const noun = capital(word);
  return text.replace(
    /(?:(?<!\p{L})(\p{L}+)(\s+))?Warenkorb(s?)(?!\p{L})/gu,
    (_, before: string | undefined, space: string | undefined, s: string) => {
      const form = before && gender !== 'm' ? GERMAN[before.toLowerCase()]?.[gender] : undefined;
      const lead = before ? (form ? like(before, form) : before) + space! : '';
      return `${lead}${noun}${gender === 'f' ? '' : s}`;
    },
  );
}

/** سلة, with the article and with the suffix of “your”: a word in ة takes ت before it. */
function renameArabic(text: string, { word }: Noun): string {
  return text.replace(/(?<![\p{L}\p{M}])(ال)?(سلة|سلت(?=ك))/gu, (_, article: string | undefined, form: string) => {
    const noun = form === 'سلة' ? word : word.replace(/ة$/, 'ت');
    return `${article ?? ''}${noun}`;
  });
}
