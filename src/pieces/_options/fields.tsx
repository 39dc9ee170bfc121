/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { describeCondition } from '~/core/options/describe-condition';
import { effectSums } from '~/core/options/effects';
import { fill } from '~/core/words/fill';
import { OptionField } from './field';
import { signed, type OptionsShown } from './shown';

/** Every option that is asked for. On the server those not asked for yet stand where only shoppers without script find them. */
export function OptionFields(shown: OptionsShown): VNode {
  const { options, evaluation, piece, device, money, on } = shown;
  const { settings, words } = piece;
  const parts = piece.parts.filter((part) => !device || !part.hideOn.includes(device));
  const { unitMinor, onceMinor } = effectSums(evaluation.effects);
  const sum = unitMinor + onceMinor;
  return (
    <div class="po" style={{ '--po-gap': `${settings.gap}px`, '--po-swatch': `${settings.swatchSize}px` }} data-part="">
      {parts.map(({ key }) =>
        key === 'extra' ? (
          sum !== 0 && (
            <p key={key} class="po-extra" data-part="extra" data-word="extra" aria-live="polite">
              {fill(words.extra, { amount: signed(sum, money) })}
            </p>
          )
        ) : (
          <div key={key} class="po" data-part="fields">
            {options.map((option) => {
              if (evaluation.shown.includes(option.key))
                return <OptionField key={option.key} shown={shown} option={option} />;
              if (on || !option.shownWhen) return null;
              return (
                <noscript key={option.key}>
                  <OptionField
                    shown={shown}
                    option={option}
                    hint={`${words.onlyWhen} ${describeCondition(option.shownWhen, options)}`}
                  />
                </noscript>
              );
            })}
          </div>
        ),
      )}
    </div>
  );
}
