export { minor, sumMinor, type Minor } from './minor';
export { currencyOf, formatMoney, formatRoughMoney, isCurrency, isLocale, type Currency } from './currency';
export { allocate, allocateInto } from './allocate';
export { convertFactor, convertSum, type CurrencyChange } from './convert-sum';
export {
  decimalMarkOf,
  MOST_MINOR,
  parseAmount,
  readSignedSum,
  readSum,
  writeSum,
  type DecimalMark,
  type ReadSum,
  type SumStyle,
} from './sums';
export { roughSum, usualSum } from './usual-sum';
