export { LEADS, linkAddress, readLink, type Leads, type LinkedGoods } from './address';
export {
  addLink,
  checkoutLink,
  frameHtml,
  mailHtml,
  mailTo,
  plainHtml,
  scriptHtml,
  type LinkSpec,
  type Rules,
} from './outputs';
export { linkSpec, type LinkFacts } from './spec';
