import type { Field } from "../api/client";

export type Tool =
  | "recipe"
  | "recipes"
  | "replace"
  | "before"
  | "after"
  | "cut"
  | "case"
  | "brand"
  | "year"
  | "encoding"
  | "emoji"
  | "spaces"
  | "add-block"
  | "remove-block"
  | "blocks"
  | "blocks-off"
  | "open-with-title"
  | "remove-beginning"
  | "remove-ending"
  | "shorten-ending"
  | "add-tags"
  | "remove-tags"
  | "replace-tag"
  | "merge-twins"
  | "order-tags"
  | "tag-sets"
  | "season-tags"
  | "indexing"
  | "writer"
  | "sheet"
  | "written"
  | "keep"
  | "tags";

interface ToolEntry {
  tool: Tool;
  label: string;
  group: "Compose" | "Words" | "Shared parts" | "Repair" | "Tags" | "Pages" | "Leave";
  /** the only field that it is for */
  only?: Field;
  /** whether only listings and videos have it */
  listings?: boolean;
  /** whether the bar offers it itself, not only the list of all */
  barred?: boolean;
}

/** What can be done to many texts at once. */
export const TOOLS: ToolEntry[] = [
  { tool: "recipe", label: "Recipe", group: "Compose", barred: true },
  { tool: "recipes", label: "All recipes in force", group: "Compose" },
  { tool: "writer", label: "Writer", group: "Compose", barred: true },
  { tool: "sheet", label: "Writers’ sheet", group: "Compose" },
  { tool: "replace", label: "Find and replace", group: "Words", barred: true },
  { tool: "before", label: "Add to the start", group: "Words" },
  { tool: "after", label: "Add to the end", group: "Words" },
  { tool: "cut", label: "Cut to fit", group: "Words", barred: true },
  { tool: "case", label: "Letter case", group: "Words", barred: true },
  { tool: "open-with-title", label: "Open with the title", group: "Words", only: "description" },
  { tool: "brand", label: "Brand", group: "Shared parts", barred: true },
  { tool: "remove-beginning", label: "Remove the beginning", group: "Shared parts" },
  { tool: "remove-ending", label: "Remove the ending", group: "Shared parts" },
  { tool: "shorten-ending", label: "Shorten the ending", group: "Shared parts" },
  { tool: "add-block", label: "Add a block", group: "Shared parts", only: "description" },
  { tool: "remove-block", label: "Remove a block", group: "Shared parts", only: "description" },
  { tool: "blocks", label: "Shared blocks", group: "Shared parts", only: "description", listings: true },
  { tool: "blocks-off", label: "Remove shared blocks", group: "Shared parts", only: "description", listings: true },
  { tool: "year", label: "Years forward", group: "Repair" },
  { tool: "encoding", label: "Broken characters", group: "Repair" },
  { tool: "emoji", label: "Remove emoji", group: "Repair" },
  { tool: "spaces", label: "White space", group: "Repair" },
  { tool: "tag-sets", label: "Choose tag sets", group: "Tags", only: "tags", barred: true },
  { tool: "season-tags", label: "Tags of the season", group: "Tags", only: "tags" },
  { tool: "order-tags", label: "Order by searches", group: "Tags", only: "tags" },
  { tool: "add-tags", label: "Add tags", group: "Tags", only: "tags", barred: true },
  { tool: "remove-tags", label: "Remove tags", group: "Tags", only: "tags" },
  { tool: "replace-tag", label: "Replace a tag", group: "Tags", only: "tags" },
  { tool: "merge-twins", label: "Merge tags that say the same", group: "Tags", only: "tags" },
  { tool: "indexing", label: "Switch indexing", group: "Pages", only: "indexing" },
  { tool: "keep", label: "Keep as is", group: "Leave", barred: true },
];

/** The tools that a property has, in their groups, as a choice. */
export function toolChoice(listings: boolean) {
  const offered = TOOLS.filter(
    (each) => each.only !== (listings ? "indexing" : "tags") && (listings || !each.listings),
  );
  return [...new Set(offered.map((each) => each.group))].map((group) => ({
    group,
    items: offered
      .filter((each) => each.group === group)
      .map((each) => ({ value: each.tool as string, label: each.label })),
  }));
}

/** The field that a tool is opened on: the one that it is for, else the one in hand, which is no list and no switch. */
export function fieldOf(tool: Tool, inHand: Field): Field {
  return (
    TOOLS.find((each) => each.tool === tool)?.only ?? (inHand === "tags" || inHand === "indexing" ? "title" : inHand)
  );
}
