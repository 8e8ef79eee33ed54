import { SegmentedControl } from "@mantine/core";
import type { Cell, ItemRow, LimitCheck } from "../api/client";
import { cellOf, DRAFTED_FIELDS, type DraftedField, fieldLabel, isOfParts } from "../parts/fields";
import type { Column } from "../parts/Grid";
import { itemColumns } from "../parts/itemColumns";
import { pathOf } from "../parts/number";
import { partsInWords } from "../parts/partTexts";
import { TextCell } from "../parts/TextCell";
import { sizeInTable, TrueMeasure } from "../parts/TrueMeasure";
import { useSearchChange } from "../parts/useSearchChange";
import { WordRuns } from "../parts/WordRuns";
import css from "./Release.module.css";

/** How drafts are held against what they replace. */
export type Look = "sides" | "words" | "results";

const LABELS: Record<Look, string> = { sides: "Side by side", words: "Word by word", results: "As results" };

/** How tall rows are, in px; undefined for one line. */
export const TALL: Record<Look, number | undefined> = { sides: undefined, words: 44, results: 88 };

/** A title of the desktop's limit, drawn as in every table, and a little of what is over, in px. */
const TO_THE_NOTCH = 410;

const trackOf = (field: DraftedField) =>
  field === "title" || field === "description" ? `minmax(${TO_THE_NOTCH}px, 1fr)` : "minmax(180px, 1fr)";

/** The look of an address; side by side where it says nothing. */
export const lookOf = (written: string | null): Look =>
  written === "words" || written === "results" ? written : "sides";

export function LookChoice({ look }: { look: Look }) {
  const change = useSearchChange();
  return (
    <SegmentedControl
      size="xs"
      aria-label="Before and after"
      value={look}
      onChange={(value) => change({ look: value === "sides" ? undefined : value })}
      data={Object.entries(LABELS).map(([value, label]) => ({ value, label }))}
    />
  );
}

/** The columns of drafted fields; as results, titles and descriptions stand together and other fields side by side. */
export function draftColumns(look: Look, fields: DraftedField[]): Column<ItemRow>[] {
  const shown = (field: DraftedField) => look === "results" && (field === "title" || field === "description");
  const others = fields.filter((field) => !shown(field));
  return [
    itemColumns.address,
    STATE,
    ...(fields.some(shown) ? [result("before"), result("after")] : []),
    ...others.flatMap((field) => (look === "words" ? [words(field)] : [before(field), after(field)])),
  ];
}

function before(field: DraftedField): Column<ItemRow> {
  return {
    key: `${field} before`,
    label: `${fieldLabel(field)} before`,
    track: trackOf(field),
    text: (row) => cellOf(row, field)?.captured ?? "",
    cell: (row) => {
      const cell = cellOf(row, field);
      if (cell?.draft == null) return "";
      const text = isOfParts(field) ? partsInWords(cell.captured) : cell.captured;
      return <span className={css.before}>{measured(text, cell.change?.captured)}</span>;
    },
  };
}

function after(field: DraftedField): Column<ItemRow> {
  return {
    key: `${field} after`,
    label: `${fieldLabel(field)} after`,
    track: trackOf(field),
    text: (row) => cellOf(row, field)?.draft ?? "",
    cell: (row) => {
      const cell = cellOf(row, field);
      return cell?.draft == null ? "" : <TextCell cell={cell} ofParts={isOfParts(field)} />;
    },
  };
}

function words(field: DraftedField): Column<ItemRow> {
  return {
    key: `${field} changes`,
    label: fieldLabel(field),
    track: "minmax(260px, 2fr)",
    text: (row) => cellOf(row, field)?.draft ?? "",
    cell: (row) => {
      const cell = cellOf(row, field);
      if (cell?.draft == null) return "";
      if (isOfParts(field) || !cell.change) return partsInWords(cell.draft);
      return (
        <span className={css.changes}>
          <WordRuns runs={cell.change.words} />
        </span>
      );
    },
  };
}

function result(when: "before" | "after"): Column<ItemRow> {
  const text = (cell: Cell) => (when === "after" ? (cell.draft ?? cell.captured) : cell.captured);
  const check = (cell: Cell) => (when === "before" && cell.change ? cell.change.captured : cell.fit);
  return {
    key: `result ${when}`,
    label: `Result ${when}`,
    track: `minmax(${TO_THE_NOTCH}px, 1fr)`,
    text: (row) => `${text(row.title)} ${text(row.description)}`,
    cell: (row) => (
      <span className={css.result} data-when={when}>
        <small>{pathOf(row.address)}</small>
        <span className={css.resultTitle}>{measured(text(row.title), check(row.title))}</span>
        <span>{measured(text(row.description), check(row.description))}</span>
      </span>
    ),
  };
}

/** A text at its true measure where it has limits. */
function measured(text: string, fit: LimitCheck | null | undefined) {
  if (!text) return "none";
  return fit ? <TrueMeasure text={text} fit={fit} size={sizeInTable(fit)} /> : text;
}

const STATE: Column<ItemRow> = {
  key: "state",
  label: "state",
  track: "110px",
  text: (row) => statesOf(row),
  cell: (row) => <span className={css.state}>{statesOf(row)}</span>,
};

const statesOf = (row: ItemRow) =>
  [...new Set(DRAFTED_FIELDS.flatMap((field) => cellOf(row, field)?.state ?? []))]
    .map((s) => (s === "released" ? "in a release" : s.replace("-", " ")))
    .join(", ");
