import { localTime } from '~/core/time';

const HOUR_MS = 3_600_000;
const nextHour = (at: number) => Math.ceil((at + 1) / HOUR_MS) * HOUR_MS;

interface Props {
  /** In the shop's own zone; null: now. */
  readonly local: string | null;
  readonly timeZone: string;
  readonly onChange: (local: string | null) => void;
}

/** Whether something goes out now, or at a time of the shop's clock. */
export function WhenField({ local, timeZone, onChange }: Props) {
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <legend className="sr-only">When</legend>
      <label className="inline-flex items-center gap-2">
        <input
          type="radio"
          name="when"
          className="accent-moss"
          checked={local === null}
          onChange={() => onChange(null)}
        />{' '}
        Now
      </label>
      <label className="inline-flex items-center gap-2">
        <input
          type="radio"
          name="when"
          className="accent-moss"
          checked={local !== null}
          onChange={() => onChange(localTime(nextHour(Date.now()), timeZone))}
        />{' '}
        At a time
      </label>
      {local !== null && (
        <label className="inline-flex items-center gap-2">
          <span className="sr-only">Day and time</span>
          <input
            type="datetime-local"
            className="field"
            value={local}
            min={localTime(Date.now(), timeZone)}
            onChange={({ currentTarget: { value } }) => onChange(value)}
          />
          <span className="text-gravel">in {timeZone}</span>
        </label>
      )}
    </fieldset>
  );
}
