/** The formats of deliveries by their codes, as they are chosen. */
export const FORMATS: Record<string, string> = {
  csv: "CSV: a row a text, before and after",
  xlsx: "XLSX: the same as a workbook",
  json: "JSON: one object an item",
  jsonl: "JSON Lines: one object a line",
  html: "HTML head: title, description, robots, Open Graph",
  redirects: "Redirects of new slugs: CSV",
  nginx: "Redirects of new slugs: nginx",
  apache: "Redirects of new slugs: Apache",
  listings: "CSV in the shape it was imported",
};

/** The same where there is little room. */
export const SHORT_FORMATS: Record<string, string> = {
  csv: "CSV",
  xlsx: "XLSX",
  json: "JSON",
  jsonl: "JSON Lines",
  html: "HTML",
  redirects: "redirects",
  nginx: "redirects for nginx",
  apache: "redirects for Apache",
  listings: "as imported",
};
