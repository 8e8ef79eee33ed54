import { Button } from "@mantine/core";
import { useHotkeys } from "@mantine/hooks";
import { useCallback, useEffect, useMemo, useState } from "react";
import { useSearchParams } from "react-router";
import { answer, api, type ItemRow, type TypedCell } from "../api/client";
import { useChange } from "../api/queries";
import { BatchBar } from "../parts/BatchBar";
import { CloseUp } from "../parts/CloseUp";
import { useChoice } from "../parts/choice";
import { FilterBar } from "../parts/FilterBar";
import { Grid, type Typed } from "../parts/Grid";
import { itemColumns } from "../parts/itemColumns";
import { JobStrip } from "../parts/JobStrip";
import stage from "../parts/stage.module.css";
import { useItemView } from "../parts/useItemView";
import { useProperty } from "../parts/useProperty";
import { BatchMenu } from "./BatchMenu";
import { CellEditor } from "./CellEditor";
import { EditPanel } from "./EditPanel";
import { TOOLS, type Tool } from "./tools";
import { useUndo } from "./useUndo";

const NOTHING = {};

/** The desk: every text of the property, edited in place or in bulk. */
export function Rewrite() {
  const { propertyId, property, standing } = useProperty();
  const view = useItemView(propertyId, NOTHING, true);
  const choice = useChoice();
  const [search, setSearch] = useSearchParams();
  const [hand, setHand] = useState<number>();
  const tool = search.get("tool") as Tool | null;
  const on = search.get("on") ?? "title";
  const undo = useUndo(propertyId);
  useHotkeys([
    ["mod+Z", () => undo.undoLast()],
    ["mod+shift+Z", () => undo.redoLast()],
  ]);

  const { all } = choice;
  const n = choice.count(view.rows.total ?? 0);
  useEffect(() => {
    if (tool && n === 0) all();
  }, [tool, n, all]);

  // The panel waits until it is known what it is about, so that it never previews nothing.
  const known = n > 0 || view.rows.total === 0;
  const openTool = (next: Tool | undefined, field = on) =>
    setSearch((before) => {
      const after = new URLSearchParams(before);
      if (next) {
        after.set("tool", next);
        after.set("on", field);
      } else {
        after.delete("tool");
        after.delete("on");
      }
      return after;
    });

  const listings = property !== undefined && property.kind !== "website";
  const columns = useMemo(
    () => [
      itemColumns.address,
      itemColumns.text("title", "minmax(220px, 2fr)"),
      itemColumns.text("description", "minmax(220px, 2.2fr)"),
      ...(listings ? [itemColumns.text("tags", "minmax(220px, 1.6fr)")] : [itemColumns.keyword]),
      itemColumns.findings,
    ],
    [listings],
  );
  const type = useChange(propertyId, (cells: TypedCell[]) =>
    answer(api.POST("/api/properties/{propertyId}/cells", { params: { path: { propertyId } }, body: cells })),
  );
  const onType = async (typed: Typed[]) => {
    const first = Math.min(...typed.map((t) => t.row));
    const last = Math.max(...typed.map((t) => t.row));
    const ids = await view.idsBetween(first, last);
    type.mutate(
      typed
        .filter((t) => ids[t.row - first] !== undefined)
        .map((t) => ({ itemId: ids[t.row - first], field: t.column, text: t.text ?? undefined })),
    );
  };
  const follow = useCallback((row: ItemRow | undefined) => row && setHand(row.id), []);
  const stale = view.asOf !== undefined && property !== undefined && view.asOf < property.revision;

  return (
    <div className={stage.stage}>
      <JobStrip propertyId={propertyId} />
      <FilterBar propertyId={propertyId} view={view}>
        {stale && (
          <Button size="compact-xs" variant="subtle" onClick={view.sortAgain}>
            Sort and filter again
          </Button>
        )}
        <BatchMenu undo={undo} />
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
      <div className={stage.split}>
        <div className={stage.table}>
          <Grid
            label="The desk"
            columns={columns}
            {...view.grid}
            choice={choice}
            onCursor={follow}
            onType={onType}
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
              {TOOLS.filter((each) => !each.hidden && (each.tags ? listings : true)).map((each) => (
                <Button
                  key={each.tool}
                  size="xs"
                  variant={each.tool === "recipe" ? "filled" : "default"}
                  onClick={() => openTool(each.tool, each.tags ? "tags" : "title")}
                >
                  {each.label}
                </Button>
              ))}
            </BatchBar>
          )}
        </div>
        {tool && known && (
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
            onClose={() => openTool(undefined)}
          />
        )}
        {!tool && hand !== undefined && (
          <CloseUp propertyId={propertyId} itemId={hand} editable onClose={() => setHand(undefined)} />
        )}
      </div>
    </div>
  );
}
