import type { Minor } from '~/core/money';
import type { ProductOption } from '~/core/options';
import type { Told } from '~/core/pricing/telling/told';

export interface Picture {
  readonly src: string;
  readonly alt: string;
}

/** A fact about a product that shoppers compare by, e.g. wind range 9–30 km/h. */
export interface Attribute {
  readonly key: string;
  readonly value: string;
}

export interface Review {
  readonly author: string;
  readonly stars: number;
  readonly text: string;
  readonly day: string;
  /** What the shop says to it; empty: nothing. */
  readonly answer: string;
}

export type Fulfilment = 'parcel' | 'download' | 'event';

/** One buyable form of a product. `stock` null: not counted (downloads). `costMinor` never leaves the owner's side. */
export interface Variant {
  readonly id: number;
  readonly sku: string;
  readonly choices: Readonly<Record<string, string>>;
  /** What one costs now, offers that need no code included. */
  readonly priceMinor: Minor;
  readonly wasMinor: Minor | null;
  /** Where it stands lowered, the lowest price of the 30 days before; null: not known. */
  readonly lowMinor?: Minor | null;
  /** Before offers, where they make it cheaper. */
  readonly listMinor?: Minor;
  readonly stock: number | null;
  readonly weightGrams: number;
  readonly picture: Picture | null;
}

/** A product as shoppers see it. `axes` are the names of its choices in order, e.g. Size, Sail. */
export interface Product {
  readonly id: number;
  /** Whether offers touch it: what several of it cost, or one with options, is then the server's to say. */
  readonly isOffered?: boolean;
  /** Offers that its prices do not show, a line each. */
  readonly told?: readonly string[];
  /** Said beside every price, where the tax is not in it yet. */
  readonly priceNote?: string;
  readonly slug: string;
  readonly name: string;
  readonly brand: string;
  readonly shortText: string;
  readonly fullText: string;
  readonly fulfilment: Fulfilment;
  /** Days until what is made to order leaves; null for what lies on the shelf. */
  readonly leadDays: number | null;
  readonly axes: readonly string[];
  readonly variants: readonly Variant[];
  readonly pictures: readonly Picture[];
  readonly videoSrc: string | null;
  readonly attributes: readonly Attribute[];
  readonly categories: readonly { readonly slug: string; readonly name: string }[];
  readonly tags: readonly string[];
  readonly rating: { readonly stars: number; readonly count: number } | null;
  readonly reviews: readonly Review[];
  /** Choices beyond variants, in the order they are asked. */
  readonly options: readonly ProductOption[];
}

/** What a listing shows of a product. `onlyVariantId` is set when there is nothing to choose or to answer. */
export interface ProductCard {
  readonly id: number;
  readonly slug: string;
  readonly name: string;
  readonly shortText: string;
  readonly fromMinor: Minor;
  readonly toMinor: Minor;
  readonly wasMinor: Minor | null;
  readonly inStock: boolean;
  readonly onlyVariantId: number | null;
  readonly hasOptions: boolean;
  readonly picture: Picture | null;
  readonly rating: { readonly stars: number; readonly count: number } | null;
  /** Offers that its price does not show. */
  readonly told?: readonly Told[];
  /** Said beside its price, where the tax is not in it yet; cards that the server draws say it themselves. */
  readonly priceNote?: string;
}

/** What a card says beyond that, where it is asked to. */
export interface CardExtras {
  /** What is left of all variants; null where one is not counted. */
  readonly stock: number | null;
  readonly itemDeliveryMinor: number;
  readonly attributes: readonly Attribute[];
}

export interface Category {
  readonly id: number;
  readonly slug: string;
  readonly name: string;
  readonly description: string;
  readonly parentSlug: string | null;
  readonly picture: Picture | null;
  readonly productCount: number;
  /** Whether its owner gave its products an order. */
  readonly isArranged: boolean;
}

export interface StoredReview extends Review {
  readonly id: number;
  readonly isHidden: boolean;
}

/** A category as its owner edits it. */
export interface EditedCategory {
  readonly slug: string;
  readonly name: string;
  readonly text: string;
  readonly picture: string | null;
  readonly parent: string | null;
  /** In it, those within it not counted. */
  readonly products: number;
}
