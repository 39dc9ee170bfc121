import type { Task } from '~/core/lane';
import { DEVICES } from '~/core/where/where.schema';
import { SettingControl, Tick } from '../shared/controls';
import type { PanelProps } from './panel';

/** Settings of the chosen part, or of the whole piece. */
export function PartsPanel({ piece, definition, part, edit, onTask }: PanelProps & { onTask: (task: Task) => void }) {
  const settings = Object.entries(definition.settings).filter(
    ([, spec]) => spec.task === 'parts' && (spec.part ?? null) === part,
  );
  const state = piece.parts.find((item) => item.key === part);
  const described =
    part === null
      ? { label: `The whole ${definition.name.toLowerCase()}`, help: definition.summary }
      : definition.parts[part];
  const words = Object.values(definition.words).filter((word) => part !== null && word.part === part).length;
  const looks = Object.values(definition.looks).filter((look) => part !== null && look.part === part).length;
  return (
    <>
      <header>
        <h2>{described?.label}</h2>
        <p className="help">{described?.help}</p>
      </header>
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
    </>
  );
}
