import type { Effect, OptionRule } from '~/core/options';

const effect = (amountMinor: number, per: Effect['per'] = 'unit', weightGrams = 0): Effect => ({
  amountMinor,
  per,
  weightGrams,
});
const always = { help: '', required: false, shownWhen: null } as const;

/** What is sewn or printed on the sail. */
const LETTERING: readonly OptionRule[] = [
  {
    ...always,
    kind: 'text',
    key: 'name',
    label: 'Name on the sail',
    help: 'Sewn across the leading edge, up to 18 characters.',
    least: 0,
    most: 18,
    effect: effect(900),
  },
  {
    ...always,
    kind: 'swatch',
    key: 'lettering',
    label: 'Lettering colour',
    required: true,
    shownWhen: { op: 'isSet', option: 'name' },
    choices: [
      { value: 'night', label: 'Night', colour: '#14323b', effect: effect(0) },
      { value: 'chalk', label: 'Chalk', colour: '#f2f4ee', effect: effect(0) },
      { value: 'copper', label: 'Copper', colour: '#b5652d', effect: effect(250) },
    ],
  },
  {
    ...always,
    kind: 'one',
    key: 'printing',
    label: 'Printing',
    required: true,
    choices: [
      { value: 'none', label: 'None', effect: effect(0) },
      { value: 'one-colour', label: 'One colour', effect: effect(1200) },
      { value: 'own', label: 'Own artwork', effect: effect(2500, 'once') },
    ],
  },
  {
    ...always,
    kind: 'file',
    key: 'artwork',
    label: 'Your artwork',
    help: 'A PNG, JPEG or WebP picture, or an SVG drawing, up to 4 MB.',
    required: true,
    shownWhen: { op: 'equals', option: 'printing', value: 'own' },
    forms: ['picture', 'drawing'],
    mostBytes: 4 * 1024 * 1024,
    effect: effect(0),
  },
];

/** What can be asked of the kite that is sewn to order. `winderSku` is the add-on's. */
export function sailYourOwnOptions(winderSku: string): OptionRule[] {
  return [
    // Whoever gets them may change them.
    ...structuredClone(LETTERING),
    {
      ...always,
      kind: 'one',
      key: 'tail',
      label: 'Tail',
      required: true,
      choices: [
        { value: 'no', label: 'No tail', effect: effect(0) },
        { value: 'yes', label: 'With a tail', effect: effect(400, 'unit', 40) },
      ],
    },
    {
      ...always,
      kind: 'number',
      key: 'tail-length',
      label: 'Tail length',
      help: 'Three metres suit most winds.',
      required: true,
      shownWhen: { op: 'equals', option: 'tail', value: 'yes' },
      min: 1,
      max: 8,
      step: 0.5,
      unit: 'm',
      times: 'number',
      effect: effect(150, 'unit', 12),
    },
    {
      ...always,
      kind: 'many',
      key: 'extras',
      label: 'Extras',
      least: 0,
      most: 2,
      choices: [
        { value: 'gift', label: 'Gift wrap', effect: effect(350, 'unit', 60) },
        { value: 'sleeve', label: 'Storm sleeve', effect: effect(690, 'unit', 80) },
      ],
    },
    {
      ...always,
      kind: 'text',
      key: 'gift-note',
      label: 'Note with the gift',
      shownWhen: { op: 'oneOf', option: 'extras', values: ['gift'] },
      least: 0,
      most: 120,
      effect: effect(0),
    },
    {
      ...always,
      kind: 'date',
      key: 'not-before',
      label: 'Not to arrive before',
      fromDays: 10,
      toDays: 120,
      effect: effect(0),
    },
    { ...always, kind: 'addOn', key: 'winder', label: 'A winder to go with it', sku: winderSku },
  ];
}
