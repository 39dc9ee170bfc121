import { useState } from 'react';
import { LETTERS } from '~/core/limits';
import type { Shop } from '~/core/lane';
import { MOST_UPLOAD_BYTES, type Effect, type FileForm, type OptionKind, type OptionRule } from '~/core/options';
import { Tick } from '~/studio/fields/tick';
import { NumberField } from '~/studio/fields/number-field';
import { ChoicesEditor } from './choices-editor';
import { ConditionEditor } from './condition-editor';
import { EffectFields } from './effect-fields';
import { shortNameOf } from './short-name';

/** What the kinds are called, and a fresh option of one. */
export const KIND_NAMES: Readonly<Record<OptionKind, { readonly name: string; readonly fresh: string }>> = {
  text: { name: 'A text', fresh: 'Text' },
  one: { name: 'Single choice', fresh: 'Choice' },
  many: { name: 'Multiple choice', fresh: 'Extras' },
  swatch: { name: 'A colour', fresh: 'Colour' },
  number: { name: 'A number', fresh: 'Number' },
  date: { name: 'A day', fresh: 'Day' },
  file: { name: 'A file', fresh: 'File' },
  addOn: { name: 'An add-on', fresh: 'Add-on' },
};

const FORMS: Readonly<Record<FileForm, string>> = {
  picture: 'Pictures (PNG, JPEG, WebP)',
  drawing: 'Drawings (SVG)',
  pdf: 'PDF',
};

export interface RuleFormProps {
  readonly rule: OptionRule;
  readonly others: readonly OptionRule[];
  readonly shop: Shop;
  /** The rule as it is in the shop; what is there keeps the names it is sold under. */
  readonly stored: OptionRule | undefined;
  readonly onChange: (recipe: (rule: OptionRule) => void) => void;
  readonly onRename: (key: string) => void;
  readonly onRenameChoice: (from: string, value: string) => void;
}

/** Everything about one option: its words, its limits, what it costs, and when it is asked. */
export function RuleForm(props: RuleFormProps) {
  const { rule, others, onChange, onRename } = props;
  return (
    <div className="flex max-w-[620px] flex-col gap-5">
      <h2>{KIND_NAMES[rule.kind].name}</h2>
      <div className="grid grid-cols-2 gap-3">
        <Text
          label="Name"
          value={rule.label}
          limit={LETTERS.optionLabel}
          onChange={(text) => onChange((draft) => void (draft.label = text))}
        />
        <ShortName value={rule.key} onChange={onRename} />
        <div className="col-span-2">
          <Text
            label="Help"
            value={rule.help}
            limit={LETTERS.optionHelp}
            onChange={(text) => onChange((draft) => void (draft.help = text))}
          />
        </div>
      </div>
      <Tick
        label="Must be answered, when it is asked"
        checked={rule.required}
        onChange={(on) => onChange((draft) => void (draft.required = on))}
      />
      <Limits {...props} />
      <ConditionEditor
        condition={rule.shownWhen}
        others={others}
        onChange={(condition) => onChange((draft) => void (draft.shownWhen = condition))}
      />
    </div>
  );
}

function Limits(props: RuleFormProps) {
  const { rule, shop, onChange } = props;
  /** Changes fields of this kind of rule; `produce` keeps the kind as it is. */
  const set = (fields: Record<string, unknown>) => onChange((draft) => void Object.assign(draft, fields));
  const effect = 'effect' in rule && (
    <EffectFields effect={rule.effect} shop={shop} onChange={(next: Effect) => set({ effect: next })} />
  );
  switch (rule.kind) {
    case 'text':
      return (
        <>
          <div className="flex gap-3">
            <Whole
              label="At least (characters)"
              min={0}
              max={500}
              value={rule.least}
              onChange={(least) => set({ least })}
            />
            <Whole label="At most" min={1} max={500} value={rule.most} onChange={(most) => set({ most })} />
          </div>
          {effect}
        </>
      );
    case 'number':
      return (
        <>
          <div className="flex flex-wrap gap-3">
            <Whole label="From" value={rule.min} step="any" onChange={(min) => set({ min })} />
            <Whole label="To" value={rule.max} step="any" onChange={(max) => set({ max })} />
            <Whole label="In steps of" value={rule.step} step="any" onChange={(step) => set({ step })} />
            <Text label="Unit" value={rule.unit} limit={12} onChange={(unit) => set({ unit })} />
          </div>
          <Tick
            label="The price counts as often as the number says"
            checked={rule.times === 'number'}
            onChange={(on) => set({ times: on ? 'number' : 'flat' })}
          />
          {effect}
        </>
      );
    case 'date':
      return (
        <>
          <div className="flex gap-3">
            <Whole label="From (days from today)" value={rule.fromDays} onChange={(fromDays) => set({ fromDays })} />
            <Whole label="To" value={rule.toDays} onChange={(toDays) => set({ toDays })} />
          </div>
          {effect}
        </>
      );
    case 'file':
      return (
        <>
          <fieldset>
            <legend className="font-semibold">What may be sent</legend>
            {(Object.keys(FORMS) as FileForm[]).map((form) => (
              <Tick
                key={form}
                label={FORMS[form]}
                checked={rule.forms.includes(form)}
                onChange={(on) =>
                  set({ forms: on ? [...rule.forms, form] : rule.forms.filter((other) => other !== form) })
                }
              />
            ))}
          </fieldset>
          <Whole
            label="At most (kB)"
            min={1}
            max={MOST_UPLOAD_BYTES / 1024}
            value={Math.round(rule.mostBytes / 1024)}
            onChange={(kilobytes) => set({ mostBytes: kilobytes * 1024 })}
          />
          {effect}
        </>
      );
    case 'addOn':
      return (
        <Text
          label="SKU of what is added"
          value={rule.sku}
          limit={80}
          help="Sold with each unit, at its own price and from its own stock."
          onChange={(sku) => set({ sku })}
        />
      );
    case 'one':
    case 'many':
    case 'swatch':
      return (
        <>
          {rule.kind === 'many' && (
            <div className="flex gap-3">
              <Whole label="Choose at least" min={0} max={60} value={rule.least} onChange={(least) => set({ least })} />
              <Whole label="At most" min={1} max={60} value={rule.most} onChange={(most) => set({ most })} />
            </div>
          )}
          <ChoicesEditor {...props} rule={rule} />
        </>
      );
  }
}

interface TextProps {
  readonly label: string;
  readonly value: string;
  readonly limit: number;
  readonly help?: string;
  readonly onChange: (text: string) => void;
  readonly onDone?: () => void;
}

function Text({ label, value, limit, help, onChange, onDone }: TextProps) {
  return (
    <label className="flex flex-col gap-0.5">
      <span className="font-semibold">{label}</span>
      <input
        className="field"
        maxLength={limit}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        onBlur={onDone}
        onKeyDown={(event) => event.key === 'Enter' && onDone?.()}
      />
      {help && <span className="help">{help}</span>}
    </label>
  );
}

/** Taken when the field is left, so that what asks about the option can follow in one step. */
function ShortName({ value, onChange }: { value: string; onChange: (key: string) => void }) {
  const [typed, setTyped] = useState<string | null>(null);
  function take(): void {
    const next = shortNameOf(typed ?? '');
    if (next && next !== value) onChange(next);
    setTyped(null);
  }
  return (
    <Text
      label="Short name"
      value={typed ?? value}
      limit={40}
      help="Used in conditions and orders; small letters, digits and hyphens."
      onChange={setTyped}
      onDone={take}
    />
  );
}

interface WholeProps {
  readonly label: string;
  readonly value: number;
  readonly min?: number;
  readonly max?: number;
  readonly step?: 'any';
  readonly onChange: (value: number) => void;
}

function Whole({ label, ...field }: WholeProps) {
  return (
    <label className="flex flex-col gap-0.5">
      <span className="font-semibold">{label}</span>
      <NumberField {...field} className="w-32" />
    </label>
  );
}
