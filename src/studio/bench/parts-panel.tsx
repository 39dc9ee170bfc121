import { applyLayout, newPiece, resetPart, type Task } from '~/core/lane';
import { DEVICES } from '~/core/where/where.schema';
import { SettingControl } from '~/studio/settings/setting-control';
import { Tick } from '~/studio/fields/tick';
import { OwnLayouts, type LayoutProps } from './own-layouts';
import type { PanelProps } from './panel';

/** How the parts of a layout are drawn in its miniature; others are a thin bar. */
const LAYOUT_BARS: Readonly<Record<string, string>> = {
  heading: 'h-1 w-1/2 bg-basalt',
  lines: 'h-4 w-full bg-mortar',
  suggestions: 'h-2.5 w-full bg-slab outline outline-mortar',
  checkout: 'h-1.5 w-full bg-moss',
  quickPay: 'h-1.5 w-full bg-white outline outline-basalt',
  divider: 'my-px h-px w-full bg-gravel',
};

/** Settings of the chosen part, or of the whole piece. */
export function PartsPanel(props: PanelProps & LayoutProps & { readonly onTask: (task: Task) => void }) {
  const { piece, definition, part, edit, onTask, layouts, onLayouts } = props;
  const settings = Object.entries(definition.settings).filter(
    ([, spec]) => spec.task === 'parts' && (spec.part ?? null) === part,
  );
  const state = piece.parts.find((item) => item.key === part);
  const described =
    part === null
      ? { label: `The whole ${definition.name.toLowerCase()}`, help: definition.summary }
      : definition.parts[part];
  const notes = (definition.notes?.(piece.settings) ?? []).filter((note) => note.part === part);
  const words = Object.values(definition.words).filter((word) => part !== null && word.part === part).length;
  const looks = Object.values(definition.looks).filter((look) => part !== null && look.part === part).length;
  return (
    <>
      <header>
        <h2>{described?.label}</h2>
        <p className="help">{described?.help}</p>
      </header>
      {notes.map((note) => (
        <p key={note.text} role="status" className="border-s-4 border-paint ps-3" data-testid="note">
          {note.text}
        </p>
      ))}
      {part === null && definition.layouts && (
        <section className="flex flex-col gap-1.5">
          <h3 className="font-semibold">Begin from a layout</h3>
          <p className="help">Sets parts and their order. Words, look and where stay; undo brings yours back.</p>
          <ul className="grid grid-cols-2 gap-1.5">
            {Object.entries(definition.layouts).map(([key, layout]) => (
              <li key={key}>
                <button
                  className="flex h-full w-full flex-col rounded-stone border border-mortar bg-white px-2 py-1.5 text-start leading-tight hover:border-basalt"
                  title={layout.help}
                  onClick={() => edit((draft) => applyLayout(draft, layout))}
                >
                  <span className="font-medium">{layout.label}</span>
                  <span aria-hidden="true" className="mt-auto flex w-full flex-col gap-px pt-1.5">
                    {layout.parts.map((name) => (
                      <i
                        key={name}
                        className={`block rounded-[1px] ${LAYOUT_BARS[name] ?? 'h-[3px] w-3/4 bg-mortar'}`}
                      />
                    ))}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {part === null && (
        <OwnLayouts piece={piece} definition={definition} edit={edit} layouts={layouts} onLayouts={onLayouts} />
      )}
      {state && (
        <div>
          <Tick
            label="Shown"
            checked={state.on}
            onChange={(on) => edit((draft) => void (draft.parts.find((item) => item.key === part)!.on = on))}
          />
          <fieldset className="mt-2" disabled={!state.on}>
            <legend className="font-semibold">Shown on</legend>
            {DEVICES.map((device) => (
              <Tick
                key={device}
                label={{ phone: 'Phones', tablet: 'Tablets', desktop: 'Desktops' }[device]}
                checked={!state.hideOn.includes(device)}
                onChange={(shown) =>
                  edit((draft) => {
                    const own = draft.parts.find((item) => item.key === part)!;
                    own.hideOn = shown ? own.hideOn.filter((other) => other !== device) : [...own.hideOn, device];
                  })
                }
              />
            ))}
          </fieldset>
        </div>
      )}
      {settings.map(([key, spec]) => (
        <SettingControl
          key={key}
          spec={spec}
          value={piece.settings[key] ?? spec.default}
          onChange={(value) => edit((draft) => void (draft.settings[key] = value), `setting ${key}`)}
        />
      ))}
      {words > 0 && (
        <button className="btn justify-center" onClick={() => onTask('words')}>
          Its words ({words})
        </button>
      )}
      {looks > 0 && (
        <button className="btn justify-center" onClick={() => onTask('look')}>
          Its look
        </button>
      )}
      {part === null && settings.length === 0 && <p className="help">Choose a part on the left or in the preview.</p>}
      <button
        className="btn mt-auto justify-center"
        onClick={() =>
          edit((draft) => {
            if (part !== null) return resetPart(draft, definition, part);
            const { on, where } = draft;
            Object.assign(draft, newPiece(definition, on), { where });
          })
        }
      >
        {part === null ? 'Reset all of it' : 'Reset this part'}
      </button>
    </>
  );
}
