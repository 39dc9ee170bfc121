import { z } from 'zod';
import { countryName } from '~/core/delivery/countries';
import { either, sorted } from '../basis/words';
import { condition, inWhen } from './condition';

export const countries = condition(
  { countries: z.array(z.string().length(2)).max(300).default([]) },
  {
    knownBy: 'address',
    clause: 'who',
    refusals: { 'wrong-country': { code: 'coupon-country', toOwner: 'is for other countries' } },
    asks: ({ when }) => when.countries.length > 0,
    refuses: ({ when }, { country }) =>
      when.countries.length > 0 && !when.countries.includes(country ?? '') ? 'wrong-country' : null,
    hangsOn: (_, { country }) => [country],
    excludes: ({ when: a }, { when: b }) =>
      a.countries.length > 0 && b.countries.length > 0 && !a.countries.some((one) => b.countries.includes(one)),
    tries: (offers) => [null, ...new Set(offers.flatMap(({ when }) => when.countries))].map((country) => ({ country })),
    reads({ when }) {
      if (when.countries.length === 0) return [];
      return [`delivered to ${either(sorted(when.countries).map((one) => countryName(one, 'en')))}`];
    },
    tells({ when }, { say, locale, countryName: nameOf }) {
      if (when.countries.length === 0) return [];
      const list = new Intl.ListFormat(locale, { type: 'disjunction' });
      return [say('toldCountry', { country: list.format(when.countries.map(nameOf)) })];
    },
    form: (offer) => [
      [{ field: 'countries', value: offer.when.countries, change: (chosen) => inWhen(offer, { countries: chosen }) }],
    ],
  },
);
