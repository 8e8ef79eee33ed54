import { CloseButton } from "@mantine/core";
import type { ReactNode } from "react";
import css from "./SidePanel.module.css";

interface Props {
  /** What it is, for who does not see it. */
  label: string;
  title?: ReactNode;
  /** What stands beside the title. */
  tools?: ReactNode;
  onClose?: () => void;
  /** in px, or as CSS has it */
  width?: number | string;
  /** What stays at the bottom while the rest scrolls. */
  foot?: ReactNode;
  children: ReactNode;
}

/** The panel at the right of a table: the row in hand, or what is done with many. */
export function SidePanel({ label, title, tools, onClose, width = 372, foot, children }: Props) {
  return (
    <aside className={css.panel} aria-label={label} style={{ width }}>
      {(title || tools || onClose) && (
        <header className={css.head}>
          <h2>{title}</h2>
          {tools}
          {onClose && <CloseButton className={css.close} aria-label="Close" onClick={onClose} />}
        </header>
      )}
      <div className={css.body}>{children}</div>
      {foot && <footer className={css.foot}>{foot}</footer>}
    </aside>
  );
}
