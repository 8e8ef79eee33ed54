import { Button, NativeSelect } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import type { Field, ItemRow, WriterColumn } from "../api/client";
import { BatchBar } from "../parts/BatchBar";
import { CloseUp } from "../parts/CloseUp";
import { ConflictDialog } from "../parts/ConflictDialog";
import { useChoice } from "../parts/choice";
import { FilterBar } from "../parts/FilterBar";
import { cellOf, type DraftedField, isOfParts, PART_FIELDS } from "../parts/fields";
import { Grid } from "../parts/Grid";
import { itemColumns } from "../parts/itemColumns";
import { of } from "../parts/number";
import { RefreshOrder } from "../parts/RefreshOrder";
import stage from "../parts/stage.module.css";
import { useWantedColumns } from "../parts/useColumns";
import { useItemView } from "../parts/useItemView";
import { useLabels } from "../parts/useLabels";
import { useProperty } from "../parts/useProperty";
import { useSearchChange } from "../parts/useSearchChange";
import { BatchMenu } from "./BatchMenu";
import { CellEditor } from "./CellEditor";
import { EditPanel } from "./EditPanel";
import { PreviewedCell } from "./PreviewedCell";
import css from "./Rewrite.module.css";
import { fieldOf, TOOLS, type Tool, toolChoice } from "./tools";
import { useDesk } from "./useDesk";
import { useImportedCells, useImportedColumns } from "./useImported";
import { type Previewed, usePreviewedRows } from "./usePreviewedRows";
import { useUndo } from "./useUndo";
import type { Outcome } from "./Verdict";
import { WordingsPanel } from "./WordingsPanel";
import { AnswerCell } from "./writer/AnswerCell";
import { useUnfinished, useWriterCells, useWriterColumns } from "./writer/useWriter";
import { WriterPanel } from "./writer/WriterPanel";

const NOTHING = {};
const NO_COLUMNS: WriterColumn[] = [];

/** Rows of two lines; and of three, for an old description above the new one. */
const TALL_ROW = 44;
const TALLER_ROW = 60;

/** As wide as the result page's line is at the size of the table, and some room for what runs over it. */
const TITLE_TRACK = "minmax(431px, 480px)";
const DESCRIPTION_TRACK = "minmax(410px, 480px)";

const PAGE_FIELDS = [
  { field: "h1", track: "minmax(220px, 1fr)" },
  { field: "slug", track: "minmax(180px, 0.8fr)" },
  { field: "indexing", track: "92px" },
  { field: "images", track: "minmax(240px, 1fr)" },
  { field: "links", track: "minmax(240px, 1fr)" },
  { field: "og-title", track: "minmax(220px, 1fr)" },
  { field: "og-description", track: "minmax(260px, 1.2fr)" },
] as const;

const DESK = "The desk";

/** Titles and descriptions of the writer are drawn as wide as those of the desk. */
const WRITTEN_TRACKS: Record<string, string> = { title: TITLE_TRACK, description: DESCRIPTION_TRACK };

/** The desk: every text of the property, edited in place or in bulk. */
export function Rewrite() {
  const { propertyId, property, standing } = useProperty();
  const [search] = useSearchParams();
  const [previewed, setPreviewed] = useState<Previewed>();
  const [outcome, setOutcome] = useState<Outcome>();
  const [written, setWritten] = useState<string>();
  const among = previewed?.complete && outcome ? `${previewed.token} ${outcome}` : written;
  const tool = search.get("tool") as Tool | null;
  const on = (search.get("on") ?? "title") as Field;
  const wanted = useWantedColumns(DESK);
  const withParts = PART_FIELDS.some((field) => wanted.includes(field) || (tool !== null && on === field));
  const view = useItemView(propertyId, NOTHING, true, among, { parts: withParts });
  const preview = usePreviewedRows(previewed);
  const choice = useChoice(view.filter);
  const setSearch = useSearchChange();
  const [hand, setHand] = useState<number>();
  const [wording, setWording] = useState<"title" | "description">();
  const writing = tool === "writer";
  const underWay = useUnfinished(propertyId, writing).data?.underWay ?? false;
  const writerColumns = useWriterColumns(propertyId, writing, underWay).data ?? NO_COLUMNS;
  const { onView: onWriterView, cellOf: answerOf } = useWriterCells(propertyId, writing, underWay);
  const importedColumns = useImportedColumns(propertyId);
  const { onView: onImportedView, textOf: importedOf } = useImportedCells(propertyId, importedColumns.length > 0);
  const desk = useDesk(propertyId, view);
  const undo = useUndo(propertyId, desk.settled);
  const replaceInAll = useRef<() => void>(() => undefined);
  useHotkeys([
    ["mod+Z", () => undo.undoLast()],
    ["mod+shift+Z", () => undo.redoLast()],
    ["mod+Y", () => undo.redoLast()],
    ["mod+H", () => replaceInAll.current()],
  ]);

  // Narrowed to what came out alike, the table still stands for all that was selected.
  const all = useRef(0);
  if (among === undefined) all.current = view.rows.total ?? 0;
  const n = choice.count(all.current);
  // A tool that is opened without a selection, as from a cause, is about all rows; letting go of the selection closes it.
  const opened = useRef<string>(undefined);
  useEffect(() => {
    const wanted = tool ? `${tool} ${on}` : undefined;
    if (wanted && opened.current === undefined && n === 0) choice.all();
    else if (wanted && opened.current !== undefined && n === 0 && all.current) openTool(undefined);
    opened.current = wanted;
  });

  // The panel waits until it is known what it is about, so that it never previews nothing.
  const known = n > 0 || (among === undefined && view.rows.total === 0);
  const openTool = (next: Tool | undefined, field = on) => {
    setOutcome(undefined);
    setWritten(undefined);
    setSearch({ tool: next, on: next && field, with: undefined });
  };

  replaceInAll.current = () => {
    if (n === 0) choice.all();
    openTool("replace");
  };

  const { unsavedOf } = desk;
  const labelOf = useLabels(propertyId);
  const listings = property !== undefined && property.kind !== "website";
  const { rows: made } = preview;
  const edited = tool && !writing ? on : undefined;
  const becomes = useCallback(
    (field: DraftedField) => (row: ItemRow) => {
      const line = field === previewed?.field ? made.get(row.id) : undefined;
      const cell = cellOf(row, field);
      return line && cell ? <PreviewedCell cell={cell} preview={line} ofParts={isOfParts(field)} /> : undefined;
    },
    [made, previewed?.field],
  );
  const columns = useMemo(() => {
    // What is being edited in bulk is shown, whether it is wanted else or not.
    const pageColumn = ({ field, track }: (typeof PAGE_FIELDS)[number]) => ({
      ...itemColumns.text(field, track, unsavedOf, becomes(field)),
      optional: edited !== field,
    });
    return [
      itemColumns.address,
      ...(writing ? writerColumns : NO_COLUMNS).map((column) => ({
        key: `writer ${column.id}`,
        label: `${column.name} (writer)`,
        track: WRITTEN_TRACKS[column.makes ?? ""] ?? "minmax(180px, 280px)",
        text: (row: ItemRow) => answerOf(column.id, row.id)?.answer ?? "",
        cell: (row: ItemRow) => (
          <AnswerCell
            cell={answerOf(column.id, row.id)}
            now={column.makes ? cellOf(row, column.makes as DraftedField) : null}
            ofParts={isOfParts(column.makes ?? "")}
          />
        ),
      })),
      itemColumns.text("title", TITLE_TRACK, unsavedOf, becomes("title")),
      itemColumns.text("description", DESCRIPTION_TRACK, unsavedOf, becomes("description")),
      ...(listings
        ? [itemColumns.text("tags", "minmax(220px, 1.6fr)", unsavedOf, becomes("tags"))]
        : [itemColumns.keyword, ...PAGE_FIELDS.map(pageColumn)]),
      ...importedColumns.map((name) => ({
        key: `imported ${name}`,
        label: `${name} (imported)`,
        track: "minmax(120px, 0.8fr)",
        optional: true,
        text: (row: ItemRow) => importedOf(name, row.id),
        cell: (row: ItemRow) => <span title={importedOf(name, row.id)}>{importedOf(name, row.id)}</span>,
      })),
      ...(view.mostAtStake > 0 ? [itemColumns.stake(view.mostAtStake)] : []),
      itemColumns.findings(labelOf),
    ];
  }, [
    listings,
    unsavedOf,
    view.mostAtStake,
    labelOf,
    becomes,
    writing,
    writerColumns,
    answerOf,
    edited,
    importedColumns,
    importedOf,
  ]);
  const { onView: onPreviewView } = preview;
  const onView = useCallback(
    (rows: ItemRow[]) => {
      onPreviewView(rows);
      onWriterView(rows);
      onImportedView(rows);
    },
    [onPreviewView, onWriterView, onImportedView],
  );
  const follow = useCallback(
    (row: ItemRow | undefined, again: boolean) => row && setHand((now) => (again && now === undefined ? now : row.id)),
    [],
  );

  return (
    <div className={stage.stage}>
      <FilterBar propertyId={propertyId} view={view}>
        <RefreshOrder view={view} revision={property?.revision} />
        <BatchMenu propertyId={propertyId} undo={undo} />
        <Button
          size="xs"
          disabled={!view.rows.total}
          onClick={() => {
            if (n === 0) choice.all();
            openTool("recipe");
          }}
        >
          Rewrite in bulk
        </Button>
      </FilterBar>
      {desk.failed > 0 && (
        <p role="alert" className={css.unsaved}>
          {of(desk.failed, "text")} could not be saved and {desk.failed === 1 ? "stands" : "stand"} only in this tab.
          <Button size="compact-xs" onClick={desk.retry}>
            Save again
          </Button>
          <Button size="compact-xs" variant="subtle" onClick={desk.discard}>
            Discard
          </Button>
        </p>
      )}
      <ConflictDialog insist="Overwrite with mine" {...desk.conflicts} />
      <div className={stage.split}>
        <div className={stage.table}>
          <Grid
            label={DESK}
            columns={columns}
            {...view.grid}
            tall={previewed && previewed.field !== "title" ? TALLER_ROW : TALL_ROW}
            shownColumn={edited}
            onView={onView}
            choice={choice}
            onCursor={follow}
            onType={desk.onType}
            onRange={desk.onRange}
            copyRange={desk.copyRange}
            editor={(row, column, value, onChange) => (
              <CellEditor
                propertyId={propertyId}
                row={row}
                field={column.field ?? ""}
                value={value}
                onChange={onChange}
              />
            )}
            empty={
              standing?.items === 0
                ? "Gather the items of this property first; then their titles and descriptions are rewritten here."
                : "No item is left with this filter."
            }
          />
          {!tool && (
            <BatchBar n={n} thing="item" onNone={choice.none}>
              {TOOLS.filter((each) => each.barred && (each.only !== "tags" || listings)).map((each) => (
                <Button
                  key={each.tool}
                  size="xs"
                  variant={each.tool === "recipe" ? "filled" : "default"}
                  onClick={() => openTool(each.tool, fieldOf(each.tool, "title"))}
                >
                  {each.label}
                </Button>
              ))}
              <NativeSelect
                size="xs"
                aria-label="More edits"
                value=""
                data={[{ value: "", label: "More …" }, ...toolChoice(listings)]}
                onChange={(event) => {
                  const next = event.currentTarget.value as Tool;
                  openTool(next, fieldOf(next, "title"));
                }}
              />
            </BatchBar>
          )}
        </div>
        {writing && (
          <WriterPanel
            propertyId={propertyId}
            listings={listings}
            n={written ? (view.rows.total ?? 0) : n}
            selection={choice.selection(view.filter)}
            columns={writerColumns}
            inHand={hand === undefined ? [] : writerColumns.map((column) => answerOf(column.id, hand))}
            among={written}
            onAmong={setWritten}
            onDraft={(column, field) => {
              setWritten(undefined);
              setSearch({ tool: "written", on: field, with: column });
            }}
            onClose={() => openTool(undefined)}
          />
        )}
        {tool && !writing && known && (
          <EditPanel
            key={`${tool} ${on}`}
            propertyId={propertyId}
            listings={listings}
            tool={tool}
            field={on}
            given={{ find: search.get("shared") ?? search.get("find") ?? "", with: search.get("with") ?? "" }}
            n={n}
            selection={choice.selection(view.filter)}
            onTool={openTool}
            onPreview={setPreviewed}
            outcome={outcome}
            onOutcome={setOutcome}
            onClose={() => openTool(undefined)}
          />
        )}
        {!tool && hand !== undefined && wording && (
          <WordingsPanel
            key={`${hand} ${wording}`}
            propertyId={propertyId}
            itemId={hand}
            field={wording}
            onClose={() => setWording(undefined)}
          />
        )}
        {!tool && hand !== undefined && !wording && (
          <CloseUp
            propertyId={propertyId}
            itemId={hand}
            editable
            onWordings={setWording}
            onClose={() => setHand(undefined)}
          />
        )}
      </div>
    </div>
  );
}
