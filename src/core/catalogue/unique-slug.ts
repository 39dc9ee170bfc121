import slugify from 'slugify';

/** `dual-line`, `dual-line-2` …: at most 80 characters and a number. The slug made is added to those taken. */
export function uniqueSlug(name: string, taken: Set<string>): string {
  const base = slugify(name, { lower: true, strict: true }).slice(0, 80) || 'product';
  let slug = base;
  for (let n = 2; taken.has(slug); n += 1) slug = `${base}-${n}`;
  taken.add(slug);
  return slug;
}
