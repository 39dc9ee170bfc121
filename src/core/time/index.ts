export { addDays, dayIn, isTimeZone, longDate, startOfDay } from './day';
export { localTime, momentOf, offsetSpans, type OffsetSpan } from './zoned';
