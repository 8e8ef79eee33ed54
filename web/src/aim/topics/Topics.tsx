import { Button, TextInput } from "@mantine/core";
import { useCallback, useState } from "react";
import { useSearchParams } from "react-router";
import { answer, api, type TopicRow } from "../../api/client";
import { ofProperty, useChange } from "../../api/queries";
import { BatchBar } from "../../parts/BatchBar";
import { useChoice } from "../../parts/choice";
import { type Column, Grid } from "../../parts/Grid";
import { count, of } from "../../parts/number";
import stage from "../../parts/stage.module.css";
import { tell } from "../../parts/tell";
import { useRows } from "../../parts/useRows";
import { useSearchChange } from "../../parts/useSearchChange";
import css from "../Aim.module.css";
import { TopicCloseUp } from "./TopicCloseUp";

const number = (key: keyof TopicRow & string, label: string, track: string): Column<TopicRow> => ({
  key,
  label,
  track,
  sort: key,
  right: true,
  text: (row) => String(row[key]),
  cell: (row) => (row[key] === 0 ? "" : count(row[key] as number)),
});

const COLUMNS: Column<TopicRow>[] = [
  {
    key: "topic",
    label: "topic",
    track: "minmax(200px, 1.2fr)",
    sort: "topic",
    text: (row) => row.topic,
    cell: (row) => (
      <span className={css.cut}>
        {row.topic}
        {row.byHand > 0 && <span className={css.soft}> named by hand</span>}
      </span>
    ),
  },
  number("keywords", "keywords", "84px"),
  number("volume", "search volume", "136px"),
  number("clicks", "clicks, 13 weeks", "122px"),
  number("items", "items", "64px"),
  {
    key: "without",
    label: "keywords without an item",
    track: "168px",
    sort: "without",
    right: true,
    text: (row) => String(row.keywords - row.withItem),
    cell: (row) => (row.keywords === row.withItem ? "" : count(row.keywords - row.withItem)),
  },
];

/** The topics of the keywords: what each adds up to, and how they are joined, named and divided. */
export function Topics({ propertyId }: { propertyId: number }) {
  const [search] = useSearchParams();
  const q = search.get("q") ?? "";
  const by = search.get("sort") ?? "volume";
  const desc = (search.get("desc") ?? "true") === "true";
  const choice = useChoice();
  const [hand, setHand] = useState<TopicRow>();
  const follow = useCallback(
    (row: TopicRow | undefined, again: boolean) => row && setHand((now) => (again && !now ? now : row)),
    [],
  );
  const rows = useRows<TopicRow>(ofProperty(propertyId, "topics", q, by, desc), (from, size, signal) =>
    answer(
      api.GET("/api/properties/{propertyId}/topics", {
        params: { path: { propertyId }, query: { q, sort: by, desc, from, count: size } },
        signal,
      }),
    ),
  );
  const set = useSearchChange();
  return (
    <>
      <div className={css.line}>
        <h2>{rows.total === undefined ? "–" : of(rows.total, "topic")}</h2>
        <TextInput
          size="xs"
          w={190}
          aria-label="Text in a topic or its keywords"
          placeholder="contains …"
          value={q}
          onChange={(event) => set({ q: event.currentTarget.value })}
        />
      </div>
      <div className={stage.split}>
        <div className={stage.table}>
          <Grid
            label="Topics"
            columns={COLUMNS}
            rows={rows}
            idOf={(row) => row.id}
            sort={by}
            desc={desc}
            onSort={(next) => set({ sort: next, desc: String(by === next ? !desc : next !== "topic") })}
            choice={choice}
            onCursor={follow}
            empty={
              q
                ? "No topic and no keyword contains that."
                : "No topics yet. Keywords are grouped into topics as soon as there are some."
            }
          />
          <MergeBar propertyId={propertyId} choice={choice} total={rows.total ?? 0} />
        </div>
        {hand && (
          <TopicCloseUp key={hand.topic} propertyId={propertyId} row={hand} onClose={() => setHand(undefined)} />
        )}
      </div>
    </>
  );
}

function MergeBar({
  propertyId,
  choice,
  total,
}: {
  propertyId: number;
  choice: ReturnType<typeof useChoice>;
  total: number;
}) {
  const [name, setName] = useState("");
  const n = choice.count(total);
  const merge = useChange(propertyId, () =>
    answer(
      api.POST("/api/properties/{propertyId}/topics/merge", {
        params: { path: { propertyId } },
        body: { ids: choice.selection({}).ids ?? [], name: name.trim() },
      }),
    ),
  );
  return (
    <BatchBar n={n} thing="topic" onNone={choice.none}>
      <TextInput
        size="xs"
        w={200}
        aria-label="Name of the one topic"
        placeholder="its name"
        value={name}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <Button
        size="xs"
        disabled={choice.isAll || name.trim() === ""}
        loading={merge.isPending}
        onClick={() =>
          merge.mutate(undefined, {
            onSuccess: () => {
              tell(`${of(n, "topic")} ${n === 1 ? "is" : "are"} “${name.trim()}” now, and what joins later, too.`);
              choice.none();
            },
          })
        }
      >
        {n === 1 ? "Give it this name" : "Make them one topic"}
      </Button>
    </BatchBar>
  );
}
