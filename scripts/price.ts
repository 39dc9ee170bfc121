// npm run price -- FILE: prices one cart, or several, by docs/pricing.md, and prints what comes of it.
import { readFileSync } from 'node:fs';
import { priceCart, pricingInputSchema } from '~/core/pricing';

const [file] = process.argv.slice(2);
if (!file) {
  console.error('Name a file: npm run price -- cart.json');
  process.exit(2);
}
const given: unknown = JSON.parse(readFileSync(file, 'utf8'));
const priced = (Array.isArray(given) ? given : [given]).map((input: unknown, i) => {
  const read = pricingInputSchema.safeParse(input);
  if (read.success) return priceCart(read.data);
  const [issue] = read.error.issues;
  console.error(`Cart ${i + 1}, ${issue!.path.join('.') || 'as a whole'}: ${issue!.message}`);
  process.exit(1);
});
console.log(JSON.stringify(Array.isArray(given) ? priced : priced[0], null, 2));
