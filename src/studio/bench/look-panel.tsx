import { useEffect, useState } from 'react';
import {
  LOOK_PROPERTIES,
  readCustomCss,
  resolveColour,
  resolveLook,
  THEME_COLOURS,
  THEME_LABELS,
  wordCssProblem,
  type LookProperty,
  type LookSlot,
  type LookSpec,
  type LookState,
  type LookValue,
  type Theme,
} from '~/core/lane';
import { contrastRatio, LEAST_CONTRAST, nearestPassing } from '~/core/proof';
import { Amount, Row } from '~/studio/fields/controls';
import { proposeStates } from '~/core/lane/settings/propose-states';
import { CopyLook } from './copy-look';
import { SettingControl } from '~/studio/settings/setting-control';
import { Segmented } from '~/studio/fields/segmented';
import { lookAt, type ComesTo } from './comes-to';
import type { PanelProps } from './panel';
import type { Measured } from '~/studio/preview/preview';

const STATES: Readonly<Record<LookState, string>> = {
  rest: 'Rest',
  hover: 'Hover',
  focus: 'Focus',
  pressed: 'Pressed',
};

interface Props extends PanelProps {
  readonly theme: Theme;
  readonly force: LookState;
  readonly onForce: (state: LookState) => void;
  /** How the piece stands in the preview; null until it is known. */
  readonly measured: Measured | null;
}

/** Colours and sizes in every state; what is not set follows the shop's theme. */
export function LookPanel({ piece, definition, part, edit, theme, force, onForce, measured }: Props) {
  const settings = Object.entries(definition.settings).filter(([, spec]) => spec.task === 'look');
  const own = Object.entries(definition.looks).filter(([, slot]) => part === null || slot.part === part);
  const slots = own.length > 0 ? own : Object.entries(definition.looks);
  const [css, setCss] = useState(piece.look.css);
  useEffect(() => setCss(piece.look.css), [piece.look.css]);
  const { problems } = readCustomCss(css);
  return (
    <>
      <div className="flex flex-col gap-1">
        <span className="font-semibold">State shown in the preview</span>
        <Segmented label="State shown in the preview" options={STATES} value={force} onChange={onForce} />
      </div>
      {part === null && <CopyLook piece={piece} definition={definition} edit={edit} />}
      {slots.map(([key, slot]) => (
        <SlotFields
          key={key}
          slot={slot}
          overrides={piece.look.slots[key]}
          state={slot.states.includes(force) ? force : 'rest'}
          theme={theme}
          comes={lookAt(
            { definition, set: piece.look.slots, key, theme, measured },
            slot.states.includes(force) ? force : 'rest',
          )}
          onPropose={(proposed) =>
            edit((draft) => {
              const states = (draft.look.slots[key] ??= {});
              for (const [other, rules] of Object.entries(proposed)) states[other] = { ...states[other], ...rules };
            })
          }
          set={(state, property, value) =>
            edit((draft) => {
              const states = (draft.look.slots[key] ??= {});
              const rules = (states[state] ??= {});
              if (value === undefined) delete rules[property];
              else rules[property] = value;
            }, `look ${key} ${state} ${property}`)
          }
        />
      ))}
      {own.length === 0 || part === null ? (
        <>
          {settings.map(([key, spec]) => (
            <SettingControl
              key={key}
              spec={spec}
              value={piece.settings[key] ?? spec.default}
              onChange={(value) => edit((draft) => void (draft.settings[key] = value), `setting ${key}`)}
            />
          ))}
          <Row
            label="Own style rules"
            help="CSS for this piece only. What cannot be read is left out of the preview, and stops publishing."
            changed={piece.look.css !== ''}
            onReset={() => edit((draft) => void (draft.look.css = ''))}
          >
            <textarea
              className="field min-h-24 font-mono text-[12px]"
              spellCheck={false}
              aria-label="Own style rules"
              maxLength={20_000}
              value={css}
              onChange={(event) => setCss(event.target.value)}
              aria-invalid={problems.length > 0 || undefined}
              aria-describedby={problems.length > 0 ? 'css-problems' : undefined}
              onBlur={() => css !== piece.look.css && edit((draft) => void (draft.look.css = css))}
            />
            <details>
              <summary className="help cursor-pointer">Parts you can name</summary>
              <ul className="help columns-2 font-mono">
                {Object.keys(definition.looks).map((key) => (
                  <li key={key}>[data-slot={key}]</li>
                ))}
                {Object.keys(definition.parts).map((key) => (
                  <li key={key}>[data-part={key}]</li>
                ))}
              </ul>
            </details>
            {problems.length > 0 && (
              <ul id="css-problems" className="help !text-brick">
                {problems.slice(0, 8).map((problem) => (
                  <li key={`${problem.line} ${problem.column} ${problem.code}`}>{wordCssProblem(problem)}</li>
                ))}
              </ul>
            )}
          </Row>
        </>
      ) : null}
    </>
  );
}

interface SlotProps {
  readonly slot: LookSlot;
  readonly overrides: PanelProps['piece']['look']['slots'][string];
  readonly state: LookState;
  readonly theme: Theme;
  /** What it comes to, whoever says so. */
  readonly comes: ComesTo;
  readonly set: (state: LookState, property: LookProperty, value: LookValue | undefined) => void;
  /** Sets the other states as they are proposed from rest. */
  readonly onPropose: (proposed: ReturnType<typeof proposeStates>) => void;
}

function SlotFields({ slot, overrides, state, theme, comes, set, onPropose }: SlotProps) {
  return (
    <section className="flex flex-col gap-2.5 border-t border-mortar pt-3">
      <header>
        <h3 className="font-semibold">
          {slot.label}
          {state !== 'rest' && <span className="font-normal text-gravel">, {STATES[state].toLowerCase()}</span>}
        </h3>
        <p className="help">{slot.help}</p>
      </header>
      {slot.properties.map((property) => {
        const spec: LookSpec = LOOK_PROPERTIES[property];
        const value = resolveLook(slot, overrides, state, property);
        const change = (next: LookValue | undefined) => set(state, property, next);
        return (
          <Row
            key={property}
            label={spec.label}
            changed={overrides?.[state]?.[property] !== undefined}
            onReset={() => change(undefined)}
          >
            {spec.type === 'px' ? (
              <Amount
                value={Number(value ?? comes.of(property))}
                min={0}
                max={spec.max!}
                step={1}
                unit="px"
                onChange={change}
              />
            ) : spec.type === 'choice' ? (
              <select
                className="field w-full"
                aria-label={`${slot.label}: ${spec.label}`}
                value={String(value ?? '')}
                onChange={({ target }) => change(target.value || undefined)}
              >
                <option value="">As usual</option>
                {Object.entries(spec.options!).map(([key, label]) => (
                  <option key={key} value={key}>
                    {label}
                  </option>
                ))}
              </select>
            ) : (
              <Colour
                label={`${slot.label}: ${spec.label}`}
                value={value}
                comes={String(comes.of(property))}
                theme={theme}
                onChange={change}
              />
            )}
          </Row>
        );
      })}
      {slot.properties.includes('text') && <Contrast comes={comes} onFix={(colour) => set(state, 'text', colour)} />}
      {state === 'rest' && slot.states.length > 1 && slot.properties.includes('background') && (
        <button
          className="btn self-start"
          title="The same hue, a little darker, with a text that can be read on it"
          onClick={() =>
            onPropose(proposeStates({ background: String(comes.of('background')), text: comes.text }, slot.states))
          }
        >
          Set the other states by this
        </button>
      )}
    </section>
  );
}

function Colour({
  label,
  value,
  comes,
  theme,
  onChange,
}: {
  label: string;
  value: LookValue | undefined;
  /** What it comes to where nothing is set. */
  comes: string;
  theme: Theme;
  onChange: (value: LookValue) => void;
}) {
  const isToken = typeof value === 'string' && value.startsWith('token:');
  const hex = value === undefined ? comes : resolveColour(value, theme);
  return (
    <div className="flex gap-2">
      <input
        type="color"
        aria-label={label}
        value={hex}
        onChange={(event) => onChange(event.target.value)}
        className="h-[34px] w-11 rounded-stone border border-mortar bg-white p-0.5"
      />
      <select
        className="field min-w-0 flex-1"
        aria-label={`${label}, from the theme`}
        value={isToken ? value : value === undefined ? 'unset' : 'own'}
        onChange={(event) => onChange(event.target.value === 'own' ? hex : event.target.value)}
      >
        {THEME_COLOURS.map((token) => (
          <option key={token} value={`token:${token}`}>
            {THEME_LABELS[token]}
          </option>
        ))}
        {value === undefined && <option value="unset">As usual: {hex}</option>}
        <option value="own">Own colour: {hex}</option>
      </select>
    </div>
  );
}

/** The contrast of text on what lies behind it in this state, and the nearest colour that passes. */
function Contrast({ comes: { text, ground }, onFix }: { comes: ComesTo; onFix: (colour: string) => void }) {
  const ratio = contrastRatio(text, ground);
  if (ratio === null) return null;
  const passes = ratio >= LEAST_CONTRAST;
  const fix = passes ? null : nearestPassing(text, ground, LEAST_CONTRAST);
  return (
    <p className={`help ${passes ? '' : '!text-brick'}`} data-testid="contrast">
      Contrast {ratio.toFixed(1)} : 1, {passes ? 'easy enough to read' : `too faint; ${LEAST_CONTRAST} : 1 is needed`}.{' '}
      {fix && (
        <button className="plain inline-flex items-center gap-1 font-semibold underline" onClick={() => onFix(fix)}>
          <span className="inline-block size-3.5 border border-mortar" style={{ background: fix }} /> Use {fix}
        </button>
      )}
    </p>
  );
}
