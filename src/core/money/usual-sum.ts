import { minor, type Minor } from './minor';
import type { Currency } from './currency';

/** Roughly what a euro buys, in other currencies: for sums that a shop begins with, never to convert by. */
const ABOUT_A_EURO: Readonly<Record<string, number>> = {
  AED: 4,
  ARS: 1500,
  AUD: 1.75,
  BDT: 130,
  BGN: 2,
  BHD: 0.4,
  BRL: 6,
  CAD: 1.6,
  CHF: 1,
  CLP: 1000,
  CNY: 8,
  COP: 4500,
  CZK: 25,
  DKK: 7.5,
  EGP: 55,
  GBP: 0.85,
  HKD: 9,
  HUF: 400,
  IDR: 18_000,
  ILS: 4,
  INR: 95,
  ISK: 145,
  JOD: 0.8,
  JPY: 165,
  KES: 140,
  KRW: 1600,
  KWD: 0.35,
  MAD: 10,
  MXN: 21,
  MYR: 5,
  NGN: 1700,
  NOK: 11.5,
  NZD: 2,
  OMR: 0.4,
  PEN: 4,
  PHP: 65,
  PKR: 300,
  PLN: 4.3,
  QAR: 4,
  RON: 5,
  RSD: 115,
  SAR: 4,
  SEK: 11,
  SGD: 1.5,
  THB: 38,
  TND: 3.4,
  TRY: 45,
  TWD: 35,
  UAH: 48,
  USD: 1,
  VND: 29_000,
  ZAR: 20,
};

/** A sum of about so many euros as a shop would write it: one digit and noughts. */
export function usualSum(euros: number, { code, exponent }: Currency): Minor {
  const amount = euros * (ABOUT_A_EURO[code] ?? 1) * 10 ** exponent;
  const size = 10 ** Math.floor(Math.log10(amount));
  return minor(Math.max(1, Math.round(Math.round(amount / size) * size)));
}

/** A price of about so many euros: to the cent, or to the smallest coin there is. */
export function roughSum(euros: number, { code, exponent }: Currency): Minor {
  return minor(Math.round(euros * (ABOUT_A_EURO[code] ?? 1) * 10 ** exponent));
}
