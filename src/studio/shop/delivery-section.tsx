import { Zone } from './delivery-zone';
import { currencyOf, usualSum } from '~/core/money';
import { isOnDelivery, freeStandardDelivery } from '~/core/pricing';
import { countryName, servedCountries, zonesInOrder, type Delivery } from '~/core/delivery';
import { Tick } from '~/studio/fields/tick';
import { Segmented } from '~/studio/fields/segmented';
import { MoneyField } from '~/studio/fields/money-field';
import type { SectionProps } from './section';

const FREE = 'free-delivery';

/** Where is delivered, what it costs, and from when on it is free. */
export function DeliverySection({ lane, change }: SectionProps) {
  const { delivery } = lane.shop;
  const currency = currencyOf(lane.shop.currency);
  const edit = (recipe: (delivery: Delivery) => void, key?: string) =>
    change((draft) => recipe(draft.shop.delivery), key);
  const zones = zonesInOrder(delivery);

  function addZone(): void {
    edit((draft) => {
      let number = zones.length + 1;
      while (draft.zones[`zone-${number}`]) number += 1;
      const isFirst = zones.length === 0;
      draft.zones[`zone-${number}`] = {
        name: isFirst ? countryName(draft.home, 'en') : `Zone ${number}`,
        position: zones.length,
        countries: isFirst ? [draft.home] : [],
        days: '2–3',
        steps: [{ upTo: null, amountMinor: usualSum(5, currency) }],
        express: null,
      };
    });
  }

  return (
    <>
      <div className="flex flex-col gap-1">
        <span className="font-semibold">Delivery costs</span>
        <p className="help">
          {delivery.by === 'carrier'
            ? `The carrier’s own rates, by weight and zone, to ${servedCountries(delivery).length} countries. Here the carrier is a stand-in.`
            : 'Your own table. A country in no zone is not delivered to.'}
        </p>
        <Segmented
          label="Delivery costs"
          options={{ carrier: 'Carrier’s rates', weight: 'By weight', value: 'By value' }}
          value={delivery.by}
          onChange={(by) => {
            edit((draft) => void (draft.by = by));
            if (by !== 'carrier' && zones.length === 0) addZone();
          }}
        />
      </div>
      {delivery.by !== 'carrier' &&
        zones.map(({ key, ...zone }) => (
          <Zone
            key={key}
            zone={zone}
            by={delivery.by}
            currency={currency}
            taken={zones.filter((other) => other.key !== key).flatMap((other) => other.countries)}
            edit={(recipe, step) => edit((draft) => recipe(draft.zones[key]!), step && `zone ${key} ${step}`)}
            onRemove={() => edit((draft) => void delete draft.zones[key])}
          />
        ))}
      {delivery.by !== 'carrier' && (
        <button className="btn self-start" onClick={addZone}>
          Add a zone
        </button>
      )}
      <FreeDelivery lane={lane} change={change} />
    </>
  );
}

function FreeDelivery({ lane, change }: SectionProps) {
  // The one offer that is kept here; whatever else makes delivery cheaper is made under Offers.
  const offer = lane.offers[FREE];
  const on = offer?.on && isOnDelivery(offer) ? offer : null;
  return (
    <div className="flex flex-wrap items-center gap-3">
      <Tick
        label="Free standard delivery from"
        checked={on !== null}
        onChange={(isOn) =>
          change((draft) => {
            const found = draft.offers[FREE];
            if (found) found.on = isOn;
            else draft.offers[FREE] = freeStandardDelivery(usualSum(50, currencyOf(lane.shop.currency)));
          })
        }
      />
      {on && (
        <MoneyField
          label="Free delivery from"
          valueMinor={on.when.minGoodsMinor ?? 0}
          onChange={(amount) =>
            change((draft) => {
              const found = draft.offers[FREE];
              if (found) found.when.minGoodsMinor = amount;
            }, 'free delivery')
          }
        />
      )}
      <span className="text-gravel">{lane.shop.currency}</span>
    </div>
  );
}
