import { useState } from 'react';
import { checkTheme, FONTS, readThemeCss, THEME_COLOURS, THEME_LABELS, type Font } from '~/core/lane';
import { Amount } from '~/studio/fields/controls';
import { Modal } from '~/studio/fields/modal';
import { SelectField } from '~/studio/fields/fields';
import type { SectionProps } from './section';
import { Tokens } from './tokens';

/** Colours by what they are for, with how well they can be read; font and corners. */
export function LookSection({ lane, change }: SectionProps) {
  const { theme } = lane;
  const [isPasting, setPasting] = useState(false);
  const faint = checkTheme(theme).filter((pair) => !pair.passes);
  return (
    <>
      <fieldset>
        <legend className="mb-1 font-semibold">Colours</legend>
        <ul className="grid grid-cols-2 gap-x-4 gap-y-2">
          {THEME_COLOURS.map((key) => (
            <li key={key}>
              <label className="flex items-center gap-2">
                <input
                  type="color"
                  value={theme[key]}
                  className="h-[34px] w-11 rounded-stone border border-mortar bg-white p-0.5"
                  onChange={({ target: { value } }) =>
                    change((draft) => void (draft.theme[key] = value), `theme ${key}`)
                  }
                />
                <span>{THEME_LABELS[key]}</span>
                <code className="ms-auto text-[12px] text-gravel">{theme[key].toLowerCase()}</code>
              </label>
            </li>
          ))}
        </ul>
      </fieldset>
      <section aria-label="Contrast">
        <h3 className="font-semibold">Contrast</h3>
        {faint.length === 0 ? (
          <p className="help">Every text can be read on its background (at least 4.5 : 1, WCAG 2.2).</p>
        ) : (
          <ul className="flex flex-col gap-1">
            {faint.map(({ text, ground, ratio, fix }) => (
              <li key={`${text} ${ground}`} className="border-s-4 border-brick ps-2">
                {THEME_LABELS[text]} on {THEME_LABELS[ground].toLowerCase()}: {ratio.toFixed(1)} : 1, too faint; 4.5 : 1
                is needed.{' '}
                {fix && (
                  <button
                    className="plain inline-flex items-center gap-1 font-semibold underline"
                    onClick={() => change((draft) => void (draft.theme[text] = fix))}
                  >
                    <span className="size-3.5 rounded-stone border border-mortar" style={{ background: fix }} /> Use{' '}
                    {fix}
                  </button>
                )}
              </li>
            ))}
          </ul>
        )}
      </section>
      <SelectField
        label="Font"
        help="All of them ship with the shop or are on the shopper’s device; nothing is loaded from elsewhere."
        value={theme.font}
        options={Object.entries(FONTS).map(([key, font]) => [key, font.label] as const)}
        onChange={(font) => change((draft) => void (draft.theme.font = font as Font))}
      />
      <div className="flex flex-col gap-1">
        <span id="corners" className="font-semibold">
          Corners
        </span>
        <p className="help">How round cards and buttons are.</p>
        <Amount
          labelId="corners"
          value={theme.radiusPx}
          min={0}
          max={40}
          step={1}
          unit="px"
          onChange={(px) => change((draft) => void (draft.theme.radiusPx = px), 'theme radius')}
        />
      </div>
      <div className="flex flex-wrap gap-2">
        <button className="btn" onClick={() => setPasting(true)}>
          Read colours from CSS …
        </button>
        <Tokens theme={theme} change={change} />
      </div>
      {isPasting && <PasteDialog change={change} onClose={() => setPasting(false)} />}
    </>
  );
}

function PasteDialog({ change, onClose }: Pick<SectionProps, 'change'> & { onClose: () => void }) {
  const [css, setCss] = useState('');
  const { radiusPx, ...colours } = readThemeCss(css);
  const found = THEME_COLOURS.flatMap((key) => (colours[key] ? [[key, colours[key]] as const] : []));
  const count = found.length + (radiusPx === undefined ? 0 : 1);
  return (
    <Modal
      title="Read colours from CSS"
      text="Paste the style rules of your site. Variables such as “--accent: #1c4e5f” are matched by their names."
      onClose={onClose}
    >
      <div className="flex flex-col gap-3">
        <textarea
          autoFocus
          className="field min-h-32 font-mono text-[12px]"
          aria-label="Style rules"
          spellCheck={false}
          maxLength={20_000}
          value={css}
          onChange={(event) => setCss(event.target.value)}
        />
        <ul className="grid grid-cols-2 gap-1" data-testid="found-colours">
          {found.map(([key, colour]) => (
            <li key={key} className="flex items-center gap-2">
              <span className="size-5 rounded-stone border border-mortar" style={{ background: colour }} />
              {THEME_LABELS[key]} <code className="text-[12px] text-gravel">{colour}</code>
            </li>
          ))}
          {radiusPx !== undefined && <li>Corners {radiusPx} px</li>}
        </ul>
        {css !== '' && count === 0 && <p className="help">No variable with a colour was recognised in this text.</p>}
        <div className="flex justify-end gap-2">
          <button className="btn" onClick={onClose}>
            Cancel
          </button>
          <button
            className="btn btn-go"
            disabled={count === 0}
            onClick={() => {
              change((draft) => {
                for (const [key, colour] of found) draft.theme[key] = colour;
                if (radiusPx !== undefined) draft.theme.radiusPx = radiusPx;
              });
              onClose();
            }}
          >
            Take over {count} {count === 1 ? 'value' : 'values'}
          </button>
        </div>
      </div>
    </Modal>
  );
}
