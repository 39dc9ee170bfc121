import { pricedLine } from '~/core/pricing';
import { useState } from 'react';
import type { Shop } from '~/core/lane';
import { priceLine } from '~/core/pricing/receipt/price-line';
import { evaluateOptions, type Answer, type OptionRule, type ProductOption } from '~/core/options';
import { wordProblem } from '~/core/problems';
import { addDays, dayIn } from '~/core/time';
import { Tick } from '~/studio/fields/tick';
import { money } from '~/studio/data/format';
import { NumberField } from '~/studio/fields/number-field';

interface Props {
  readonly rules: readonly OptionRule[];
  readonly addOns: readonly ProductOption[];
  readonly priceMinor: number;
  readonly shop: Shop;
  readonly isSound: boolean;
}

/** The options as a buyer would answer them, evaluated by the very rules the shop uses. Nothing is bought. */
export function TryIt({ rules, addOns, priceMinor, shop, isSound }: Props) {
  const [answers, setAnswers] = useState<Record<string, Answer>>({});
  const [quantity, setQuantity] = useState(1);
  const today = dayIn(shop.timeZone, Date.now());
  if (!isSound)
    return (
      <>
        <h2>Try it</h2>
        <p className="help">Once the options make sense together, they can be tried here.</p>
      </>
    );
  const options = rules.map((rule): ProductOption => {
    if (rule.kind !== 'addOn') return rule;
    const known = addOns.find((option) => option.kind === 'addOn' && option.sku === rule.sku);
    return { ...rule, product: known?.kind === 'addOn' ? known.product : null };
  });
  const evaluation = evaluateOptions(options, answers, today);
  const tried = { slug: '', sku: 'try', categories: [], tags: [], priceMinor };
  const priced = priceLine(pricedLine(tried, quantity, { effects: evaluation.effects }));
  const set = (key: string, value: Answer) => setAnswers((before) => ({ ...before, [key]: value }));
  const problemOf = (key: string) => evaluation.problems.find((problem) => problem.path === key);
  const hidden = rules.filter((rule) => !evaluation.shown.includes(rule.key));
  return (
    <div className="flex flex-col gap-3" data-testid="try-it">
      <header>
        <h2>Try it</h2>
        <p className="help">Answer as a buyer would. What is asked and what it costs follow at once.</p>
      </header>
      {options
        .filter((option) => evaluation.shown.includes(option.key))
        .map((option) => {
          const problem = problemOf(option.key);
          return (
            <div key={option.key} className="flex flex-col gap-0.5">
              <Control
                option={option}
                answer={answers[option.key]}
                today={today}
                onAnswer={(value) => set(option.key, value)}
              />
              {problem && problem.code !== 'option-missing' && <p className="text-brick">{wordProblem(problem)}</p>}
            </div>
          );
        })}
      {hidden.length > 0 && <p className="help">Not asked now: {hidden.map((rule) => rule.label).join(', ')}.</p>}
      <label className="flex items-center gap-2">
        Quantity
        <NumberField className="w-20" min={1} max={99} value={quantity} onChange={setQuantity} />
      </label>
      <table className="tbl panel" aria-label="What it comes to">
        <tbody>
          {priced.steps.map((step, i) => (
            <tr key={i}>
              <td>
                {step.code === 'list-price' && `${step.quantity} × ${money(step.unitMinor, shop)}`}
                {step.code === 'option' &&
                  `${step.label} (${step.per === 'once' ? 'once' : `${money(step.eachMinor, shop)} each`})`}
                {step.code === 'floor' && 'never less than nothing'}
              </td>
              <td className="num">{money(step.amountMinor, shop)}</td>
            </tr>
          ))}
          <tr className="font-semibold">
            <td>The line</td>
            <td className="num" data-testid="try-total">
              {money(priced.totalMinor, shop)}
            </td>
          </tr>
        </tbody>
      </table>
      {(evaluation.weight.unitGrams > 0 || evaluation.weight.onceGrams > 0) && (
        <p className="help">
          Options weigh {evaluation.weight.unitGrams} g for each unit and {evaluation.weight.onceGrams} g once.
        </p>
      )}
      <p className={evaluation.problems.length > 0 ? 'text-brick' : 'text-moss'}>
        {evaluation.problems.length === 0
          ? 'It could be added to the cart like this.'
          : `Still open: ${evaluation.problems.map((problem) => String(problem.facts?.['label'] ?? problem.path)).join(', ')}.`}
      </p>
    </div>
  );
}

interface ControlProps {
  readonly option: ProductOption;
  readonly answer: Answer | undefined;
  readonly today: string;
  readonly onAnswer: (value: Answer) => void;
}

function Control({ option, answer, today, onAnswer }: ControlProps) {
  const value = typeof answer === 'string' ? answer : '';
  const list = Array.isArray(answer) ? (answer as readonly string[]) : [];
  const named = (control: React.ReactNode) => (
    <label className="flex flex-col gap-0.5">
      <span className="font-semibold">
        {option.label}
        {option.required && ' *'}
      </span>
      {control}
    </label>
  );
  const onText = (event: { target: { value: string } }) => onAnswer(event.target.value);
  switch (option.kind) {
    case 'text':
      return named(<input className="field" value={value} onChange={onText} />);
    case 'number':
      return named(
        <input
          className="field"
          type="number"
          min={option.min}
          max={option.max}
          step={option.step}
          value={value}
          onChange={onText}
        />,
      );
    case 'date':
      return named(
        <input
          className="field"
          type="date"
          min={addDays(today, option.fromDays)}
          max={addDays(today, option.toDays)}
          value={value}
          onChange={onText}
        />,
      );
    case 'one':
    case 'swatch':
      return named(
        <select className="field" value={value} onChange={onText}>
          <option value="">–</option>
          {option.choices.map((choice) => (
            <option key={choice.value} value={choice.value}>
              {choice.label}
            </option>
          ))}
        </select>,
      );
    case 'many':
      return (
        <fieldset>
          <legend className="font-semibold">{option.label}</legend>
          {option.choices.map((choice) => (
            <Tick
              key={choice.value}
              label={choice.label}
              checked={list.includes(choice.value)}
              onChange={(on) => onAnswer(on ? [...list, choice.value] : list.filter((other) => other !== choice.value))}
            />
          ))}
        </fieldset>
      );
    case 'file':
      return (
        <Tick
          label={`${option.label}: as if a file had been sent`}
          checked={value !== ''}
          onChange={(on) => onAnswer(on ? 'tried-in-the-studio' : '')}
        />
      );
    case 'addOn':
      return (
        <Tick
          label={`${option.label}: ${option.product?.name ?? option.sku}`}
          checked={value === 'yes'}
          onChange={(on) => onAnswer(on ? 'yes' : '')}
        />
      );
  }
}
