import type { ReactNode } from "react";
import type { ItemRow } from "../api/client";
import { Breakable } from "./Breakable";
import { cellOf, type DraftedField, fieldLabel, inForce, isOfParts } from "./fields";
import type { Column } from "./Grid";
import css from "./itemColumns.module.css";
import { atStake, count, few, originOf, pathOf } from "./number";
import { partsInWords } from "./partTexts";
import { TextCell } from "./TextCell";

const sameAs = (row: ItemRow, field: string) => {
  const twin = row.findings.find((finding) => finding.field === field && finding.check === "duplicate");
  return twin && withoutSite(row, twin.evidence);
};

/** Addresses of the same site as in the first column. */
const withoutSite = (row: ItemRow, text: string) => {
  const site = originOf(row.address);
  return site ? text.replaceAll(site, "") : text;
};

const address: Column<ItemRow> = {
  key: "address",
  label: "address",
  track: "minmax(150px, 1fr)",
  sort: "address",
  text: (row) => row.address,
  cell: (row) => (
    <span className={row.noindex ? `${css.address} ${css.apart}` : css.address} title={row.noindex ?? row.address}>
      <Breakable path={pathOf(row.address)} />
    </span>
  ),
};

/** What was typed into a cell and is not stored yet. */
type UnsavedOf = (itemId: number, field: string) => { text: string; problem?: string } | undefined;

const text = (
  field: DraftedField,
  track: string,
  unsavedOf: UnsavedOf = () => undefined,
  /** What is shown instead of the text; undefined for the text. */
  instead: (row: ItemRow) => ReactNode | undefined = () => undefined,
): Column<ItemRow> => ({
  key: field,
  field,
  label: fieldLabel(field),
  track,
  sort: field === "slug" || field === "indexing" ? undefined : field,
  text: (row) => unsavedOf(row.id, field)?.text ?? inForce(cellOf(row, field)),
  cell: (row) => {
    const unsaved = unsavedOf(row.id, field);
    if (unsaved)
      return <UnsavedCell {...unsaved} text={isOfParts(field) ? partsInWords(unsaved.text) : unsaved.text} />;
    const other = instead(row);
    if (other !== undefined) return other;
    const cell = cellOf(row, field);
    return cell && <TextCell cell={cell} same={sameAs(row, field)} ofParts={isOfParts(field)} />;
  },
});

function UnsavedCell({ text, problem }: { text: string; problem?: string }) {
  return (
    <span className={css.unsaved} title={problem ?? "Being saved"}>
      {text || "none"}
      {problem && <b> not saved</b>}
    </span>
  );
}

const keyword: Column<ItemRow> = {
  key: "keyword",
  label: "keyword",
  track: "minmax(84px, 0.7fr)",
  sort: "keyword",
  text: (row) => row.aim?.keyword ?? "",
  cell: (row) => (
    <span className={css.keyword} title={row.aim?.reason}>
      {row.aim?.keyword ?? ""}
    </span>
  ),
};

const h1: Column<ItemRow> = {
  key: "h1",
  label: "H1",
  track: "minmax(120px, 0.8fr)",
  sort: "h1",
  text: (row) => row.h1,
  cell: (row) => <span className={css.address}>{row.h1}</span>,
};

const links: Column<ItemRow> = {
  key: "linksIn",
  label: "inbound links",
  track: "96px",
  sort: "links-in",
  right: true,
  text: (row) => String(row.linksIn),
  cell: (row) => count(row.linksIn),
};

const published: Column<ItemRow> = {
  key: "published",
  label: "published",
  track: "92px",
  text: (row) => row.published,
  cell: (row) => row.published,
};

const views: Column<ItemRow> = {
  key: "views",
  label: "views",
  track: "76px",
  right: true,
  text: (row) => String(row.views ?? ""),
  cell: (row) => (row.views === null ? "" : count(row.views)),
};

const findings = (labelOf: LabelOf): Column<ItemRow> => ({
  key: "findings",
  label: "findings",
  track: "60px",
  sort: "findings",
  right: true,
  text: (row) => row.findings.map(({ field, check }) => labelOf(field, check)).join("; "),
  cell: (row) => (
    <span title={row.findings.map(({ field, check, evidence }) => `${labelOf(field, check)}: ${evidence}`).join("\n")}>
      {row.findings.length || ""}
    </span>
  ),
});

/** The clicks a month that fixing a row's findings could win, with a bar on the scale of the whole table. */
const stake = (most: number): Column<ItemRow> => ({
  key: "stake",
  label: "clicks at stake",
  track: "70px",
  sort: "stake",
  right: true,
  text: (row) => String(Math.round(stakeOf(row).clicks)),
  cell: (row) => {
    const sum = stakeOf(row);
    if (sum.high < 0.5) return "";
    return (
      <span className={css.stake} title={atStake(sum)}>
        <span className={css.bar} style={{ width: `${Math.min(100, (sum.clicks / most) * 100)}%` }} />
        {few(sum.clicks)}
      </span>
    );
  },
});

const stakeOf = (row: ItemRow) =>
  row.noindex
    ? { clicks: 0, low: 0, high: 0 }
    : row.findings.reduce(
        (sum, { stake: { clicks, low, high } }) => ({
          clicks: sum.clicks + clicks,
          low: sum.low + low,
          high: sum.high + high,
        }),
        { clicks: 0, low: 0, high: 0 },
      );

type LabelOf = (field: string, check: string) => string;

/** What was seen, of one check or of any of a field. */
const evidenceOf = (row: ItemRow, field: string, check: string, labelOf: LabelOf) =>
  row.findings
    .filter((finding) => (!field || finding.field === field) && (check === "any" || finding.check === check))
    .map((finding) => {
      const seen = withoutSite(row, finding.evidence);
      return check === "any" ? `${capital(labelOf(finding.field, finding.check))}: ${seen}` : seen;
    })
    .join("; ");

const capital = (text: string) => text.slice(0, 1).toUpperCase() + text.slice(1);

const evidence = (field: string, check: string, labelOf: LabelOf): Column<ItemRow> => ({
  key: "evidence",
  label: "evidence",
  track: "minmax(200px, 1.4fr)",
  text: (row) => evidenceOf(row, field, check, labelOf),
  cell: (row) => (
    <span className={css.address} title={evidenceOf(row, field, check, labelOf)}>
      {evidenceOf(row, field, check, labelOf)}
    </span>
  ),
});

/** Columns of a table of items, by what the stage is about. */
export const itemColumns = { address, text, keyword, h1, links, published, views, findings, stake, evidence };
