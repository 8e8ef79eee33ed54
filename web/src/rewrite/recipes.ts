import type { Condition, EditSpec, Field, Part, Recipe, Source } from "../api/client";
import type { Tool } from "./tools";

export type SourceKind = Source["kind"];
export type LetterCase = Recipe["parts"][number]["letterCase"];

interface SourceEntry {
  value: SourceKind;
  label: string;
  /** what only some have: pages, listings and videos, what came from a file, images and links, links alone */
  only?: "pages" | "listings" | "imported" | "parts" | "links";
  /** what has to be said of it besides, and how it is asked for */
  asks?: string;
}

export const SOURCES: SourceEntry[] = [
  { value: "KEYWORD", label: "the keyword" },
  { value: "SECONDARY", label: "a secondary keyword", asks: "Which of them, from 1" },
  { value: "PLACE", label: "the place" },
  { value: "H1", label: "the H1", only: "pages" },
  { value: "TITLE", label: "the captured title" },
  { value: "DESCRIPTION", label: "the captured description" },
  { value: "SLUG", label: "the words of the address", only: "pages" },
  { value: "SECTION", label: "the section" },
  { value: "TAG", label: "the first tag", only: "listings" },
  { value: "COPY_OPENING", label: "the first paragraph" },
  { value: "COPY_SENTENCE", label: "the first good sentence" },
  { value: "TELLING_PHRASE", label: "the most telling phrase" },
  { value: "FILE_WORDS", label: "the words of the file’s name", only: "parts" },
  { value: "LINKED_KEYWORD", label: "the keyword of the linked page", only: "links" },
  { value: "LINKED_H1", label: "the H1 of the linked page", only: "links" },
  { value: "PRICE", label: "the price", only: "listings" },
  { value: "YEAR", label: "the year of publication" },
  { value: "BRAND", label: "the client’s name" },
  { value: "COLUMN", label: "an imported column", only: "imported", asks: "Name of the column" },
  { value: "RECIPE", label: "another recipe", asks: "Name of the recipe" },
  { value: "FIXED", label: "fixed text", asks: "Fixed text; one wording a line" },
];

export const CONDITIONS: { value: Condition["what"]; label: string; asks?: string }[] = [
  { value: "HAS_KEYWORD", label: "has a keyword" },
  { value: "HAS_PLACE", label: "names a place" },
  { value: "INTENT", label: "intent is", asks: "transactional" },
  { value: "PRICE_UNDER", label: "price under", asks: "100" },
  { value: "LANGUAGE", label: "language is", asks: "en" },
  { value: "IN_SET", label: "in the set", asks: "name of the set" },
];

export const ENCLOSES: { value: string; label: string }[] = [
  { value: "", label: "nothing around it" },
  { value: "()", label: "( )" },
  { value: "[]", label: "[ ]" },
  { value: "“”", label: "“ ”" },
  { value: "«»", label: "« »" },
];

export const CASES: { value: LetterCase; label: string }[] = [
  { value: "AS_IS", label: "case as it is" },
  { value: "SENTENCE", label: "sentence case" },
  { value: "TITLE", label: "title case" },
  { value: "UPPER", label: "upper case" },
  { value: "LOWER", label: "lower case" },
];

const from = (...kinds: SourceKind[]) => kinds.map((kind) => ({ kind, text: "" }));

const part = (sources: Source[], before: string, rank: number, more: Partial<Part> = {}): Part => ({
  sources,
  before,
  letterCase: "AS_IS",
  rank,
  shortenable: false,
  encloses: "",
  onlyIf: [],
  ...more,
});

/** Words of the page itself, in falling order. */
const OWN_WORDS = from("H1", "TITLE", "SLUG", "SECTION");
const BRAND = part(from("BRAND"), " | ", 3);
const SENTENCES = from("DESCRIPTION", "COPY_SENTENCE", "COPY_OPENING", "H1", "TITLE");
const ONLY_AIMED: Condition[] = [{ what: "HAS_KEYWORD", value: "", not: false }];

/** The ways in which a field is mostly composed, ready-made. */
export const WAYS: { name: string; title: Recipe; description: Recipe }[] = [
  {
    name: "With the keyword where there is one",
    title: {
      parts: [
        part(from("KEYWORD"), "", 2, { letterCase: "SENTENCE", onlyIf: ONLY_AIMED }),
        part(OWN_WORDS, " – ", 1, { shortenable: true }),
        BRAND,
      ],
    },
    description: {
      parts: [
        part(from("KEYWORD"), "", 2, { letterCase: "SENTENCE", onlyIf: ONLY_AIMED }),
        part(SENTENCES, ": ", 1, { shortenable: true }),
      ],
    },
  },
  {
    name: "With the keyword",
    title: {
      parts: [
        part(from("KEYWORD"), "", 1, { letterCase: "SENTENCE" }),
        part(OWN_WORDS, " – ", 2, { shortenable: true }),
        BRAND,
      ],
    },
    description: {
      parts: [
        part(from("KEYWORD"), "", 1, { letterCase: "SENTENCE" }),
        part(SENTENCES, ": ", 2, { shortenable: true }),
      ],
    },
  },
  {
    name: "From the page’s own words",
    title: { parts: [part(OWN_WORDS, "", 1, { shortenable: true }), part(from("PLACE"), ", ", 2), BRAND] },
    description: { parts: [part(SENTENCES, "", 1, { shortenable: true })] },
  },
];

/** The same ways for an H1 or a slug. */
const ONE_PART: Part[] = [
  part([...from("KEYWORD"), ...OWN_WORDS], "", 1, { letterCase: "SENTENCE", shortenable: true }),
  part(from("KEYWORD"), "", 1, { letterCase: "SENTENCE" }),
  part(OWN_WORDS, "", 1, { shortenable: true }),
];

/** The same ways for the texts of images and links. */
const OF_IMAGES: Part[] = [
  part(from("KEYWORD", "H1", "TITLE"), "", 1, { letterCase: "SENTENCE" }),
  part(from("KEYWORD"), "", 1, { letterCase: "SENTENCE" }),
  part(from("FILE_WORDS", "H1", "TITLE"), "", 1, { letterCase: "SENTENCE" }),
];
const OF_LINKS: Part[] = [
  part(from("LINKED_KEYWORD", "LINKED_H1", "FILE_WORDS"), "", 1),
  part(from("LINKED_KEYWORD"), "", 1),
  part(from("LINKED_H1", "FILE_WORDS"), "", 1),
];

/** A way for listings and videos, which have neither H1 nor words in their addresses. */
const withoutPages = (recipe: Recipe): Recipe => ({
  parts: recipe.parts.map((each) => ({
    ...each,
    sources: each.sources.filter((source) => !["H1", "SLUG", "COPY_OPENING", "COPY_SENTENCE"].includes(source.kind)),
  })),
});

/** A ready-made recipe, by its place among the ways. An H1 and a slug are one part. */
export function wayOf(way: number, field: Field, listings: boolean): Recipe {
  if (field === "h1" || field === "slug") return { parts: [ONE_PART[way]] };
  if (field === "images") return { parts: [OF_IMAGES[way]] };
  if (field === "links") return { parts: [OF_LINKS[way]] };
  const recipe = field === "title" || field === "og-title" ? WAYS[way].title : WAYS[way].description;
  return listings ? withoutPages(recipe) : recipe;
}

/** What an edit begins with; what led here may have said what to find and what to put in its place. */
export function startOf(tool: Tool, field: Field, given: { find: string; with: string }, listings: boolean): EditSpec {
  switch (tool) {
    case "recipe":
      return { tool, field, recipe: wayOf(0, field, listings) };
    case "recipes":
      return { tool, field };
    case "remove-beginning":
    case "remove-ending":
    case "shorten-ending":
    case "remove-block":
      return { tool, field, find: given.find };
    case "brand":
      return { tool, field, with: " | ", place: "last" };
    case "indexing":
      return { tool, field: "indexing", with: "noindex" };
    case "written":
      return { tool: "writer", field, with: given.with };
    case "year":
      return { tool, field, with: `${new Date().getFullYear()}` };
    case "tag-sets":
      return { tool, field: "tags", tags: [], share: 33 };
    case "encoding":
    case "emoji":
    case "spaces":
    case "open-with-title":
    case "merge-twins":
    case "blocks-off":
    case "order-tags":
      return { tool, field };
    case "blocks":
      return { tool, field: "description", with: "" };
    case "season-tags":
      return { tool, field: "tags", with: `${new Date().getMonth() + 1}` };
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
