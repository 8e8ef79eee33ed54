import type { Cell, ItemRow, Spot } from "../api/client";

export type FieldCode = Spot["field"];

/** The fields that can be drafted. */
export const DRAFTED_FIELDS = ["title", "description", "tags", "h1", "slug", "indexing"] as const;

export type DraftedField = (typeof DRAFTED_FIELDS)[number];

/** A field of a row; null where it has none by nature. */
export const cellOf = (row: ItemRow, field: DraftedField): Cell | null => (field === "h1" ? row.heading : row[field]);

/** "H1", "slug": a field as it is called in a sentence. */
export const fieldLabel = (field: string) => (field === "h1" ? "H1" : field);

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
