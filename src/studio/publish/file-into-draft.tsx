import { useRef, useState } from 'react';
import type { DraftView } from '~/contract/studio/draft';
import type { LaneChange } from '~/core/lane';
import { useDraft } from '~/studio/data/draft-store';
import { Modal } from '~/studio/fields/modal';
import { ChangeList } from './change-list';

/** What a file would do to the draft. */
export interface FileCheck {
  readonly changes: readonly LaneChange[];
  /** What is to be known before: lists under a heading each. */
  readonly notes: readonly { readonly heading: string; readonly lines: readonly string[] }[];
}

interface Props {
  /** On the button. */
  readonly label: string;
  /** Of the field, for whoever does not see the button. */
  readonly name: string;
  readonly accept: string;
  readonly check: (file: File) => Promise<FileCheck>;
  readonly take: (file: File, edit: number) => Promise<DraftView>;
  /** When it is in the draft. */
  readonly said: string;
}

/** A file that is put into the draft, once it has been shown what it would change. */
export function FileIntoDraft({ label, name, accept, check, take, said }: Props) {
  const { flush, start, say } = useDraft();
  const [asked, setAsked] = useState<(FileCheck & { readonly file: File }) | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);

  async function guarded(work: () => Promise<void>): Promise<void> {
    setProblem(null);
    try {
      await work();
    } catch (error) {
      setAsked(null);
      setProblem((error as Error).message);
    }
  }

  const show = (file: File) =>
    guarded(async () => {
      if (!(await flush())) throw new Error('The draft is not stored yet. Settle that first.');
      setAsked({ file, ...(await check(file)) });
    });

  const put = (file: File) =>
    guarded(async () => {
      start(await take(file, useDraft.getState().edit));
      setAsked(null);
      say(said);
    });

  return (
    <>
      <button className="btn" onClick={() => input.current?.click()}>
        {label}
      </button>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={name}
        className="sr-only"
        tabIndex={-1}
        onChange={({ currentTarget }) => {
          const [file] = currentTarget.files ?? [];
          currentTarget.value = '';
          if (file) void show(file);
        }}
      />
      {problem && (
        <p role="alert" className="basis-full text-brick">
          {problem}
        </p>
      )}
      {asked && (
        <Modal
          title={`Import ${asked.file.name}`}
          text="This is what would be different in the draft. The live shop stays as it is."
          onClose={() => setAsked(null)}
        >
          {asked.changes.length === 0 ? (
            <p>Nothing: the draft is as the file says.</p>
          ) : (
            <ChangeList changes={asked.changes} />
          )}
          {asked.notes
            .filter(({ lines }) => lines.length > 0)
            .map(({ heading, lines }) => (
              <section key={heading} className="mt-3">
                <h3 className="mb-1">{heading}</h3>
                <ul className="flex flex-col gap-1.5">
                  {lines.map((line) => (
                    <li key={line} className="border-s-4 border-paint ps-3">
                      {line}
                    </li>
                  ))}
                </ul>
              </section>
            ))}
          <div className="mt-4 flex justify-end gap-2">
            <button className="btn" onClick={() => setAsked(null)}>
              Cancel
            </button>
            <button className="btn btn-go" disabled={asked.changes.length === 0} onClick={() => void put(asked.file)}>
              Put into the draft
            </button>
          </div>
        </Modal>
      )}
    </>
  );
}
