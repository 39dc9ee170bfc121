export { addDays, dayIn, isTimeZone, longDate } from './day';
