import slugify from 'slugify';

/** What an option or a choice of that name is called in conditions and orders: small letters, digits and hyphens, 40 at most. */
export function shortNameOf(name: string): string {
  return slugify(name, { lower: true, strict: true }).slice(0, 40);
}
