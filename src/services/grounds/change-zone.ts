import type { ZoneWish } from '~/contract/studio/grounds';
import { readLane, type Lane, type ZonePlan } from '~/core/lane';
import { fail, ok, type Result } from '~/core/problems';
import { localTime, momentOf, offsetSpans, type OffsetSpan } from '~/core/time';
import { definitions } from '~/pieces/definitions';
import type { App } from '~/services/app';
import { forgetLiveLane, liveLane } from '~/services/lane/live-lane';
import { changingPrices } from '~/services/prices/record-shown';
import { replaceLanes } from './replace-lanes';

/** Says what a change of the shop's time zone would do; changes nothing. */
export async function planZone(app: App, { to }: ZoneWish): Promise<Result<ZonePlan>> {
  const { lane } = await liveLane(app);
  const draft = await app.lanes.readDraft();
  const read = readLane(draft?.document, definitions);
  const shown = read.ok ? read.value : lane;
  const from = shown.shop.timeZone;
  if (from === to) return fail('to', 'zone-same');
  const now = app.now();
  return ok({
    from,
    to,
    now: { before: localTime(now, from), after: localTime(now, to) },
    orders: await app.grounds.countMoved(await spansOf(app, to)),
    offers: Object.values(shown.offers).flatMap(({ name, when }) =>
      (['from', 'until'] as const).flatMap((edge) => {
        const before = when[edge];
        if (before === null) return [];
        return [{ name, edge, local: localTime(Date.parse(before), from), before, after: moved(before, from, to) }];
      }),
    ),
  });
}

/** Changes the time zone, and puts orders and visits on the days they are on in it. */
export async function changeZone(
  app: App,
  { to, edit }: ZoneWish & { readonly edit: number },
  accountId: number,
): Promise<Result<{ edit: number }>> {
  const planned = await planZone(app, { to });
  if (!planned.ok) return planned;
  const { from } = planned.value;
  const store = () =>
    app.db.inTransaction(async (): Promise<Result<{ edit: number }>> => {
      const replaced = await replaceLanes(app, { edit, note: `Time zone: ${to}`, accountId }, (lane) =>
        inZone(lane, to),
      );
      if (!replaced.ok) return replaced;
      await app.grounds.moveToDays(await spansOf(app, to));
      await app.audit.write({ at: app.now(), accountId, action: 'change-zone', facts: { from, to } });
      return ok({ edit: replaced.value.edit });
    });
  const forgetting = async () => {
    const stored = await store();
    forgetLiveLane(app);
    return stored;
  };
  return changingPrices(app, forgetting, ({ ok: isDone }) => (isDone ? null : []));
}

/** A lane in another zone: what begins at midnight goes on beginning at midnight. */
function inZone(lane: Lane, to: string): Lane {
  const from = lane.shop.timeZone;
  const offers = Object.entries(lane.offers).map(([id, offer]) => {
    const edge = (iso: string | null) => (iso === null ? null : moved(iso, from, to));
    return [id, { ...offer, when: { ...offer.when, from: edge(offer.when.from), until: edge(offer.when.until) } }];
  });
  return {
    ...lane,
    offers: Object.fromEntries(offers) as Lane['offers'],
    shop: { ...lane.shop, timeZone: to },
  };
}

/** The instant at which a clock in another zone shows what it shows in this one; seconds stay. */
function moved(iso: string, from: string, to: string): string {
  const at = Date.parse(iso);
  return new Date(momentOf(localTime(at, from), to) + (at % 60_000)).toISOString();
}

async function spansOf(app: App, zone: string): Promise<OffsetSpan[]> {
  const span = await app.grounds.readSpan();
  return span ? offsetSpans(zone, span.from, span.to) : [];
}
