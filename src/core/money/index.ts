export { minor, sumMinor, type Minor } from './minor';
export { currencyOf, formatMoney, isCurrency, isLocale, type Currency } from './currency';
export { allocate, allocateInto } from './allocate';
export { parseAmount, type DecimalMark } from './parse-amount';
