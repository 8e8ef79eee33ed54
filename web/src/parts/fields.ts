import type { Spot } from "../api/client";

export type FieldCode = Spot["field"];

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
