import type { SeededOrder } from '~/data';
import type { Random } from './random';

export type Buyer = Pick<SeededOrder, 'name' | 'email' | 'address'>;

export const FIRST_NAMES = [
  'Ada',
  'Jonas',
  'Mirela',
  'Tom',
  'Sanne',
  'Oskar',
  'Ines',
  'Petra',
  'Luc',
  'Hanna',
] as const;
const LAST = [
  'Lund',
  'Kessler',
  'Petrov',
  'Brandt',
  'Vos',
  'Lindqvist',
  'Ramos',
  'Winter',
  'Dubois',
  'Seidel',
  'Aksoy',
  'Marten',
  'Nowak',
  'Falk',
  'Holm',
  'Jensen',
  'Okafor',
  'Reuter',
  'Silva',
  'Thorn',
  'Ulmer',
  'Weiss',
  'Berg',
  'Castellan',
] as const;
const STREETS = ['Seestraße', 'Uferweg', 'Windgasse', 'Am Deich', 'Lindenallee', 'Hafenstraße', 'Mühlenweg'] as const;
const TOWNS = [
  ['24103', 'Windau'],
  ['10115', 'Osterhafen'],
  ['80331', 'Föhnbach'],
  ['50667', 'Kolk'],
  ['20095', 'Nordkai'],
] as const;

/** Letters as they stand in addresses of mail. */
const plain = (name: string) =>
  name
    .normalize('NFD')
    .replace(/[^a-z]/gi, '')
    .toLowerCase();

/** Somebody made up, who buys. */
export function buyerFrom(random: Random, first: string): Buyer {
  const last = random.pick(LAST);
  const [postcode, city] = random.pick(TOWNS);
  const number = random.whole(1, 120);
  return {
    name: `${first} ${last}`,
    email: `${plain(first)}.${plain(last)}.${number}@buyers.example`,
    address: { line1: `${random.pick(STREETS)} ${number}`, line2: '', postcode, city, country: 'DE' },
  };
}
