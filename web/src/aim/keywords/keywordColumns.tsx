import type { KeywordRow } from "../../api/client";
import type { Column } from "../../parts/Grid";
import { count, pathOf } from "../../parts/number";
import css from "../Aim.module.css";
import { Trend } from "./Trend";

/** The columns of the keyword table. */
export const KEYWORD_COLUMNS: Column<KeywordRow>[] = [
  {
    key: "phrase",
    label: "keyword",
    track: "minmax(190px, 1.2fr)",
    sort: "phrase",
    text: (row) => row.phrase,
    cell: (row) => (
      <span className={css.cut}>
        {row.phrase}
        {row.brand && <span className={css.brand}>brand</span>}
      </span>
    ),
  },
  {
    key: "volume",
    label: "search volume",
    track: "112px",
    sort: "volume",
    right: true,
    text: (row) => String(row.volume ?? ""),
    cell: (row) => (row.volume === null ? "" : count(row.volume)),
  },
  {
    key: "broad",
    label: "broad searches",
    track: "112px",
    sort: "broad",
    right: true,
    text: (row) => String(row.broad ?? ""),
    cell: (row) => (row.broad === null ? "" : <span className={css.soft}>{count(row.broad)}</span>),
  },
  { key: "trend", label: "trend", track: "124px", cell: (row) => <Trend row={row} /> },
  {
    key: "peaks",
    label: "peak months",
    sort: "peaks",
    track: "minmax(110px, 0.6fr)",
    text: (row) => row.peaks,
    cell: (row) => <span className={css.cut}>{row.peaks}</span>,
  },
  {
    key: "home",
    label: "its item",
    track: "minmax(180px, 1.1fr)",
    sort: "address",
    text: (row) => row.address ?? "",
    cell: (row) =>
      row.address === null ? (
        <span className={css.none}>none</span>
      ) : (
        <span className={css.cut}>
          {pathOf(row.address)}
          {row.items > 1 && ` and ${row.items - 1} more`}
          {row.role === "secondary" && <span className={css.soft}> secondary</span>}
        </span>
      ),
  },
  {
    key: "position",
    label: "position",
    track: "72px",
    sort: "position",
    right: true,
    text: (row) => (row.position < 1 ? "" : row.position.toFixed(1)),
    cell: (row) => (row.position < 1 ? "" : row.position.toFixed(1)),
  },
  {
    key: "clicks",
    label: "clicks, 13 weeks",
    track: "122px",
    sort: "clicks",
    right: true,
    text: (row) => String(row.clicks),
    cell: (row) => (row.impressions === 0 ? "" : count(row.clicks)),
  },
  {
    key: "intent",
    label: "intent",
    track: "110px",
    sort: "intent",
    text: (row) => row.intent,
    cell: (row) => row.intent,
  },
  {
    key: "topic",
    label: "topic",
    track: "minmax(140px, 0.8fr)",
    sort: "topic",
    text: (row) => row.topic,
    cell: (row) => <span className={css.cut}>{row.topic}</span>,
  },
  {
    key: "competition",
    label: "competition",
    track: "92px",
    sort: "competition",
    text: (row) => row.competition,
    cell: (row) => row.competition,
  },
  {
    key: "reason",
    label: "why",
    track: "minmax(220px, 1.4fr)",
    text: (row) => row.reason ?? "",
    cell: (row) => <span className={`${css.cut} ${css.soft}`}>{row.reason}</span>,
  },
];
