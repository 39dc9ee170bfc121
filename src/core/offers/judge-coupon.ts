import type { Minor } from '~/core/money';
import type { ProblemCode } from '~/core/problems';
import type { Coupon, Offer } from './offer.schema';

/** Why a code does not count; `missingMinor` says how much the goods fall short. */
export interface CouponRefusal {
  readonly code: Extract<ProblemCode, 'coupon-unknown' | 'coupon-over' | 'coupon-too-little' | 'coupon-empty'>;
  readonly missingMinor?: number;
}

export type JudgedCoupon =
  { readonly ok: true; readonly coupon: Coupon } | { readonly ok: false; readonly refusal: CouponRefusal };

/** Whether a typed code counts for goods worth so much today (YYYY-MM-DD). An offer that is off is as good as unknown. */
export function judgeCoupon(typed: string, offers: readonly Offer[], goodsMinor: Minor, today: string): JudgedCoupon {
  const wanted = typed.trim().toUpperCase();
  const refuse = (refusal: CouponRefusal): JudgedCoupon => ({ ok: false, refusal });
  const coupon = offers.find((offer): offer is Coupon => 'code' in offer && offer.on && offer.code === wanted);
  if (!coupon) return refuse({ code: 'coupon-unknown' });
  if (coupon.lastDay !== null && today > coupon.lastDay) return refuse({ code: 'coupon-over' });
  if (goodsMinor === 0) return refuse({ code: 'coupon-empty' });
  if (goodsMinor < coupon.fromMinor)
    return refuse({ code: 'coupon-too-little', missingMinor: coupon.fromMinor - goodsMinor });
  return { ok: true, coupon };
}
