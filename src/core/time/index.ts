export { addDays, dayIn, isTimeZone } from './day';
