import type { PricedGoods } from '~/core/pricing';
import type { OfferReader } from '~/core/pricing';
import { own } from '~/core/own';
import { useContext } from 'react';
import { type Costed, type OfferRefusal, type PriceStep, MOST_SEARCHED, refusalWords } from '~/core/pricing';
import type { Lane } from '~/core/lane';
import { NumberField } from '~/studio/fields/number-field';
import { NamesContext } from './names-context';

export function Receipt({
  lines,
  goods,
  priced,
  quantities,
  setQuantities,
  reader,
  selected,
  isCosted,
  net,
  cost,
  isUnder,
}: {
  lines: { good: Costed; quantity: number }[];
  goods: readonly Costed[];
  priced: PricedGoods;
  quantities: Readonly<Record<string, number>>;
  setQuantities: (next: Readonly<Record<string, number>>) => void;
  reader: OfferReader;
  selected: string | null;
  isCosted: boolean;
  net: number;
  cost: number;
  isUnder: boolean;
}) {
  return (
    <div className="border-x border-mortar bg-white px-4 py-3 font-normal tabular-nums" data-testid="strip">
      {lines.length === 0 && <p className="help">Choose goods, and the receipt stands here with every step.</p>}
      {goods.map((good) => {
        const i = lines.findIndex((line) => line.good === good);
        const line = i < 0 ? null : priced.lines[i]!;
        return (
          <div key={good.sku} className={line ? 'border-b border-dashed border-mortar py-2' : 'py-0.5 text-gravel'}>
            <div className="flex items-center gap-2">
              <NumberField
                className="w-16 min-h-7 py-0"
                label={`How many: ${good.name} ${good.choices}`}
                min={0}
                max={99}
                value={quantities[good.sku] ?? 0}
                onChange={(quantity) => setQuantities({ ...quantities, [good.sku]: quantity })}
              />
              <span className="flex-1">
                {good.name} {good.choices && <span className="text-gravel">{good.choices}</span>}
              </span>
              <span>{reader.money(line ? line.fullMinor : good.priceMinor)}</span>
            </div>
            {line?.steps
              .filter((step) => step.code === 'offer')
              .map((step, j) => (
                <Step key={j} step={step} selected={selected} money={reader.money} />
              ))}
            {line && line.totalMinor !== line.fullMinor && (
              <p className="text-end font-semibold">{reader.money(line.totalMinor)}</p>
            )}
          </div>
        );
      })}
      {lines.length > 0 && (
        <>
          {priced.steps
            .filter(({ code }) => code === 'delivery' || code === 'offer')
            .map((step, i) => (
              <Step key={i} step={step} selected={selected} money={reader.money} />
            ))}
          {priced.gifts.map((gift) => (
            <p key={gift.offerId} className="flex justify-between">
              <span>
                {gift.quantity} × {gift.variant} as a gift
              </span>
              <span>{reader.money(0)}</span>
            </p>
          ))}
          <p className="flex justify-between border-t-2 border-basalt pt-2 text-[17px] font-semibold">
            <span>Total</span>
            <span>{reader.money(priced.totalMinor)}</span>
          </p>
          <p className="help">
            {isCosted
              ? `Before tax the goods bring ${reader.money(Math.round(net))} and cost you ${reader.money(cost)}: ${reader.money(Math.round(net - cost))} are left.`
              : 'What some of these cost you is not known; write it on the product.'}
          </p>
          {isUnder && (
            <p role="alert" className="mt-1 border-s-4 border-brick ps-2 text-brick">
              This is under your floor.
            </p>
          )}
          {priced.isGoodsDearer && (
            <p className="help">
              The goods could be cheaper with other offers, but delivery would then cost more than that saves.
            </p>
          )}
        </>
      )}
    </div>
  );
}

function Step({
  step,
  selected,
  money,
}: {
  step: PriceStep;
  selected: string | null;
  money: (amount: number) => string;
}) {
  const isOwn = step.code === 'offer' && step.offerId === selected;
  return (
    <p className={`flex justify-between ps-[72px] ${isOwn ? '-mx-2 bg-paint/30 px-2' : ''}`}>
      <span>{step.code === 'offer' ? step.name || step.offerId : 'Delivery'}</span>
      <span>{money(step.amountMinor)}</span>
    </p>
  );
}

export function Refusals({ refused, lane }: { refused: Readonly<Record<string, OfferRefusal>>; lane: Lane }) {
  const { reader } = useContext(NamesContext);
  const entries = Object.entries(refused);
  if (entries.length === 0) return null;
  const nameOf = (id: string) => lane.offers[id]?.name || id;
  return (
    <div>
      <h3 className="font-semibold">Not in it</h3>
      <ul>
        {entries.map(([id, refusal]) => (
          <li key={id} className="flex justify-between gap-3 border-b border-slab py-1">
            <span>{nameOf(id)}</span>
            <span className="text-end text-gravel">{wordRefusal(refusal, reader.money, nameOf)}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

const OTHERS = {
  off: 'is off',
  'not-searched': `takes less than ${MOST_SEARCHED} others`,
  'delivery-not-chosen': 'waits for delivery to be chosen',
  'no-effect': 'takes nothing off these goods',
} as const;

/** Why an offer is not in a price, to its owner. */
export function wordRefusal(
  refusal: OfferRefusal,
  money: (amount: number) => string,
  nameOf: (id: string) => string,
): string {
  if (refusal.code === 'needs-more') return `needs ${money(refusal.missingMinor)} more`;
  if (refusal.code === 'needs-items')
    return `needs ${refusal.missing} more ${refusal.missing === 1 ? 'item' : 'items'}`;
  if (refusal.code === 'outdone') return `is outdone by ${refusal.by.map(nameOf).join(' and ')}`;
  return own(OTHERS, refusal.code) ?? refusalWords(refusal.code);
}
