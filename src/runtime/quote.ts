import type { AnswerOf } from '~/contract';
import type { HostPage } from './host-page';
import { priceChoice, type Choice, type ChoicePrice } from '~/core/pricing/receipt/price-choice';

const told = new Map<string, ChoicePrice>();

/**
 * What is being chosen, priced. Where offers touch the product and more than one plain unit is meant the server is asked; until
 * it answers, and where it cannot, it is what the units come to by themselves. `again` is called when there is an answer.
 */
export function quoteChoice(
  { ask }: HostPage,
  /** `id`: of the variant. */
  choice: Choice & { readonly id: number; readonly isOffered: boolean | undefined },
  again: () => void,
): ChoicePrice {
  const { id, isOffered, quantity, extra } = choice;
  const local = priceChoice(choice);
  if (!isOffered || (!local.hasParts && extra.unitMinor === 0)) return local;
  const query = `variant=${id}&quantity=${quantity}&unit=${extra.unitMinor}&once=${extra.onceMinor}`;
  if (!told.has(query)) {
    told.set(query, local);
    void ask(`/api/quote?${query}`)
      .then(async (response) => {
        if (!response.ok) return;
        told.set(query, (await response.json()) as AnswerOf<'GET /api/quote'>);
        again();
      })
      .catch(() => told.delete(query));
  }
  return told.get(query) ?? local;
}
