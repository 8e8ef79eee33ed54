import type { EditSpec, Field, Recipe, Source } from "../api/client";
import type { Tool } from "./tools";

export type SourceKind = Source["kind"];
export type LetterCase = Recipe["parts"][number]["letterCase"];

export const SOURCES: { value: SourceKind; label: string }[] = [
  { value: "KEYWORD", label: "the keyword" },
  { value: "H1", label: "the H1" },
  { value: "TITLE", label: "the captured title" },
  { value: "DESCRIPTION", label: "the captured description" },
  { value: "SLUG", label: "the words of the address" },
  { value: "SECTION", label: "the section" },
  { value: "COPY_OPENING", label: "the first paragraph" },
  { value: "PRICE", label: "the price" },
  { value: "BRAND", label: "the client’s name" },
  { value: "FIXED", label: "fixed text" },
];

export const CASES: { value: LetterCase; label: string }[] = [
  { value: "AS_IS", label: "case as it is" },
  { value: "SENTENCE", label: "sentence case" },
  { value: "TITLE", label: "title case" },
  { value: "UPPER", label: "upper case" },
  { value: "LOWER", label: "lower case" },
];

const from = (...kinds: SourceKind[]) => kinds.map((kind) => ({ kind, text: "" }));

const TITLE: Recipe = {
  parts: [
    { sources: from("KEYWORD"), before: "", letterCase: "SENTENCE", rank: 2, shortenable: false },
    { sources: from("H1", "TITLE", "SLUG"), before: " – ", letterCase: "AS_IS", rank: 1, shortenable: true },
    { sources: from("BRAND"), before: " | ", letterCase: "AS_IS", rank: 3, shortenable: false },
  ],
};

const DESCRIPTION: Recipe = {
  parts: [
    { sources: from("DESCRIPTION", "COPY_OPENING", "H1"), before: "", letterCase: "AS_IS", rank: 1, shortenable: true },
  ],
};

/** Listings have neither H1 nor address words. */
const withoutPages = (recipe: Recipe): Recipe => ({
  parts: recipe.parts.map((part) => ({
    ...part,
    sources: part.sources.filter((source) => !["H1", "SLUG", "COPY_OPENING"].includes(source.kind)),
  })),
});

/** What an edit begins with; what led here may have said what to find and what to put in its place. */
export function startOf(tool: Tool, field: Field, given: { find: string; with: string }, listings: boolean): EditSpec {
  switch (tool) {
    case "recipe": {
      const recipe = field === "title" ? TITLE : DESCRIPTION;
      return { tool, field, recipe: listings ? withoutPages(recipe) : recipe };
    }
    case "remove-beginning":
    case "remove-ending":
    case "shorten-ending":
    case "remove-block":
      return { tool, field, find: given.find };
    case "brand":
      return { tool, field, with: " | ", letterCase: "last" };
    case "year":
      return { tool, field, with: `${new Date().getFullYear()}` };
    case "encoding":
    case "emoji":
    case "spaces":
    case "open-with-title":
    case "merge-twins":
      return { tool, field };
    case "case":
      return { tool, field, letterCase: "sentence" };
    case "add-tags":
    case "remove-tags":
    case "tags": {
      const tags = tool === "remove-tags" && given.find ? [given.find] : [];
      return { tool: tool === "tags" ? "add-tags" : tool, field: "tags", tags };
    }
    case "replace-tag":
      return { tool, field: "tags", ...given };
    default:
      return { tool, field, find: "", with: "" };
  }
}
