import type { Cell, ItemRow, Spot } from "../api/client";

export type FieldCode = Spot["field"];

/** The fields that can be drafted. */
export const DRAFTED_FIELDS = [
  "title",
  "description",
  "tags",
  "h1",
  "slug",
  "indexing",
  "images",
  "links",
  "og-title",
  "og-description",
] as const;

export type DraftedField = (typeof DRAFTED_FIELDS)[number];

/** The fields that rows have only where they are asked for. */
export const PART_FIELDS: readonly string[] = ["images", "links", "og-title", "og-description"];

/** Whether a field is a list of texts, one for each image or link of the page. */
export const isOfParts = (field: string) => field === "images" || field === "links";

/** A field of a row; null where it has none by nature. */
export function cellOf(row: ItemRow, field: DraftedField): Cell | null {
  if (field === "h1") return row.heading;
  if (field === "og-title") return row.ogTitle;
  if (field === "og-description") return row.ogDescription;
  return row[field];
}

/** The draft of a field where there is one, else what was captured; "" where it has none by nature. */
export const inForce = (cell: Cell | null) => cell?.draft ?? cell?.captured ?? "";

const LABELS: Record<string, string> = {
  h1: "H1",
  images: "alt texts",
  links: "link texts",
  "og-title": "Open Graph title",
  "og-description": "Open Graph description",
};

/** "H1", "slug": a field as it is called in a sentence. */
export const fieldLabel = (field: string) => LABELS[field] ?? field;

/** The fields of an item in the order in which they are listed, with their names. */
const NAMES: [FieldCode, string][] = [
  ["title", "Title"],
  ["description", "Description"],
  ["tags", "Tags"],
  ["h1", "H1"],
  ["slug", "Slug"],
  ["images", "Image alt texts"],
  ["links", "Link texts"],
  ["head", "Page head"],
  ["indexing", "Indexing"],
];

export const FIELDS: FieldCode[] = NAMES.map(([field]) => field);

/** "Image alt texts": a field as a heading. */
export const fieldName = (field: string) => NAMES.find(([code]) => code === field)?.[1] ?? field;
