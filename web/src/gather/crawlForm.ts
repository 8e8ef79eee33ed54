import type { CrawlSettings } from "../api/client";

/** How a sweep is set in its form: lists as text, one entry a line. */
export interface CrawlForm {
  maxPages: number;
  maxDepth: number;
  connections: number;
  delayMs: number;
  maxMinutes: number;
  maxMegabytes: number;
  reach: "LINKS" | "SITEMAPS" | "LIST";
  addresses: string;
  include: string;
  exclude: string;
  subdomains: boolean;
  query: "KEEP" | "SORT" | "DROP";
  withoutParameters: string;
  pastRobots: boolean;
  agent: string;
  scripts: boolean;
  keepsSource: boolean;
}

export const GENTLE: CrawlForm = {
  maxPages: 10_000,
  maxDepth: 25,
  connections: 2,
  delayMs: 100,
  maxMinutes: 0,
  maxMegabytes: 0,
  reach: "LINKS",
  addresses: "",
  include: "",
  exclude: "",
  subdomains: false,
  query: "KEEP",
  withoutParameters: "",
  pastRobots: false,
  agent: "",
  scripts: false,
  keepsSource: false,
};

const list = (text: string, mark: RegExp) =>
  text
    .split(mark)
    .map((entry) => entry.trim())
    .filter((entry) => entry !== "");

export const settingsOf = (form: CrawlForm): CrawlSettings => ({
  ...form,
  addresses: form.reach === "LIST" ? list(form.addresses, /\n/) : [],
  include: list(form.include, /\n/),
  exclude: list(form.exclude, /\n/),
  withoutParameters: list(form.withoutParameters, /[\s,]+/),
});

/** What a sweep looks at, in a few words. */
export function scopeInWords(form: CrawlForm): string {
  const { include, exclude, addresses, withoutParameters } = settingsOf(form);
  const where = {
    LINKS: "everything linked from the start",
    SITEMAPS: "addresses in the sitemaps",
    LIST: `a list of ${addresses?.length ?? 0} addresses`,
  }[form.reach];
  const words = [
    where,
    include?.length && `within ${include.join(", ")}`,
    exclude?.length && `without ${exclude.join(", ")}`,
    form.subdomains && "subdomains too",
    form.query === "DROP" ? "no parameters" : withoutParameters?.length && `without ${withoutParameters.join(", ")}`,
    form.pastRobots && "past robots.txt",
  ];
  return words.filter(Boolean).join("; ");
}

/** How a sweep reads pages, in a few words. */
export function readingInWords({ scripts, keepsSource, agent }: CrawlForm): string {
  const words = [
    scripts ? "after running their scripts" : "without running scripts",
    keepsSource && "keeps the markup",
    agent.trim() && `as ${agent.trim()}`,
  ];
  return words.filter(Boolean).join("; ");
}
