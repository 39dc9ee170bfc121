import { languageUse, type Lane } from '~/core/lane';
import { definitions } from '~/pieces/definitions';
import { Modal } from '~/studio/fields/modal';

interface LanguageProps {
  readonly lane: Lane;
  readonly language: string;
  readonly name: string;
  readonly onRemove: () => void;
  readonly onClose: () => void;
}

/** What is written in a language that is to be taken out: page by page. */
export function LanguageDialog({ lane, language, name, onRemove, onClose }: LanguageProps) {
  const uses = languageUse(lane, language, definitions);
  return (
    <Modal title={`Take out ${name}?`} onClose={onClose}>
      <div className="flex flex-col gap-3">
        <p>
          Shoppers can no longer choose {name}. You have written in it what stands here; it is kept, and comes back when
          you add {name} again.
        </p>
        <ul className="panel list-disc px-4 py-3 ps-8">
          {uses.map((use) => (
            <li key={use.name}>
              {use.name}
              {use.isOnly && (
                <span className="text-brick">
                  : written in {name} alone. Shoppers go on reading it in {name} until you write it in another language.
                </span>
              )}
            </li>
          ))}
        </ul>
        <span className="flex gap-2">
          <button className="btn btn-go" onClick={onRemove}>
            Take out {name}
          </button>
          <button className="btn" onClick={onClose}>
            Cancel
          </button>
        </span>
      </div>
    </Modal>
  );
}
