import type { Offer } from '~/core/pricing';
import { Clause } from './clause';

/** How an offer stands beside others, as an owner chooses it. */
const TOGETHER = {
  any: 'any other offer',
  item: 'others of its group: each item gets the better one',
  order: 'no other offer of its group in one order',
  alone: 'no other offer at all',
} as const;
type Together = keyof typeof TOGETHER;

const togetherOf = ({ alone, group, per }: Offer['combine']): Together =>
  alone ? 'alone' : group === null ? 'any' : per;

function combineAs(together: Together, before: Offer['combine'], groups: readonly string[]): Offer['combine'] {
  const isGrouped = together === 'item' || together === 'order';
  return {
    alone: together === 'alone',
    per: together === 'order' ? 'order' : 'item',
    group: isGrouped ? (before.group ?? groups[0] ?? 'discounts') : null,
  };
}

/** Beside which other offers this one may stand. `groups`: those that other offers are in. */
export function TogetherWith({
  combine,
  groups,
  onChange,
}: {
  combine: Offer['combine'];
  groups: readonly string[];
  onChange: (combine: Offer['combine']) => void;
}) {
  return (
    <Clause title="Together with" help="Of all that may stand together, shoppers get what makes their order cheapest.">
      <label className="flex flex-wrap items-center gap-2">
        <select
          className="field"
          aria-label="Together with others"
          value={togetherOf(combine)}
          onChange={(event) => onChange(combineAs(event.target.value as Together, combine, groups))}
        >
          {Object.entries(TOGETHER).map(([key, label]) => (
            <option key={key} value={key}>
              {label}
            </option>
          ))}
        </select>
        {combine.group !== null && (
          <>
            <input
              className="field w-40"
              aria-label="Group"
              list="offer-groups"
              defaultValue={combine.group}
              onBlur={(event) =>
                event.target.value.trim() && onChange({ ...combine, group: event.target.value.trim() })
              }
            />
            <datalist id="offer-groups">
              {groups.map((group) => (
                <option key={group} value={group} />
              ))}
            </datalist>
          </>
        )}
      </label>
    </Clause>
  );
}
