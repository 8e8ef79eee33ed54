import { Checkbox, NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useCallback, useMemo, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { answer, api, type Change, type ChangeKind, type Sweep } from "../api/client";
import { ofProperty } from "../api/queries";
import { TableLinks } from "../parts/FileLink";
import bar from "../parts/FilterBar.module.css";
import { type Column, Grid } from "../parts/Grid";
import { count, dayAndTime, pathOf } from "../parts/number";
import { SidePanel } from "../parts/SidePanel";
import { searchOf } from "../parts/searchOf";
import stage from "../parts/stage.module.css";
import { useProperty } from "../parts/useProperty";
import { useRows } from "../parts/useRows";
import { WordRuns } from "../parts/WordRuns";
import css from "./Compare.module.css";

const KINDS: { kind: ChangeKind; word: string }[] = [
  { kind: "NEW", word: "new" },
  { kind: "GONE", word: "gone" },
  { kind: "MOVED", word: "moved" },
  { kind: "CHANGED", word: "changed" },
];
const FIELDS = ["title", "description", "tags", "h1", "canonical", "robots"];

const field = (name: string, track: string): Column<Change> => ({
  key: name,
  label: name,
  track,
  text: (row) => textOf(row, name),
  cell: (row) => (
    <span className={css.cut}>
      <Pieces change={row} field={name} />
    </span>
  ),
});

const COLUMNS: Column<Change>[] = [
  {
    key: "address",
    label: "address",
    track: "minmax(170px, 1fr)",
    text: (row) => row.address,
    cell: (row) => (
      <span className={css.cut} title={row.address}>
        {pathOf(row.address)}
      </span>
    ),
  },
  {
    key: "kind",
    label: "change",
    track: "minmax(150px, 0.7fr)",
    text: (row) => inWords(row),
    cell: (row) => <span className={css.cut}>{inWords(row)}</span>,
  },
  field("title", "minmax(260px, 1.6fr)"),
  field("description", "minmax(260px, 1.8fr)"),
];

const nameOf = (field: string) => (field === "h1" ? "H1" : field);

function inWords(change: Change) {
  if (change.kind === "MOVED") return `moved to ${pathOf(change.movedTo)}`;
  const others = change.fields.map((each) => each.field).filter((name) => name !== "title" && name !== "description");
  if (change.kind !== "CHANGED") return change.kind.toLowerCase();
  if (change.fields.length === 0) return "changed in its copy or links";
  return others.length === 0 ? "changed" : `changed, ${others.map(nameOf).join(" and ")} too`;
}

const textOf = (change: Change, name: string) =>
  change.fields
    .find((each) => each.field === name)
    ?.pieces.filter((piece) => piece.fate !== "WENT")
    .map((piece) => piece.text)
    .join("") ?? "";

/** A field word by word. */
function Pieces({ change, field: name }: { change: Change; field: string }) {
  return <WordRuns runs={change.fields.find((each) => each.field === name)?.pieces ?? []} />;
}

type SweepOfList = Pick<Sweep, "id" | "started" | "kind" | "source">;

/** When a sweep was, and its number where another began in the same minute. */
function labelOf(sweep: SweepOfList, all: SweepOfList[]) {
  const when = dayAndTime(sweep.started);
  const alike = all.filter((other) => dayAndTime(other.started) === when).length > 1;
  return `${when}${alike ? `, no. ${sweep.id}` : ""}${sweep.kind === "import" ? `, ${sweep.source}` : ""}`;
}

/** Two sweeps side by side: what is new, gone, moved and changed. */
export function Compare() {
  const { propertyId } = useProperty();
  const [search, setSearch] = useSearchParams();
  const [hand, setHand] = useState<Change>();
  const follow = useCallback(
    (row: Change | undefined, again: boolean) => setHand((now) => (again && !now ? now : row)),
    [],
  );
  const sweeps = useQuery({
    queryKey: ofProperty(propertyId, "sweeps"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/sweeps", { params: { path: { propertyId } } })),
  });
  const done =
    sweeps.data?.filter((sweep) => sweep.ofItems && (sweep.state === "done" || sweep.state === "stopped")) ?? [];
  const after = Number(search.get("after") ?? done[0]?.id ?? 0);
  const before = Number(search.get("before") ?? done.find((sweep) => sweep.id < after)?.id ?? 0);
  if (sweeps.data && (before === 0 || after === 0)) {
    return (
      <div className={stage.stage}>
        <h2 className={css.kinds}>What changed</h2>
        <p className={css.hint}>
          Nothing to compare yet: it takes two sweeps. Sweep the property again, or{" "}
          <Link to=".." relative="path">
            look at what was gathered
          </Link>
          .
        </p>
      </div>
    );
  }
  const set = (name: string, value: string | undefined) =>
    setSearch(
      (was) => {
        const next = new URLSearchParams(was);
        if (value) next.set(name, value);
        else next.delete(name);
        return next;
      },
      { replace: true },
    );
  const choice = (name: "before" | "after", label: string, value: number, from: typeof done) => (
    <NativeSelect
      size="xs"
      maw={280}
      aria-label={label}
      value={String(value)}
      onChange={(event) => set(name, event.currentTarget.value)}
      data={from.map((sweep) => ({
        value: String(sweep.id),
        label: labelOf(sweep, from),
      }))}
    />
  );
  return (
    <div className={stage.stage}>
      <div className={bar.bar}>
        <h2 className={bar.total}>What changed</h2> from{" "}
        {choice(
          "before",
          "The earlier sweep",
          before,
          done.filter((sweep) => sweep.id < after),
        )}{" "}
        to {choice("after", "The later sweep", after, done)}
        <span className={bar.rest}>
          <Link to=".." relative="path">
            Back to the items
          </Link>
        </span>
      </div>
      {before > 0 && (
        <Differences propertyId={propertyId} before={before} after={after} search={search} set={set} onHand={follow}>
          {hand && <HandPanel propertyId={propertyId} change={hand} onClose={() => setHand(undefined)} />}
        </Differences>
      )}
    </div>
  );
}

interface DifferencesProps {
  propertyId: number;
  before: number;
  after: number;
  search: URLSearchParams;
  set: (name: string, value: string | undefined) => void;
  onHand: (row: Change | undefined, again: boolean) => void;
  children: React.ReactNode;
}

function Differences({ propertyId, before, after, search, set, onHand, children }: DifferencesProps) {
  const kind = (search.get("kind") ?? undefined) as ChangeKind | undefined;
  const only = search.get("field") ?? undefined;
  const undrafted = search.get("undrafted") === "true";
  const query = useMemo(
    () => ({ before, after, kind, field: only, undrafted: undrafted || undefined }),
    [before, after, kind, only, undrafted],
  );
  const fetchPage = (asked: typeof query & { from: number; count: number }, signal?: AbortSignal) =>
    answer(
      api.GET("/api/properties/{propertyId}/comparison", { params: { path: { propertyId }, query: asked }, signal }),
    );
  const rows = useRows<Change>(ofProperty(propertyId, "comparison", query), (from, size, signal) =>
    fetchPage({ ...query, from, count: size }, signal),
  );
  // The figures are those of all differences, whatever is shown of them.
  const all = { before, after, from: 0, count: 0 };
  const figures = useQuery({
    queryKey: ofProperty(propertyId, "comparison", all),
    queryFn: () => fetchPage({ ...all, kind: undefined, field: undefined, undrafted: undefined }),
  });
  const counts = figures.data?.counts ?? {};
  return (
    <>
      <div className={css.kinds}>
        {KINDS.map((each) => (
          <button
            key={each.kind}
            type="button"
            className={css.kind}
            aria-pressed={kind === each.kind}
            disabled={!counts[each.word]}
            onClick={() => set("kind", kind === each.kind ? undefined : each.kind)}
          >
            <b>{figures.data ? count(counts[each.word] ?? 0) : "–"}</b> {each.word}
          </button>
        ))}
        <span className={stage.soft}>{figures.data && `${count(counts.unchanged ?? 0)} unchanged`}</span>
        <span className={bar.rest}>
          <Checkbox
            size="xs"
            label={`only changes not drafted here (${count(figures.data?.undrafted ?? 0)})`}
            checked={undrafted}
            onChange={(event) => set("undrafted", event.currentTarget.checked ? "true" : undefined)}
          />
          <NativeSelect
            size="xs"
            aria-label="Field that changed"
            value={only ?? ""}
            onChange={(event) => set("field", event.currentTarget.value || undefined)}
            data={[
              { value: "", label: "any field" },
              ...FIELDS.filter((name) => figures.data?.fields[name]).map((name) => ({
                value: name,
                label: `${nameOf(name)} (${count(figures.data?.fields[name] ?? 0)})`,
              })),
            ]}
          />
          <TableLinks csv={`/api/properties/${propertyId}/comparison.csv?${searchOf(query)}`} />
        </span>
      </div>
      <div className={stage.split}>
        <div className={stage.table}>
          <Grid
            label="Differences"
            columns={COLUMNS}
            rows={rows}
            idOf={(row) => row.itemId}
            onCursor={onHand}
            empty="Nothing differs in this way between the two sweeps."
          />
        </div>
        {children}
      </div>
    </>
  );
}

/** One difference in full. */
function HandPanel({ propertyId, change, onClose }: { propertyId: number; change: Change; onClose: () => void }) {
  return (
    <SidePanel label="The difference in full" title={change.address} width={400} onClose={onClose}>
      <p className={stage.soft}>{inWords(change)}</p>
      {change.fields.map((each) => (
        <section key={each.field} className={css.field}>
          <h3>{nameOf(each.field)}</h3>
          <p>
            <Pieces change={change} field={each.field} />
          </p>
          {change.kind === "CHANGED" && (
            <p className={stage.soft}>{each.drafted ? "drafted here" : "not drafted here"}</p>
          )}
        </section>
      ))}
      {change.kind !== "GONE" && change.kind !== "MOVED" && (
        <p>
          <Link to={`/p/${propertyId}/rewrite?q=${encodeURIComponent(change.address)}`}>Open in Rewrite</Link>
        </p>
      )}
    </SidePanel>
  );
}
