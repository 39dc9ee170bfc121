import { deviceOf } from '~/core/where/who-sees';
import type { PageKind, Visit } from '~/core/where';

/** What the host page says about itself on its body; a page that says nothing is `other`. */
export function readPage(): Visit {
  const { plPage, plCategories, plProduct } = document.body.dataset;
  return {
    device: deviceOf(innerWidth),
    page: (plPage as PageKind | undefined) ?? 'other',
    categories: plCategories ? plCategories.split(' ') : [],
    product: plProduct ?? null,
  };
}
