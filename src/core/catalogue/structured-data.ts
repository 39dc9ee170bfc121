import { writeSum, type Currency } from '~/core/money';
import { isSoldOut, variantLabel } from './choose';
import type { Product } from './product';

interface SoldIn {
  readonly currency: Currency;
  /** Whether prices hold the tax. */
  readonly taxIncluded: boolean;
}

/** schema.org/Product with one Offer per variant, for the product page. `origin` without trailing slash. */
export function productJsonLd(
  product: Product,
  { currency, taxIncluded }: SoldIn,
  origin: string,
): Record<string, unknown> {
  const url = `${origin}/shop/p/${product.slug}`;
  return {
    '@context': 'https://schema.org',
    '@type': 'Product',
    name: product.name,
    description: product.shortText || undefined,
    brand: product.brand ? { '@type': 'Brand', name: product.brand } : undefined,
    image: product.pictures.map((picture) => new URL(picture.src, origin).href),
    sku: product.variants[0]?.sku,
    aggregateRating: product.rating
      ? { '@type': 'AggregateRating', ratingValue: product.rating.stars, reviewCount: product.rating.count }
      : undefined,
    offers: product.variants.map((variant) => {
      const price = {
        price: writeSum(variant.priceMinor, { exponent: currency.exponent, mark: 'point' }),
        priceCurrency: currency.code,
      };
      return {
        '@type': 'Offer',
        sku: variant.sku,
        name: variantLabel(variant) || undefined,
        url,
        ...price,
        priceSpecification: { '@type': 'PriceSpecification', ...price, valueAddedTaxIncluded: taxIncluded },
        availability: `https://schema.org/${isSoldOut(variant) ? 'OutOfStock' : 'InStock'}`,
      };
    }),
  };
}
