export { addDays, dayIn, isTimeZone, longDate, startOfDay } from './day';
export { localTime, momentOf } from './zoned';
