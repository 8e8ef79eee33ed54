/** The fixes that Rewrite has a tool for, by the tool. */
export const FIXES: Record<string, string> = {
  recipe: "Rewrite by recipe",
  cut: "Cut to fit",
  "remove-beginning": "Remove the beginning",
  "remove-ending": "Remove the ending",
  tags: "Fix the tags",
};

/** The fields that are written at the desk. */
export const WRITTEN = new Set<string>(["title", "description", "tags"]);
