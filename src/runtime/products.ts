import type { AnswerOf } from '~/contract';
import type { Product } from '~/core/catalogue';
import type { HostPage } from './host-page';

/** Products as pieces ask for them: each is fetched once a page. */
export interface ProductSource {
  /** What is here already; undefined until it is fetched, null when that failed. */
  known(slug: string): Product | null | undefined;
  fetch(slug: string): Promise<Product | null>;
}

export function createProductSource({ ask }: Pick<HostPage, 'ask'>): ProductSource {
  const asked = new Map<string, Promise<Product | null>>();
  const found = new Map<string, Product | null>();
  return {
    known: (slug) => found.get(slug),
    fetch(slug) {
      let answer = asked.get(slug);
      if (!answer) {
        found.delete(slug);
        answer = ask(`/api/products/${encodeURIComponent(slug)}`).then(
          (response) => (response.ok ? (response.json() as Promise<AnswerOf<'GET /api/products/[slug]'>>) : null),
          () => null,
        );
        asked.set(slug, answer);
        void answer.then((product) => {
          found.set(slug, product);
          // A failure is not kept: the next one who asks tries again.
          if (!product) asked.delete(slug);
        });
      }
      return answer;
    },
  };
}
