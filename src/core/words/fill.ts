type Facts = Readonly<Record<string, string | number>>;

const rules = new Map<string, Intl.PluralRules>();

function pluralForm(n: number, language: string): Intl.LDMLPluralRule {
  let rule = rules.get(language);
  if (!rule) rules.set(language, (rule = new Intl.PluralRules(language)));
  return rule.select(n);
}

/**
 * Fills facts into a text: `{name}`, and `{count, plural, one {# item} other {# items}}` by the language's own plural forms
 * (the two of ICU MessageFormat we use; forms of CLDR). A fact that is not there is left visible, so that it is noticed.
 */
export function fill(text: string, facts: Facts, language = 'en'): string {
  return text.replace(
    /\{(\w+)(?:, plural,((?:[^{}]*\{[^{}]*\})+)\s*)?\}/g,
    (whole, name: string, forms: string | undefined) => {
      const value = facts[name];
      if (value === undefined) return whole;
      if (!forms) return String(value);
      const texts = new Map([...forms.matchAll(/([=\w]+)\s*\{([^{}]*)\}/g)].map(([, form, part]) => [form!, part!]));
      const chosen =
        texts.get(`=${value}`) ?? texts.get(pluralForm(Number(value), language)) ?? texts.get('other') ?? whole;
      return chosen.replaceAll('#', String(value));
    },
  );
}

const RIGHT_TO_LEFT = ['ar', 'fa', 'he', 'ur'];

/** The way a language is written (ISO 639-1). */
export function directionOf(language: string): 'rtl' | 'ltr' {
  return RIGHT_TO_LEFT.includes(language) ? 'rtl' : 'ltr';
}
