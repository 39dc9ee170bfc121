import { useDraft } from '~/studio/data/draft-store';

/** One of the offers whose codes each work once. */
export function OfferControl({
  labelId,
  value,
  onChange,
}: {
  labelId: string;
  value: string;
  onChange: (value: string) => void;
}) {
  const offers = useDraft((state) => state.lane.offers);
  const able = Object.entries(offers).filter(([, { when }]) => when.isOneTime && when.code !== null);
  const isGone = value !== '' && !able.some(([id]) => id === value);
  return (
    <div className="flex flex-col gap-1">
      <select
        className="field"
        aria-labelledby={labelId}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      >
        <option value="">None</option>
        {able.map(([id, { name }]) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
        {isGone && <option value={value}>One that is no more</option>}
      </select>
      {able.length === 0 && (
        <p className="help">
          There is none yet. Make one under <a href="/studio/offers">Offers</a>: give it a code, and say that each code
          works once.
        </p>
      )}
    </div>
  );
}
