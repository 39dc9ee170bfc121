export { standInMailbox, type DeliveredMail, type Mail, type Mailbox, type StandInMailbox } from './mailbox';
export { standInPayment, type Payment } from './payment';
export { standInRates, type DeliveryRate, type Rates } from './rates';
export { standInWallet, type Wallet } from './wallet';
