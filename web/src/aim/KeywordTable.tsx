import { Button, Modal, NativeSelect, TextInput } from "@mantine/core";
import { useCallback, useState } from "react";
import { answer, api, type KeywordRow } from "../api/client";
import { useChange } from "../api/queries";
import { BatchBar } from "../parts/BatchBar";
import { useChoice } from "../parts/choice";
import { type Column, Grid } from "../parts/Grid";
import { IconDownload } from "../parts/icons";
import { count, of, pathOf } from "../parts/number";
import stage from "../parts/stage.module.css";
import { tell } from "../parts/tell";
import { AddKeywords } from "./AddKeywords";
import css from "./Aim.module.css";
import { KeywordCloseUp } from "./KeywordCloseUp";
import { KeywordFilters } from "./KeywordFilters";
import { Trend } from "./Trend";
import { useKeywords } from "./useKeywords";

const COLUMNS: Column<KeywordRow>[] = [
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
    label: "searches a month",
    track: "112px",
    sort: "volume",
    right: true,
    text: (row) => String(row.volume ?? ""),
    cell: (row) => (row.volume === null ? "" : count(row.volume)),
  },
  { key: "trend", label: "by month", track: "124px", cell: (row) => <Trend row={row} /> },
  {
    key: "peaks",
    label: "most in",
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
          {row.role === "secondary" && <span className={css.soft}> second</span>}
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

const INTENTS = ["navigational", "transactional", "commercial", "informational"] as const;

export function KeywordTable({ propertyId, home }: { propertyId: number; home?: "without" }) {
  const { filter, by, desc, rows, set, sortBy, csv } = useKeywords(propertyId, home);
  const choice = useChoice();
  const [hand, setHand] = useState<KeywordRow>();
  const [adding, setAdding] = useState(false);
  const follow = useCallback((row: KeywordRow | undefined) => row && setHand(row), []);
  return (
    <>
      <div className={css.line}>
        <strong>{rows.total === undefined ? "–" : count(rows.total)} keywords</strong>
        <KeywordFilters propertyId={propertyId} filter={filter} set={set} />
        <Button size="xs" variant="default" onClick={() => setAdding(true)} ml="auto">
          Add keywords
        </Button>
        <Modal opened={adding} onClose={() => setAdding(false)} title="Add keywords" size="lg">
          <AddKeywords propertyId={propertyId} />
        </Modal>
        <a href={csv} download>
          <IconDownload size={15} aria-hidden /> CSV
        </a>
      </div>
      <div className={stage.split}>
        <div className={stage.table}>
          <Grid
            label="Keywords"
            columns={COLUMNS}
            rows={rows}
            idOf={(row) => row.id}
            sort={by}
            desc={desc}
            onSort={sortBy}
            choice={choice}
            onCursor={follow}
            empty={
              home
                ? "Every keyword has an item. Keywords that no item holds the words of will stand here, as ideas for new pages."
                : "Here will stand the phrases people search for, each with the item that fits it best. Add a list: paste it, or choose a file."
            }
          />
          <KeywordBatch propertyId={propertyId} choice={choice} total={rows.total ?? 0} />
        </div>
        {hand && <KeywordCloseUp propertyId={propertyId} row={hand} onClose={() => setHand(undefined)} />}
      </div>
    </>
  );
}

/** What can be done with all chosen keywords. */
function KeywordBatch({
  propertyId,
  choice,
  total,
}: {
  propertyId: number;
  choice: ReturnType<typeof useChoice>;
  total: number;
}) {
  const [topic, setTopic] = useState("");
  const ids = () => choice.selection({}).ids ?? [];
  const path = { params: { path: { propertyId } } };
  const remove = useChange(propertyId, () =>
    answer(api.POST("/api/properties/{propertyId}/keywords/remove", { ...path, body: ids() })),
  );
  const move = useChange(propertyId, () =>
    answer(api.POST("/api/properties/{propertyId}/keywords/topic", { ...path, body: { ids: ids(), topic } })),
  );
  const settle = useChange(propertyId, (intent: string) =>
    answer(
      api.POST("/api/properties/{propertyId}/keywords/intent", {
        ...path,
        body: { ids: ids(), intent: (intent || undefined) as never },
      }),
    ),
  );
  const n = choice.count(total);
  const done = (what: string) => ({
    onSuccess: () => {
      tell(`${of(n, "keyword")} ${what}.`);
      choice.none();
    },
  });
  return (
    <BatchBar n={n} thing="keyword" onNone={choice.none}>
      <TextInput
        size="xs"
        w={170}
        aria-label="Topic for the chosen keywords"
        placeholder="a topic, or none"
        value={topic}
        onChange={(event) => setTopic(event.currentTarget.value)}
      />
      <Button
        size="xs"
        variant="default"
        disabled={choice.isAll}
        loading={move.isPending}
        onClick={() => move.mutate(undefined, done(topic.trim() ? `put under “${topic.trim()}”` : "sorted again"))}
      >
        Put under topic
      </Button>
      <NativeSelect
        size="xs"
        aria-label="Intent for the chosen keywords"
        value=""
        disabled={choice.isAll}
        onChange={(event) => {
          const intent = event.currentTarget.value;
          settle.mutate(intent === "again" ? "" : intent.toUpperCase(), done("given an intent"));
        }}
        data={[
          { value: "", label: "Intent …" },
          ...INTENTS.map((intent) => ({ value: intent as string, label: intent as string })),
          { value: "again", label: "by rule again" },
        ]}
      />
      <Button
        size="xs"
        variant="default"
        disabled={choice.isAll}
        loading={remove.isPending}
        onClick={() => remove.mutate(undefined, { onSuccess: choice.none })}
      >
        Remove from the list
      </Button>
    </BatchBar>
  );
}
