const whole = new Intl.NumberFormat("en-GB");
const monthOfYear = new Intl.DateTimeFormat("en-GB", { month: "short", year: "numeric" });
const moment = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", year: "numeric" });
const momentWithTime = new Intl.DateTimeFormat("en-GB", {
  day: "numeric",
  month: "short",
  hour: "2-digit",
  minute: "2-digit",
});

export const count = (n: number) => whole.format(n);

/** "1 title", "2 titles". */
export const of = (n: number, thing: string, things = `${thing}s`) => `${whole.format(n)} ${n === 1 ? thing : things}`;

export const day = (instant: string) => moment.format(new Date(instant));

/** "2027-03" as "Mar 2027". */
export const month = (written: string) => monthOfYear.format(new Date(`${written}-15`));

/** "1 May 2026" of a date as it was written by others; the same where it does not begin with year, month and day. */
export const dayInWords = (written: string) =>
  /^\d{4}-\d{2}-\d{2}/.test(written) ? day(written.slice(0, 10)) : written;

export const dayAndTime = (instant: string) => momentWithTime.format(new Date(instant));

/** "2 min 5 s" of 125. */
export function duration(seconds: number) {
  if (seconds < 60) return `${Math.max(1, Math.round(seconds))} s`;
  const minutes = Math.floor(seconds / 60);
  if (minutes < 60) return `${minutes} min ${Math.round(seconds % 60)} s`;
  return `${Math.floor(minutes / 60)} h ${minutes % 60} min`;
}

/** An address without its scheme and host where it is a page's, as it is where it is an id. */
export function pathOf(address: string) {
  const start = address.indexOf("://");
  if (start < 0) return address;
  const slash = address.indexOf("/", start + 3);
  return slash < 0 ? "/" : address.slice(slash);
}

/** "https://bay.example" of an address there; "" of an id. */
export const originOf = (address: string) => /^[a-z]+:\/\/[^/]+/.exec(address)?.[0] ?? "";

/** Clicks in a small place: "12", "<1", and "–" for none. */
export const few = (clicks: number) => (clicks >= 0.5 ? count(Math.round(clicks)) : clicks > 0 ? "<1" : "–");

/** "12 clicks a month (4 to 20)". */
export const atStake = ({ clicks, low, high }: { clicks: number; low: number; high: number }) =>
  `${of(Math.round(clicks), "click")} a month (${count(Math.round(low))} to ${count(Math.round(high))})`;

/** A share from 0 to 1 as people say it, such as "3.4%" or "26%". */
export const percent = (share: number) => `${(100 * share).toFixed(share > 0 && share < 0.0995 ? 1 : 0)}%`;
