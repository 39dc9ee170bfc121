import RotateCcw from 'lucide-react/icons/rotate-ccw';
import isEqual from 'fast-deep-equal';
import { useId, type ReactNode } from 'react';
import type { Columns, Goods, Selection, SettingSpec, SettingValue } from '~/core/lane';
import { ColumnsControl } from './columns-control';
import { GoodsControl } from './goods-control';
import { OfferControl } from './offer-control';
import { PictureControl } from './picture-control';
import { PlaceControl } from './place-control';
import { Segmented } from './segmented';
import { SelectionControl } from './selection-control';

interface RowProps {
  readonly label: string;
  readonly help?: string | undefined;
  readonly changed: boolean;
  readonly onReset: () => void;
  readonly children: ReactNode;
  readonly labelId?: string;
}

/** A setting: its name, one line of help, and a dot with the way back when it is not the default. */
export function Row({ label, help, changed, onReset, children, labelId }: RowProps) {
  return (
    <div className="flex flex-col gap-1" data-row={label}>
      <div className="flex items-center gap-2">
        <span id={labelId} className="font-semibold">
          {label}
        </span>
        {changed && (
          <>
            <span className="size-2 rounded-full bg-paint" title="Changed from the default" />
            <button
              className="plain ms-auto flex items-center gap-1 text-[12px] text-gravel hover:text-basalt"
              onClick={onReset}
            >
              <RotateCcw size={12} strokeWidth={1.75} /> back to default
            </button>
          </>
        )}
      </div>
      {help && <p className="help">{help}</p>}
      {children}
    </div>
  );
}

interface NumberProps {
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly unit: string;
  readonly labelId?: string;
  readonly onChange: (value: number) => void;
}

export function Amount({ value, min, max, step, unit, labelId, onChange }: NumberProps) {
  const set = (text: string) => {
    const next = Number(text);
    if (text !== '' && Number.isFinite(next)) onChange(Math.min(max, Math.max(min, next)));
  };
  return (
    <div className="flex items-center gap-2">
      <input
        type="range"
        className="min-w-0 flex-1 accent-moss"
        aria-labelledby={labelId}
        min={min}
        max={max}
        step={step}
        value={value}
        onChange={(event) => set(event.target.value)}
      />
      <input
        type="number"
        className="field w-[74px] text-end"
        aria-labelledby={labelId}
        min={min}
        max={max}
        step={step}
        key={value}
        defaultValue={value}
        onBlur={(event) => set(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && set(event.currentTarget.value)}
      />
      <span className="w-5 text-gravel">{unit}</span>
    </div>
  );
}

interface SettingProps {
  readonly spec: SettingSpec;
  readonly value: SettingValue;
  readonly onChange: (value: SettingValue) => void;
}

/** The control of a setting, made from its declaration. */
export function SettingControl({ spec, value, onChange }: SettingProps) {
  const id = useId();
  return (
    <Row
      label={spec.label}
      help={spec.help}
      changed={!isEqual(value, spec.default)}
      onReset={() => onChange(structuredClone(spec.default))}
      labelId={id}
    >
      {spec.type === 'choice' && (
        <Segmented labelId={id} options={spec.options} value={String(value)} onChange={onChange} />
      )}
      {spec.type === 'toggle' && (
        <Segmented
          labelId={id}
          options={{ on: 'On', off: 'Off' }}
          value={value ? 'on' : 'off'}
          onChange={(key) => onChange(key === 'on')}
        />
      )}
      {spec.type === 'number' && (
        <Amount
          labelId={id}
          value={Number(value)}
          min={spec.min}
          max={spec.max}
          step={spec.step}
          unit={spec.unit}
          onChange={onChange}
        />
      )}
      {spec.type === 'text' && (
        <input
          className="field w-full"
          aria-labelledby={id}
          maxLength={spec.most}
          value={String(value)}
          onChange={(event) => onChange(event.target.value)}
        />
      )}
      {spec.type === 'selection' && (
        <SelectionControl value={value as Selection} canFollowPage={spec.canFollowPage} onChange={onChange} />
      )}
      {spec.type === 'goods' && <GoodsControl value={value as Goods} onChange={onChange} />}
      {spec.type === 'offer' && <OfferControl labelId={id} value={String(value)} onChange={onChange} />}
      {spec.type === 'columns' && (
        <ColumnsControl labelId={id} names={spec.of} value={value as Columns} onChange={onChange} />
      )}
      {spec.type === 'place' && <PlaceControl labelId={id} value={String(value)} onChange={onChange} />}
      {spec.type === 'picture' && <PictureControl labelId={id} value={String(value)} onChange={onChange} />}
    </Row>
  );
}
