import { Button, Checkbox, NativeSelect } from "@mantine/core";
import { useState } from "react";
import {
  answer,
  api,
  type CellState,
  type Field,
  type Selection,
  type WriterCell,
  type WriterColumn,
} from "../../api/client";
import { fieldLabel } from "../../parts/fields";
import { count, of } from "../../parts/number";
import { SidePanel } from "../../parts/SidePanel";
import { tellProblem } from "../../parts/tell";
import { ColumnForm } from "./ColumnForm";
import { ItemAnswers } from "./ItemAnswers";
import { money, RunForm } from "./RunForm";
import { ServiceForm } from "./ServiceForm";
import { type ColumnDraft, startingColumns } from "./startingColumns";
import { useService, useUnfinished } from "./useWriter";
import { Waiting } from "./Waiting";
import css from "./Writer.module.css";

interface Props {
  propertyId: number;
  listings: boolean;
  n: number;
  selection: Selection;
  columns: WriterColumn[];
  /** The answers for the item in hand, in the order of the columns. */
  inHand: (WriterCell | undefined)[];
  /** Under which name the items are picked that the desk is narrowed to; undefined for all. */
  among: string | undefined;
  onAmong: (among: string | undefined) => void;
  /** Opens the preview of a column's answers as drafts. */
  onDraft: (column: string, field: Field) => void;
  onClose: () => void;
}

/** The writer: what is asked, how far it is, what it costs; the answers stand at the desk. */
export function WriterPanel(props: Props) {
  const { propertyId, listings, n, selection, columns, onClose } = props;
  const service = useService();
  const unfinished = useUnfinished(propertyId, true);
  const [settingUp, setSettingUp] = useState(false);
  const [editing, setEditing] = useState<ColumnDraft>();
  const [unticked, setUnticked] = useState<number[]>([]);
  const settings = service.data ?? null;
  const waits = unfinished.data?.jobId ? unfinished.data : undefined;
  const ticked = columns.filter((column) => !unticked.includes(column.id)).map((column) => column.id);
  const starts = startingColumns(listings).filter((start) => columns.every((column) => column.name !== start.name));
  const form = settingUp || (service.isSuccess && !settings);

  const narrow = (column: WriterColumn, state: CellState) => {
    const name = `writer ${column.id} ${state}`;
    if (props.among === name) return props.onAmong(undefined);
    return answer(
      api.POST("/api/properties/{propertyId}/writer/columns/{id}/pick", {
        params: { path: { propertyId, id: column.id }, query: { state } },
      }),
    ).then((picked) => props.onAmong(picked.among), tellProblem);
  };

  return (
    <SidePanel
      label="Writer"
      title="Writer"
      width={424}
      onClose={onClose}
      tools={
        settings &&
        !form && (
          <Button size="compact-xs" variant="subtle" onClick={() => setSettingUp(true)}>
            {settings.model} · {of(settings.parallel, "request")} at once
          </Button>
        )
      }
      foot={
        settings &&
        !form &&
        !editing &&
        columns.length > 0 &&
        (waits ? (
          <Waiting key={waits.jobId} propertyId={propertyId} currency={settings.currency} {...waits} />
        ) : (
          <RunForm propertyId={propertyId} selection={selection} n={n} columnIds={ticked} among={props.among} />
        ))
      }
    >
      {form ? (
        <>
          {!settings && (
            <p>
              The writer asks a text-generation service of yours for titles, descriptions and notes, item by item. Every
              answer is held against the page before it can become a draft.
            </p>
          )}
          <ServiceForm
            settings={settings}
            onDone={() => {
              setSettingUp(false);
              if (!settings && !service.data) service.refetch();
            }}
          />
        </>
      ) : editing ? (
        <ColumnForm
          propertyId={propertyId}
          column={editing}
          others={columns.filter((column) => column.id !== editing.id)}
          listings={listings}
          onDone={() => setEditing(undefined)}
        />
      ) : (
        <>
          {columns.length === 0 && <p>No columns yet. Begin with one of these; every word of it can be changed.</p>}
          <ul className={css.columns}>
            {columns.map((column) => (
              <li key={column.id}>
                <Checkbox
                  size="xs"
                  aria-label={`Ask for ${column.name}`}
                  checked={!unticked.includes(column.id)}
                  onChange={() =>
                    setUnticked((before) =>
                      before.includes(column.id) ? before.filter((id) => id !== column.id) : [...before, column.id],
                    )
                  }
                />
                <div>
                  <button type="button" className={css.name} onClick={() => setEditing(column)}>
                    {column.name}
                  </button>
                  <span className={css.makes}>
                    {column.makes
                      ? `makes ${["tags", "images"].includes(column.makes) ? fieldLabel(column.makes) : `${fieldLabel(column.makes)}s`}`
                      : "a note"}
                    {column.after.length > 0 && `, after ${column.after.join(", ")}`}
                  </span>
                  <span className={css.counts}>
                    {(["done", "failed", "waiting"] as CellState[])
                      .filter((state) => column[state as "done"] > 0)
                      .map((state) => (
                        <button
                          key={state}
                          type="button"
                          aria-pressed={props.among === `writer ${column.id} ${state}`}
                          onClick={() => narrow(column, state)}
                        >
                          {count(column[state as "done"])} {state}
                        </button>
                      ))}
                    {column.cost > 0 && settings && <span>{money(column.cost, settings.currency)}</span>}
                  </span>
                </div>
                {column.makes && column.done > 0 && (
                  <Button
                    size="compact-xs"
                    variant="default"
                    onClick={() => props.onDraft(column.name, column.makes as Field)}
                  >
                    Preview drafts
                  </Button>
                )}
              </li>
            ))}
          </ul>
          {starts.length > 0 && (
            <NativeSelect
              size="xs"
              aria-label="Add a column"
              value=""
              data={[
                { value: "", label: "Add a column …" },
                ...starts.map((start) => ({ value: start.name, label: start.name })),
                { value: "own", label: "One of your own" },
              ]}
              onChange={(event) => {
                const name = event.currentTarget.value;
                setEditing(
                  starts.find((start) => start.name === name) ?? {
                    id: 0,
                    name: "",
                    makes: null,
                    words: "",
                    inputs: ["TITLE", "COPY"],
                    after: [],
                    maxChars: 0,
                  },
                );
              }}
            />
          )}
          <ItemAnswers propertyId={propertyId} columns={columns} cells={props.inHand} />
        </>
      )}
    </SidePanel>
  );
}
