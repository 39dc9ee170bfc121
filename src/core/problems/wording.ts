import { own } from '~/core/own';
import { fill } from '~/core/words';
import { ARABIC } from './wording-ar';
import { GERMAN } from './wording-de';

/** Every problem the product can report, in one place: what happened and what to do about it. `{name}` is a fact. */
const WORDING = {
  invalid: '{message}',
  missing: 'Please fill this in.',
  'our-fault': 'Something went wrong on our side. Nothing was changed. Please try again.',
  'not-found': 'That no longer exists. Go back and choose again.',
  'not-signed-in': 'Please sign in first.',
  'not-allowed': 'Your role does not allow this. Ask the owner of the shop.',
  'wrong-sign-in': 'E-mail and password do not belong together. Check both and try again.',
  'wrong-password': 'That is not your present password. Type it again.',
  'session-own': 'That is the session you are in. Sign out to end it.',
  'person-there': 'This address has an account already.',
  'last-owner': 'A shop needs an owner. Invite another one first.',
  'entry-over': 'This link was used already, or is too old. Ask for a new one.',
  'too-many-visits': 'Too many visits began at this address. They are not counted.',
  'too-many-tries': 'Too many tries. Wait {seconds} seconds and try again.',
  'too-many-proofs': 'Too many tries. Wait {minutes} minutes, or follow the link in your confirmation mail.',
  'proof-wrong': 'That does not belong to this order. Check both, or follow the link in your confirmation mail.',
  'body-too-large': 'That is larger than {limit}. Send less at once.',
  'sold-out': '{name} is sold out.',
  'not-enough-stock': 'Only {stock} of {name} left. Choose {stock} or fewer.',
  'choice-missing': 'Choose {axes} first.',
  'no-such-variant': 'This combination is not available. Choose another.',
  'quantity-limit': 'At most {limit} of one item in an order. Choose fewer.',
  'too-many-lines': 'At most {limit} different items in one cart. Remove one first.',
  'option-missing': 'Please choose an option for “{label}”.',
  'option-empty': 'Please fill in “{label}”.',
  'option-no-file': 'Please add a file for “{label}”.',
  'option-too-long': '“{label}” takes at most {limit} characters. Shorten it.',
  'option-too-short': '“{label}” takes at least {limit} characters.',
  'option-not-offered': '“{label}”: that is not on offer any more. Choose another.',
  'option-number': '“{label}” takes a number.',
  'option-range': '“{label}” takes a number from {min} to {max}.',
  'option-step': '“{label}” goes in steps of {step}.',
  'option-date': '“{label}” takes a day such as 2026-12-24.',
  'option-date-range': '“{label}” takes a day from {from} to {to}.',
  'option-too-many': '“{label}”: choose at most {limit}.',
  'option-too-few': '“{label}”: choose at least {limit}.',
  'option-upload-gone': '“{label}”: the file is no longer there. Add it again.',
  'option-file-large': '“{label}” takes files up to {limit}. Choose a smaller one.',
  'upload-unsent': '{name} could not be sent. Check your connection, then choose it again.',
  'option-key-twice': '“{label}” has the short name {key}, which another option has too. Give each its own.',
  'option-value-twice': '“{label}” offers {value} twice. Take one out.',
  'option-unknown': '“{label}” asks about {other}, which does not exist. Choose another under “Only when”.',
  'option-not-number': '“{label}” asks whether {other} is more than a number, but {other} is none.',
  'option-value-unknown': '“{label}” asks whether {other} is {value}, which it does not offer.',
  'option-cycle': 'These options wait for each other: {names}. Let one of them be asked always.',
  'option-limits': '“{label}”: the least is more than the most. Change one of the two.',
  'option-sku-unknown': '“{label}” sells {sku}, which is no SKU of this shop.',
  'upload-type': 'This kind of file cannot be taken here. Choose {forms}.',
  'upload-broken': 'The file cannot be read as {form}. Save it again and try once more.',
  'upload-too-complex':
    'This drawing has too many parts to be checked here (at most {limit}). Simplify it, or save it as a PNG picture.',
  'upload-too-slow': 'The file took too long to check. Save it again, smaller or simpler, and try once more.',
  'upload-too-many': 'Too many files at once. Wait {seconds} seconds and try again.',
  'coupon-unknown': 'There is no code “{code}”. Check how it is written.',
  'coupon-over': 'The code “{code}” has expired.',
  'coupon-too-little': 'This code needs an order of {from}. Add {missing}.',
  'too-many-layouts': 'There are {most} layouts of this kind already. Remove one first.',
  'code-lost': '{why} The total is now {after} instead of {before}. Please look once more, then order.',
  'coupon-at-pay': 'The code “{code}” comes off when you pay, if you have bought here before.',
  'coupon-at-pay-birthday': 'The code “{code}” comes off when you pay, around your birthday.',
  'gift-gone': 'The gift “{name}” has run out.',
  'gift-lost': 'The gift “{name}” has just run out. You can order without it.',
  'buyer-changed':
    '{names} does not apply to this e-mail address. The total is {after} instead of {before}. Please look once more, then order.',
  'coupon-empty': 'The code “{code}” works once something is in the cart.',
  'coupon-early': 'The code “{code}” does not count yet.',
  'coupon-not-you':
    'The code “{code}” is for other shoppers: either for a first order, or for those who have bought before.',
  'coupon-birthday': 'The code “{code}” counts around your birthday.',
  'coupon-used-up': 'The code “{code}” has been used up. You can order without it.',
  'coupon-country': 'The code “{code}” does not count for where this order goes.',
  'coupon-not-here': 'The code “{code}” counts for visits from elsewhere.',
  'coupon-delivery': 'The code “{code}” counts once delivery is chosen.',
  'coupon-no-effect': 'The code “{code}” takes nothing off what is in the cart.',
  'codes-too-many': 'An offer has at most {most} codes. Make fewer, or make another offer for more.',
  'coupon-outdone': 'You already pay less than with the code “{code}”: {by}.',
  'coupon-needs-items': 'The code “{code}” needs more of what it is for. Add {count}.',
  'too-many-codes': 'A cart takes {limit} codes. Take one out first.',
  'form-unreadable': 'Some fields could not be read. Please fill in the form again.',
  'download-over': 'This link is used up. Write to us and we will help.',
  'cart-empty': 'Your cart is empty. Add something first.',
  'line-gone': 'That item is no longer in your cart.',
  'email-invalid': 'Enter an e-mail address such as name@example.com.',
  'postcode-invalid': 'Enter the postcode as it is written in {country}.',
  'country-unserved': 'We do not deliver to this country. Choose one from the list.',
  'delivery-unknown': 'Choose a way of delivery.',
  'card-invalid': 'Enter the 16 digits of the card.',
  'payment-declined': 'The card was declined. Nothing was charged and your cart is kept. Try another card.',
  'payment-timed-out':
    'The payment did not answer in time. Nothing was charged and your cart is kept. Please try again.',
  'payment-in-progress': 'This order is already being paid. Wait a moment, then press again.',
  'key-reused': 'An order was sent from this page before, with other details. Please look everything over, then order.',
  'erase-waits': 'An order of this buyer is being paid right now. Wait a few minutes and try again.',
  'cart-ordered': 'You have ordered this cart already. Your receipt is on the order page.',
  'price-none': 'Row {row} costs nothing. Give it a price, tick “It is free”, or untick “Shown in the shop”.',
  'refund-line': 'That line is not on this order.',
  'refund-quantity': 'Only {left} of this line can still be refunded. Choose {left} or fewer.',
  'refund-delivery': 'Delivery was refunded already.',
  'refund-nothing': 'Choose what to refund.',
  'refund-sum': 'Only {left} more can be refunded. Type that or less.',
  'return-nothing': 'Choose what comes back.',
  'return-quantity': 'Only {left} of this line can still come back. Choose {left} or fewer.',
  'return-here': 'This return is noted as back already.',
  'refund-refused': 'The payment provider refused the refund. Nothing was given back.',
  'order-unpaid': 'This order was not paid.',
  'order-cancelled': 'This order was cancelled.',
  'order-refunding': 'A refund of this order is under way. Wait a moment and try again.',
  'order-adding': 'The buyer is adding something to this order right now. Wait a moment and try again.',
  'after-over': 'This offer is over. Your order stands as it was.',
  'after-packed': 'Your order is packed already, so nothing can be added. It stands as it was.',
  'after-refunded': 'This order has been refunded or cancelled, so nothing can be added. Nothing was charged.',
  'after-gone': 'This cannot be had any more. Your order stands as it was.',
  'after-added': 'This is in your order already.',
  'after-price': 'The price has changed since you opened this page. Look at it again, then add it.',
  'after-declined': 'The payment did not go through. Nothing more was charged, and your order stands as it was.',
  'birthday-invalid': 'Choose a day and a month that go together.',
  'bulk-nothing': 'Nothing would change: no product was found, or all are so already.',
  'synonym-word': '“{term}” is not one word. Type one word that shoppers search for.',
  'synonym-empty': 'Type at least one other word that stands in your catalogue.',
  'category-depth': '“{name}” can stand in a category at the top only. Put it somewhere else.',
  'stale-product': 'This product was changed in another window since you opened it.',
  'named-twice': '“{name}” is there twice. Give one of them another name.',
  'sku-twice': 'Row {row}: the SKU {sku} is there twice. Each variant needs its own.',
  'sku-taken': 'Row {row}: the SKU {sku} belongs to another product. Choose another.',
  'axis-missing': 'Row {row}: say the {axis}.',
  'variant-twice': 'Row {row}: another row has the same choices. Change one of them.',
  'catalogue-not-empty': 'There are products already. Examples are for an empty catalogue.',
  'begin-over':
    'This link is no longer valid. Start the server again: it prints a new one, as long as nobody has an account.',
  'shop-closed': 'This shop is not open yet.',
  'cart-changed': 'Your cart was changed in another window. Please look it over once more, then order.',
  'price-changed': 'The total changed from {before} to {after} since you saw it. Please look once more, then order.',
  'stale-draft': 'The draft was changed elsewhere since you loaded it.',
  'patch-invalid': 'The change cannot be applied at {pointer}: {message}',
  'lane-invalid': 'At {place}: {message}',
  'lane-version': 'This lane was written by a newer version ({found}); this one reads up to {known}. Update the app.',
  'lint-blocks': 'This lane cannot be published: {message}',
  'import-running': 'Another import is running: {written} of {total} products are written. Wait until it is done.',
  'import-stopped': 'The import was stopped before it was done. Import the file again to finish.',
  'csv-binary':
    'This is not a text file; it may be a spreadsheet, a picture or a packed file. Save it as CSV, and choose that.',
  'csv-empty': 'The file holds no rows. Choose a CSV file with a heading row and at least one row below it.',
  'csv-too-many': 'The file has more than {limit} rows. Split it into several.',
  'csv-columns':
    'The file has {count} columns; up to {limit} can be read. Delete those that are not needed, and save it again.',
  'csv-cells':
    'The file has more than {limit} cells, empty ones among them. Delete empty rows and columns, or split the file.',
  'csv-slow': 'The file takes too long to read. Split it into several.',
  'csv-no-column': 'No column was found for {field}. Choose one in the list of columns.',
  'csv-quote': 'A quoted cell does not end properly: {message}. Fix the quotation marks in this row.',
  'csv-missing-cell': '{column} is empty. Fill it in.',
  'currency-same': 'The shop sells in this currency already. Choose another.',
  'currency-lost': 'At this rate some prices would become nothing: {names}. Enter another rate, or raise them first.',
  'currency-large': 'At this rate some prices would be larger than any price can be. Enter another rate.',
  'currency-import': 'A catalogue is being imported. Change the currency when that is done.',
  'zone-same': 'The shop keeps this time already. Choose another zone.',
  'ground-step': 'Currency and time zone are changed under Settings, About, where you see first what that does.',
  'csv-mark': '“{value}” can mean {point} or {comma}. Choose how prices are written.',
  'csv-price': '“{value}” in {column} is not a price written like {example}.',
  'csv-number': '“{value}” in {column} is not a whole number of zero or more.',
  'csv-duplicate-sku': 'SKU {sku} already stands in row {row}. Give each variant its own.',
  'csv-sku-elsewhere': 'SKU {sku} belongs to “{name}” already. Use another SKU, or the same product name.',
  'csv-duplicate-variant': 'The same choices ({choices}) already stand in row {row}.',
  'csv-axes-differ':
    'This row names the choices {found}, the first row of the product {expected}. Use the same for every row.',
  'csv-too-long': '{column} is longer than {limit} characters. Shorten it.',
  'orders-cell': 'It names no order, or no product. Fill both in.',
  'orders-day': '“{value}” is no day. Write it like 2026-12-24 or 24.12.2026.',
  'orders-none':
    'Nothing in the file can be looked through: no row names both an order and a product of your catalogue.',
  'csv-image': '“{value}” is not a picture address. Use https://… or a path that starts with /.',
} as const;

export type ProblemCode = keyof typeof WORDING;

const IN: Readonly<Record<string, Partial<Record<ProblemCode, string>>>> = { de: GERMAN, ar: ARABIC };

/** A country by its code (ISO 3166-1), as people call it. */
function nameOf(country: string, language: string): string {
  return new Intl.DisplayNames([language], { type: 'region', fallback: 'code' }).of(country) ?? country;
}

/** The sentence for a problem, in a language that has one, else in English; an unknown fact is left visible as `{name}`. */
export function wordProblem(
  problem: { code: ProblemCode; facts?: Readonly<Record<string, string | number>> },
  language = 'en',
): string {
  const { country, ...facts } = problem.facts ?? {};
  const named = typeof country === 'string' ? { ...facts, country: nameOf(country, language) } : facts;
  return fill(own(IN, language)?.[problem.code] ?? WORDING[problem.code], named, language);
}

/** Every sentence that a shopper can be told in a language. The codes that have a German sentence are those shoppers meet. */
export function problemSentences(language: string): string[] {
  const codes = Object.keys(GERMAN) as ProblemCode[];
  return codes.map((code) => own(IN, language)?.[code] ?? WORDING[code]);
}
