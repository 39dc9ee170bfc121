import { z } from 'zod';
import { PLACE_PATTERN, readPlace } from '~/core/opener-position';
import type { SettingSpec, SettingValue } from '../setting';
import type { Naming } from '../shop-names';
import { columnsSchema, columnsText, type Columns } from './columns';
import { goodsSchema, goodsText, type Goods } from './goods';
import { selectionSchema, selectionText, type Selection } from './selection';

/** A place of a picture uploaded here; empty: none. */
export const uploadedPicture = z.string().regex(/^(\/media\/icons\/[\w.-]{1,80})?$/, 'must be a picture uploaded here');

interface SettingType<Spec extends SettingSpec> {
  /** Of a value; a missing one takes the default, so that documents from before it stay valid. */
  readonly schema: (spec: Spec) => z.ZodType;
  /** A value as it stands in a difference. */
  readonly text: (spec: Spec, value: SettingValue | undefined, naming: Naming) => string;
}

type Types = { readonly [Type in SettingSpec['type']]: SettingType<Extract<SettingSpec, { type: Type }>> };

/** Every type of setting there is: what it may hold, and how it reads. Its control in the studio has the matching list. */
const SETTING_TYPES: Types = {
  choice: {
    schema: (spec) => z.enum(Object.keys(spec.options)).default(spec.default),
    text: (spec, value) => spec.options[String(value)] ?? String(value),
  },
  toggle: { schema: (spec) => z.boolean().default(spec.default), text: (_spec, value) => (value ? 'on' : 'off') },
  number: {
    schema: (spec) => z.number().min(spec.min).max(spec.max).default(spec.default),
    text: (spec, value) => `${String(value)} ${spec.unit}`.trim(),
  },
  place: {
    schema: (spec) =>
      z
        .string()
        .regex(PLACE_PATTERN, 'must be an edge and how far along it, such as “bottom 100”')
        .default(spec.default),
    text: (_spec, value) => {
      const { edge, along } = readPlace(String(value));
      return `${edge} edge, ${along} % along`;
    },
  },
  picture: {
    schema: (spec) => uploadedPicture.default(spec.default),
    text: (_spec, value) => (value ? 'a picture of your own' : 'none'),
  },
  text: {
    schema: (spec) => z.string().max(spec.most).default(spec.default),
    text: (_spec, value) => (value ? `“${String(value)}”` : 'nothing'),
  },
  selection: {
    schema: (spec) => selectionSchema.default(() => structuredClone(spec.default)),
    text: (_spec, value, { nameOf }) => selectionText(value as Selection, nameOf),
  },
  goods: {
    schema: (spec) => goodsSchema.default(() => structuredClone(spec.default)),
    text: (_spec, value, { nameOf }) => goodsText(value as Goods, nameOf),
  },
  offer: {
    schema: (spec) => z.string().max(60).default(spec.default),
    text: (_spec, value, { offerName }) => (value ? `the offer “${offerName(String(value))}”` : 'none'),
  },
  columns: {
    schema: () => columnsSchema.default({}),
    text: (spec, value) => columnsText(value as Columns, spec.of),
  },
};

const typeOf = (spec: SettingSpec) => SETTING_TYPES[spec.type] as SettingType<SettingSpec>;

/** What settings of all types hold. */
export const settingValueSchema = z.union([
  z.string(),
  z.number(),
  z.boolean(),
  goodsSchema,
  selectionSchema,
  columnsSchema,
]);

export const settingSchema = (spec: SettingSpec): z.ZodType => typeOf(spec).schema(spec);

export const settingText = (spec: SettingSpec, value: SettingValue | undefined, naming: Naming): string =>
  typeOf(spec).text(spec, value, naming);
