export type Tool =
  | "recipe"
  | "replace"
  | "before"
  | "after"
  | "cut"
  | "case"
  | "remove-beginning"
  | "remove-ending"
  | "add-tags"
  | "remove-tags"
  | "replace-tag"
  | "keep"
  | "tags";

interface ToolEntry {
  tool: Tool;
  label: string;
  /** for tags only */
  tags?: boolean;
  /** opened from a cause, not from the bar */
  hidden?: boolean;
}

/** What can be done to many texts at once, as the bar offers it. */
export const TOOLS: ToolEntry[] = [
  { tool: "recipe", label: "Recipe" },
  { tool: "replace", label: "Find and replace" },
  { tool: "before", label: "Add to the start" },
  { tool: "after", label: "Add to the end" },
  { tool: "cut", label: "Cut to fit" },
  { tool: "case", label: "Letter case" },
  { tool: "remove-beginning", label: "Remove the beginning", hidden: true },
  { tool: "remove-ending", label: "Remove the ending", hidden: true },
  { tool: "add-tags", label: "Add tags", tags: true },
  { tool: "remove-tags", label: "Remove tags", tags: true },
  { tool: "replace-tag", label: "Replace a tag", tags: true },
  { tool: "keep", label: "Keep as is" },
];
