import { useContext } from 'react';
import type { Lane } from '~/core/lane';
import { NamesContext } from './names-context';

const DAY_MS = 86_400_000;
const DAYS = 56;

/** What runs when: a road along the days, each offer a row of stones on it. */
export function Calendar({ lane, onSelect }: { lane: Lane; onSelect: (id: string) => void }) {
  const { reader } = useContext(NamesContext);
  const start = Math.floor(Date.now() / DAY_MS) * DAY_MS - 7 * DAY_MS;
  const end = start + DAYS * DAY_MS;
  const part = (at: number) => Math.min(1, Math.max(0, (at - start) / (end - start))) * 100;
  const day = new Intl.DateTimeFormat('en-GB', { timeZone: lane.shop.timeZone, day: 'numeric', month: 'short' });
  const weeks = Array.from({ length: DAYS / 7 }, (_, i) => start + i * 7 * DAY_MS);
  const offers = Object.entries(lane.offers).filter(([, offer]) => offer.on);
  return (
    <section aria-label="What runs when" className="flex flex-col gap-3">
      <h2>What runs when</h2>
      <p className="help">The next seven weeks; a line marks now. Offers that are off are left out.</p>
      {offers.length === 0 && <p>No offer is on. Turn one on, and it lies on the road here.</p>}
      <div className="relative border border-mortar bg-slab pb-2">
        <div className="relative h-7 border-b border-mortar text-[12.5px] text-gravel">
          {weeks.map((at) => (
            <span key={at} className="absolute top-1.5 ps-1" style={{ insetInlineStart: `${part(at)}%` }}>
              {day.format(at)}
            </span>
          ))}
        </div>
        {weeks.map((at) => (
          <i
            key={at}
            aria-hidden="true"
            className="absolute top-7 bottom-0 border-s border-mortar"
            style={{ insetInlineStart: `${part(at)}%` }}
          />
        ))}
        <i
          aria-hidden="true"
          className="absolute top-7 bottom-0 z-10 border-s-2 border-basalt"
          style={{ insetInlineStart: `${part(Date.now())}%` }}
        />
        <ul className="relative">
          {offers.map(([id, offer]) => {
            const { from, until } = offer.when;
            const [a, b] = [from === null ? 0 : part(Date.parse(from)), until === null ? 100 : part(Date.parse(until))];
            const said = `${from === null ? 'always so far' : `from ${reader.moment(from)}`}, ${until === null ? 'without end' : `until ${reader.moment(until)}`}`;
            const isNow =
              (from === null || Date.parse(from) <= Date.now()) && (until === null || Date.now() < Date.parse(until));
            return (
              <li key={id} className="relative mt-2 h-8">
                <button
                  className={`absolute h-8 min-w-6 overflow-hidden rounded-stone border px-2 text-start whitespace-nowrap ${isNow ? 'border-moss bg-moss text-white' : 'border-paving bg-paving text-basalt'}`}
                  style={{ insetInlineStart: `${Math.min(a, 96)}%`, width: `${Math.max(4, b - a)}%` }}
                  aria-label={`${offer.name || id}: ${said}`}
                  title={said}
                  onClick={() => onSelect(id)}
                >
                  {offer.name || id}
                  {offer.when.code !== null && ` (${offer.when.code})`}
                </button>
              </li>
            );
          })}
        </ul>
      </div>
    </section>
  );
}
