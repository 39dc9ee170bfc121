import { z } from 'zod';
import type { Naming } from '../shop-names';
import { choiceType, type ChoiceSetting } from './choice';
import { columnsType } from './columns';
import { goodsType } from './goods';
import { numberType } from './number';
import { offerType } from './offer';
import { pictureType } from './picture';
import { placeType } from './place';
import { selectionType } from './selection';
import type { SettingType } from './setting-type';
import { textType } from './text';
import { toggleType } from './toggle';

/** Every type of setting there is, a line each. */
const SETTING_TYPES = {
  choice: choiceType,
  toggle: toggleType,
  number: numberType,
  place: placeType,
  picture: pictureType,
  text: textType,
  selection: selectionType,
  goods: goodsType,
  offer: offerType,
  columns: columnsType,
};

type Types = typeof SETTING_TYPES;
type SpecOf<Type> = Type extends SettingType<infer Spec, infer _Value> ? Spec : never;
type HeldBy<Type> = Type extends SettingType<infer _Spec, infer Value> ? Value : never;

/** A setting as a definition declares it. */
export type SettingSpec = SpecOf<Types[keyof Types]>;
/** What a setting holds, of whatever type. */
export type SettingValue = HeldBy<Types[keyof Types]>;

/** What settings of one type hold. */
export type HeldOf<Type extends SettingSpec['type']> = HeldBy<Types[Type]>;

/** What the settings of a definition hold. */
export type SettingsOf<Specs extends Readonly<Record<string, SettingSpec>>> = {
  readonly [Key in keyof Specs]: Specs[Key] extends ChoiceSetting<infer Options>
    ? keyof Options & string
    : HeldBy<Types[Specs[Key]['type']]>;
};

const typeOf = (spec: SettingSpec) => SETTING_TYPES[spec.type] as SettingType<SettingSpec, SettingValue>;

const heldSchemas = Object.values(SETTING_TYPES).flatMap((type): z.ZodType[] => ('held' in type ? [type.held!] : []));

/** What settings of all types hold. */
export const settingValueSchema = z.union([
  z.string(),
  z.number(),
  z.boolean(),
  ...heldSchemas,
]) as z.ZodType<SettingValue>;

export const settingSchema = (spec: SettingSpec): z.ZodType => typeOf(spec).schema(spec);

/** A value of a setting as a part of a sentence; one that is missing reads as nothing held. */
export const settingText = (spec: SettingSpec, value: SettingValue | undefined, naming: Naming): string =>
  typeOf(spec).text(spec, value ?? '', naming);
