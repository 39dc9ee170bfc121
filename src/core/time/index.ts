export { addDays, dayIn } from './day';
