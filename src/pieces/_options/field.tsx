/** @jsxImportSource preact */
import type { VNode } from 'preact';
import { addDays } from '~/core/time/day';
import { fill } from '~/core/words/fill';
import type { Effect, ProductOption } from '~/core/options';
import { signed, type OptionsShown } from './shown';

const FIELD = 'option:';
/** More choices than these are always a list. */
const MOST_BUTTONS = 8;
const ACCEPTED = {
  picture: 'image/png,image/jpeg,image/webp',
  drawing: 'image/svg+xml',
  pdf: 'application/pdf',
} as const;

interface Props {
  readonly shown: OptionsShown;
  readonly option: ProductOption;
  /** When it counts, for shoppers without script. */
  readonly hint?: string;
}

/** One option with its name, its help, what it costs and what is wrong with the answer. */
export function OptionField({ shown, option, hint }: Props): VNode {
  const { problems, piece, idPrefix } = shown;
  const { words, settings } = piece;
  const problem = problems[option.key];
  const id = `${idPrefix}-${option.key}`;
  const isGroup = 'choices' in option && !isList(option, shown);
  const Wrap = isGroup ? 'fieldset' : 'div';
  const label = (
    <>
      {option.label}
      {option.required && <small> {words.needed}</small>}
      {'effect' in option && <Cost effect={option.effect} shown={shown} unit={perUnit(option)} />}
    </>
  );
  return (
    <Wrap class="po-field" data-option={option.key} aria-describedby={problem ? `${id}-problem` : undefined}>
      {isGroup ? (
        <legend class="po-label" data-slot="label">
          {label}
        </legend>
      ) : (
        <label class="po-label" data-slot="label" for={id}>
          {label}
        </label>
      )}
      {hint && <small>{hint}</small>}
      <Control shown={shown} option={option} id={id} invalid={problem !== undefined} />
      {option.help &&
        (settings.help === 'folded' ? (
          <details class="po-folded">
            <summary data-word="help">{words.help}</summary>
            <small>{option.help}</small>
          </details>
        ) : (
          <small id={`${id}-help`}>{option.help}</small>
        ))}
      {problem && (
        <p class="po-problem" id={`${id}-problem`}>
          {problem}
        </p>
      )}
    </Wrap>
  );
}

function perUnit(option: ProductOption): string {
  return option.kind === 'number' && option.times === 'number' ? ` / ${option.unit || '1'}` : '';
}

function Cost({ effect, shown, unit = '' }: { effect: Effect; shown: OptionsShown; unit?: string }): VNode | null {
  const { settings, words } = shown.piece;
  if (settings.prices === 'hidden' || effect.amountMinor === 0) return null;
  return (
    <small>
      {' '}
      {signed(effect.amountMinor, shown.money)}
      {unit}
      {effect.per === 'once' && ` ${words.once}`}
    </small>
  );
}

function isList(option: ProductOption, shown: OptionsShown): boolean {
  return option.kind === 'one' && (shown.piece.settings.choicesAs === 'list' || option.choices.length > MOST_BUTTONS);
}

type ControlProps = Props & { readonly id: string; readonly invalid: boolean };

function Control({ shown, option, id, invalid }: ControlProps): VNode {
  const { answers, on, money, piece, uploads, today } = shown;
  const { words, settings } = piece;
  const raw = answers[option.key];
  const values = typeof raw === 'string' ? [raw] : (raw ?? []);
  const value = values[0] ?? '';
  const common = {
    id,
    name: FIELD + option.key,
    'aria-invalid': invalid || undefined,
    'aria-describedby':
      [option.help && `${id}-help`, invalid && `${id}-problem`].filter(Boolean).join(' ') || undefined,
  };
  const answer = (next: string) => on?.answer(option.key, next);
  switch (option.kind) {
    case 'text': {
      const left = option.most - [...value].length;
      const Tag = option.most > 80 ? 'textarea' : 'input';
      return (
        <>
          <Tag
            {...common}
            value={value}
            maxLength={option.most * 2}
            onInput={(event: Event) => answer((event.currentTarget as HTMLInputElement).value)}
          />
          {settings.counter && (
            <small data-word="left" aria-live="off">
              {fill(words.left, { count: left }, shown.language)}
            </small>
          )}
        </>
      );
    }
    case 'one':
    case 'swatch':
    case 'many': {
      if (isList(option, shown))
        return (
          <select {...common} onChange={(event) => answer(event.currentTarget.value)}>
            <option value="">{words.none}</option>
            {option.choices.map((choice) => (
              <option key={choice.value} value={choice.value} selected={choice.value === value}>
                {choice.label}
                {settings.prices === 'beside' && choice.effect.amountMinor !== 0
                  ? ` ${signed(choice.effect.amountMinor, money)}`
                  : ''}
              </option>
            ))}
          </select>
        );
      const type = option.kind === 'many' ? 'checkbox' : 'radio';
      const choose = (key: string, checked: boolean) => {
        if (type === 'radio') return answer(key);
        on?.answer(option.key, checked ? [...values, key] : values.filter((other) => other !== key));
      };
      return (
        <div class="po-row">
          {option.choices.map((choice) => (
            <label key={choice.value} class={`po-choice${option.kind === 'swatch' ? ' po-swatch' : ''}`}>
              <input
                type={type}
                name={common.name}
                value={choice.value}
                checked={values.includes(choice.value)}
                aria-invalid={common['aria-invalid']}
                onChange={(event) => choose(choice.value, event.currentTarget.checked)}
                // An optional choice is taken back by pressing it again.
                onClick={(event) => {
                  if (type === 'radio' && !option.required && values.includes(event.currentTarget.value)) answer('');
                }}
              />
              <span data-slot="choice">
                {'colour' in choice && <i style={{ '--colour': choice.colour }} />}
                {choice.label}
                <Cost effect={choice.effect} shown={shown} />
              </span>
            </label>
          ))}
        </div>
      );
    }
    case 'number':
      return <NumberAnswer common={common} option={option} value={value} answer={answer} />;
    case 'date':
      return (
        <input
          {...common}
          type="date"
          min={addDays(today, option.fromDays)}
          max={addDays(today, option.toDays)}
          value={value}
          onInput={(event) => answer(event.currentTarget.value)}
        />
      );
    case 'file': {
      const isSending = on?.sending.has(option.key) ?? false;
      return (
        <div class="po-row">
          {value && uploads[value] && (
            <a href={`/api/uploads/${value}`} target="_blank" rel="noreferrer">
              {uploads[value]}
            </a>
          )}
          <span class={on ? 'po-file' : undefined}>
            {on && (isSending ? words.sending : value ? words.replace : words.choose)}
            <input
              {...common}
              name={on ? undefined : common.name}
              type="file"
              accept={option.forms.map((form) => ACCEPTED[form]).join(',')}
              onChange={(event) => {
                const file = event.currentTarget.files?.[0];
                if (file && on) on.upload(option.key, file);
              }}
            />
          </span>
          {value && <input type="hidden" name={common.name} value={value} />}
        </div>
      );
    }
    case 'addOn':
      return (
        <label class="po-tick">
          <input
            {...common}
            type="checkbox"
            value="yes"
            checked={value === 'yes'}
            onChange={(event) => answer(event.currentTarget.checked ? 'yes' : '')}
          />
          <span>
            {words.yes}: {option.product?.name}{' '}
            {option.product && settings.prices === 'beside' && (
              <small>{signed(option.product.priceMinor, money)}</small>
            )}
          </span>
        </label>
      );
  }
}

function NumberAnswer({
  common,
  option,
  value,
  answer,
}: {
  common: { id: string; name: string; 'aria-invalid': true | undefined; 'aria-describedby': string | undefined };
  option: Extract<ControlProps['option'], { kind: 'number' }>;
  value: string;
  answer: (next: string) => void | undefined;
}) {
  return (
    <div class="po-row po-number">
      <input
        {...common}
        type="number"
        inputMode="decimal"
        min={option.min}
        max={option.max}
        step={option.step}
        value={value}
        onInput={(event) => answer(event.currentTarget.value)}
      />
      {option.unit}
    </div>
  );
}
