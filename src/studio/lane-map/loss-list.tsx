import { LEAST_SESSIONS, STRETCH_NAMES, type Loss, type Stretch } from '~/core/funnel';
import type { Shop } from '~/core/lane';
import type { Device } from '~/core/where';
import { Figure } from '~/studio/shell/figure';
import { count, percent, roughMoney } from '~/studio/data/format';

const DEVICES: Readonly<Record<Device, string>> = { phone: 'phones', tablet: 'tablets', desktop: 'desktops' };

/** What can be done about a loss with the pieces there are. */
const REMEDIES: Partial<Record<Stretch, { readonly label: string; readonly href: string }>> = {
  browse: { label: 'Choose how quick view is opened', href: '/studio/bench/quick-view?task=where' },
  look: { label: 'Shape quick view', href: '/studio/bench/quick-view?width=390' },
  add: { label: 'Choose when the cart opens', href: '/studio/bench/slide-out-cart?task=where' },
  cart: { label: 'Shape the slide-out cart', href: '/studio/bench/slide-out-cart?width=390' },
  pay: { label: 'Try the checkout', href: '/shop/checkout' },
};

/** The three gaps between devices that cost most. */
export function LossList({ losses, shop }: { losses: readonly Loss[]; shop: Shop }) {
  const biggest = losses.filter((loss) => loss.monthlyMinor > 0).slice(0, 3);
  if (biggest.length === 0) {
    return (
      <p className="panel px-4 py-3 text-gravel">
        No device lags behind another on any stretch that at least {LEAST_SESSIONS} visits reached. Choose more days for
        a closer look.
      </p>
    );
  }
  return (
    <section aria-label="Biggest losses" className="grid gap-3 lg:grid-cols-3">
      {biggest.map((loss) => {
        const remedy = REMEDIES[loss.from];
        return (
          <article key={`${loss.device} ${loss.from}`} className="panel flex flex-col gap-1 px-4 py-3">
            <h2>
              {STRETCH_NAMES[loss.from]} → {STRETCH_NAMES[loss.to]} on {DEVICES[loss.device]}
            </h2>
            <p>
              {percent(loss.goOn)} of {count(loss.sessions)} go on; on {DEVICES[loss.bestDevice]}{' '}
              {percent(loss.bestGoOn)} do. Closing the gap would be {count(loss.extraSessions)} visits more on{' '}
              {STRETCH_NAMES[loss.to]}, at most{' '}
              <Figure
                name={`At most ${roughMoney(loss.monthlyMinor, shop)} a month`}
                formula={`${count(loss.sessions)} visits × (${percent(loss.bestGoOn)} − ${percent(loss.goOn)}) = ${count(loss.extraSessions)} more that go on; each spends what visits on ${DEVICES[loss.device]} that got to ${STRETCH_NAMES[loss.to]} spend on average, reckoned for 30 days. An estimate: whoever is won over may buy less than those who come by themselves.`}
              >
                <strong className="whitespace-nowrap">{roughMoney(loss.monthlyMinor, shop)} a month</strong>
              </Figure>
              .
            </p>
            {remedy && (
              <a className="mt-auto font-semibold text-moss" href={remedy.href}>
                {remedy.label} →
              </a>
            )}
          </article>
        );
      })}
    </section>
  );
}
