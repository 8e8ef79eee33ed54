import { NativeSelect, TextInput } from "@mantine/core";
import { useCallback, useState } from "react";
import { useSearchParams } from "react-router";
import { answer, api, type TagRow } from "../../api/client";
import { ofProperty } from "../../api/queries";
import { TableLinks } from "../../parts/FileLink";
import { type Column, Grid } from "../../parts/Grid";
import { useListKey } from "../../parts/ListDialog";
import { count, of } from "../../parts/number";
import { searchOf } from "../../parts/searchOf";
import stage from "../../parts/stage.module.css";
import { useRows } from "../../parts/useRows";
import { useSearchChange } from "../../parts/useSearchChange";
import css from "../Aim.module.css";
import { Trend } from "../keywords/Trend";
import { TagCloseUp } from "./TagCloseUp";

const COLUMNS: Column<TagRow>[] = [
  {
    key: "tag",
    label: "tag",
    track: "minmax(160px, 1fr)",
    sort: "tag",
    text: (row) => row.tag,
    cell: (row) => <span className={css.cut}>{row.tag}</span>,
  },
  {
    key: "items",
    label: "items",
    track: "72px",
    sort: "items",
    right: true,
    text: (row) => String(row.items),
    cell: (row) => count(row.items),
  },
  {
    key: "searches",
    label: "search volume",
    track: "130px",
    sort: "searches",
    right: true,
    text: (row) => String(row.searches ?? ""),
    cell: (row) => (row.searches === null ? <span className={css.soft}>not known</span> : count(row.searches)),
  },
  { key: "trend", label: "trend", track: "124px", cell: (row) => <Trend row={row} /> },
  {
    key: "peaks",
    label: "peak months",
    track: "minmax(156px, 0.6fr)",
    text: (row) => row.peaks,
    cell: (row) => <span className={css.cut}>{row.peaks}</span>,
  },
  {
    key: "impressions",
    label: "impressions, 13 weeks",
    track: "152px",
    sort: "impressions",
    right: true,
    text: (row) => String(row.impressions),
    cell: (row) =>
      row.impressions === 0 ? (
        ""
      ) : (
        <span>
          {row.course === "RISING" ? "↗ " : row.course === "FALLING" ? "↘ " : ""}
          {count(row.impressions)}
        </span>
      ),
  },
  {
    key: "clicks",
    label: "clicks",
    track: "72px",
    sort: "clicks",
    right: true,
    text: (row) => String(row.clicks),
    cell: (row) => (row.impressions === 0 ? "" : count(row.clicks)),
  },
  {
    key: "rate",
    label: "CTR",
    track: "64px",
    sort: "rate",
    right: true,
    text: (row) => String(row.rate),
    cell: (row) => (row.impressions === 0 ? "" : `${(100 * row.rate).toFixed(1)}%`),
  },
  {
    key: "twins",
    label: "near-twins",
    track: "minmax(160px, 1fr)",
    text: (row) => row.twins.join(", "),
    cell: (row) => <span className={css.cut}>{row.twins.join(", ")}</span>,
  },
  {
    key: "longer",
    label: "longer phrases with it",
    track: "minmax(260px, 2fr)",
    text: (row) => row.longer.map((each) => each.phrase).join(", "),
    cell: (row) => <span className={`${css.cut} ${css.soft}`}>{row.longer.map((each) => each.phrase).join(", ")}</span>,
  },
];

/** Every tag of the shop or channel, with what is searched of it. */
export function TagTable({ propertyId }: { propertyId: number }) {
  const [search] = useSearchParams();
  const [{ by, desc }, setSort] = useState({ by: "items", desc: true });
  const kind = search.get("kind") ?? "";
  const q = search.get("q") ?? "";
  const asked = { kind, q, sort: by, desc };
  const [hand, setHand] = useState<TagRow>();
  const listing = useListKey(propertyId, (row: TagRow) => ({ tags: [row.tag] }));
  const follow = useCallback(
    (row: TagRow | undefined, again: boolean) => row && setHand((now) => (again && !now ? now : row)),
    [],
  );
  const rows = useRows<TagRow>(ofProperty(propertyId, "tags", asked), (from, size, signal) =>
    answer(
      api.GET("/api/properties/{propertyId}/tags", {
        params: { path: { propertyId }, query: { ...asked, from, count: size } },
        signal,
      }),
    ),
  );
  const set = useSearchChange();
  return (
    <>
      <div className={css.line}>
        <h2>{rows.total === undefined ? "–" : of(rows.total, "tag")}</h2>
        <NativeSelect
          size="xs"
          aria-label="Which tags"
          value={kind}
          onChange={(event) => set({ kind: event.currentTarget.value })}
          data={[
            { value: "", label: "all tags" },
            { value: "one-word", label: "of one word" },
            { value: "never-searched", label: "that nobody is known to search" },
            { value: "twins", label: "with a near-twin" },
            { value: "seasonal", label: "with peak months" },
            { value: "rising", label: "shown more than before" },
            { value: "falling", label: "shown less than before" },
          ]}
        />
        <TextInput
          size="xs"
          w={160}
          aria-label="Text in a tag"
          placeholder="contains …"
          value={q}
          onChange={(event) => set({ q: event.currentTarget.value })}
        />
        <TableLinks csv={`/api/properties/${propertyId}/tags.csv?${searchOf(asked)}`} />
      </div>
      <div className={stage.split}>
        <div className={stage.table}>
          <Grid
            label="Tags"
            columns={COLUMNS}
            rows={rows}
            idOf={(row) => [...row.tag].reduce((sum, letter) => sum * 31 + letter.charCodeAt(0), 7)}
            sort={by}
            desc={desc}
            onSort={(next) => setSort({ by: next, desc: by === next ? !desc : next !== "tag" })}
            onCursor={follow}
            onKey={listing.onKey}
            empty={kind || q ? "There is no such tag." : "No tags yet. They are listed here once items are gathered."}
          />
        </div>
        {listing.dialog}
        {hand && <TagCloseUp propertyId={propertyId} row={hand} onClose={() => setHand(undefined)} />}
      </div>
    </>
  );
}
