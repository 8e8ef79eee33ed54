import type { Field, WriterInput } from "../../api/client";

/** A column as it is written down before it is stored. */
export interface ColumnDraft {
  id: number;
  name: string;
  makes: Field | null;
  words: string;
  inputs: WriterInput[];
  after: string[];
  maxChars: number;
}

export const INPUTS: { value: WriterInput; label: string }[] = [
  { value: "TITLE", label: "title" },
  { value: "DESCRIPTION", label: "description" },
  { value: "H1", label: "H1" },
  { value: "COPY", label: "copy" },
  { value: "TAGS", label: "tags" },
  { value: "PRICE", label: "price" },
  { value: "KEYWORD", label: "keyword" },
  { value: "SECONDARY", label: "secondary keywords" },
  { value: "INTENT", label: "intent" },
  { value: "PLACE", label: "place" },
  { value: "BRAND", label: "brand" },
  { value: "ADDRESS", label: "address" },
  { value: "IMAGES", label: "images without alt text" },
];

const column = (
  name: string,
  makes: Field | null,
  words: string,
  inputs: WriterInput[],
  maxChars = 0,
): ColumnDraft => ({ id: 0, name, makes, words, inputs, after: [], maxChars });

/** Columns to begin with; every word of them can be changed. */
export const startingColumns = (listings: boolean): ColumnDraft[] => [
  column(
    "Title",
    "title",
    "Write a title for this item. Begin with the keyword if it reads well. Say what is there, not how great it is.",
    ["TITLE", "H1", "COPY", "DESCRIPTION", "PRICE", "KEYWORD", "PLACE"],
  ),
  column(
    "Description",
    "description",
    "Write a description for this item in one or two sentences that make a searcher want to read on. End with what to do next.",
    ["TITLE", "H1", "COPY", "DESCRIPTION", "PRICE", "KEYWORD", "INTENT", "PLACE"],
  ),
  ...(listings
    ? [
        column("Tags", "tags", "Choose tags that people search for, of two or three words each.", [
          "TITLE",
          "DESCRIPTION",
          "TAGS",
          "KEYWORD",
          "SECONDARY",
        ]),
      ]
    : [
        column("H1", "h1", "Write the H1 of this page: what it is about, in a few words, without the brand.", [
          "TITLE",
          "H1",
          "COPY",
          "KEYWORD",
        ]),
        column(
          "Alt texts",
          "images",
          "Say of each image what it shows, as its file name and the page tell, for somebody who cannot see it.",
          ["TITLE", "H1", "COPY", "IMAGES"],
        ),
      ]),
  column(
    "Intent",
    null,
    "Say in one or two words the intent of people who search for this.",
    ["KEYWORD", "INTENT", "TITLE"],
    60,
  ),
  column(
    "Outline",
    null,
    "Give an outline of what this page should say, one point a line, at most six points.",
    ["TITLE", "H1", "COPY", "DESCRIPTION", "KEYWORD", "SECONDARY"],
    800,
  ),
  column(
    "Related words",
    null,
    "List the words that a page about this should use, separated by commas.",
    ["TITLE", "COPY", "DESCRIPTION", "KEYWORD", "SECONDARY"],
    400,
  ),
];
