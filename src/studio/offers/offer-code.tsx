import { useState } from 'react';
import { LETTERS } from '~/core/limits';
import { addressOf } from '~/studio/data/api';
import { useAnswer, useSending } from '~/studio/data/query';
import { NumberField } from '~/studio/fields/number-field';
import { Maybe } from './clause';

/** The code an offer is had by: one for everybody, or a list of which each works once. */
export function Code({
  id,
  code,
  isOneTime,
  onChange,
}: {
  id: string;
  code: string | null;
  isOneTime: boolean;
  onChange: (part: { code?: string | null; isOneTime?: boolean }) => void;
}) {
  return (
    <>
      <Maybe
        label="with a code"
        isOn={code !== null}
        onToggle={(on) => onChange(on ? { code: 'CODE' } : { code: null, isOneTime: false })}
      >
        <select
          className="field"
          aria-label="What codes"
          value={isOneTime ? 'once' : 'all'}
          onChange={(event) => onChange({ isOneTime: event.target.value === 'once' })}
        >
          <option value="all">the same for everybody</option>
          <option value="once">a list: each works once</option>
        </select>
        <label className="flex items-center gap-2">
          {isOneTime && 'beginning with'}
          <input
            className="field w-40"
            aria-label={isOneTime ? 'Beginning of the codes' : 'Code'}
            maxLength={isOneTime ? LETTERS.codeBeginning : LETTERS.code}
            defaultValue={code ?? ''}
            onBlur={(event) => event.target.value.trim() && onChange({ code: event.target.value.trim() })}
          />
        </label>
      </Maybe>
      {code !== null && isOneTime && <CodeList key={id} id={id} />}
    </>
  );
}

/** Makes codes, says how many there are, and hands them out as a spreadsheet. */
function CodeList({ id }: { id: string }) {
  const [count, setCount] = useState(100);
  const counting = useAnswer('GET /api/studio/offers/codes', { query: { offer: id } });
  const making = useSending('POST /api/studio/offers/codes', counting.askAgain);
  const made = counting.answer;
  const problem = making.problem ?? counting.problem;
  return (
    <div className="flex flex-wrap items-center gap-2 ps-7">
      <span role="status">
        {made === null
          ? 'Counting the codes…'
          : made.made === 0
            ? 'There are no codes yet.'
            : `${made.made} codes, ${made.used} of them used.`}
      </span>
      <NumberField
        label="How many codes to make"
        className="w-24"
        min={1}
        max={5000}
        value={count}
        onChange={setCount}
      />
      <button type="button" className="btn" onClick={() => making.send({ body: { offer: id, count } })}>
        Make {count} {count === 1 ? 'code' : 'codes'}
      </button>
      {made !== null && made.made > 0 && (
        <a
          className="link"
          href={addressOf('GET /api/studio/offers/codes', { query: { offer: id, as: 'csv' } })}
          download
        >
          Download all as CSV
        </a>
      )}
      {problem && (
        <p role="alert" className="text-brick">
          {problem}
        </p>
      )}
    </div>
  );
}
