import { Button, Select } from "@mantine/core";
import { useDebouncedValue } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useCallback, useMemo, useState } from "react";
import { answer, api, type ItemRow } from "../../api/client";
import { ofProperty, useChange } from "../../api/queries";
import { BatchBar } from "../../parts/BatchBar";
import { CloseUp } from "../../parts/CloseUp";
import { useChoice } from "../../parts/choice";
import { type Column, Grid } from "../../parts/Grid";
import { itemColumns } from "../../parts/itemColumns";
import { count, of } from "../../parts/number";
import stage from "../../parts/stage.module.css";
import { tell } from "../../parts/tell";
import { useItemView } from "../../parts/useItemView";
import css from "../Aim.module.css";
import { ItemKeywords } from "./ItemKeywords";
import { ItemPhrases } from "./ItemPhrases";
import { LackingWords } from "./LackingWords";

const WHY: Column<ItemRow> = {
  key: "why",
  label: "why",
  track: "minmax(200px, 1.2fr)",
  text: (row) => row.aim?.reason ?? "",
  cell: (row) => <span className={`${css.cut} ${css.soft}`}>{row.aim?.reason}</span>,
};

/** The items with the keyword each aims at; one or many can be aimed by hand. */
export function AimedItems({ propertyId, target }: { propertyId: number; target?: "without" }) {
  const fixed = useMemo(() => ({ target, indexable: "yes" }), [target]);
  const view = useItemView(propertyId, fixed);
  const choice = useChoice();
  const [hand, setHand] = useState<number>();
  const follow = useCallback(
    (row: ItemRow | undefined, again: boolean) => row && setHand((now) => (again && now === undefined ? now : row.id)),
    [],
  );
  const columns = useMemo(
    () => [
      itemColumns.address,
      itemColumns.text("title", "minmax(220px, 1.4fr)"),
      { ...itemColumns.keyword, track: "minmax(160px, 1fr)" },
      WHY,
      itemColumns.links,
    ],
    [],
  );
  const aim = useChange(propertyId, (keywordId: number | undefined) =>
    answer(
      api.POST("/api/properties/{propertyId}/targets", {
        params: { path: { propertyId } },
        body: { selection: choice.selection(view.filter), keywordId },
      }),
    ),
  );
  const keep = useChange(propertyId, () =>
    answer(
      api.POST("/api/properties/{propertyId}/targets/keep", {
        params: { path: { propertyId } },
        body: choice.selection(view.filter),
      }),
    ),
  );
  const free = useChange(propertyId, () =>
    answer(
      api.POST("/api/properties/{propertyId}/targets/free", {
        params: { path: { propertyId } },
        body: choice.selection(view.filter),
      }),
    ),
  );
  const done = (what: string) => ({
    onSuccess: ({ items }: { items: number }) => {
      tell(`${of(items, "item")} ${what}.`);
      choice.none();
    },
  });
  return (
    <>
      <p className={css.line}>
        <strong>{view.rows.total === undefined ? "–" : count(view.rows.total)} items</strong>
      </p>
      <div className={stage.split}>
        <div className={stage.table}>
          <Grid
            label="Items and their keywords"
            columns={columns}
            {...view.grid}
            choice={choice}
            onCursor={follow}
            empty={target ? "Every indexable item has a keyword." : "Gather the items of this property first."}
          />
          <BatchBar n={choice.count(view.rows.total ?? 0)} thing="item" onNone={choice.none}>
            <KeywordSelect propertyId={propertyId} onChoose={(id) => aim.mutate(id, done("aimed by hand"))} />
            <Button
              size="xs"
              variant="default"
              onClick={() => aim.mutate(undefined, done("cleared, and they stay clear"))}
            >
              Clear the keyword
            </Button>
            <Button
              size="xs"
              variant="default"
              onClick={() => keep.mutate(undefined, done("kept with their keywords"))}
            >
              Keep as they are
            </Button>
            <Button size="xs" variant="default" onClick={() => free.mutate(undefined, done("worked out again"))}>
              Work out again
            </Button>
          </BatchBar>
        </div>
        {hand !== undefined && (
          <CloseUp
            propertyId={propertyId}
            itemId={hand}
            keywords={(item) => <ItemKeywords propertyId={propertyId} item={item} />}
            more={(item) => (
              <>
                <ItemPhrases propertyId={propertyId} item={item} />
                <LackingWords propertyId={propertyId} item={item} />
              </>
            )}
            onClose={() => setHand(undefined)}
          />
        )}
      </div>
    </>
  );
}

function KeywordSelect({ propertyId, onChoose }: { propertyId: number; onChoose: (id: number) => void }) {
  const [text, setText] = useState("");
  const [q] = useDebouncedValue(text, 150);
  const found = useQuery({
    queryKey: ofProperty(propertyId, "keyword-choice", q),
    queryFn: () =>
      answer(
        api.GET("/api/properties/{propertyId}/keywords", { params: { path: { propertyId }, query: { q, count: 40 } } }),
      ),
  });
  return (
    <Select
      size="xs"
      w={240}
      searchable
      aria-label="Aim at a keyword"
      placeholder="Aim at …"
      searchValue={text}
      onSearchChange={setText}
      filter={({ options }) => options}
      data={(found.data?.rows ?? []).map((row) => ({ value: String(row.id), label: row.phrase }))}
      onChange={(value) => value && onChoose(Number(value))}
      comboboxProps={{ position: "top-start" }}
    />
  );
}
