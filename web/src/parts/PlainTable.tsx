import type { ReactNode } from "react";
import css from "./PlainTable.module.css";

interface Props {
  head: ReactNode[];
  /** The places of the columns whose cells stand at the right. */
  right?: number[];
  /** Rows as low as they can be. */
  dense?: boolean;
  /** The bodies of the table. */
  children: ReactNode;
}

/** A table that is read, not worked in: short enough to be drawn whole. */
export function PlainTable({ head, right = [], dense, children }: Props) {
  return (
    <table className={dense ? `${css.table} ${css.dense}` : css.table}>
      <thead>
        <tr>
          {head.map((label, i) => (
            <th key={i} className={right.includes(i) ? css.right : undefined}>
              {label}
            </th>
          ))}
        </tr>
      </thead>
      {children}
    </table>
  );
}
