import type { Product } from '~/core/catalogue';
import type { PieceHost } from '~/runtime/piece-host';

/** Products of a page that are looked at for a sample. */
const SEEN_IN_BENCH = 16;

/** Of some products those that say most of what one says, most first: what is worth comparing with it, for the bench. */
export async function mostAlike(host: PieceHost, slug: string, among: readonly string[]): Promise<string[]> {
  const near = among.filter((other) => other !== slug).slice(0, SEEN_IN_BENCH);
  const [own, ...others] = await Promise.all([slug, ...near].map((one) => host.products.fetch(one)));
  const says = new Set(own?.attributes.map(({ key }) => key));
  const shared = (other: Product) => other.attributes.filter(({ key }) => says.has(key)).length;
  return others
    .filter((other) => other !== null)
    .sort((a, b) => shared(b) - shared(a))
    .map((other) => other.slug);
}
