import { longDate } from '~/core/time';
import { useDraft } from '~/studio/data/draft-store';

/** A page of another site that holds a snippet, as the script there told it. */
export interface SeenElsewhere {
  readonly site: string;
  readonly path: string;
  readonly link: string;
  readonly times: number;
  readonly errors: number;
  /** Milliseconds since 1970. */
  readonly lastAt: number;
}

export interface RefusedSite {
  readonly site: string;
  readonly times: number;
  readonly lastAt: number;
}

interface Props {
  readonly seen: readonly SeenElsewhere[];
  readonly refused: readonly RefusedSite[];
  readonly days: number;
  /** What the owner calls each piece, by id. */
  readonly names: Readonly<Record<string, string>>;
}

const times = (count: number) => (count === 1 ? 'once' : `${count} times`);

/** Where snippets with the script were seen, and which sites asked that may not. */
export function SeenOn({ seen, refused, days, names }: Props) {
  const { timeZone } = useDraft((state) => state.lane.shop);
  const day = (at: number) => longDate(at, 'en', timeZone);
  return (
    <section aria-labelledby="seen-on" className="flex flex-col gap-2">
      <h2 id="seen-on">Where they were seen in {days} days</h2>
      <p className="help">
        Told by the script on the page. Plain links, mails and frames tell nothing, so a link that is missing here may
        still be in use.
      </p>
      {refused.map(({ site, times: count, lastAt }) => (
        <p key={site} role="status" className="flex flex-wrap items-center gap-3 border-s-4 border-paint ps-3">
          <span>
            A page that calls itself {site} was refused {times(count)}, last on {day(lastAt)}: it is not on your list.
            Anybody can call a page so. If the site is yours, type it into the list.
          </span>
        </p>
      ))}
      {seen.length === 0 ? (
        <p>The script has not been seen on any page yet.</p>
      ) : (
        <div className="overflow-x-auto">
          <table className="tbl panel w-full">
            <thead>
              <tr>
                <th scope="col">Page</th>
                <th scope="col">Buy link</th>
                <th scope="col" className="text-end">
                  Page views
                </th>
                <th scope="col" className="text-end">
                  Errors
                </th>
                <th scope="col">Last seen</th>
              </tr>
            </thead>
            <tbody>
              {seen.map(({ site, path, link, times: count, errors, lastAt }) => (
                <tr key={`${site}${path} ${link}`}>
                  <td className="break-all">{site + path}</td>
                  <td>{link === '' ? 'made without a name' : (names[link] ?? `${link}, which is no more`)}</td>
                  <td className="text-end tabular-nums">{count}</td>
                  <td className={errors > 0 ? 'text-end tabular-nums text-brick' : 'text-end tabular-nums'}>
                    {errors}
                  </td>
                  <td>{day(lastAt)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}
