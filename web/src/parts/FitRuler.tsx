import type { LimitCheck } from "../api/client";
import css from "./FitRuler.module.css";

/** A hairline as long as the text's pixels, notched at each limit; what runs past is hatched. */
export function FitRuler({ fit }: { fit: LimitCheck }) {
  const limit = Math.min(fit.desktopLimit, fit.phoneLimit);
  const scale = Math.max(fit.desktopLimit, fit.phoneLimit) * 1.25;
  const at = (px: number) => `${Math.min(100, (px / scale) * 100)}%`;
  const within = Math.min(fit.px, limit);
  return (
    <span className={css.ruler} aria-hidden="true">
      <span className={css.within} style={{ width: at(within) }} />
      {fit.px > limit && <span className={css.over} style={{ left: at(limit), width: at(fit.px - limit) }} />}
      <span className={css.notch} style={{ left: at(fit.desktopLimit) }} />
      <span className={css.phone} style={{ left: at(fit.phoneLimit) }} />
    </span>
  );
}
