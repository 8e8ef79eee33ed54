import type { ReactNode } from "react";
import css from "./Aim.module.css";

/** A long plain table that is scrolled with the keyboard, too. */
export function Scrolled({ label, children }: { label: string; children: ReactNode }) {
  return (
    <section className={css.pages} aria-label={label} tabIndex={0}>
      {children}
    </section>
  );
}
