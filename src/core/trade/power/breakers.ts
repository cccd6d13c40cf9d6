import { type Curve, magnetic, thermal } from '../../base/standards/breakers';

/** Amperes at which the magnetic release may act, and surely acts. */
export const magneticAmps = (ratedA: number, curve: Curve) => ({
  from: ratedA * magnetic[curve].from,
  to: ratedA * magnetic[curve].to,
});
/** Amperes that a breaker up to 63 A holds for an hour, and at which it acts within one. */
export const thermalAmps = (ratedA: number) => ({ holds: ratedA * thermal.holds, acts: ratedA * thermal.acts });
