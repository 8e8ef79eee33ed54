const named = new Intl.DateTimeFormat("en-GB", { month: "long", year: "numeric", timeZone: "UTC" });
const AHEAD = 18;

/** The months of the year, January first. */
export const MONTHS = Array.from({ length: 12 }, (_, month) =>
  new Intl.DateTimeFormat("en-GB", { month: "long", timeZone: "UTC" }).format(new Date(Date.UTC(2020, month, 1))),
);

/** "March 2027" of "2027-03". */
export function monthInWords(month: string) {
  const [year, number] = month.split("-").map(Number);
  return named.format(new Date(Date.UTC(year, number - 1, 1)));
}

/** This month and those after it, as "2027-03". */
export function monthsAhead(now = new Date()) {
  return Array.from({ length: AHEAD }, (_, i) =>
    new Date(Date.UTC(now.getUTCFullYear(), now.getUTCMonth() + i, 1)).toISOString().slice(0, 7),
  );
}
