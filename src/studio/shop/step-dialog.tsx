import { useState, type ReactNode } from 'react';
import { useDraft } from '~/studio/data/draft-store';
import { Modal } from '~/studio/fields/modal';
import { Labelled, SelectField } from '~/studio/fields/fields';

export type Options = readonly (readonly [value: string, label: string])[];

interface GroundProps {
  readonly label: string;
  readonly help: string;
  readonly said: string;
  readonly children: (close: () => void) => ReactNode;
}

/** Something the shop stands on: how it is, and a step that changes it. */
export function Ground({ label, help, said, children }: GroundProps) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Labelled label={label} help={help}>
      {(id, describedBy) => (
        <span className="flex items-center gap-3">
          <output id={id} aria-describedby={describedBy}>
            {said}
          </output>
          <button className="btn" onClick={() => setOpen(true)}>
            Change the {label.toLowerCase()} …
          </button>
          {isOpen && children(() => setOpen(false))}
        </span>
      )}
    </Labelled>
  );
}

/** What a change would do, asked anew whenever the wish changes; and the change itself, on the draft of an edit number. */
export function usePlan<Plan>(
  planned: { readonly answer: Plan | null; readonly problem: string | null },
  apply: (edit: number) => Promise<unknown>,
) {
  const [refused, setRefused] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);

  async function change(): Promise<void> {
    setBusy(true);
    try {
      // What is typed elsewhere on the page goes first.
      if (!(await useDraft.getState().flush())) throw new Error('Your last change could not be stored yet. Try again.');
      await apply(useDraft.getState().edit);
      location.reload();
    } catch (error) {
      setRefused((error as Error).message);
      setBusy(false);
    }
  }
  return { plan: planned.answer, problem: refused ?? planned.problem, isBusy, change };
}

interface StepDialogProps {
  /** What is changed: “currency”. */
  readonly what: string;
  readonly to: string;
  /** All there are, the present one among them. */
  readonly options: Options;
  readonly present: string;
  readonly onTo: (to: string) => void;
  /** How it is to be done, between the wish and what it would do. */
  readonly how?: ReactNode;
  /** What it would do; null while that is not known. */
  readonly plan: ReactNode;
  readonly problem: string | null;
  readonly isBusy: boolean;
  readonly onChange: () => void;
  readonly onClose: () => void;
}

/** The wish, what it would do, and the press that does it. */
export function StepDialog(props: StepDialogProps) {
  const { what, to, options, present, plan, problem } = props;
  return (
    <Modal title={`Change the ${what}`} text="You see first what it does." onClose={props.onClose} width={620}>
      <div className="flex flex-col gap-4">
        <SelectField
          label={`New ${what}`}
          value={to}
          options={[['', 'Choose …'], ...options.filter(([key]) => key !== present)]}
          onChange={props.onTo}
        />
        {props.how}
        <Problem text={problem} />
        {plan && (
          <div className="panel flex flex-col gap-2 px-4 py-3" data-testid="plan">
            {plan}
          </div>
        )}
        <span className="flex gap-2">
          <button className="btn btn-go" disabled={plan === null || props.isBusy} onClick={props.onChange}>
            Change the {what}
          </button>
          <button className="btn" onClick={props.onClose}>
            Cancel
          </button>
        </span>
      </div>
    </Modal>
  );
}

function Problem({ text }: { text: string | null }) {
  return (
    text && (
      <p role="alert" className="border-s-4 border-brick ps-3 text-brick">
        {text}
      </p>
    )
  );
}
