import Papa from "papaparse";

/** Cells as spreadsheets put them on the clipboard: between tabs, quoted where they hold a tab, a quote or a line break. */
export const tabbed = (cells: string[][]) => Papa.unparse(cells, { delimiter: "\t", newline: "\n", quoteChar: '"' });

/** The cells that are on the clipboard; none where there is no text. */
export function cellsOf(text: string): string[][] {
  if (text === "") return [];
  return Papa.parse<string[]>(text.replace(/\r?\n$/, ""), { delimiter: "\t", quoteChar: '"' }).data;
}
