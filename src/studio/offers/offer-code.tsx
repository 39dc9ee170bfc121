import { useEffect, useState } from 'react';
import type { Offer } from '~/core/pricing';
import { ask, askJson } from '~/studio/data/api';
import { NumberField } from '~/studio/fields/number-field';
import { Maybe } from './clause';

interface Made {
  readonly made: number;
  readonly used: number;
}

/** The code an offer is had by: one for everybody, or a list of which each works once. */
export function Code({
  id,
  offer,
  onChange,
}: {
  id: string;
  offer: Offer;
  onChange: (part: Partial<Offer['when']>) => void;
}) {
  const { code, isOneTime } = offer.when;
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
            maxLength={40}
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
  const [made, setMade] = useState<Made | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const address = `/api/studio/offers/codes?offer=${encodeURIComponent(id)}`;
  useEffect(() => {
    ask<Made>(address).then(setMade, (error: Error) => setProblem(error.message));
  }, [address]);
  async function make(): Promise<void> {
    setProblem(null);
    try {
      setMade(await askJson<Made>('POST', '/api/studio/offers/codes', { offer: id, count }));
    } catch (error) {
      setProblem((error as Error).message);
    }
  }
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
      <button type="button" className="btn" onClick={() => void make()}>
        Make {count} {count === 1 ? 'code' : 'codes'}
      </button>
      {made !== null && made.made > 0 && (
        <a className="link" href={`${address}&as=csv`} download>
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
