import { BEST_SELLING_DAYS } from '~/core/catalogue';
import type { App } from '~/services/app';

/** Lets “best selling” forget what was sold longer ago than its days. */
export async function countRecentSales(app: App): Promise<void> {
  await app.catalogue.countRecent(app.now() - BEST_SELLING_DAYS * 86_400_000);
}
