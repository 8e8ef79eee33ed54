import { Button } from "@mantine/core";
import { useMemo, useState } from "react";
import { useSearchParams } from "react-router";
import { answer, api, type KeywordRow } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { BatchBar } from "../parts/BatchBar";
import { useChoice } from "../parts/choice";
import { type Column, Grid } from "../parts/Grid";
import { IconDownload } from "../parts/icons";
import { count, pathOf } from "../parts/number";
import { searchOf } from "../parts/searchOf";
import stage from "../parts/stage.module.css";
import { useRows } from "../parts/useRows";
import css from "./Aim.module.css";

const COLUMNS: Column<KeywordRow>[] = [
  {
    key: "phrase",
    label: "keyword",
    track: "minmax(200px, 1.2fr)",
    sort: "phrase",
    text: (row) => row.phrase,
    cell: (row) => <span className={css.cut}>{row.phrase}</span>,
  },
  {
    key: "volume",
    label: "searches a month",
    track: "130px",
    sort: "volume",
    right: true,
    text: (row) => String(row.volume ?? ""),
    cell: (row) => (row.volume === null ? "" : count(row.volume)),
  },
  {
    key: "competition",
    label: "competition",
    track: "100px",
    text: (row) => row.competition,
    cell: (row) => row.competition,
  },
  {
    key: "home",
    label: "its item",
    track: "minmax(180px, 1.2fr)",
    sort: "address",
    text: (row) => row.address ?? "",
    cell: (row) =>
      row.address === null ? (
        <span className={css.none}>none</span>
      ) : (
        <span className={css.cut}>
          {pathOf(row.address)}
          {row.items > 1 && ` and ${row.items - 1} more`}
        </span>
      ),
  },
  {
    key: "reason",
    label: "why",
    track: "minmax(220px, 1.6fr)",
    text: (row) => row.reason ?? "",
    cell: (row) => <span className={`${css.cut} ${css.soft}`}>{row.reason}</span>,
  },
];

export function KeywordTable({ propertyId, home }: { propertyId: number; home?: "without" }) {
  const [search] = useSearchParams();
  const [{ by, desc }, setSort] = useState({ by: "volume", desc: true });
  const q = search.get("q") ?? undefined;
  const choice = useChoice();
  const query = useMemo(() => ({ q, home, sort: by, desc }), [q, home, by, desc]);
  const rows = useRows<KeywordRow>(ofProperty(propertyId, "keywords", query), (from, size, signal) =>
    answer(
      api.GET("/api/properties/{propertyId}/keywords", {
        params: { path: { propertyId }, query: { ...query, from, count: size } },
        signal,
      }),
    ),
  );
  const remove = useChange(propertyId, (ids: number[]) =>
    answer(api.POST("/api/properties/{propertyId}/keywords/remove", { params: { path: { propertyId } }, body: ids })),
  );
  const chosen = choice.count(rows.total ?? 0);
  return (
    <>
      <p className={css.line}>
        <strong>{rows.total === undefined ? "–" : count(rows.total)} keywords</strong>
        <a href={`/api/properties/${propertyId}/keywords.csv?${searchOf(query)}`} download>
          <IconDownload size={15} aria-hidden /> CSV
        </a>
      </p>
      <div className={stage.table}>
        <Grid
          label="Keywords"
          columns={COLUMNS}
          rows={rows}
          idOf={(row) => row.id}
          sort={by}
          desc={desc}
          onSort={(next) => setSort({ by: next, desc: by === next ? !desc : next === "volume" })}
          choice={choice}
          empty={
            home
              ? "Every keyword has an item. Keywords that no item holds the words of will stand here, as ideas for new pages."
              : "Here will stand the phrases people search for, each with the item that fits it best. Paste a list on the left, or choose a file."
          }
        />
        <BatchBar n={chosen} thing="keyword" onNone={choice.none}>
          <Button
            size="xs"
            variant="default"
            disabled={choice.isAll}
            loading={remove.isPending}
            onClick={() => remove.mutate(choice.selection({}).ids ?? [], { onSuccess: choice.none })}
          >
            Remove from the list
          </Button>
        </BatchBar>
      </div>
    </>
  );
}
