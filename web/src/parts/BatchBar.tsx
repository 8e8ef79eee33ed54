import type { ReactNode } from "react";
import css from "./BatchBar.module.css";
import { of } from "./number";

/** Rises when rows are chosen: how many, and what can be done with all of them. */
export function BatchBar({
  n,
  thing,
  onNone,
  children,
}: {
  n: number;
  thing: string;
  onNone: () => void;
  children: ReactNode;
}) {
  if (n === 0) return null;
  return (
    <section className={css.bar} data-bar="selection" aria-label="Actions for the selected rows">
      <strong className={css.count}>{of(n, thing)} selected</strong>
      <div className={css.actions}>{children}</div>
      <button type="button" className={css.none} onClick={onNone}>
        Clear selection
      </button>
    </section>
  );
}
