export type { Attribute, Category, Fulfilment, Picture, Product, ProductCard, Review, Variant } from './product';
export { firstChoices, isSoldOut, resolveVariant, valuesOf, type Choices } from './choose';
export { productJsonLd } from './structured-data';
export { uniqueSlug } from './unique-slug';
