export { LEADS, linkAddress, readLink, type Leads, type LinkedGoods } from './address';
export {
  addLink,
  asksVariant,
  checkoutLink,
  costDifferently,
  firstChosen,
  frameHtml,
  mailHtml,
  mailTo,
  plainHtml,
  scriptHtml,
  type LinkSpec,
  type Rules,
} from './outputs';
export type { LinkVariant } from './parts';
export { linkSpec, type LinkFacts } from './spec';
