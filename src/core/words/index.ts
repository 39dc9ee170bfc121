export { directionOf, fill } from './fill';
