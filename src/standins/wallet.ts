/** What a wallet hands a shop once its owner has agreed: who, where to, and a card to charge. */
export interface WalletHolder {
  readonly email: string;
  readonly name: string;
  readonly line1: string;
  readonly postcode: string;
  readonly city: string;
  readonly country: string;
}

export interface WalletCard {
  readonly key: string;
  readonly label: string;
  readonly cardNumber: string;
}

/** What a service for paying without typing must offer. */
export interface Wallet {
  open(): Promise<{ readonly holder: WalletHolder; readonly cards: readonly WalletCard[] }>;
}

/** Stands in for such a service: one made-up holder with three cards, of which one is declined and one never answers. */
export function standInWallet(): Wallet {
  return {
    async open() {
      return {
        holder: {
          email: 'ida.brandt@wallet.example',
          name: 'Ida Brandt',
          line1: 'Uferweg 7',
          postcode: '24211',
          city: 'Windau',
          country: 'DE',
        },
        cards: [
          { key: 'good', label: 'Card ending in 0001', cardNumber: '5000000000000001' },
          { key: 'declined', label: 'Card ending in 0002 (is declined)', cardNumber: '5000000000000002' },
          { key: 'silent', label: 'Card ending in 0003 (never answers)', cardNumber: '5000000000000003' },
        ],
      };
    },
  };
}
