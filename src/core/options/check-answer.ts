import { addDays } from '~/core/time';
import type { Problem } from '~/core/problems';
import type { Answer } from './answers';
import type { Effect, ProductOption } from './option.schema';

/** A checked answer: cleaned, with its costs. `null`: nothing was answered. */
export interface CheckedAnswer {
  readonly value: Answer;
  readonly effects: readonly { readonly label: string; readonly effect: Effect }[];
}

type Checked = { readonly answer: CheckedAnswer | null; readonly problem: Problem | null };

/** Judges one answer by the option's own limits, whatever the others say. `today` is YYYY-MM-DD. */
export function checkAnswer(option: ProductOption, raw: Answer | undefined, today: string): Checked {
  const list = (typeof raw === 'string' ? [raw] : [...(raw ?? [])]).map((text) => text.trim()).filter(Boolean);
  if (list.length === 0) return { answer: null, problem: null };
  const bad = (code: Problem['code'], facts: Problem['facts'] = {}): Checked => ({
    answer: null,
    problem: { path: option.key, code, facts: { label: option.label, ...facts } },
  });
  const good = (value: Answer, effects: CheckedAnswer['effects']): Checked => ({
    answer: { value, effects },
    problem: null,
  });
  const [first] = list as [string];
  switch (option.kind) {
    case 'text': {
      const length = [...first].length;
      if (length > option.most) return bad('option-too-long', { limit: option.most });
      if (length < option.least) return bad('option-too-short', { limit: option.least });
      return good(first, [{ label: option.label, effect: option.effect }]);
    }
    case 'one':
    case 'swatch':
    case 'many': {
      const wanted = new Set(option.kind === 'many' ? list : [first]);
      const chosen = option.choices.filter((choice) => wanted.delete(choice.value));
      if (wanted.size > 0) return bad('option-not-offered');
      const effects = chosen.map((choice) => ({ label: `${option.label}: ${choice.label}`, effect: choice.effect }));
      if (option.kind !== 'many') return good(first, effects);
      if (chosen.length > option.most) return bad('option-too-many', { limit: option.most });
      if (chosen.length < option.least) return bad('option-too-few', { limit: option.least });
      return good(
        chosen.map((choice) => choice.value),
        effects,
      );
    }
    case 'number': {
      const value = Number(first);
      if (!/^[-+]?\d*\.?\d+$/.test(first) || !Number.isFinite(value)) return bad('option-number');
      if (value < option.min || value > option.max) return bad('option-range', { min: option.min, max: option.max });
      const steps = (value - option.min) / option.step;
      if (Math.abs(steps - Math.round(steps)) > 1e-6) return bad('option-step', { step: option.step });
      const times = option.times === 'number' ? Math.max(0, value) : 1;
      // Half a metre of a price in whole cents is rounded here, once, so that the line stays whole.
      const effect = {
        ...option.effect,
        amountMinor: Math.round(option.effect.amountMinor * times),
        weightGrams: Math.round(option.effect.weightGrams * times),
      };
      return good(String(value), [{ label: option.label, effect }]);
    }
    case 'date': {
      const time = Date.parse(`${first}T00:00:00Z`);
      const isDay = /^\d{4}-\d\d-\d\d$/.test(first) && !Number.isNaN(time);
      if (!isDay || new Date(time).toISOString().slice(0, 10) !== first) return bad('option-date');
      const [from, to] = [addDays(today, option.fromDays), addDays(today, option.toDays)];
      if (first < from || first > to) return bad('option-date-range', { from, to });
      return good(first, [{ label: option.label, effect: option.effect }]);
    }
    case 'file':
      if (!/^[\w-]{8,60}$/.test(first)) return bad('option-upload-gone');
      return good(first, [{ label: option.label, effect: option.effect }]);
    case 'addOn': {
      if (first !== 'yes') return bad('option-not-offered');
      if (!option.product) return bad('option-not-offered');
      const { priceMinor, weightGrams } = option.product;
      return good('yes', [
        { label: option.product.name, effect: { amountMinor: priceMinor, per: 'unit', weightGrams } },
      ]);
    }
  }
}
