import { expect, test } from "vitest";
import { type CrawlForm, GENTLE, readingInWords, scopeInWords, settingsOf } from "./crawlForm";

const form = (changed: Partial<CrawlForm>): CrawlForm => ({ ...GENTLE, ...changed });

test("lists are written one entry a line, parameters with spaces or commas between", () => {
  const settings = settingsOf(
    form({
      include: "/hire/\n  /tours/  \n\n",
      exclude: "\n",
      withoutParameters: "utm_source, utm_medium\nsid  ref",
      reach: "LIST",
      addresses: "https://bay.example/a\r\nhttps://bay.example/b, and more\n",
    }),
  );
  expect(settings.include).toEqual(["/hire/", "/tours/"]);
  expect(settings.exclude).toEqual([]);
  expect(settings.withoutParameters).toEqual(["utm_source", "utm_medium", "sid", "ref"]);
  expect(settings.addresses).toEqual(["https://bay.example/a", "https://bay.example/b, and more"]);
});

test("addresses that were typed once are no scope where links are followed", () => {
  const typed = form({ addresses: "https://bay.example/a" });
  expect(settingsOf(typed).addresses).toEqual([]);
  expect(settingsOf({ ...typed, reach: "LIST" }).addresses).toHaveLength(1);
  expect(typed.addresses).toBe("https://bay.example/a");
});

test.each([
  [{}, "everything linked from the start"],
  [{ reach: "SITEMAPS" as const, subdomains: true }, "addresses in the sitemaps; subdomains too"],
  [{ reach: "LIST" as const, addresses: "a\nb\nc" }, "a list of 3 addresses"],
  [
    { include: "/hire/\n/tours/", exclude: "/old/" },
    "everything linked from the start; within /hire/, /tours/; without /old/",
  ],
  [{ withoutParameters: "sid ref" }, "everything linked from the start; without sid, ref"],
  [{ withoutParameters: "sid", query: "DROP" as const }, "everything linked from the start; no parameters"],
  [{ pastRobots: true }, "everything linked from the start; past robots.txt"],
])("the scope is said in a few words: %o", (changed, words) => {
  expect(scopeInWords(form(changed))).toBe(words);
});

test.each([
  [{}, "without running scripts"],
  [{ scripts: true, keepsSource: true }, "after running their scripts; keeps the markup"],
  [{ agent: "  harbour-reader " }, "without running scripts; as harbour-reader"],
  [{ agent: "   " }, "without running scripts"],
])("how pages are read is said in a few words: %o", (changed, words) => {
  expect(readingInWords(form(changed))).toBe(words);
});
