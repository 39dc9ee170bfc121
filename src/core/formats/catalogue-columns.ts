/** What a column of a catalogue file can hold. `choice` and `attribute` take their name from the heading. */
export const COLUMN_FIELDS = {
  ignore: { label: 'Leave out', words: [] },
  name: { label: 'Product name', words: ['name', 'title', 'product', 'productname', 'artikel', 'bezeichnung'] },
  sku: { label: 'SKU', words: ['sku', 'itemnumber', 'articlenumber', 'artikelnummer', 'partnumber', 'code'] },
  price: { label: 'Price', words: ['price', 'unitprice', 'preis', 'prix'] },
  was: { label: 'Price before', words: ['was', 'wasprice', 'pricebefore', 'oldprice', 'listprice', 'regularprice'] },
  cost: { label: 'Cost', words: ['cost', 'costprice', 'purchaseprice', 'einkaufspreis'] },
  stock: { label: 'Stock', words: ['stock', 'quantity', 'inventory', 'qty', 'bestand'] },
  weight: { label: 'Weight in grams', words: ['weight', 'weightg', 'weightgrams', 'grams', 'gewicht'] },
  short: { label: 'Short text', words: ['shorttext', 'shortdescription', 'summary', 'teaser'] },
  full: { label: 'Full text', words: ['fulltext', 'description', 'longtext', 'text', 'beschreibung'] },
  brand: { label: 'Brand', words: ['brand', 'maker', 'manufacturer', 'marke', 'hersteller'] },
  category: { label: 'Category', words: ['category', 'categories', 'kategorie', 'productcategory'] },
  tags: { label: 'Tags', words: ['tags', 'tag', 'labels', 'keywords'] },
  image: { label: 'Pictures', words: ['image', 'images', 'picture', 'pictures', 'photo', 'imageurl', 'bild'] },
  choice: {
    label: 'A choice (such as size)',
    words: ['size', 'colour', 'color', 'sail', 'material', 'length', 'grösse', 'größe', 'farbe'],
  },
  attribute: { label: 'An attribute', words: [] },
} as const;

export type ColumnField = keyof typeof COLUMN_FIELDS;

const FIELDS = Object.keys(COLUMN_FIELDS) as ColumnField[];

/**
 * What each column most likely holds, by its heading. `choice: Size` and `attribute: Span` say it outright. A field
 * other than choice and attribute is given to one column only; a heading nobody knows is left out.
 */
export function matchColumns(headings: readonly string[]): ColumnField[] {
  const taken = new Set<ColumnField>();
  return headings.map((heading) => {
    const said = /^\s*(choice|attribute)\s*:/i.exec(heading)?.[1]?.toLowerCase() as 'choice' | 'attribute' | undefined;
    if (said) return said;
    const bare = heading.toLowerCase().replace(/[^\p{L}\d]/gu, '');
    const found = FIELDS.find((field) => (COLUMN_FIELDS[field].words as readonly string[]).includes(bare)) ?? 'ignore';
    if (found !== 'choice' && found !== 'ignore') {
      if (taken.has(found)) return 'ignore';
      taken.add(found);
    }
    return found;
  });
}

/** `choice: Size` → `Size`. */
export function headingName(heading: string): string {
  return heading.replace(/^\s*(choice|attribute)\s*:/i, '').trim();
}
