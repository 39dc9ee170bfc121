/** Every problem the product can report, in one place: what happened and what to do about it. `{name}` is a fact. */
const WORDING = {
  invalid: '{message}',
  missing: 'This is needed. Please fill it in.',
  'not-found': 'That no longer exists. Go back and choose again.',
  'not-signed-in': 'Please sign in first.',
  'not-allowed': 'Your role does not allow this. Ask the owner of the shop.',
  'wrong-sign-in': 'E-mail and password do not belong together. Check both and try again.',
  'too-many-tries': 'Too many tries. Wait {seconds} seconds and try again.',
  'body-too-large': 'That is larger than {limit}. Send less at once.',
  'sold-out': '{name} is sold out.',
  'not-enough-stock': 'Only {stock} of {name} left. Choose {stock} or fewer.',
  'choice-missing': 'Choose {axes} first.',
  'no-such-variant': 'This combination is not made. Choose another.',
  'quantity-limit': 'At most {limit} of one thing in an order. Choose fewer.',
  'cart-empty': 'Your cart is empty. Add something first.',
  'line-gone': 'That line is no longer in your cart.',
  'email-invalid': 'Enter an e-mail address such as name@example.com.',
  'postcode-invalid': 'Enter the postcode as it is written in {country}.',
  'country-unserved': 'We do not deliver to this country. Choose one from the list.',
  'delivery-unknown': 'Choose a way of delivery.',
  'card-invalid': 'Enter the 16 digits of the card.',
  'payment-declined': 'The card was declined. Nothing was charged and your cart is kept. Try another card.',
  'payment-timed-out':
    'The payment did not answer in time. Nothing was charged and your cart is kept. Please try again.',
  'payment-in-progress': 'This order is already being paid. Wait a moment.',
  'key-reused': 'This order key was used for another cart. Reload the page and try again.',
  'price-changed': 'The total changed from {before} to {after} since you saw it. Please look once more, then order.',
  'stale-draft': 'The draft was changed elsewhere since you loaded it.',
  'patch-invalid': 'The change cannot be applied at {pointer}: {message}',
  'lane-invalid': 'At {place}: {message}',
  'lane-version': 'This lane was written by a newer version ({found}); this one reads up to {known}. Update the app.',
  'lint-blocks': 'This lane cannot be published: {message}',
  'csv-empty': 'The file holds no rows. Choose a CSV file with a heading row and at least one product.',
  'csv-no-column': 'No column was found for {field}. Choose one in the list of columns.',
  'csv-quote': 'A quoted cell does not end properly: {message}. Fix the quotation marks in this row.',
  'csv-missing-cell': '{column} is empty. Fill it in.',
  'csv-price': '“{value}” in {column} is not a price written like {example}.',
  'csv-number': '“{value}” in {column} is not a whole number of zero or more.',
  'csv-duplicate-sku': 'SKU {sku} already stands in row {row}. Give each variant its own.',
  'csv-sku-elsewhere': 'SKU {sku} belongs to “{name}” already. Use another SKU, or the same product name.',
  'csv-duplicate-variant': 'The same choices ({choices}) already stand in row {row}.',
  'csv-axes-differ':
    'This row names the choices {found}, the first row of the product {expected}. Use the same for every row.',
  'csv-too-long': '{column} is longer than {limit} characters. Shorten it.',
  'csv-image': '“{value}” is not a picture address. Use https://… or a path that starts with /.',
} as const;

export type ProblemCode = keyof typeof WORDING;

/** The sentence for a problem; an unknown fact is left visible as `{name}` so that it is noticed. */
export function wordProblem(problem: { code: ProblemCode; facts?: Readonly<Record<string, string | number>> }): string {
  return WORDING[problem.code].replace(/\{(\w+)\}/g, (whole, name: string) => String(problem.facts?.[name] ?? whole));
}
