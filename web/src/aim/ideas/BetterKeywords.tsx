import { Button, SegmentedControl } from "@mantine/core";
import { useCallback, useMemo, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import { answer, api, type BetterRow } from "../../api/client";
import { ofProperty, useChange } from "../../api/queries";
import { BatchBar } from "../../parts/BatchBar";
import { useChoice } from "../../parts/choice";
import { TableLinks } from "../../parts/FileLink";
import { type Column, Grid } from "../../parts/Grid";
import { count, day, of, pathOf } from "../../parts/number";
import stage from "../../parts/stage.module.css";
import { tell } from "../../parts/tell";
import { useRows } from "../../parts/useRows";
import css from "../Aim.module.css";
import { BetterCloseUp } from "./BetterCloseUp";

function columns(most: number): Column<BetterRow>[] {
  return [
    {
      key: "item",
      label: "item",
      track: "minmax(200px, 1.2fr)",
      text: (row) => row.address,
      cell: (row) => <span className={css.cut}>{pathOf(row.address)}</span>,
    },
    {
      key: "aimed",
      label: "keyword now",
      track: "minmax(150px, 0.9fr)",
      text: (row) => row.aimed,
      cell: (row) => <span className={`${css.cut} ${css.soft}`}>{row.aimed}</span>,
    },
    {
      key: "query",
      label: "better keyword",
      track: "minmax(150px, 0.9fr)",
      text: (row) => row.query,
      cell: (row) => <strong className={css.cut}>{row.query}</strong>,
    },
    {
      key: "gain",
      label: "clicks a month, estimate",
      track: "150px",
      right: true,
      text: (row) => row.gain.toFixed(1),
      cell: (row) => (
        <span className={css.gain}>
          <i style={{ width: `${Math.max(2, (100 * row.gain) / most)}%` }} />
          {row.gain < 10 ? row.gain.toFixed(1) : count(Math.round(row.gain))}
        </span>
      ),
    },
    {
      key: "position",
      label: "position",
      track: "104px",
      right: true,
      text: (row) => row.position.toFixed(1),
      cell: (row) =>
        `${row.positionBefore >= 1 ? `${row.positionBefore.toFixed(1)} → ` : ""}${row.position.toFixed(1)}`,
    },
    {
      key: "when",
      label: "too early until",
      track: "104px",
      text: (row) => row.youngUntil,
      cell: (row) => (row.youngUntil ? day(row.youngUntil) : ""),
    },
    {
      key: "why",
      label: "why",
      track: "minmax(360px, 2.6fr)",
      text: (row) => row.reason,
      cell: (row) => (
        <span className={`${css.cut} ${css.soft}`} title={row.reason}>
          {row.reason}
        </span>
      ),
    },
  ];
}

/** Queries that items begin to rank for and that are worth far more than what they aim at. */
export function BetterKeywords({ propertyId }: { propertyId: number }) {
  const [search, setSearch] = useSearchParams();
  const navigate = useNavigate();
  const young = search.get("young") === "true";
  const choice = useChoice();
  const rows = useRows<BetterRow>(ofProperty(propertyId, "better", young), (from, size, signal) =>
    answer(
      api.GET("/api/properties/{propertyId}/better", {
        params: { path: { propertyId }, query: { young, from, count: size } },
        signal,
      }),
    ),
  );
  const [hand, setHand] = useState<BetterRow>();
  const follow = useCallback(
    (row: BetterRow | undefined, again: boolean) => row && setHand((now) => (again && !now ? now : row)),
    [],
  );
  const most = rows.row(0)?.gain ?? 1;
  const shown = useMemo(() => columns(most).filter((column) => young || column.key !== "when"), [most, young]);
  const path = { params: { path: { propertyId } } };
  const accept = useChange(propertyId, () =>
    answer(api.POST("/api/properties/{propertyId}/better/accept", { ...path, body: choice.selection({}).ids ?? [] })),
  );
  const refuse = useChange(propertyId, () =>
    answer(api.POST("/api/properties/{propertyId}/better/refuse", { ...path, body: choice.selection({}).ids ?? [] })),
  );
  const n = choice.count(rows.total ?? 0);
  return (
    <>
      <div className={css.line}>
        <strong>{rows.total === undefined ? "–" : of(rows.total, "better keyword")}</strong>
        <SegmentedControl
          size="xs"
          aria-label="Which"
          value={young ? "young" : "ready"}
          onChange={(value) => setSearch({ side: "better", ...(value === "young" && { young: "true" }) })}
          data={[
            { value: "ready", label: "Can be taken" },
            { value: "young", label: "Too early" },
          ]}
        />
        <TableLinks csv={`/api/properties/${propertyId}/better.csv`} />
      </div>
      <div className={stage.split}>
        <div className={stage.table}>
          <Grid
            label="Better keywords"
            columns={shown}
            rows={rows}
            idOf={(row) => row.id}
            choice={choice}
            onCursor={follow}
            empty={
              young
                ? "No new item has begun to rank for a better query."
                : "No better keywords yet. They are queries that an item begins to rank for and that are searched far more than its keyword: fetch the demand, or import it under Gather."
            }
          />
          <BatchBar n={n} thing="better keyword" onNone={choice.none}>
            <Button
              size="xs"
              disabled={choice.isAll}
              loading={accept.isPending}
              onClick={() =>
                accept.mutate(undefined, {
                  onSuccess: ({ items, keywords }) => {
                    tell(`${of(items.length, "item")} aimed anew. Their titles stand on the desk, to be rewritten.`);
                    choice.none();
                    const which =
                      keywords.length === 1 ? `target=${keywords[0]}` : "field=title&check=keyword-incomplete";
                    navigate(`/p/${propertyId}/rewrite?tool=recipe&${which}`);
                  },
                })
              }
            >
              Aim at these and rewrite
            </Button>
            <Button
              size="xs"
              variant="default"
              disabled={choice.isAll}
              loading={refuse.isPending}
              onClick={() => refuse.mutate(undefined, { onSuccess: choice.none })}
            >
              Do not propose again
            </Button>
          </BatchBar>
        </div>
        {hand && <BetterCloseUp row={hand} onClose={() => setHand(undefined)} />}
      </div>
    </>
  );
}
