import type { Device } from '~/core/where';
import type { Funnel } from './count-funnel';
import { STRETCHES, type Stretch } from './stretch';

/** Fewer sessions than this on a stretch are not compared: the rate would be mostly noise. */
export const LEAST_SESSIONS = 200;

/** Where one device goes on less often than the device that does best. */
export interface Loss {
  readonly device: Device;
  readonly from: Stretch;
  readonly to: Stretch;
  readonly goOn: number;
  readonly bestDevice: Device;
  readonly bestGoOn: number;
  readonly sessions: number;
  /** Sessions more that would go on at the best device's rate. */
  readonly extraSessions: number;
  /** Those sessions times what a session of this device that got to `to` spends on average, per 30 days. */
  readonly monthlyMinor: number;
}

/** What all visits spent, if orders in other currencies were worth as much as those in the shop's own are. */
function spentBy({ revenueMinor, orders, foreignOrders }: Funnel): number {
  return orders > foreignOrders ? (revenueMinor * orders) / (orders - foreignOrders) : 0;
}

/**
 * Sizes the gap between devices on every step, in money a month, biggest first. It assumes that those won over would
 * go on from there like the others of their device; it is an upper estimate, and the interface says so.
 */
export function sizeLosses(byDevice: ReadonlyMap<Device, Funnel>, days: number): Loss[] {
  const losses: Loss[] = [];
  for (let i = 0; i + 1 < STRETCHES.length; i += 1) {
    const steps = [...byDevice]
      .map(([device, funnel]) => ({ device, funnel, here: funnel.stretches[i]!, next: funnel.stretches[i + 1]! }))
      .filter((step) => step.here.sessions >= LEAST_SESSIONS && step.here.goOn !== null);
    const best = steps.reduce<(typeof steps)[number] | null>(
      (top, step) => (!top || step.here.goOn! > top.here.goOn! ? step : top),
      null,
    );
    for (const step of steps) {
      if (!best || step.here.goOn === best.here.goOn) continue;
      const extra = step.here.sessions * (best.here.goOn! - step.here.goOn!);
      const perSession = step.next.sessions === 0 ? 0 : spentBy(step.funnel) / step.next.sessions;
      losses.push({
        device: step.device,
        from: step.here.stretch,
        to: step.next.stretch,
        goOn: step.here.goOn!,
        bestDevice: best.device,
        bestGoOn: best.here.goOn!,
        sessions: step.here.sessions,
        extraSessions: Math.round(extra),
        monthlyMinor: Math.round((extra * perSession * 30) / days),
      });
    }
  }
  return losses.sort((a, b) => b.monthlyMinor - a.monthlyMinor);
}

/** What one point more (1 % of those on the stretch going on) would bring in 30 days, for each stretch but the last. */
export function worthOfOnePoint(funnel: Funnel, days: number): (number | null)[] {
  return funnel.stretches.map((here, i) => {
    const next = funnel.stretches[i + 1];
    if (!next || next.sessions === 0) return null;
    return Math.round((here.sessions * 0.01 * (spentBy(funnel) / next.sessions) * 30) / days);
  });
}
